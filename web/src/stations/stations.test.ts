import { describe, expect, it } from 'vitest'
import type { Difference } from '../api/client'
import { dayFromNow, daysWords } from '../common/dates'
import { joinBoxes, placeFlags } from '../engraving/flags'
import { fractionValue, quartersOf, unitWords } from '../common/units'
import { shownRange } from '../views/piece/shownRange'
import { forecastPoints } from './hear/forecastPoints'
import { readingGroups, readingWords } from './unify/readings'
import { neighbour } from '../keys/useKeys'

const difference = {
  kind: 'articulation',
  parts: [
    { part: 'P1', notes: ['a'], has: '' },
    { part: 'P2', notes: ['b'], has: 'staccato' },
    { part: 'P3', notes: ['c'], has: '' },
  ],
  proposal: { mark: 'staccato', parts: ['P1', 'P3'], why: '', rule: 'present' },
} as unknown as Difference

describe('readings', () => {
  it('groups parts by what they print, the proposal first', () => {
    expect(readingGroups(difference).map((g) => [g.words, g.parts])).toEqual([
      ['staccato', ['P2']],
      ['nothing', ['P1', 'P3']],
    ])
  })
  it('says marks as a director does', () => {
    expect(readingWords('articulation', 'strong-accent+staccato')).toBe('marcato and staccato')
    expect(readingWords('slur', '')).toBe('no slur')
    expect(readingWords('slur', '3.1–3.4')).toBe('slur from beat 1 to beat 4')
    expect(readingWords('slur', '3.1–3.2, 3.4–4.1½')).toBe(
      'slurs from beat 1 to beat 2, and from measure 3 beat 4 to measure 4 beat 1½',
    )
  })
})

describe('walking a list by keys', () => {
  const list = [{ id: 'a' }, { id: 'b' }, { id: 'c' }]
  it('begins at the near end and stops at the far one', () => {
    expect(neighbour(list, null, 1)?.id).toBe('a')
    expect(neighbour(list, null, -1)?.id).toBe('c')
    expect(neighbour(list, 'c', 1)?.id).toBe('c')
    expect(neighbour(list, 'b', -1)?.id).toBe('a')
    expect(neighbour([], 'b', 1)).toBeUndefined()
  })
})

describe('flags in the margin', () => {
  const box = (left: number, top: number) => ({ left, top, width: 10, height: 20 })
  it('never cover each other', () => {
    const flags = [1, 2, 3].map((n) => ({ id: `f${n}`, number: n, notes: [`n${n}`], label: '' }))
    const placed = placeFlags(flags, () => box(5, 40))
    expect(placed.map((f) => f.y)).toEqual([40, 60, 80])
  })
  it('are left out when their notes are not engraved', () => {
    expect(placeFlags([{ id: 'f', number: 1, notes: ['x'], label: '' }], () => null)).toEqual([])
  })
  it('join near notes of a line into one band', () => {
    expect(joinBoxes([box(0, 0), box(40, 2), box(400, 0), box(0, 200)])).toHaveLength(3)
  })
})

describe('what is engraved', () => {
  const parts = Array.from({ length: 24 }, (_, i) => `P${i + 1}`)
  it('is bounded', () => {
    const shown = shownRange({ parts, from: 0, to: 159 }, parts, 160)
    expect(shown.parts.length * (shown.to - shown.from + 1)).toBeLessThanOrEqual(96)
    expect(shown.cut).toBe(true)
  })
  it('leaves all of the selection to be played', () => {
    expect(shownRange({ parts, from: 0, to: 159 }, parts, 160).whole).toEqual({ parts, from: 0, to: 159 })
  })
  it('is the selection itself when small', () => {
    expect(shownRange({ parts: ['P2'], from: 4, to: 9 }, parts, 160)).toEqual({
      parts: ['P2'],
      from: 4,
      to: 9,
      cut: false,
      whole: { parts: ['P2'], from: 4, to: 9 },
    })
  })
  it('is the beginning of the first part without a selection', () => {
    expect(shownRange(null, parts, 5)).toMatchObject({ parts: ['P1'], from: 0, to: 4 })
  })
})

describe('the drawn forecast', () => {
  it('puts the date at the right and the goal on top', () => {
    const drawn = forecastPoints(
      [
        { day: '2031-03-03', quarter: 60 },
        { day: '2031-03-10', quarter: 70 },
      ],
      100,
      '2031-03-24',
      90,
    )
    expect(drawn.goalY).toBe(5)
    expect(drawn.line).toMatchObject({ x1: 6, x2: 106 })
    expect(drawn.points.map((p) => Math.round(p.x))).toEqual([6, 39])
  })
  it('draws no line without a forecast', () =>
    expect(forecastPoints([], 100, '2031-03-24', null)).toMatchObject({ points: [], line: null }))
})

describe('units and days', () => {
  it('knows the length of a unit and an exact fraction', () => {
    expect([quartersOf('dotted-quarter'), fractionValue('3/2'), fractionValue('4')]).toEqual([1.5, 1.5, 4])
    expect(unitWords('dotted-quarter')).toBe('dotted quarter')
  })
  it('counts days over the end of a month', () => {
    expect(dayFromNow(3, new Date(2031, 0, 30))).toBe('2031-02-02')
    expect([daysWords(1), daysWords(0), daysWords(-2), daysWords(null)]).toEqual([
      '1 day left',
      'today',
      '2 days past',
      'no date set',
    ])
  })
})
