import type { Section } from '../../api/client'
import type { AuditionSet } from '../queries'

/** A player who may audition. */
export interface Choice {
  player: number
  name: string
  section: string
  instrument: string
  wanted: boolean
}

/** Everybody whose instrument the set has, and whoever auditions already, on the instrument that they do. */
export function choices(sections: readonly Section[], set: Pick<AuditionSet, 'entries' | 'candidates'>): Choice[] {
  const has = new Set(set.entries.map((e) => e.instrument))
  const on = new Map(set.candidates.map((c) => [c.player, c.instrument]))
  return sections.flatMap((s) =>
    s.players
      .filter((p) => on.has(p.id) || (p.instrument != null && has.has(p.instrument)))
      .map((p) => ({
        player: p.id,
        name: p.name,
        section: s.name,
        instrument: on.get(p.id) ?? p.instrument!,
        wanted: on.has(p.id),
      })),
  )
}

/** Those who are wanted, as they are sent. */
export const wanted = (all: readonly Choice[]) =>
  all.filter((c) => c.wanted).map((c) => ({ player: c.player, instrument: c.instrument }))
