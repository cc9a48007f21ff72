import { useSessionStorage } from '@vueuse/core'
import type { RemovableRef } from '@vueuse/core'

const prefix = 'mellow-stand-draft '

/** Forgets everything that was typed and not saved. */
export function forgetDrafts() {
  for (const key of Object.keys(sessionStorage)) if (key.startsWith(prefix)) sessionStorage.removeItem(key)
}

/** What is typed into a form, kept in this tab over a reload until it is saved.
 *  @param key a name of the form and what it is about
 *  @param fresh an empty form */
export function useDraft<T extends object>(key: string, fresh: () => T): { draft: RemovableRef<T>; clear: () => void } {
  const draft = useSessionStorage<T>(prefix + key, fresh(), {
    mergeDefaults: true,
    // Written at once, not at the next tick: the page may be on its way out.
    flush: 'sync',
  })
  return { draft, clear: () => (draft.value = fresh()) }
}
