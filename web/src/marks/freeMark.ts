import type { Piece } from '../api/client'

/** A mark as it is being written. */
export interface MarkDraft {
  what: string
  act: 'add' | 'remove'
  text: string
  place: 'range' | 'note'
  beat: number
}

export const freshMark = (): MarkDraft => ({ what: 'remark', act: 'add', text: '', place: 'range', beat: 1 })

interface What {
  value: string
  label: string
  /** What has to be typed with it. */
  asks?: string
  example?: string
}

const withText: What[] = [
  { value: 'remark', label: 'remark', asks: 'the remark', example: 'e.g. Breathe after the tied note, not before it.' },
  { value: 'words', label: 'words in the music', asks: 'the words', example: 'e.g. dolce' },
  { value: 'fingering', label: 'fingering', asks: 'the fingering', example: 'e.g. 1-3' },
]

const signs: [string, string][] = [
  ['staccato', 'staccato'],
  ['tenuto', 'tenuto'],
  ['accent', 'accent'],
  ['strong-accent', 'marcato'],
  ['slur', 'slur'],
  ['crescendo', 'crescendo'],
  ['diminuendo', 'diminuendo'],
  ['breath-mark', 'breath'],
  ['fermata', 'fermata'],
  ['down-bow', 'down-bow'],
  ['up-bow', 'up-bow'],
  ['trill-mark', 'trill'],
  ['bracket', 'bracket over the range'],
]

/** Everything a director writes by hand. */
export const whatToWrite: What[] = [
  ...withText,
  ...signs.map(([value, label]) => ({ value, label })),
  ...['pp', 'p', 'mp', 'mf', 'f', 'ff'].map((l) => ({ value: `dynamics:${l}`, label: l })),
]

/** The mark as the server takes it, or null while something has to be typed. */
export function markOf(draft: MarkDraft): string | null {
  if (!withText.some((w) => w.value === draft.what)) return draft.what
  const text = draft.text.trim()
  return text ? `${draft.what}:${text}` : null
}

/** The mark as a director says it. */
export function markWords(draft: MarkDraft): string {
  const label = whatToWrite.find((w) => w.value === draft.what)?.label ?? draft.what
  return withText.some((w) => w.value === draft.what) ? `${label} “${draft.text.trim()}”` : label
}

/** Whose parts, shortened where there are many. */
export function whoseWords(parts: Piece['parts']): string {
  const names = parts.map((p) => p.name || p.id)
  return names.length <= 3 ? names.join(', ') : `${names.slice(0, 2).join(', ')} and ${names.length - 2} more`
}
