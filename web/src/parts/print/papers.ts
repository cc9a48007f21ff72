/** A sheet of paper, in millimetres. */
export interface Paper {
  name: string
  width: number
  height: number
}

export const papers: readonly Paper[] = [
  { name: 'A4', width: 210, height: 297 },
  { name: 'Letter', width: 215.9, height: 279.4 },
]

/** Empty on each side. */
export const marginMillimetres = 13

/** The paper with the name, or the first. */
export const paperOf = (name: unknown): Paper => papers.find((p) => p.name === name) ?? papers[0]!

/** CSS pixels of a millimetre. */
export const pixels = (millimetres: number): number => Math.round((millimetres * 96) / 25.4)

/** Width and height inside the margins in CSS pixels. */
export const inside = (paper: Paper) => ({
  width: pixels(paper.width - 2 * marginMillimetres),
  height: pixels(paper.height - 2 * marginMillimetres),
})
