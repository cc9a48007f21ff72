import { useEventListener } from '@vueuse/core'
import { keymap, type ActOf, type KeyPlace } from './keymap'

/** True where a key goes to something inside what a selector names. */
export const isInside = (e: KeyboardEvent, what: string) =>
  e.target instanceof Element && e.target.closest(what) !== null

const lines =
  'textarea, [contenteditable], input:not([type=radio], [type=checkbox], [type=button], [type=range], [type=file])'

/** True where text is written, which has an undo of its own. */
export const isWriting = (e: KeyboardEvent) => isInside(e, lines)

const textFields =
  'textarea, select, [contenteditable], input:not([type=radio], [type=checkbox], [type=button], [type=range])'

/** True where a key is text, or belongs to a control that chooses with keys. */
export const isTyping = (e: KeyboardEvent) => isInside(e, textFields)

/** True where a dialog or an open menu has the keys. */
export const isInDialog = (e: KeyboardEvent) => isInside(e, '[role=dialog], [role=menu]')

/** The single keys of a place; each act that the page of keys promises must be served, or null where it is served elsewhere. Typing and
 *  dialogs are left alone. */
export function useStationKeys<P extends KeyPlace>(place: P, acts: Record<ActOf<P>, (() => void) | null>) {
  const byKey = new Map(
    Object.entries(keymap[place]).map(([name, k]) => [(k as { key: string }).key, acts[name as ActOf<P>]]),
  )
  useEventListener(window, 'keydown', (e: KeyboardEvent) => {
    const act = byKey.get(e.key.length === 1 ? e.key.toLowerCase() : e.key)
    if (!act || e.defaultPrevented || e.ctrlKey || e.metaKey || e.altKey || isTyping(e) || isInDialog(e)) return
    e.preventDefault()
    act()
    // Who works by keys has the entry in hand, not the page.
    requestAnimationFrame(() => {
      if (document.activeElement === document.body)
        document.querySelector<HTMLElement>('aside [aria-current=true] button')?.focus({ preventScroll: true })
    })
  })
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
