import { api, fetched, type Schemas } from '../api/client'
import { keys } from '../api/queries'
import { queries } from '../api/queryClient'

export type Performance = Schemas['PerformanceView']
type TempoStep = Performance['tempos'][number]

/** A passage to play, by labels; a variant is music of its own, made from it. */
export interface Playable {
  piece: number
  parts: readonly string[]
  from: string
  to: string
  fromIndex: number
  toIndex: number
  /** The name of a practice recipe; the passage is then that of its first part. */
  variant?: string
  /** What it is called while it plays. */
  title?: string
}

/** How it is asked to sound. */
export interface Asked {
  unit: string
  bpm: number
  repeats: 'once' | 'played'
  click: { subdivision: number; game: string; on: number; off: number }
  /** With the parts that are not in the passage. */
  withOthers: boolean
}

/** The performance of a passage; what was fetched once is there at once, until something in the piece changes. */
export function performanceOf(what: Playable, asked: Asked): Promise<Performance> {
  const { unit, bpm, repeats, click } = asked
  const body = { unit, bpm, repeats, click, countOff: true }
  return queries.fetchQuery({
    queryKey: keys.of(what.piece, 'performance', what.variant ?? '', what.parts, what.from, what.to, asked),
    staleTime: Infinity,
    gcTime: 60_000,
    meta: { shown: true },
    queryFn: () =>
      what.variant
        ? fetched(
            api.POST('/api/pieces/{id}/variants/{recipe}/performance', {
              params: {
                path: { id: what.piece, recipe: what.variant },
                query: { part: what.parts[0]!, from: what.from, to: what.to },
              },
              body: { ...body, parts: null, from: null, to: null, repeats: 'played' },
            }),
          )
        : fetched(
            api.POST('/api/pieces/{id}/performance', {
              params: { path: { id: what.piece } },
              body: { ...body, parts: asked.withOthers ? null : [...what.parts], from: what.from, to: what.to },
            }),
          ),
  })
}

/** Quarters from the first click at a second, by the tempi of a performance. */
export function quartersAt(tempos: readonly TempoStep[], seconds: number): number {
  let quarters = 0
  for (const [i, step] of tempos.entries()) {
    const until = Math.min(seconds, tempos[i + 1]?.seconds ?? Infinity)
    if (until <= step.seconds) break
    quarters += ((until - step.seconds) * step.quarterBpm) / 60
  }
  return quarters
}

/** The second at which so many quarters from the first click sound. */
export function secondsAt(tempos: readonly TempoStep[], quarters: number): number {
  let left = quarters
  for (const [i, step] of tempos.entries()) {
    const next = tempos[i + 1]
    const own = next ? ((next.seconds - step.seconds) * step.quarterBpm) / 60 : Infinity
    if (left <= own) return step.seconds + (left * 60) / step.quarterBpm
    left -= own
  }
  return 0
}

/** The same place of the music in a performance at another tempo, counted from the start of the range. */
export function samePlace(before: Performance, seconds: number, after: Performance): number {
  const from = quartersAt(before.tempos, seconds) - quartersAt(before.tempos, before.startsAt)
  return Math.max(0, secondsAt(after.tempos, quartersAt(after.tempos, after.startsAt) + from))
}
