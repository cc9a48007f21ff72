import type { Difference } from '../api/client'

export interface ReadingGroup {
  has: string
  words: string
  parts: string[]
  proposed: boolean
}

const kinds: Record<string, string> = {
  articulation: 'articulation',
  slur: 'slur',
  dynamic: 'level',
  hairpin: 'hairpin',
  pitch: 'pitch',
  rhythm: 'rhythm',
  ornament: 'ornament',
  breath: 'breath',
  bowing: 'bowing',
}

/** A kind of difference as a director says it. */
export const kindWords = (kind: string): string => kinds[kind] ?? kind

/** What a reading prints, as a director says it. */
export function readingWords(kind: string, has: string): string {
  if (has === '') return kind === 'slur' ? 'no slur' : 'nothing'
  if (kind === 'slur') return `slur ${has}`
  if (kind === 'pitch') return `sounding ${has}`
  if (kind === 'rhythm' || kind === 'hairpin') return has
  return has
    .split('+')
    .map((m) => m.replace('strong-accent', 'marcato').replace('-', ' '))
    .join(' and ')
}

/** The readings of a difference with the parts that print each, the proposed one first. */
export function readingGroups(d: Difference): ReadingGroup[] {
  const groups = new Map<string, ReadingGroup>()
  for (const p of d.parts) {
    const group = groups.get(p.has) ?? {
      has: p.has,
      words: readingWords(d.kind, p.has),
      parts: [],
      proposed: p.has === d.proposal.mark,
    }
    group.parts.push(p.part)
    groups.set(p.has, group)
  }
  return [...groups.values()].sort((a, b) => Number(b.proposed) - Number(a.proposed))
}
