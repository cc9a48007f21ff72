import { describe, expect, it } from 'vitest'
import type { Entry, Figures } from '../queries'
import { askedWords, clock, matrix, sorted, windowWords } from './matrix'

const entry = (id: number, instrument: string, kind: string) =>
  ({ id, instrument, instrumentName: instrument, kind, kindWords: `${kind} etude`, asked: [] }) as unknown as Entry
const figures = (id: number, heat: number, seconds: number, notDone: string[] = []) =>
  [id, { entry: id, heat, seconds, notDone } as unknown as Figures] as const

const entries = [
  entry(1, 'flute', 'technical'),
  entry(2, 'flute', 'lyrical'),
  entry(3, 'tuba', 'lyrical'),
  entry(4, 'tuba', 'scales'),
  entry(5, 'tuba', 'lyrical'),
]

describe('instruments × kinds', () => {
  it('has a column for each kind in the order of playing', () =>
    expect(matrix(entries).kinds.map((k) => k.name)).toEqual(['lyrical', 'technical', 'scales']))

  it('has a row for each instrument, with two pieces of a kind in one cell', () => {
    const { rows } = matrix(entries)
    expect(rows.map((r) => r.name)).toEqual(['flute', 'tuba'])
    expect(rows[1]!.cells.lyrical!.map((e) => e.id)).toEqual([3, 5])
    expect(rows[0]!.cells.scales).toBeUndefined()
  })

  const all = new Map([
    figures(1, 0.2, 30),
    figures(2, 0.1, 60, ['a', 'b']),
    figures(3, 0.3, 20),
    figures(4, 0, 40),
    figures(5, 0.1, 10, ['c']),
  ])
  it.each([
    ['score', 'flute tuba'],
    ['hardest', 'tuba flute'],
    ['longest', 'flute tuba'],
    ['open', 'flute tuba'],
  ] as const)('sorted by %s', (order, names) =>
    expect(
      sorted(matrix(entries).rows, order, all)
        .map((r) => r.name)
        .join(' '),
    ).toBe(names),
  )

  it('stands in score order while nothing is counted up yet', () =>
    expect(sorted(matrix(entries).rows, 'hardest', new Map()).map((r) => r.name)).toEqual(['flute', 'tuba']))
})

it.each([
  [5, '0:05'],
  [64.6, '1:05'],
  [600, '10:00'],
])('%d seconds are %s', (seconds, words) => expect(clock(seconds)).toBe(words))

it.each([
  [50.4, 110.2, '♩ 50 to 110'],
  [null, 110, '♩ up to 110'],
  [50, null, '♩ from 50'],
  [null, null, 'any tempo'],
])('the window from %s to %s is told', (slowest, fastest, words) =>
  expect(windowWords({ slowest, fastest })).toBe(words),
)

it('tells what a round asks', () => {
  const e = {
    asked: [
      { round: 1, from: '1', to: '16' },
      { round: 2, from: '', to: '' },
      { round: 4, from: '9', to: '' },
    ],
  } as Entry
  expect([1, 2, 3, 4].map((r) => askedWords(e, r))).toEqual(['1–16', 'all', null, '9–end'])
})
