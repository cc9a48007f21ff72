import type { Engraved } from '../../engraving/engraver'

/** A page as it is printed. */
export interface PrintedPage {
  svg: string
  /** First and last measure, from 0. */
  from: number
  to: number
  /** How it is turned: no more music follows, in a rest, or at once. */
  turn: 'end' | 'rest' | 'quick'
}

/** Draws measures from one to another, as much of them as one page holds. */
export type Draw = (from: number, to: number, page: number) => Promise<Engraved>

/** Quarters of rest from which a page can be turned without haste, and at all. */
const easy = 4
const possible = 1
/** A page is not cut shorter than this share of what it holds. */
const leastShare = 0.5
const mostAtOnce = 120

/** Lays a part on pages: each is turned in a rest where one stands in its last half, and none has a stray line.
 *  @param labels labels of the measures
 *  @param restAt quarters of rest around the end of each measure
 *  @param draw the engraver */
export async function layOut(labels: readonly string[], restAt: readonly number[], draw: Draw): Promise<PrintedPage[]> {
  const pages: PrintedPage[] = []
  let first = 0
  while (first < labels.length) {
    const last = Math.min(first + mostAtOnce, labels.length) - 1
    let drawn = await draw(first, last, pages.length)
    const fits = drawn.next === null ? last : labels.indexOf(drawn.next) - 1
    const end = fits >= labels.length - 1 ? labels.length - 1 : turnAt(drawn.measures, labels, fits, restAt)
    const isLast = end === labels.length - 1
    if (end !== last || drawn.next !== null) drawn = await draw(first, end, pages.length)
    if (isLast && drawn.systems.length === 1 && pages.length > 0 && (await mend(pages, labels, end, restAt, draw)))
      break
    pages.push({ svg: drawn.svg, from: first, to: end, turn: turnOf(end, labels.length, restAt) })
    first = end + 1
  }
  return pages
}

/** Two pages as one, where a smaller drawing of the whole part fits; else as they are. */
export async function onOnePage(pages: PrintedPage[], measures: number, draw: Draw): Promise<PrintedPage[]> {
  const drawn = await draw(0, measures - 1, 0)
  return drawn.next === null ? [{ svg: drawn.svg, from: 0, to: measures - 1, turn: 'end' }] : pages
}

/** The last measure of a page: the latest end with an easy rest, else the latest where it can be turned at all. */
export function turnAt(
  drawn: readonly string[],
  labels: readonly string[],
  fits: number,
  restAt: readonly number[],
): number {
  // A condensed rest is one block: it is not cut.
  const ends = [...drawn.slice(1).map((m) => labels.indexOf(m) - 1), fits]
  const late = ends.slice(Math.floor(ends.length * leastShare))
  for (const enough of [easy, possible]) {
    const found = late.filter((e) => (restAt[e] ?? 0) >= enough).at(-1)
    if (found !== undefined) return found
  }
  return fits
}

// The last page has one line only: the page before gives its last line to it.
async function mend(
  pages: PrintedPage[],
  labels: readonly string[],
  end: number,
  restAt: readonly number[],
  draw: Draw,
): Promise<boolean> {
  const before = pages.at(-1)!
  const drawn = await draw(before.from, before.to, pages.length - 1)
  if (drawn.systems.length < 3) return false
  const given = drawn.measures[drawn.measures.length - drawn.systems.at(-1)!]
  const to = labels.indexOf(given!) - 1
  const [shorter, rest] = [await draw(before.from, to, pages.length - 1), await draw(to + 1, end, pages.length)]
  pages[pages.length - 1] = { svg: shorter.svg, from: before.from, to, turn: turnOf(to, labels.length, restAt) }
  pages.push({ svg: rest.svg, from: to + 1, to: end, turn: 'end' })
  return true
}

function turnOf(end: number, measures: number, restAt: readonly number[]): PrintedPage['turn'] {
  if (end === measures - 1) return 'end'
  return (restAt[end] ?? 0) >= possible ? 'rest' : 'quick'
}

interface Timed {
  index: number
  onset: string
  duration: string
  rest: boolean
  grace: boolean
}

const value = (fraction: string) => {
  const [n, d] = fraction.split('/')
  return Number(n) / Number(d ?? 1)
}

/** Quarters of rest around the end of each measure: what is silent before it and after it.
 *  @param notes the part's notes and rests in score order
 *  @param starts quarters from the start of the score at which each measure begins, and the end of the last one */
export function restsAt(notes: readonly Timed[], starts: readonly number[]): number[] {
  const sounding = notes
    .filter((n) => !n.rest && !n.grace)
    .map((n) => ({ from: value(n.onset), to: value(n.onset) + value(n.duration) }))
  return starts.slice(1).map((bar) => {
    const before = Math.max(0, ...sounding.filter((n) => n.from < bar).map((n) => n.to))
    const after = Math.min(starts.at(-1)!, ...sounding.filter((n) => n.from >= bar).map((n) => n.from))
    return before > bar ? 0 : after - before
  })
}
