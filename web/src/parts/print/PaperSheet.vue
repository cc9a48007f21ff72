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
/** Whether what stands on it has its size: until then nothing should be printed. */
const isSet = ref(false)
const size = ref<number>(sizes[0])
const across = computed(() =>
  props.onItsSide ? { width: props.paper.height, height: props.paper.width } : props.paper,
)
const page = computed(() => ({ width: `${across.value.width}mm`, minHeight: `${across.value.height}mm` }))
const space = computed(() => inside({ name: '', ...across.value }).height)

let turn = 0
/** The largest size at which the content is no higher than the page. What has grown meanwhile is measured anew, and only that counts. */
async function measure() {
  const own = ++turn
  isSet.value = false
  for (const s of sizes) {
    size.value = s
    await nextTick()
    if (own !== turn) return
    if (!content.value || content.value.getBoundingClientRect().height <= space.value) break
  }
  isSet.value = true
}
/** Not while it is printed: what is cut into pages has another height. */
const measured = () => props.fit && !window.matchMedia('print').matches && void measure()
watch([space, () => props.fit], measured)
useResizeObserver(content, measured)
</script>

<template>
  <article class="sheet paper-sheet" :style="page" :aria-label="label" :aria-busy="fit && !isSet">
    <div ref="content" class="content" :style="{ zoom: size }"><slot /></div>
  </article>
</template>

<style scoped>
.paper-sheet {
  padding: 13mm;
  max-width: 100%;
}
/* Less motion makes a short transition of every change: the height at a size would be that of the size before. */
.content {
  transition: none !important;
}
@media print {
  .paper-sheet {
    max-width: none;
    padding: 13mm;
    min-height: 0 !important;
  }
}
</style>
