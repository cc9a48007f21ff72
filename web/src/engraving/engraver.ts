import type { EngraveAnswer } from './worker'

let worker: Worker | null = null
let next = 1
const waiting = new Map<number, (answer: EngraveAnswer) => void>()

function start(): Worker {
  const made = new Worker(new URL('./worker.ts', import.meta.url), { type: 'module' })
  made.onmessage = (event: MessageEvent<EngraveAnswer>) => {
    waiting.get(event.data.id)?.(event.data)
    waiting.delete(event.data.id)
  }
  return made
}

export interface Engraved {
  svg: string
  measures: number
}

/** Engraves a slice of MusicXML as SVG; with a height, the first page of that height only. */
export async function engrave(xml: string, width: number, scale = 40, height?: number): Promise<Engraved> {
  worker ??= start()
  const id = next++
  const answer = await new Promise<EngraveAnswer>((resolve) => {
    waiting.set(id, resolve)
    worker!.postMessage({ id, xml, width, scale, height })
  })
  if (answer.svg === undefined) throw new Error(answer.error ?? 'The engraver gave no page.')
  return { svg: answer.svg, measures: answer.measures ?? 0 }
}

/** Address of a slice that the server cuts. */
export function sliceUrl(piece: number, parts: readonly string[], from: string, to: string, concert = false): string {
  const query = new URLSearchParams({ part: parts.join(','), from, to, ...(concert ? { concert: 'true' } : {}) })
  return `/api/pieces/${piece}/slice.musicxml?${query.toString()}`
}

/** Fetches and engraves a slice. */
export async function engraveSlice(url: string, width: number, scale?: number): Promise<string> {
  return (await engravePage(url, width, scale)).svg
}

/** Fetches a slice and engraves its first page; tells how many measures it holds. */
export async function engravePage(url: string, width: number, scale?: number, height?: number): Promise<Engraved> {
  const response = await fetch(url)
  if (!response.ok) {
    const problem = (await response.json().catch(() => null)) as { detail?: string } | null
    throw new Error(problem?.detail ?? 'The music could not be loaded. Try again.')
  }
  return engrave(await response.text(), width, scale, height)
}
