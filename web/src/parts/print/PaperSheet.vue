<script setup lang="ts">
import { useEventListener, useMutationObserver, useResizeObserver } from '@vueuse/core'
import { computed, onMounted, ref, watch } from 'vue'
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
/** CSS pixels that stay empty below: millimetres are no whole pixels, and a hair too much is a page too much. */
const spare = 2
const space = computed(() => inside({ name: '', ...across.value }).height - spare)

/** The largest size at which the content is no higher than the page. */
function measure() {
  const element = content.value
  if (!element || !props.fit) return
  const holds = (s: number) => {
    element.style.zoom = String(s)
    return element.getBoundingClientRect().height <= space.value
  }
  size.value = sizes.find(holds) ?? sizes.at(-1)!
}
/** Not while it is printed: what is cut into pages has another height. */
const again = () => !window.matchMedia('print').matches && measure()
watch([space, () => props.fit], again, { flush: 'post' })
useResizeObserver(content, again)
// A busy browser tells of a new height late, or not before it prints.
useMutationObserver(content, again, { childList: true, characterData: true, subtree: true })
useEventListener(window, 'beforeprint', measure)
onMounted(() => {
  measure()
  void document.fonts.ready.then(() => {
    measure()
    isSet.value = true
  })
})
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
.content,
.content :deep(*) {
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
