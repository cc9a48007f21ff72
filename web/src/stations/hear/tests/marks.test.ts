import { expect, it } from 'vitest'
import { after, moved, withMark } from './marks'
import type { Test, Tested } from './queries'

const test = { criteria: [{}, {}], players: [{}, {}, {}] } as unknown as Test

it('goes along the row and then to the next player', () => {
  expect(after({ row: 0, column: 0 }, test)).toEqual({ row: 0, column: 1 })
  expect(after({ row: 0, column: 1 }, test)).toEqual({ row: 1, column: 0 })
  expect(after({ row: 2, column: 1 }, test)).toEqual({ row: 2, column: 0 })
})
it('stays inside the table', () => {
  expect(moved({ row: 0, column: 0 }, 'ArrowUp', test)).toEqual({ row: 0, column: 0 })
  expect(moved({ row: 1, column: 1 }, 'ArrowRight', test)).toEqual({ row: 1, column: 1 })
  expect(moved({ row: 1, column: 1 }, 'ArrowDown', test)).toEqual({ row: 2, column: 1 })
  expect(moved({ row: 1, column: 1 }, '4', test)).toBeNull()
})
it('sets a mark and takes it away without touching the others', () => {
  const player = { marks: { notes: 3, tone: 4 } } as unknown as Tested
  expect(withMark(player, 'tone', 5)).toEqual({ notes: 3, tone: 5 })
  expect(withMark(player, 'tone', null)).toEqual({ notes: 3 })
})
