import type { Finding } from '../../api/client'
import type { Selection } from '../../selection'

export interface FindingFilter {
  show: 'missed' | 'all' | 'done'
  /** A kind of rule, or empty for every kind. */
  kind: string
  /** A severity, or empty for every one. */
  severity: string
  /** A part's id, or empty for every part. */
  part: string
}

/** Everything that is often missed. */
export const noFilter: FindingFilter = { show: 'missed', kind: '', severity: '', part: '' }

/** A value of a filter with how many findings it would leave. */
export interface FilterCount {
  value: string
  count: number
}

const matches: Record<'kind' | 'severity' | 'part', (f: Finding, wanted: string) => boolean> = {
  kind: (f, wanted) => f.kind === wanted,
  severity: (f, wanted) => f.severity === wanted,
  part: (f, wanted) => f.parts.includes(wanted),
}

/** True where nothing is left to do: dismissed, or written in. */
export const isDone = (f: Pick<Finding, 'dismissed' | 'written'>) => f.dismissed || f.written !== null

/** True when a finding touches the selection; without a selection everything does. */
export function inSelection(f: Pick<Finding, 'fromIndex' | 'toIndex' | 'parts'>, s: Selection | null): boolean {
  return !s || (f.toIndex >= s.from && f.fromIndex <= s.to && f.parts.some((p) => s.parts.includes(p)))
}

/** The findings of the list: what is often missed by rank, everything else by place. */
export function listed(findings: readonly Finding[], filter: FindingFilter): Finding[] {
  const kept = findings.filter((f) => {
    if (!Object.entries(matches).every(([by, test]) => !filter[by as 'kind'] || test(f, filter[by as 'kind'])))
      return false
    if (filter.show === 'done') return isDone(f)
    return !isDone(f) && (filter.show === 'all' || f.shown)
  })
  return filter.show === 'missed' ? kept.sort((a, b) => a.fromIndex - b.fromIndex || a.rank - b.rank) : kept
}

/** What a filter can be set to where the others stand as they do, with counts, the largest first. */
export function countsOf(
  findings: readonly Finding[],
  filter: FindingFilter,
  by: 'kind' | 'severity' | 'part',
): FilterCount[] {
  const counts = new Map<string, number>()
  for (const f of listed(findings, { ...filter, [by]: '' }))
    for (const value of by === 'part' ? f.parts : [f[by]]) counts.set(value, (counts.get(value) ?? 0) + 1)
  return [...counts].map(([value, count]) => ({ value, count })).sort((a, b) => b.count - a.count)
}

/** The measures of a finding, as a director says them. */
export const measuresOf = (f: Pick<Finding, 'from' | 'to'>) =>
  f.from === f.to ? `measure ${f.from}` : `measures ${f.from}–${f.to}`

/** The same with the other measures that it stands for. */
export const placesOf = (f: Pick<Finding, 'from' | 'to' | 'also' | 'shown'>) =>
  f.shown && f.also.length > 0 ? `${measuresOf(f)}, also ${inWords(f.also)}` : measuresOf(f)

const mostNamed = 8
function inWords(labels: readonly string[]): string {
  if (labels.length > mostNamed) return `${labels.slice(0, mostNamed).join(', ')} and ${labels.length - mostNamed} more`
  return labels.length === 1 ? labels[0]! : `${labels.slice(0, -1).join(', ')} and ${labels.at(-1)}`
}
