import { useEventListener } from '@vueuse/core'

/** Single keys of a station: J and K walk its list, others act; typing in a field is left alone. */
export function useListKeys(acts: Record<string, () => void>) {
  function key(e: KeyboardEvent) {
    const typing = (e.target as HTMLElement).closest('input:not([type=radio]), textarea, select, [role=dialog]')
    const act = acts[e.key.toLowerCase()]
    if (!act || typing || e.ctrlKey || e.metaKey || e.altKey) return
    e.preventDefault()
    act()
  }
  useEventListener(window, 'keydown', key)
}

/** The entry so many places after the active one, kept inside the list. */
export function neighbour<T extends { id: string }>(
  list: readonly T[],
  active: string | null,
  by: number,
): T | undefined {
  if (list.length === 0) return undefined
  const at = list.findIndex((x) => x.id === active)
  if (at < 0) return by > 0 ? list[0] : list.at(-1)
  return list[Math.min(Math.max(0, at + by), list.length - 1)]
}
