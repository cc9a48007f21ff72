import type { Schemas } from '../api/client'

export type DiagramKey = Schemas['ChartKeyView']

/** A dot on a neck: string from the left, half steps above the open string, the finger. */
export interface NeckDot {
  string: number
  fret: number
  finger: string
}

/** Reads the pressed triple of a neck: the string's letter, finger with sign, half steps. */
export function neckDot(strings: readonly DiagramKey[], pressed: readonly string[]): NeckDot | null {
  const [letter, finger, half] = pressed
  const string = strings.findIndex((s) => s.id === letter)
  if (string < 0 || finger === undefined || half === undefined) return null
  return { string, fret: Number(half), finger }
}

/** The lowest half step shown: low positions from the nut, high ones from two below the finger. */
export const firstFret = (dot: NeckDot): number => (dot.fret <= 7 ? 0 : dot.fret - 3)

/** Reads a slide position: the valve before it (empty, F or D) and the place. */
export function slidePlace(pressed: readonly string[]): { valve: string; position: number } | null {
  const found = /^([FD]?)([1-7])$/.exec(pressed[0] ?? '')
  return found ? { valve: found[1]!, position: Number(found[2]) } : null
}

const fingers: Record<string, string> = { '1': 'first', '2': 'second', '3': 'third', '4': 'fourth', T: 'thumb' }
const signs: Record<string, string> = { h: 'high ', l: 'low ', o: 'harmonic, ' }

const valveWords: Record<string, string> = { F: ' with the F valve', D: ' with both valves' }

/** The diagram in words, for those who hear the page. */
export function diagramWords(kind: string, layout: readonly DiagramKey[], pressed: readonly string[]): string {
  if (kind === 'slide') {
    const place = slidePlace(pressed)
    return place ? `position ${place.position}${valveWords[place.valve] ?? ''}` : 'no position'
  }
  if (kind === 'neck') {
    const dot = neckDot(layout, pressed)
    if (!dot) return 'no finger'
    if (dot.fret === 0) return `open ${pressed[0]}`
    const sign = signs[dot.finger.slice(1)] ?? ''
    return `${sign}${fingers[dot.finger[0]!] ?? dot.finger} finger on the ${pressed[0]} string, ${dot.fret} half steps up`
  }
  const names = layout.filter((k) => pressed.includes(k.id)).map((k) => k.label || k.id)
  return names.length ? `pressed: ${names.join(', ')}` : 'open, nothing pressed'
}
