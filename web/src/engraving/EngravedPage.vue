<script setup lang="ts">
import { Spin as ASpin } from 'ant-design-vue'
import { keepPreviousData, useQuery } from '@tanstack/vue-query'
import { useDebounceFn, useResizeObserver } from '@vueuse/core'
import { computed, nextTick, onMounted, ref, watch } from 'vue'
import { engraveUrl, sliceUrl } from './engraver'
import { clearNumbers } from './measureNumbers'
import { sizeFor } from './size'
import { placeFlags, type Box, type Flagged, type PlacedFlag } from './flags'

const props = defineProps<{
  piece: number
  parts: readonly string[]
  /** How many measures are drawn. */
  measures: number
  from: string
  to: string
  flags?: readonly Flagged[]
  active?: string | null
  /** Transposing parts as they sound. */
  concert?: boolean
  label: string
}>()
const emit = defineEmits<{ flag: [string] }>()

const page = ref<HTMLDivElement>()
const width = ref(0)
const placed = ref<PlacedFlag[]>([])
const url = computed(() => sliceUrl(props.piece, props.parts, props.from, props.to, props.concert))

const music = useQuery({
  queryKey: computed(() => ['piece', props.piece, 'engraved', url.value, width.value]),
  enabled: computed(() => width.value > 0 && props.parts.length > 0),
  queryFn: async ({ signal }): Promise<string> => {
    const scale = sizeFor(props.parts.length, props.measures)
    return (await engraveUrl(url.value, { width: width.value, scale }, signal)).svg
  },
  placeholderData: keepPreviousData,
  meta: { shown: true },
})

function boxOf(id: string): Box | null {
  const note = page.value?.querySelector(`[id="${id}"]`)
  if (!note) return null
  const [r, p] = [note.getBoundingClientRect(), page.value!.getBoundingClientRect()]
  return { left: r.left - p.left - 3, top: r.top - p.top - 4, width: r.width + 6, height: r.height + 8 }
}

async function place() {
  await nextTick()
  if (page.value) clearNumbers(page.value)
  placed.value = placeFlags(props.flags ?? [], boxOf)
}

function click(e: MouseEvent) {
  const note = (e.target as Element).closest('g.note')
  const hit = note && props.flags?.find((f) => f.notes.includes(note.id))
  if (hit) emit('flag', hit.id)
}

watch([() => music.data.value, () => props.flags], place)

const widthNow = () => Math.floor((page.value?.clientWidth ?? 0) / 10) * 10
const resized = useDebounceFn(() => {
  if (Math.abs(widthNow() - width.value) > 20) width.value = widthNow()
  else void place()
}, 80)
useResizeObserver(page, resized)
onMounted(() => (width.value = widthNow()))
</script>

<template>
  <div class="engraved">
    <div class="margin">
      <button
        v-for="f in placed.filter((x) => x.number > 0)"
        :key="f.id"
        type="button"
        class="flag"
        :class="{ on: f.id === active }"
        :style="{ top: `${f.y}px` }"
        :aria-label="`${f.number}: ${f.label}`"
        @click="emit('flag', f.id)"
      >
        {{ f.number }}
      </button>
    </div>
    <div ref="page" class="page-of-music" role="img" :aria-label="label" data-testid="engraved" @click="click">
      <template v-for="f in placed" :key="f.id">
        <span
          v-for="(b, i) in f.bands"
          :key="i"
          class="band"
          :class="{ on: f.id === active }"
          :style="{ left: `${b.left}px`, top: `${b.top}px`, width: `${b.width}px`, height: `${b.height}px` }"
          ><span v-if="i === 0" class="at" aria-hidden="true">{{ f.number }}</span></span
        >
        <span v-if="f.signAt" class="proposed" :style="{ left: `${f.signAt.x}px`, top: `${f.signAt.y}px` }">{{
          f.sign
        }}</span>
      </template>
      <!-- The drawing comes from our own engraver in the worker, not from the file's author. -->
      <!-- eslint-disable-next-line vue/no-v-html -->
      <div class="music" v-html="music.data.value ?? ''"></div>
      <p v-if="music.isError.value" class="empty">{{ music.error.value?.message }}</p>
      <ASpin v-if="music.isPending.value" class="spin" tip="Engraving" />
    </div>
  </div>
</template>

<style scoped>
.engraved {
  display: grid;
  grid-template-columns: 30px 1fr;
  min-height: 120px;
}
.margin {
  position: relative;
}
.flag {
  position: absolute;
  left: 2px;
  min-width: 24px;
  height: 18px;
  padding: 0 4px;
  border: 1px solid var(--slate);
  border-radius: 2px 9px 9px 2px;
  background: var(--card);
  color: var(--ink);
  font: 600 11px/15px var(--title);
  cursor: pointer;
}
.flag.on {
  background: var(--brass);
  border-color: var(--brass);
  color: var(--white);
}
.page-of-music {
  position: relative;
  min-width: 0;
}
.music {
  position: relative;
}
.music :deep(svg) {
  width: 100%;
  height: auto;
  display: block;
}
.band {
  position: absolute;
  border-bottom: 2px solid rgb(169 121 28 / 75%);
}
.band.on {
  border-bottom-width: 3px;
  background: rgb(169 121 28 / 22%);
  border-radius: 4px 4px 0 0;
}
/* The number of the flag stands at its first note too. */
.band .at {
  position: absolute;
  left: -1px;
  top: 100%;
  font: 600 9px/10px var(--title);
  color: var(--brass-ink);
}
.proposed {
  position: absolute;
  z-index: 2;
  transform: translate(-50%, -100%);
  padding: 0 2px;
  border-bottom: 2px dotted var(--plum);
  background: rgb(255 253 248 / 80%);
  color: var(--plum);
  font-size: 12px;
  font-weight: 600;
  line-height: 14px;
  pointer-events: none;
}
.spin {
  position: absolute;
  left: 50%;
  top: 50px;
}
</style>
