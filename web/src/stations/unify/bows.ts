import type { Stroke } from '../../api/client'

/** The sign of a stroke as string players write it. */
export const bowSign = (s: Pick<Stroke, 'direction'>) => (s.direction === 'down' ? '⊓' : 'V')

/** What is said of a stroke: how the bow gets there and what is not ideal. */
export function strokeWords(s: Stroke): string {
  const join = { turn: '', hook: 'hooked', retake: 'retake' }[s.join] ?? s.join
  const costs = s.costs.filter((c) => !c.name.startsWith('hook') && !c.name.startsWith('retake')).map((c) => c.name)
  return [s.printed ? 'printed' : '', join, ...costs].filter((w) => w).join(', ')
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

/** The cost of bowing a measure the other way round: its dearest stroke decides. */
export const otherWay = (strokes: readonly Stroke[]) => Math.min(...strokes.map((s) => s.otherCost))
