import type { Difference } from '../../api/client'

export interface ReadingGroup {
  has: string
  words: string
  parts: string[]
  proposed: boolean
  /** In a return: the measures that read so, instead of the parts. */
  places: string | null
}

const kinds: Record<string, string> = {
  articulation: 'articulation',
  slur: 'slur',
  dynamic: 'dynamic',
  hairpin: 'hairpin',
  pitch: 'pitch',
  rhythm: 'rhythm',
  ornament: 'ornament',
  breath: 'breath',
  bowing: 'bowing',
}

/** A kind of difference as a director says it. */
export const kindWords = (kind: string): string => kinds[kind] ?? kind

const slurPlace = /^(.+)\.([^.]+)–(.+)\.([^.]+)$/

/** "19.1–19.2½" as "slur from beat 1 to beat 2½"; measures are named where it crosses a bar line. */
function slurWords(has: string): string {
  const spans = has.split(', ').map((span) => {
    const at = slurPlace.exec(span)
    if (!at) return span
    const [, from, first, to, last] = at
    return from === to ? `beat ${first} to beat ${last}` : `measure ${from} beat ${first} to measure ${to} beat ${last}`
  })
  return `${spans.length > 1 ? 'slurs' : 'slur'} from ${spans.join(', and from ')}`
}

/** What a reading prints, as a director says it. */
export function readingWords(kind: string, has: string): string {
  if (has === '') return kind === 'slur' ? 'no slur' : 'nothing'
  if (kind === 'slur') return slurWords(has)
  if (kind === 'pitch') return `sounding ${has}`
  if (kind === 'rhythm' || kind === 'hairpin') return has
  return has
    .split('+')
    .map((m) => m.replace('strong-accent', 'marcato').replace('-', ' '))
    .join(' and ')
}

/** True where the difference is meant and nothing is proposed. */
export const isMeant = (d: Difference): boolean => d.proposal.parts.length === 0

const sureWords: Record<string, string> = { sure: 'sure', likely: 'likely', yours: 'yours to decide' }

/** How sure a proposal is, as a director says it. */
export const sureWord = (d: Difference): string => sureWords[d.proposal.sure] ?? d.proposal.sure

/** True where one part is unlike itself: its notes, and those like them around. */
export const isOfOnePart = (d: Pick<Difference, 'relation' | 'parts'>): boolean =>
  d.relation !== 'return' && d.parts.length > 1 && new Set(d.parts.map((p) => p.part)).size === 1

const twice = (d: Difference): [string, string] | null => {
  if (d.relation === 'return') return ['the first time', 'when it returns']
  return isOfOnePart(d) ? ['here', 'on the like notes around'] : null
}

/** The readings of a difference with the parts that print each, the proposed one first. */
export function readingGroups(d: Difference): ReadingGroup[] {
  const groups = new Map<string, ReadingGroup>()
  for (const p of d.parts) {
    const group = groups.get(p.has) ?? {
      has: p.has,
      words: isMeant(d) ? p.has || 'nothing' : readingWords(d.kind, p.has),
      parts: [],
      proposed: !isMeant(d) && p.has === d.proposal.mark,
      places: null,
    }
    group.parts.push(p.part)
    groups.set(p.has, group)
  }
  const places = twice(d)
  if (places)
    for (const g of groups.values())
      g.places = d.parts.flatMap((p, i) => (p.has === g.has ? [places[i === 0 ? 0 : 1]] : [])).join(', ')
  return [...groups.values()].sort((a, b) => Number(b.proposed) - Number(a.proposed))
}

/** The measures of a difference; of a return the first one and where it comes again. */
export function placeWords(d: Difference): string {
  if (d.relation === 'return') return `measure ${d.from} and again near ${d.to}`
  return d.from === d.to ? `measure ${d.from}` : `measures ${d.from}–${d.to}`
}

/** How the parts of a difference go together. */
export function relationWords(d: Pick<Difference, 'relation' | 'parts'>): string {
  if (isOfOnePart(d)) return 'one part, unlike itself'
  const how: Record<string, string> = {
    unison: `${d.parts.length} parts in unison`,
    octave: `${d.parts.length} parts in octaves`,
    'same-rhythm': `${d.parts.length} parts in the same rhythm`,
    return: 'the same music, the second time',
  }
  return how[d.relation] ?? d.relation
}
