import { engraveUrl, type Engraved } from '../../engraving/engraver'
import { layOut } from '../print/layOut'

/** Sizes of the music in percent, from the best to read to the smallest that can be. */
const sizes = [60, 54, 48, 43, 38, 34, 30]
const smallest = 36

/** A passage as music for a sheet: one drawing where it fits, else whole pages. */
export interface FittedMusic {
  pages: string[]
  /** True when it stands beside the words on one page. */
  fits: boolean
}

/** Fits a passage into the space that the words leave; what is too long for one page goes on pages of its own, no system cut.
 *  @param url the slice
 *  @param labels labels of its measures
 *  @param space pixels of width, and of height beside the words and on a page of its own */
export async function fitMusic(
  url: (from: string, to: string) => string,
  labels: readonly string[],
  space: { width: number; height: number; page: number },
  signal?: AbortSignal,
): Promise<FittedMusic> {
  for (const scale of sizes) {
    const drawn = await engraveUrl(url(labels[0]!, labels.at(-1)!), { width: space.width, scale, paper: true }, signal)
    if (heightOf(drawn, space.width) <= space.height) return { pages: [drawn.svg], fits: true }
  }
  const pages = await layOut(labels, [], (from, to) =>
    engraveUrl(
      url(labels[from]!, labels[to]!),
      { width: space.width, height: space.page, scale: smallest, paper: true },
      signal,
    ),
  )
  return { pages: pages.map((p) => p.svg), fits: false }
}

/** Pixels that a drawing is high at a width. */
export function heightOf(drawn: Pick<Engraved, 'svg'>, width: number): number {
  const box = /viewBox="0 0 ([\d.]+) ([\d.]+)"/.exec(drawn.svg)
  return box ? (width * Number(box[2])) / Number(box[1]) : Infinity
}
