<script setup lang="ts">
import { useResizeObserver } from '@vueuse/core'
import { computed, nextTick, onMounted, ref, watch } from 'vue'
import { isGivenUp } from '../common/tell'
import { moveSelection, selectionWords, stretchParts, stretchSelection, togglePart, type Selection } from '../selection'
import { drawStrip, type StripData } from './draw'
import { cellAt, fit, head, nameAt, nearestCell, pan, reveal, zoom, type Cell, type View } from './geometry'

const props = defineProps<{
  data: StripData
  selection: Selection | null
  reasons: (part: string, measure: number, signal: AbortSignal) => Promise<string>
}>()
const emit = defineEmits<{ select: [Selection | null] }>()

const box = ref<HTMLDivElement>()
const canvas = ref<HTMLCanvasElement>()
const width = ref(800)
const view = ref<View>({ cell: 10, row: 12, x: 0, y: 0 })
const tip = ref<{ x: number; y: number; text: string } | null>(null)
let start: Cell | null = null
let frame = 0
let asking = new AbortController()

const partIds = computed(() => props.data.parts.map((p) => p.id))
const partNames = computed(() => new Map(props.data.parts.map((p) => [p.id, p.name])))
const content = computed(() => head + props.data.parts.length * view.value.row)
const height = computed(() => Math.min(content.value, 246))
const words = computed(() => selectionWords(props.selection, props.data.labels, partNames.value))

function paint() {
  cancelAnimationFrame(frame)
  frame = requestAnimationFrame(() => {
    const c = canvas.value
    const g = c?.getContext('2d')
    if (!c || !g) return
    const ratio = window.devicePixelRatio || 1
    const [w, h] = [Math.round(width.value * ratio), Math.round(height.value * ratio)]
    if (c.width !== w || c.height !== h) Object.assign(c, { width: w, height: h })
    g.setTransform(ratio, 0, 0, ratio, 0, 0)
    drawStrip(g, width.value, height.value, view.value, props.data, props.selection)
  })
}

function measure() {
  width.value = box.value?.clientWidth ?? 800
  view.value = fit(width.value, props.data.labels.length, props.data.parts.length)
  paint()
}

const point = (e: MouseEvent): [number, number] => {
  const r = canvas.value!.getBoundingClientRect()
  return [e.clientX - r.left, e.clientY - r.top]
}

function rectangle(a: Cell, b: Cell): Selection {
  const [p0, p1] = [Math.min(a.part, b.part), Math.max(a.part, b.part)]
  return {
    parts: partIds.value.slice(p0, p1 + 1),
    from: Math.min(a.measure, b.measure),
    to: Math.max(a.measure, b.measure),
  }
}

function down(e: PointerEvent) {
  const [x, y] = point(e)
  hideTip()
  const isMore = e.ctrlKey || e.metaKey
  const name = nameAt(view.value, x, y, partIds.value.length)
  const cell = cellAt(view.value, x, y, partIds.value.length, props.data.labels.length)
  const row = name ?? (isMore ? cell?.part : undefined)
  if (row !== undefined && (name !== null || (isMore && props.selection))) return takeRow(row, isMore)
  start = cell
  if (!start) return
  canvas.value!.setPointerCapture(e.pointerId)
  emit('select', rectangle(start, start))
}

// A name chooses its part in the measures that are chosen; with Ctrl it is one more, or one fewer.
function takeRow(row: number, isMore: boolean) {
  const part = partIds.value[row]!
  const s = props.selection
  if (!s) emit('select', { parts: [part], from: 0, to: props.data.labels.length - 1 })
  else emit('select', isMore ? togglePart(s, part, partIds.value) : { ...s, parts: [part] })
}

function move(e: PointerEvent) {
  const [x, y] = point(e)
  if (start) {
    const next = rectangle(start, nearestCell(view.value, x, y, partIds.value.length, props.data.labels.length))
    if (JSON.stringify(next) !== JSON.stringify(props.selection)) emit('select', next)
    return
  }
  const cell = cellAt(view.value, x, y, partIds.value.length, props.data.labels.length)
  if (cell) void tell(cell, x, y)
  else hideTip()
}

function hideTip() {
  asking.abort()
  tip.value = null
}

// Told beside the pointer only once it rests; what is asked for a cell that was left is given up.
async function tell(cell: Cell, x: number, y: number) {
  asking.abort()
  const { signal } = (asking = new AbortController())
  await new Promise((r) => setTimeout(r, 120))
  if (signal.aborted) return
  const part = props.data.parts[cell.part]!
  try {
    const why = await props.reasons(part.id, cell.measure, signal)
    const text = `${part.name || part.id}, measure ${props.data.labels[cell.measure]}: ${why}`
    if (!signal.aborted) tip.value = { x: Math.min(x + 14, width.value - 330), y: y + 16, text }
  } catch (e) {
    if (!isGivenUp(e)) tip.value = null
  }
}

function wheel(e: WheelEvent) {
  if (e.shiftKey || Math.abs(e.deltaX) > Math.abs(e.deltaY))
    view.value = pan(view.value, e.deltaX || e.deltaY, width.value, props.data.labels.length)
  else view.value = zoom(view.value, e.deltaY < 0 ? 1.2 : 1 / 1.2, point(e)[0], width.value, props.data.labels.length)
}

function key(e: KeyboardEvent) {
  const count = props.data.labels.length
  const s = props.selection ?? { parts: partIds.value.slice(0, 1), from: 0, to: 0 }
  const fresh = !props.selection
  const acts: Record<string, () => Selection | null> = {
    ArrowRight: () => {
      if (e.shiftKey) return stretchSelection(s, 1, count)
      return fresh ? s : moveSelection(s, 1, 0, count, partIds.value)
    },
    ArrowLeft: () => (e.shiftKey ? stretchSelection(s, -1, count) : moveSelection(s, -1, 0, count, partIds.value)),
    ArrowDown: () => {
      if (e.shiftKey) return stretchParts(s, 1, partIds.value)
      return fresh ? s : moveSelection(s, 0, 1, count, partIds.value)
    },
    ArrowUp: () => (e.shiftKey ? stretchParts(s, -1, partIds.value) : moveSelection(s, 0, -1, count, partIds.value)),
    Home: () => moveSelection(s, -count, 0, count, partIds.value),
    End: () => moveSelection(s, count, 0, count, partIds.value),
  }
  const act = acts[e.key]
  if (e.key === '+' || e.key === '-')
    view.value = zoom(view.value, e.key === '+' ? 1.3 : 1 / 1.3, width.value / 2, width.value, count)
  if (!act) return
  e.preventDefault()
  emit('select', act())
}

watch(
  () => props.selection,
  (s) => {
    if (s) view.value = reveal(view.value, s.from, s.to, width.value, props.data.labels.length)
  },
)
watch([() => props.data, () => props.selection, view], paint)
watch(() => `${props.data.labels.length}:${props.data.parts.length}`, measure)

defineExpose({ focus: () => box.value?.focus() })
useResizeObserver(box, measure)
onMounted(async () => {
  await nextTick()
  measure()
  void document.fonts?.ready.then(paint)
})
</script>

<template>
  <section class="strip" aria-label="Strip">
    <div
      ref="box"
      class="box"
      role="application"
      tabindex="0"
      aria-roledescription="strip of parts and measures"
      :aria-label="`Strip: ${words}`"
      aria-describedby="strip-keys"
      :style="{ height: `${height}px` }"
      @keydown="key"
      @scroll="view = { ...view, y: box!.scrollTop }"
    >
      <div :style="{ height: `${content}px` }">
        <canvas
          ref="canvas"
          data-testid="strip"
          :style="{ width: `${width}px`, height: `${height}px` }"
          @pointerdown="down"
          @pointermove="move"
          @pointerup="start = null"
          @pointerleave="hideTip"
          @wheel.prevent="wheel"
        ></canvas>
      </div>
    </div>
    <div v-if="tip" class="tip" :style="{ left: `${tip.x}px`, top: `${tip.y}px` }">{{ tip.text }}</div>
    <p id="strip-keys" class="visually-hidden">
      Arrow keys move the selection, Shift with left or right changes its length, Shift with up or down takes more or
      fewer parts, plus and minus zoom, Escape clears.
    </p>
  </section>
</template>

<style scoped>
.strip {
  position: relative;
  border-bottom: 1px solid var(--line);
  background: var(--card);
}
.box {
  overflow: hidden auto;
  outline-offset: -2px;
}
canvas {
  display: block;
  position: sticky;
  top: 0;
  touch-action: none;
  cursor: crosshair;
}
.tip {
  position: absolute;
  z-index: 5;
  width: 320px;
  pointer-events: none;
  background: var(--ink);
  color: var(--paper);
  padding: 6px 10px;
  border-radius: 3px;
  font-size: 12.5px;
}
</style>
