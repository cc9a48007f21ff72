<script setup lang="ts">
import { useResizeObserver } from '@vueuse/core'
import { computed, nextTick, ref, watch } from 'vue'
import { inside, type Paper } from './papers'

/** One sheet of paper: its size, its margins, and where asked for what stands on it made as small as it must be to fit one page. */
const props = defineProps<{
  paper: Paper
  label: string
  /** The long side across. */
  onItsSide?: boolean
  /** True for what must fit one page: it is set smaller, down to what can still be read. */
  fit?: boolean
}>()
/** From the usual size to the smallest that is read at arm's length. */
const sizes = [1, 0.94, 0.88, 0.82, 0.76, 0.7, 0.64] as const
const content = ref<HTMLElement>()
const size = ref<number>(sizes[0])
const across = computed(() =>
  props.onItsSide ? { width: props.paper.height, height: props.paper.width } : props.paper,
)
const page = computed(() => ({ width: `${across.value.width}mm`, minHeight: `${across.value.height}mm` }))
const space = computed(() => inside({ name: '', ...across.value }).height)

/** The largest size at which the content is no higher than the page. */
async function measure() {
  for (const s of sizes) {
    size.value = s
    await nextTick()
    if (!content.value || content.value.getBoundingClientRect().height <= space.value) return
  }
}
const measured = () => props.fit && void measure()
watch([space, () => props.fit], measured)
useResizeObserver(content, measured)
</script>

<template>
  <article class="sheet paper-sheet" :style="page" :aria-label="label">
    <div ref="content" :style="{ zoom: size }"><slot /></div>
  </article>
</template>

<style scoped>
.paper-sheet {
  padding: 13mm;
  max-width: 100%;
}
@media print {
  .paper-sheet {
    max-width: none;
    padding: 13mm;
    min-height: 0 !important;
  }
}
</style>
