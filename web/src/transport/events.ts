import type { Performance } from './performance'

/** Which fader something goes through. */
export type Bus = 'mine' | 'others' | 'click'

/** Something to sound. */
export interface SoundEvent {
  seconds: number
  length: number
  /** MIDI key; of a click 1 for an accent, 2 for a beat, 3 between beats. */
  key: number
  /** 0 to 1. */
  level: number
  bus: Bus
  timbre: string
}

const ranks: Record<string, [key: number, level: number]> = {
  accent: [1, 1],
  beat: [2, 0.7],
  subdivision: [3, 0.35],
}
const clickLength = 0.04

/** Everything that a performance sounds, by time. */
export function eventsOf(performance: Performance, mine: readonly string[]): SoundEvent[] {
  const own = new Set(mine)
  const timbres = new Map(performance.parts.map((p) => [p.id, p.timbre]))
  const clicks = performance.clicks
    .filter((c) => c.level > 0)
    .map((c): SoundEvent => {
      const [key, level] = ranks[c.rank] ?? ranks.beat!
      return { seconds: c.seconds, length: clickLength, key, level: level * c.level, bus: 'click', timbre: 'click' }
    })
  const notes = performance.notes.map((n): SoundEvent => ({
    seconds: n.seconds,
    length: n.length,
    key: n.midi,
    level: (n.velocity / 127) ** 2,
    bus: own.has(n.part) ? 'mine' : 'others',
    timbre: timbres.get(n.part) ?? 'keyboard',
  }))
  return [...clicks, ...notes].sort((a, b) => a.seconds - b.seconds)
}
