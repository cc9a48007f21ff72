import { useStyleTag } from '@vueuse/core'
import { computed, watch } from 'vue'
import { useRoute } from 'vue-router'
import { paperOf } from './papers'

/** The paper of the page's address, with the printer told its size. */
export function usePaper() {
  const route = useRoute()
  const paper = computed(() => paperOf(route.query.paper))
  const cues = computed(() => route.query.cues === 'true')
  const { css } = useStyleTag('')
  watch(paper, (p) => (css.value = `@page { size: ${p.width}mm ${p.height}mm; margin: 0 }`), { immediate: true })
  return { paper, cues }
}

/** Tells whoever prints this page without a reader that everything is drawn. */
export const tellDrawn = (isDrawn: boolean) => (document.body.dataset.drawn = isDrawn ? 'yes' : 'no')
