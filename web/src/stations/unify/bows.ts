import type { Stroke } from '../../api/client'

/** The sign of a stroke as string players write it. */
export const bowSign = (s: Pick<Stroke, 'direction'>) => (s.direction === 'down' ? '⊓' : 'V')

/** What is said of a stroke: how the bow gets there, what is not ideal, and where on the bow it is. */
export function strokeWords(s: Stroke): string {
  return [s.printed ? 'printed' : '', ...s.costs.map((c) => c.name), s.where].filter((w) => w).join(', ')
}

/** Strokes measure by measure. */
export function byMeasure(strokes: readonly Stroke[]): { index: number; measure: string; strokes: Stroke[] }[] {
  const out: { index: number; measure: string; strokes: Stroke[] }[] = []
  for (const s of strokes) {
    if (out.at(-1)?.index !== s.index) out.push({ index: s.index, measure: s.measure, strokes: [] })
    out.at(-1)!.strokes.push(s)
  }
  return out
}

const asGood = 0.3
const aLittle = 0.9

/** Whether a measure works both ways, or what turning it costs and why. */
export function otherWayWords(strokes: readonly Stroke[]): string {
  const easiest = strokes.reduce((a, b) => (b.otherCost < a.otherCost ? b : a))
  if (easiest.otherCost <= asGood) return 'works both ways'
  const why = strokes.flatMap((s) => s.against)[0]
  return `turned, ${easiest.otherCost <= aLittle ? 'a little harder' : 'harder'}${why ? `: ${why}` : ''}`
}

/** What happens to a stroke when it goes the other way, as the director chooses it. */
export function turnWords(s: Stroke, before: Stroke | undefined): string {
  const other = s.direction === 'down' ? 'up' : 'down'
  if (!before || before.direction !== other) return `Turn to ${other}-bow`
  return s.join === 'turn' ? `Hook or retake: ${other}-bow again` : `Turn to ${other}-bow`
}
