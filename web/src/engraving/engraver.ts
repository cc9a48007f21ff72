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

/** Engraves a slice of MusicXML as SVG. */
export async function engrave(xml: string, width: number, scale = 40): Promise<string> {
  worker ??= start()
  const id = next++
  const answer = await new Promise<EngraveAnswer>((resolve) => {
    waiting.set(id, resolve)
    worker!.postMessage({ id, xml, width, scale })
  })
  if (answer.svg === undefined) throw new Error(answer.error ?? 'The engraver gave no page.')
  return answer.svg
}

/** Address of a slice that the server cuts. */
export function sliceUrl(piece: number, parts: readonly string[], from: string, to: string): string {
  const query = new URLSearchParams({ part: parts.join(','), from, to })
  return `/api/pieces/${piece}/slice.musicxml?${query.toString()}`
}

/** Fetches and engraves a slice. */
export async function engraveSlice(url: string, width: number, scale?: number): Promise<string> {
  const response = await fetch(url)
  if (!response.ok) {
    const problem = (await response.json().catch(() => null)) as { detail?: string } | null
    throw new Error(problem?.detail ?? 'The music could not be loaded. Try again.')
  }
  return engrave(await response.text(), width, scale)
}
