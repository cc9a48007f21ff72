import type { Line } from '../api/client'

/** A stretch of a part that goes with others: parts with the same letter at the same time go together. */
export interface Band {
  part: string
  from: number
  to: number
  letter: string
  /** True for the same rhythm with other notes. */
  loose: boolean
}

type Stretch = Pick<Line, 'parts' | 'fromIndex' | 'toIndex' | 'relation'>

const letters = 'abcdefghijklmnopqrstuvwxyz'
const leastLoose = 4

/** Lines of the same parts that follow one another are one stretch. */
function stretches(lines: readonly Stretch[]): Stretch[] {
  const open = new Map<string, Stretch>()
  const out: Stretch[] = []
  for (const l of [...lines].sort((a, b) => a.fromIndex - b.fromIndex)) {
    const loose = l.relation === 'same-rhythm'
    const key = `${loose} ${[...l.parts].sort().join()}`
    const before = open.get(key)
    if (before && l.fromIndex <= before.toIndex + 1) before.toIndex = Math.max(before.toIndex, l.toIndex)
    else {
      const fresh = { parts: l.parts, fromIndex: l.fromIndex, toIndex: l.toIndex, relation: l.relation }
      open.set(key, fresh)
      out.push(fresh)
    }
  }
  return out.filter((s) => s.relation !== 'same-rhythm' || s.toIndex - s.fromIndex + 1 >= leastLoose)
}

/** Letters for the lines of a score: a line takes the first letter that no line sounding at the same time has. */
export function bandsOf(lines: readonly Stretch[]): Band[] {
  const taken: { until: number; letter: string }[] = []
  const bands: Band[] = []
  for (const s of stretches(lines.filter((l) => l.relation !== 'return'))) {
    const busy = new Set(taken.filter((t) => t.until >= s.fromIndex).map((t) => t.letter))
    const letter = [...letters].find((x) => !busy.has(x)) ?? '…'
    taken.push({ until: s.toIndex, letter })
    for (const part of s.parts)
      bands.push({ part, from: s.fromIndex, to: s.toIndex, letter, loose: s.relation === 'same-rhythm' })
  }
  return bands
}
