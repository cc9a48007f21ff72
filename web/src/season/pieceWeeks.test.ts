import { expect, it } from 'vitest'
import { mondaysOf, planRows } from './pieceWeeks'
import type { SeasonItem } from './queries'

const session = (day: string, bpm: number, id = 1) => ({
  id,
  day,
  step: 1,
  tempo: { unit: 'quarter', bpm },
  byHand: false,
})
const item = (sessions: ReturnType<typeof session>[], over: Partial<SeasonItem> = {}) =>
  ({
    passage: 1,
    title: 'Letter C',
    pieceTitle: 'Lanterns',
    piece: 1,
    from: '21',
    to: '28',
    due: '2031-04-01',
    band: 'usual',
    players: [1],
    sections: [7],
    minutes: 10,
    why: '',
    sessions,
    ...over,
  }) as SeasonItem

it('has a column for every week, the empty ones too', () => {
  const items = [item([session('2031-03-04', 60), session('2031-03-18', 72)])]
  expect(mondaysOf(items)).toEqual(['2031-03-03', '2031-03-10', '2031-03-17'])
  expect(mondaysOf([])).toEqual([])
})
it('tells the tempos of a week as a range, and who is behind', () => {
  const items = [
    item([session('2031-03-04', 60), session('2031-03-06', 66, 2)]),
    item([session('2031-03-05', 60, 3)], { band: 'behind', players: [2, 3] }),
  ]
  const rows = planRows(items, mondaysOf(items), () => 'Clarinets')
  expect(rows[0]!.cells[0]).toEqual({ sessions: 2, tempos: 'quarter = 60 to 66' })
  expect(rows[1]!.who).toBe('Clarinets: 2 behind')
})
