/** What is typed for one player: a tempo, letters of what to fix, and whether it was clean. */
export interface Typed {
  bpm: number | null
  /** Places in the list of fixes, from 0. */
  fixes: number[]
}

const letters = 'abcdefghi'

/** Reads what stands in the field: digits are the tempo, letters a to i what to fix. */
export function read(text: string, fixes: number): Typed {
  const digits = text.replace(/[^0-9.]/g, '')
  const bpm = digits === '' ? null : Number(digits)
  return {
    bpm: bpm !== null && Number.isFinite(bpm) && bpm > 0 ? bpm : null,
    fixes: [...new Set([...text.toLowerCase()].map((c) => letters.indexOf(c)))].filter((i) => i >= 0 && i < fixes),
  }
}

/** True for a key that says what to fix. */
export const isFix = (key: string) => key.length === 1 && letters.includes(key.toLowerCase())

/** The text with a letter more, or without it where it stood. */
export const toggled = (text: string, key: string) => (text.includes(key) ? text.replaceAll(key, '') : `${text}${key}`)

/** The letter of a fix. */
export const letterOf = (place: number) => letters[place] ?? ''

/** What a key does in the field of a player; null where it only types. */
export type Act = 'clean' | 'missed' | 'next' | 'previous' | 'undo' | null

const acts: Record<string, Act> = {
  Enter: 'clean',
  '-': 'missed',
  x: 'missed',
  ArrowDown: 'next',
  ArrowUp: 'previous',
  u: 'undo',
}

export const actOf = (key: string): Act => acts[key] ?? null
