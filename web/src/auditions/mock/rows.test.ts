import { describe, expect, it } from 'vitest'
import type { Mock } from '../queries'
import { heard, marked, rowsOf, sheetOf } from './rows'

const sheet = (listener: number, percent: number | null, version = 1) => ({
  listener,
  marks: { notes: 4 },
  note: 'even',
  percent,
  version,
})
const mock = {
  listeners: ['One', 'Two'],
  seats: [
    { number: 1, name: '', instrument: 'Flute', sheets: [sheet(1, 80), sheet(2, 60)] },
    { number: 2, name: 'Ada Brook', instrument: 'Tuba', sheets: [sheet(1, null)] },
  ],
} as unknown as Mock

describe('a mark sheet', () => {
  it('has numbers, and names only where they may be known', () =>
    expect(rowsOf(mock, 1).map((r) => r.name)).toEqual(['Number 1', '2, Ada Brook']))

  it('shows each listener their own marks', () => {
    expect(rowsOf(mock, 1).map((r) => r.percent)).toEqual([80, null])
    expect(rowsOf(mock, 2)[1]!.marks).toEqual({})
  })

  it('is new where nothing was marked', () => expect(sheetOf(mock.seats[1]!, 2).version).toBe(0))

  it('counts who was heard by all, and by one', () => {
    expect(heard(mock)).toBe(1)
    expect([marked(mock, 1), marked(mock, 2)]).toEqual([1, 1])
  })
})
