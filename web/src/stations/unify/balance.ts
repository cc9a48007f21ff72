const lowest = -12
const highest = 18

/** Height of a bar in percent for decibels above the tune; a tune alone has none. */
export function barOf(cover: number | null | undefined): number {
  if (cover === null || cover === undefined) return 0
  return Math.round((100 * (Math.min(highest, Math.max(lowest, cover)) - lowest)) / (highest - lowest))
}
