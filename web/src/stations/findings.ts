import type { Finding } from '../api/client'
import type { Selection } from '../selection'

export interface FindingFilter {
  show: 'missed' | 'all' | 'dismissed'
  /** A kind of rule, or empty for every kind. */
  kind: string
}

/** True when a finding touches the selection; without a selection everything does. */
export function inSelection(f: Pick<Finding, 'fromIndex' | 'toIndex' | 'parts'>, s: Selection | null): boolean {
  return !s || (f.toIndex >= s.from && f.fromIndex <= s.to && f.parts.some((p) => s.parts.includes(p)))
}

/** The findings of the list: what is often missed by rank, everything else by place. */
export function listed(findings: readonly Finding[], filter: FindingFilter): Finding[] {
  const kept = findings.filter((f) => {
    if (filter.kind && f.kind !== filter.kind) return false
    if (filter.show === 'dismissed') return f.dismissed
    return !f.dismissed && (filter.show === 'all' || f.shown)
  })
  return filter.show === 'missed' ? kept.sort((a, b) => a.fromIndex - b.fromIndex || a.rank - b.rank) : kept
}

/** The kinds that stand in the list, with their counts, the largest first. */
export function kindsOf(findings: readonly Finding[], show: FindingFilter['show']): { kind: string; count: number }[] {
  const counts = new Map<string, number>()
  for (const f of listed(findings, { show, kind: '' })) counts.set(f.kind, (counts.get(f.kind) ?? 0) + 1)
  return [...counts].map(([kind, count]) => ({ kind, count })).sort((a, b) => b.count - a.count)
}
