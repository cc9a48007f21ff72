/** Where a printed page ends: at a rest where the page can be turned, if one stands in its last part. */
export function pageEnd(first: number, fits: number, total: number, rests: ReadonlySet<number>, share = 0.45): number {
  const last = first + Math.max(1, fits) - 1
  if (last >= total - 1) return total - 1
  const least = first + Math.ceil(fits * (1 - share))
  for (let end = last; end >= least; end--) if (rests.has(end) || rests.has(end + 1)) return end
  return last
}

export interface Paper {
  name: string
  /** Millimetres inside the margins. */
  width: number
  height: number
}

export const papers: readonly Paper[] = [
  { name: 'A4', width: 182, height: 269 },
  { name: 'Letter', width: 188, height: 251 },
]

/** CSS pixels of a millimetre. */
export const pixels = (millimetres: number): number => Math.round((millimetres * 96) / 25.4)
