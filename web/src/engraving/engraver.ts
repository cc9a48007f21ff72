import { sentenceOf } from '../api/client'
import { lost } from '../api/connection'
import { isLost } from '../common/tell'
import type { EngraveAnswer, EngraveRequest } from './worker'

/** Milliseconds after which an engraver that says nothing is taken for dead: the longest part of a score takes a tenth of it. */
const silence = 120_000
/** A slice on which the engraver dies is tried once more on a new one, and then given up. */
const tries = 2

interface Waiting {
  done: (answer: EngraveAnswer) => void
  died: (e: Error) => void
}

let worker: Worker | null = null
let next = 1
const waiting = new Map<number, Waiting>()

function start(): Worker {
  const made = new Worker(new URL('./worker.ts', import.meta.url), { type: 'module' })
  made.onmessage = (event: MessageEvent<EngraveAnswer>) => {
    waiting.get(event.data.id)?.done(event.data)
    waiting.delete(event.data.id)
    // It answered, but its memory is not to be trusted any more.
    if (event.data.broken) end(made)
  }
  made.onerror = (event) => {
    event.preventDefault()
    end(made)
  }
  made.onmessageerror = () => end(made)
  return made
}

// The next drawing starts a new one; whoever waits is told.
function end(dead: Worker) {
  if (worker !== dead) return
  dead.terminate()
  worker = null
  const all = [...waiting.values()]
  waiting.clear()
  for (const w of all) w.died(new Error('The engraver stopped. Try again.'))
}

export interface Engraved {
  svg: string
  /** Labels of the measures drawn on the page, in order; condensed rests are one. */
  measures: string[]
  /** How many measures each system of the page holds. */
  systems: number[]
  /** Label of the first measure that the page does not hold; null where it holds all. */
  next: string | null
}

interface Wanted {
  request: Omit<EngraveRequest, 'id'>
  signal: AbortSignal | undefined
  done: (answer: EngraveAnswer) => void
  failed: (e: unknown) => void
}

let drawing = false
const line: Wanted[] = []

/** Engraves a slice of MusicXML; one at a time, and what was given up while it waited is not drawn at all. */
export async function engrave(
  xml: string,
  options: Omit<EngraveRequest, 'id' | 'xml'>,
  signal?: AbortSignal,
): Promise<Engraved> {
  const answer = await new Promise<EngraveAnswer>((done, failed) => {
    line.push({ request: { xml, ...options }, signal, done, failed })
    void drawNext()
  })
  if (answer.svg === undefined) throw new Error(answer.error ?? 'The engraver gave no page.')
  return { svg: answer.svg, measures: answer.measures ?? [], systems: answer.systems ?? [], next: answer.next ?? null }
}

async function drawNext() {
  if (drawing) return
  const next = line.shift()
  if (!next) return
  if (next.signal?.aborted) next.failed(new DOMException('given up', 'AbortError'))
  else {
    drawing = true
    try {
      next.done(await drawSurely(next.request))
    } catch (e) {
      next.failed(e)
    } finally {
      drawing = false
    }
  }
  void drawNext()
}

async function drawSurely(request: Omit<EngraveRequest, 'id'>): Promise<EngraveAnswer> {
  for (let turn = 1; ; turn++)
    try {
      return await draw(request)
    } catch (e) {
      if (turn === tries) throw e
    }
}

function draw(request: Omit<EngraveRequest, 'id'>): Promise<EngraveAnswer> {
  const own = (worker ??= start())
  const id = next++
  return new Promise((resolve, reject) => {
    const late = setTimeout(() => end(own), silence)
    const over =
      <T>(then: (value: T) => void) =>
      (value: T) => {
        clearTimeout(late)
        then(value)
      }
    waiting.set(id, { done: over(resolve), died: over(reject) })
    own.postMessage({ id, ...request })
  })
}

/** Loads the engraver before it is needed: it takes most of a second. */
export function warmUp() {
  worker ??= start()
}

/** Address of a slice that the server cuts. */
export function sliceUrl(piece: number, parts: readonly string[], from: string, to: string, concert = false): string {
  const query = new URLSearchParams({ part: parts.join(','), from, to, ...(concert ? { concert: 'true' } : {}) })
  return `/api/pieces/${piece}/slice.musicxml?${query.toString()}`
}

/** The same slice to play from, rests condensed: with cues, or with what is in force told again at its beginning. */
export const paperUrl = (url: string, more: { cues?: boolean; remind?: boolean } = {}) =>
  `${url}&paper=true${more.cues ? '&cues=true' : ''}${more.remind ? '&remind=true' : ''}`

/** The same to play from with what a teacher would pencil over it: fingers, and what went to the players. */
export const pencilUrl = (url: string, more: { remind?: boolean } = {}) =>
  `${url.replace('/slice.musicxml', '/pencil.musicxml')}${more.remind ? '&remind=true' : ''}`

/** Fetches and engraves a slice; its first page where the options give a height. What is only for the eye may be changed before. */
export async function engraveUrl(
  url: string,
  options: Omit<EngraveRequest, 'id' | 'xml'>,
  signal?: AbortSignal,
  change: (xml: string) => string = (xml) => xml,
): Promise<Engraved> {
  const response = await fetch(url, { signal }).catch((e: unknown) => {
    if (isLost(e)) lost()
    throw e
  })
  if (!response.ok)
    throw new Error(sentenceOf(await response.json().catch(() => null)) ?? 'The music could not be loaded. Try again.')
  return engrave(change(await response.text()), options, signal)
}
