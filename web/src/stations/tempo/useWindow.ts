import { useQuery } from '@tanstack/vue-query'
import { computed, type Ref } from 'vue'
import { api, fetched } from '../../api/client'
import { keys } from '../../api/queries'

/** A part and range whose window is asked for, for one player or for all who sit there. */
export interface WindowAsk {
  piece: number
  part: string
  from: string
  to: string
  player?: number
}

/** The window of workable tempi. */
export const useWindow = (ask: Ref<WindowAsk>) =>
  useQuery({
    queryKey: computed(() => keys.of(ask.value.piece, 'window', ask.value)),
    queryFn: ({ signal }) => {
      const { piece, part, from, to, player } = ask.value
      return fetched(
        api.GET('/api/pieces/{id}/tempo/window', {
          params: { path: { id: piece }, query: { part, from, to, ...(player ? { player } : {}) } },
          signal,
        }),
      )
    },
    placeholderData: (before) => before,
    meta: { shown: true },
  })
