/** A row of a mark sheet: somebody who plays, with marks by criterion. */
export interface MarkRow {
  key: number
  name: string
  /** Section or instrument, in quiet words. */
  sub: string
  marks: Record<string, number>
  note: string
  percent: number | null
  weakest: readonly string[]
}

export interface Criterion {
  name: string
  words: string
  weight: number
}

/** A cell of the marks: a row and a criterion's column. */
export interface Cell {
  row: number
  column: number
}

/** The cell after one that was marked: along the row, then the next row. */
export function after(cell: Cell, rows: number, columns: number): Cell {
  const column = cell.column + 1
  if (column < columns) return { row: cell.row, column }
  return { row: Math.min(cell.row + 1, rows - 1), column: 0 }
}

const moves: Record<string, [number, number]> = {
  ArrowUp: [-1, 0],
  ArrowDown: [1, 0],
  ArrowLeft: [0, -1],
  ArrowRight: [0, 1],
}

/** Where an arrow key leads, or null for another key. */
export function moved(cell: Cell, key: string, rows: number, columns: number): Cell | null {
  const by = moves[key]
  if (!by) return null
  const within = (n: number, count: number) => Math.min(Math.max(0, n), count - 1)
  return { row: within(cell.row + by[0], rows), column: within(cell.column + by[1], columns) }
}

/** Marks with one set, or taken away. */
export function withMark(
  marks: Record<string, number>,
  criterion: string,
  mark: number | null,
): Record<string, number> {
  const others = Object.fromEntries(Object.entries(marks).filter(([name]) => name !== criterion))
  return mark === null ? others : { ...others, [criterion]: mark }
}
