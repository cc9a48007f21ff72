import type { Schemas } from '../api/client'

/** A fingering of the crib with all its places. */
export interface CribEntry {
  written: string
  choice: string
  words: string
  sign: string
  why: string
  keys: readonly string[]
  notes: string[]
  measures: string[]
}

/** What is marked in a plan, the same fingering of the same note once, with its measures. */
export function cribOf(choices: readonly Schemas['ChoiceView'][]): CribEntry[] {
  const entries = new Map<string, CribEntry>()
  for (const c of choices.filter((x) => x.marked)) {
    const key = `${c.written} ${c.choice}`
    const entry = entries.get(key) ?? {
      written: c.written,
      choice: c.choice,
      words: c.words,
      sign: c.sign,
      why: c.why,
      keys: c.keys,
      notes: [],
      measures: [],
    }
    entry.notes.push(c.note)
    if (!entry.measures.includes(c.measure)) entry.measures.push(c.measure)
    entries.set(key, entry)
  }
  return [...entries.values()]
}
