import type { Finding } from '../api/client'

export interface Letter {
  frame: Finding[]
  form: Finding | undefined
  know: Finding[]
  start: { from: string; to: string; why: string }[]
}

const frameRules = ['signature', 'tempo-words', 'count-unit', 'pickup', 'meter-grouping']
const mostKnown = 10
const mostPassages = 3

/** A finding as one part reads it, where several share it in notes of their own. */
export function inWordsOf(part: string, f: Finding): Finding {
  const own = f.own?.find((o) => o.parts.includes(part))
  return own ? { ...f, title: own.title, why: own.why } : f
}

/** A part in one page: frame, form, the ten things to know, and the passages to start with. */
export function letterOf(
  part: string,
  findings: readonly Finding[],
  heat: readonly number[],
  labels: readonly string[],
): Letter {
  const mine = findings.filter((f) => f.parts.includes(part) && !f.dismissed).map((f) => inWordsOf(part, f))
  const know = mine
    .filter((f) => !frameRules.includes(f.rule) && f.rule !== 'form' && f.rule !== 'shared-line')
    .sort((a, b) => a.rank - b.rank)
    .slice(0, mostKnown)
    .sort((a, b) => a.fromIndex - b.fromIndex)
  return {
    frame: mine.filter((f) => frameRules.includes(f.rule)).sort((a, b) => a.fromIndex - b.fromIndex),
    form: mine.find((f) => f.rule === 'form'),
    know,
    start: hottest(heat, labels),
  }
}

/** The warmest stretches of four measures that do not overlap. */
export function hottest(heat: readonly number[], labels: readonly string[]): Letter['start'] {
  const length = Math.min(4, heat.length)
  const windows = heat
    .slice(0, Math.max(0, heat.length - length + 1))
    .map((_, i) => ({ i, sum: heat.slice(i, i + length).reduce((a, b) => a + b, 0) }))
    .filter((w) => w.sum > 0)
    .sort((a, b) => b.sum - a.sum || a.i - b.i)
  const taken: { i: number; sum: number }[] = []
  for (const w of windows) {
    if (taken.length === mostPassages) break
    if (taken.every((t) => Math.abs(t.i - w.i) >= length)) taken.push(w)
  }
  return taken
    .sort((a, b) => b.sum - a.sum)
    .map((t) => ({
      from: labels[t.i]!,
      to: labels[t.i + length - 1]!,
      why: `difficulty ${(t.sum / length).toFixed(2)} of 1`,
    }))
}
