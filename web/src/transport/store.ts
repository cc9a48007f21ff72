import { defineStore } from 'pinia'
import { ref } from 'vue'
import { api, take } from '../api/client'
import type { NoteEvent } from './player'

/** A passage to play, by labels. */
export interface Playable {
  piece: number
  parts: readonly string[]
  from: string
  to: string
  fromIndex: number
  toIndex: number
}

const unitQuarters: Record<string, number> = {
  sixteenth: 0.25,
  'dotted-sixteenth': 0.375,
  eighth: 0.5,
  'dotted-eighth': 0.75,
  quarter: 1,
  'dotted-quarter': 1.5,
  half: 2,
  'dotted-half': 3,
}

/** Names of the units, shortest first. */
export const units = Object.keys(unitQuarters)

/** Quarters of a unit. */
export const quartersOf = (unit: string) => unitQuarters[unit] ?? 1

/** "dotted-quarter" as words. */
export const unitWords = (unit: string) => unit.replace('-', ' ')

/** An exact "n/d" as a number, for sounding only. */
export const fractionValue = (text: string) => {
  const [n, d] = text.split('/')
  return Number(n) / Number(d ?? 1)
}

/** The transport: tempo, what sounds, and the measure that sounds now. */
export const useTransport = defineStore('transport', () => {
  const unit = ref('quarter')
  const bpm = ref(96)
  /** True once the director has typed or chosen a tempo: it stays until the piece is left. */
  const typed = ref(false)
  const withClick = ref(true)
  const withNotes = ref(false)
  const playing = ref(false)
  const measure = ref<number | null>(null)

  // Each start and stop is a turn of its own: an answer that comes late finds that it is not its turn any more.
  let turn = 0

  async function start(what: Playable) {
    const mine = ++turn
    playing.value = true
    try {
      const track = await take(
        api.POST('/api/pieces/{id}/click', {
          params: { path: { id: what.piece } },
          body: { from: what.from, to: what.to, unit: unit.value, bpm: bpm.value },
        }),
      )
      const quarter = 60 / (bpm.value * quartersOf(unit.value))
      const notes = withNotes.value ? await notesOf(what, quarter, track.startsAt) : []
      const player = await import('./player')
      if (mine !== turn) return
      // The measure counter follows the clicks even when they are silent.
      const clicks = withClick.value ? track.clicks : track.clicks.filter((c) => c.countOff)
      await player.play(
        clicks,
        notes,
        track.seconds,
        (m) => mine === turn && (measure.value = m),
        () => mine === turn && ((playing.value = false), (measure.value = null)),
        () => mine !== turn,
      )
    } catch (e) {
      if (mine !== turn) return
      playing.value = false
      throw e
    }
  }

  async function notesOf(what: Playable, quarter: number, startsAt: number): Promise<NoteEvent[]> {
    const lists = await Promise.all(
      what.parts.map((part) =>
        take(api.GET('/api/pieces/{id}/parts/{part}/notes', { params: { path: { id: what.piece, part } } })),
      ),
    )
    const inside = lists
      .flat()
      .filter((n) => n.index >= what.fromIndex && n.index <= what.toIndex && !n.rest && !n.grace)
    const first = Math.min(
      ...lists
        .flat()
        .filter((n) => n.index === what.fromIndex)
        .map((n) => fractionValue(n.onset)),
    )
    return inside.map((n) => ({
      seconds: startsAt + (fractionValue(n.onset) - first) * quarter,
      length: Math.max(0.05, fractionValue(n.duration) * quarter * 0.9),
      midi: n.midi,
    }))
  }

  async function stop() {
    turn++
    playing.value = false
    measure.value = null
    const player = await import('./player')
    player.stop()
  }

  /** A tempo that the director chose. */
  function choose(tempo: { unit?: string; bpm?: number }) {
    if (tempo.unit !== undefined) unit.value = tempo.unit
    if (tempo.bpm !== undefined) bpm.value = tempo.bpm
    typed.value = true
  }

  /** The tempo that the piece itself asks for, where none was chosen. */
  function suggest(tempo: { unit: string; bpm: number }) {
    if (playing.value || typed.value) return
    unit.value = tempo.unit
    bpm.value = tempo.bpm
  }

  return { unit, bpm, typed, choose, suggest, withClick, withNotes, playing, measure, start, stop }
})
