import { expect, it } from 'vitest'
import type { SeasonItem } from './queries'
import { addDays, cardsOf, mondayOf, mostMinutes, nextDay, weekOf, workOf } from './weeks'

const item = (over: Partial<SeasonItem>): SeasonItem =>
  ({
    passage: 1,
    title: 'Letter C',
    piece: 1,
    pieceTitle: 'Lanterns',
    from: '21',
    to: '28',
    due: '2031-05-02',
    band: 'usual',
    players: [1, 2],
    sections: [1],
    minutes: 10,
    why: '',
    sessions: [{ id: 5, day: '2031-03-05', step: 2, tempo: { unit: 'quarter', bpm: 66 }, byHand: false }],
    ...over,
  }) as SeasonItem

it('begins a week on Monday, a Sunday too, and over a leap day', () => {
  expect(mondayOf('2031-03-05')).toBe('2031-03-03')
  expect(mondayOf('2031-03-09')).toBe('2031-03-03')
  expect(weekOf('2028-02-28')[1]).toBe('2028-02-29')
  expect(addDays('2031-12-31', 1)).toBe('2032-01-01')
})
it('is a day long where the clocks change', () => {
  // Clocks go forward in the night to 2031-03-30 (Europe) and 2031-03-09 (North America).
  expect(weekOf('2031-03-24')[6]).toBe('2031-03-30')
  expect(weekOf('2031-03-03')[6]).toBe('2031-03-09')
})
it('shows the work of a section or of a player, by day', () => {
  const items = [
    item({ sessions: [{ id: 9, day: '2031-03-07', step: 3, tempo: { unit: 'quarter', bpm: 72.25 }, byHand: true }] }),
    item({ passage: 2, players: [3], sections: [2] }),
  ]
  expect(workOf(items, {}).map((w) => w.day)).toEqual(['2031-03-05', '2031-03-07'])
  expect(workOf(items, { section: 1 }).map((w) => w.passage)).toEqual([1])
  expect(workOf(items, { player: 3 }).map((w) => w.passage)).toEqual([2])
  expect(workOf(items, { section: 1 })[0]).toMatchObject({ measures: 'measures 21–28', byHand: true })
})
it('counts the minutes of whoever has most', () => {
  const items = [item({}), item({ passage: 2, players: [2], minutes: 5 })]
  expect(mostMinutes(workOf(items, {}))).toBe(15)
  expect(mostMinutes([])).toBe(0)
})
it('shows a passage of a day once, with a line for each band', () => {
  const items = [item({}), item({ band: 'behind', players: [3] }), item({ passage: 2, title: 'Low voices' })]
  expect(cardsOf(workOf(items, {})).map((c) => [c.title, c.work.map((w) => w.band)])).toEqual([
    ['Letter C', ['usual', 'behind']],
    ['Low voices', ['usual']],
  ])
})

it('the week that is opened is the next one with work', () => {
  const work = [{ day: '2031-03-11' }, { day: '2031-03-10' }, { day: '2031-03-07' }]
  expect(nextDay(work, '2031-03-09')).toBe('2031-03-10')
  expect(nextDay(work, '2031-03-07')).toBe('2031-03-07')
  expect(nextDay([], '2031-03-09')).toBe('2031-03-09')
})
