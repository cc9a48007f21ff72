import type { Test, Tested } from './queries'

/** A cell of the marks: a player's row and a criterion's column. */
export interface Cell {
  row: number
  column: number
}

/** The cell after one that was marked: along the row, then the next player. */
export function after(cell: Cell, test: Test): Cell {
  const column = cell.column + 1
  if (column < test.criteria.length) return { row: cell.row, column }
  return { row: Math.min(cell.row + 1, test.players.length - 1), column: 0 }
}

const moves: Record<string, [number, number]> = {
  ArrowUp: [-1, 0],
  ArrowDown: [1, 0],
  ArrowLeft: [0, -1],
  ArrowRight: [0, 1],
}

/** Where an arrow key leads, or null for another key. */
export function moved(cell: Cell, key: string, test: Test): Cell | null {
  const by = moves[key]
  if (!by) return null
  const within = (n: number, count: number) => Math.min(Math.max(0, n), count - 1)
  return {
    row: within(cell.row + by[0], test.players.length),
    column: within(cell.column + by[1], test.criteria.length),
  }
}

/** Marks of a player with one set, or taken away. */
export function withMark(player: Tested, criterion: string, mark: number | null): Record<string, number> {
  const others = Object.fromEntries(Object.entries(player.marks).filter(([name]) => name !== criterion))
  return mark === null ? others : { ...others, [criterion]: mark }
}
