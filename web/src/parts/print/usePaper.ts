import { useStyleTag } from '@vueuse/core'
import { computed, watch } from 'vue'
import { useRoute } from 'vue-router'
import { paperOf, type Paper } from './papers'

/** The paper of the page's address, with the printer told its size.
 *  @param onItsSide the long side across */
export function usePaper(onItsSide = false) {
  const route = useRoute()
  const paper = computed(() => paperOf(route.query.paper))
  const cues = computed(() => route.query.cues === 'true')
  const { css } = useStyleTag('')
  const size = (p: Paper) => (onItsSide ? `${p.height}mm ${p.width}mm` : `${p.width}mm ${p.height}mm`)
  watch(paper, (p) => (css.value = `@page { size: ${size(p)}; margin: 0 }`), { immediate: true })
  return { paper, cues }
}

/** Tells whoever prints this page without a reader that everything is drawn. */
export const tellDrawn = (isDrawn: boolean) => (document.body.dataset.drawn = isDrawn ? 'yes' : 'no')
