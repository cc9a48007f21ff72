import { unitWords } from '../common/units'
import type { SeasonItem } from './queries'

/** A session with what it practices. */
export interface Work {
  session: number
  day: string
  passage: number
  title: string
  pieceTitle: string
  piece: number
  measures: string
  step: number
  tempo: string
  minutes: number
  band: string
  players: readonly number[]
  byHand: boolean
}

/** Whose work is shown; neither shows all. */
export interface Whose {
  section?: number
  player?: number
}

const day = 86_400_000

/** The ISO day so many days after another. */
export function addDays(iso: string, days: number): string {
  return new Date(Date.parse(`${iso}T00:00:00Z`) + days * day).toISOString().slice(0, 10)
}

/** The Monday of a day's week. */
export function mondayOf(iso: string): string {
  const weekday = new Date(`${iso}T00:00:00Z`).getUTCDay()
  return addDays(iso, weekday === 0 ? -6 : 1 - weekday)
}

/** "Mon 3 Mar" of an ISO day. */
export const dayName = (iso: string) =>
  new Date(`${iso}T12:00:00`).toLocaleDateString('en-US', { weekday: 'short', day: 'numeric', month: 'short' })

const measures = (from: string, to: string) => (from === to ? `measure ${from}` : `measures ${from}–${to}`)

/** All sessions of some players, by day and then by piece. */
export function workOf(items: readonly SeasonItem[], whose: Whose): Work[] {
  return items
    .filter((i) => whose.section === undefined || i.sections.includes(whose.section))
    .filter((i) => whose.player === undefined || i.players.includes(whose.player))
    .flatMap((i) =>
      i.sessions.map((s) => ({
        session: s.id,
        day: s.day,
        passage: i.passage,
        title: i.title,
        pieceTitle: i.pieceTitle,
        piece: i.piece,
        measures: measures(i.from, i.to),
        step: s.step,
        tempo: `${unitWords(s.tempo.unit)} = ${Math.round(s.tempo.bpm * 10) / 10}`,
        minutes: i.minutes,
        band: i.band,
        players: i.players,
        byHand: s.byHand,
      })),
    )
    .sort(
      (a, b) =>
        a.day.localeCompare(b.day) || a.pieceTitle.localeCompare(b.pieceTitle) || a.title.localeCompare(b.title),
    )
}

/** A passage of one day, with the work of each band. */
export interface DayCard {
  passage: number
  title: string
  pieceTitle: string
  measures: string
  work: Work[]
}

/** The work of a day by passage. */
export function cardsOf(work: readonly Work[]): DayCard[] {
  const cards = new Map<number, DayCard>()
  for (const w of work) {
    const { passage, title, pieceTitle, measures } = w
    const card = cards.get(w.passage) ?? { passage, title, pieceTitle, measures, work: [] }
    card.work.push(w)
    cards.set(w.passage, card)
  }
  return [...cards.values()]
}

/** The first day with work from today on; today where there is none. */
export const nextDay = (work: readonly { day: string }[], today: string) =>
  work
    .map((w) => w.day)
    .filter((d) => d >= today)
    .sort()[0] ?? today

/** The seven days of a week. */
export const weekOf = (monday: string) => Array.from({ length: 7 }, (_, i) => addDays(monday, i))

/** The most minutes that one player has on a day. */
export function mostMinutes(work: readonly Work[]): number {
  const of = new Map<number, number>()
  for (const w of work) for (const p of w.players) of.set(p, (of.get(p) ?? 0) + w.minutes)
  return Math.max(0, ...of.values())
}

export const bandWords: Record<string, string> = { usual: 'on the way', behind: 'behind', ahead: 'ahead' }
