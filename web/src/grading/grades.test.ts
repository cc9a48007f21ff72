import { expect, it } from 'vitest'
import { after, moved, withMark } from './grades'

it('goes along the row and then to the next row', () => {
  expect(after({ row: 0, column: 0 }, 3, 2)).toEqual({ row: 0, column: 1 })
  expect(after({ row: 0, column: 1 }, 3, 2)).toEqual({ row: 1, column: 0 })
  expect(after({ row: 2, column: 1 }, 3, 2)).toEqual({ row: 2, column: 0 })
})
it('stays inside the table', () => {
  expect(moved({ row: 0, column: 0 }, 'ArrowUp', 3, 2)).toEqual({ row: 0, column: 0 })
  expect(moved({ row: 1, column: 1 }, 'ArrowRight', 3, 2)).toEqual({ row: 1, column: 1 })
  expect(moved({ row: 1, column: 1 }, 'ArrowDown', 3, 2)).toEqual({ row: 2, column: 1 })
  expect(moved({ row: 1, column: 1 }, '4', 3, 2)).toBeNull()
})
it('sets a mark and takes it away without touching the others', () => {
  expect(withMark({ notes: 3, tone: 4 }, 'tone', 5)).toEqual({ notes: 3, tone: 5 })
  expect(withMark({ notes: 3, tone: 4 }, 'tone', null)).toEqual({ notes: 3 })
})
