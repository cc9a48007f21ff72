/** Sizes of the music in percent by how many measures of how many parts are drawn: the fewer, the larger. */
const sizes: readonly (readonly [mostCells: number, scale: number])[] = [
  [4, 62],
  [8, 54],
  [16, 47],
]
const usual = 40

/** The size at which a slice is drawn. */
export const sizeFor = (parts: number, measures: number): number =>
  sizes.find(([most]) => parts * measures <= most)?.[1] ?? usual
