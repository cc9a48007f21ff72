import type { Schemas } from '../../api/client'

export interface Span {
  from: number
  to: number
}

const tens = (n: number, round: (x: number) => number) => round(n / 10) * 10

/** What of a window is drawn. */
export type Drawn = Pick<Schemas['WindowView'], 'slowest' | 'fastest' | 'printed'>

/** The scale, in whole tens, that holds all that a window tells; what is far off its goal is cut. */
export function spanOf(window: Drawn, more: readonly number[] = []): Span {
  const quarter = window.printed?.to ?? window.fastest?.quarterBpm ?? 100
  const most = Math.max(quarter * 1.6, ...more)
  const all = [
    window.slowest?.quarterBpm,
    window.fastest?.quarterBpm,
    window.printed?.from,
    window.printed?.to,
    ...more,
  ]
    .filter((n): n is number => n !== undefined)
    .map((n) => Math.min(n, most))
  const from = tens(Math.min(...all, quarter * 0.6), Math.floor)
  const to = tens(Math.max(...all, quarter * 1.1), Math.ceil)
  return { from: Math.max(0, from), to: Math.max(to, from + 10) }
}

export interface Dot {
  x: number
  y: number
  words: string
}

/** Places of tempi on a drawing: days to the right, quarters a minute upward. */
export function place(span: Span, days: number, size: { width: number; height: number; edge: number }) {
  const { width, height, edge } = size
  const y = (bpm: number) => {
    const share = (Math.min(Math.max(bpm, span.from), span.to) - span.from) / (span.to - span.from)
    return height - edge - share * (height - 2 * edge)
  }
  const x = (day: number) => edge + ((day - 1) / Math.max(1, days - 1)) * (width - 2 * edge)
  return { x, y }
}
