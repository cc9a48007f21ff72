import { useSessionStorage } from '@vueuse/core'
import type { RemovableRef } from '@vueuse/core'

/** What is typed into a form, kept in this tab over a reload until it is saved.
 *  @param key a name of the form and what it is about
 *  @param fresh an empty form */
export function useDraft<T extends object>(key: string, fresh: () => T): { draft: RemovableRef<T>; clear: () => void } {
  const draft = useSessionStorage<T>(`mellow-stand-draft ${key}`, fresh(), {
    mergeDefaults: true,
    // Written at once, not at the next tick: the page may be on its way out.
    flush: 'sync',
  })
  return { draft, clear: () => (draft.value = fresh()) }
}
