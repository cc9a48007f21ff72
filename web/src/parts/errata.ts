import type { Decision, Piece } from '../api/client'

export interface PartErrata {
  id: string
  name: string
  lines: { decision: number; act: number; what: string; why: string; place: number }[]
}

/** The decisions in force, part by part in score order, each part's in order of measures. */
export function errataByPart(
  parts: Piece['parts'],
  decisions: readonly Decision[],
  measures: readonly string[] = [],
): PartErrata[] {
  return parts
    .map((p) => ({
      id: p.id,
      name: p.name || p.id,
      lines: decisions
        .flatMap((d) =>
          d.errata
            .filter((e) => e.part === p.id)
            .map((e) => ({
              decision: d.id,
              act: d.act,
              what: e.what,
              why: d.why,
              place: placeOf(e.measure, measures),
            })),
        )
        .sort((a, b) => a.place - b.place),
    }))
    .filter((p) => p.lines.length > 0)
}

const placeOf = (label: string, measures: readonly string[]) => {
  const at = measures.indexOf(label)
  return at >= 0 ? at : Number.parseInt(label, 10) || 0
}
