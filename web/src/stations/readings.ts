import type { Difference } from '../api/client'

export interface ReadingGroup {
  has: string
  words: string
  parts: string[]
  proposed: boolean
}

/** What a reading prints, as a director says it. */
export function readingWords(kind: string, has: string): string {
  if (has === '') return kind === 'slur' ? 'no slur' : 'nothing'
  if (kind === 'slur') return `slur ${has}`
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
