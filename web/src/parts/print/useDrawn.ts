import { useIsFetching } from '@tanstack/vue-query'
import { nextTick, onUnmounted, watch } from 'vue'
import { tellDrawn } from './usePaper'

/** Tells the printer that a page is drawn, once all that it asked for has come and stays so for a moment. */
export function useDrawn() {
  const fetching = useIsFetching()
  let asked = false
  let timer: ReturnType<typeof setTimeout> | undefined
  tellDrawn(false)
  watch(
    fetching,
    async (count) => {
      clearTimeout(timer)
      asked ||= count > 0
      tellDrawn(false)
      if (count > 0 || !asked) return
      await nextTick()
      timer = setTimeout(() => tellDrawn(true), 250)
    },
    { immediate: true },
  )
  onUnmounted(() => clearTimeout(timer))
}
