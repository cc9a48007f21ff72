<script setup lang="ts">
import { computed, ref } from 'vue'
import { heatSteps } from '../../theme'
import { followers, type CutPiece } from './cutDraft'

/** The passages of some parts along their measures; the boundary between two is dragged, or moved by the arrow keys. */
const props = defineProps<{ pieces: readonly CutPiece[]; measures: readonly string[]; active: string | null }>()
const emit = defineEmits<{ move: [key: string, to: number]; done: []; open: [CutPiece] }>()
const box = ref<HTMLElement>()
const count = computed(() => props.measures.length)
const share = (measures: number) => `${(100 * measures) / count.value}%`
const shade = (heat: number) => heatSteps[Math.min(4, Math.floor(heat * 1.5 * 5))]
const ends = computed(() => props.pieces.filter((p) => followers(props.pieces, p).length > 0))

function measureAt(e: PointerEvent): number {
  const { left, width } = box.value!.getBoundingClientRect()
  return Math.round(((e.clientX - left) / width) * count.value) - 1
}
function grab(e: PointerEvent) {
  ;(e.target as Element).setPointerCapture(e.pointerId)
}
function drag(e: PointerEvent, p: CutPiece) {
  if ((e.target as Element).hasPointerCapture(e.pointerId)) emit('move', p.key, measureAt(e))
}
function key(e: KeyboardEvent, p: CutPiece) {
  const by = { ArrowLeft: -1, ArrowRight: 1 }[e.key]
  if (!by) return
  e.preventDefault()
  e.stopPropagation()
  emit('move', p.key, p.to + by)
  emit('done')
}
</script>

<template>
  <div ref="box" class="ruler">
    <button
      v-for="p in pieces"
      :key="p.key"
      type="button"
      class="block"
      :class="{ dropped: !p.kept, on: p.key === active }"
      :style="{ left: share(p.from), width: share(p.to - p.from + 1), background: shade(p.heat) }"
      :aria-label="`Passage ${measures[p.from]} to ${measures[p.to]}`"
      tabindex="-1"
      @click="emit('open', p)"
    ></button>
    <span
      v-for="p in ends"
      :key="`end ${p.key}`"
      class="handle"
      role="slider"
      tabindex="0"
      :aria-label="`End of the passage from measure ${measures[p.from]}`"
      :aria-valuemin="p.from + 1"
      :aria-valuemax="count"
      :aria-valuenow="p.to + 1"
      :aria-valuetext="`measure ${measures[p.to]}`"
      :style="{ left: share(p.to + 1) }"
      @pointerdown="grab"
      @pointermove="drag($event, p)"
      @pointerup="emit('done')"
      @keydown="key($event, p)"
    ></span>
  </div>
</template>

<style scoped>
.ruler {
  position: relative;
  height: 30px;
  background: var(--paper);
  border: 1px solid var(--line);
  border-radius: 3px;
  margin: 4px 0 10px;
}
.block {
  position: absolute;
  top: 3px;
  bottom: 3px;
  border: 1px solid var(--plum);
  border-radius: 2px;
  padding: 0;
  cursor: pointer;
}
.block.on {
  outline: 2px solid var(--brass);
  outline-offset: 1px;
}
.dropped {
  opacity: 0.35;
  border-style: dashed;
}
.handle {
  position: absolute;
  top: -2px;
  bottom: -2px;
  width: 11px;
  margin-left: -6px;
  cursor: ew-resize;
  touch-action: none;
}
.handle::after {
  content: '';
  position: absolute;
  inset: 0 4px;
  background: var(--brass);
  border-radius: 2px;
}
</style>
