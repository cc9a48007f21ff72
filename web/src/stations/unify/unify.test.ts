import { describe, expect, it } from 'vitest'
import type { Difference, Stroke } from '../../api/client'
import { barOf } from './balance'
import { bowSign, byMeasure, otherWayWords, strokeWords, turnWords } from './bows'
import { placeWords, readingGroups, relationWords } from './readings'

const stroke = (more: Partial<Stroke>): Stroke =>
  ({
    direction: 'down',
    join: 'turn',
    printed: false,
    costs: [],
    index: 0,
    measure: '1',
    otherCost: 1,
    where: '',
    against: [],
    ...more,
  }) as Stroke

describe('bows in words', () => {
  it('have the signs that players write', () => {
    expect(bowSign({ direction: 'down' })).toBe('⊓')
    expect(bowSign({ direction: 'up' })).toBe('V')
  })
  it('say nothing of a plain stroke', () => expect(strokeWords(stroke({}))).toBe(''))
  it('say how the bow gets there once', () =>
    expect(strokeWords(stroke({ join: 'hook', costs: [{ name: 'hooked', cost: 1.1 }] }))).toBe('hooked'))
  it('say what is not ideal', () =>
    expect(strokeWords(stroke({ printed: true, costs: [{ name: 'up on a strong beat', cost: 1 }] }))).toBe(
      'printed, up on a strong beat',
    ))
  it('stand measure by measure, with the price of the other way', () => {
    const rows = byMeasure([stroke({}), stroke({ otherCost: 0.2 }), stroke({ index: 1, measure: '2' })])
    expect(rows.map((r) => [r.measure, r.strokes.length])).toEqual([
      ['1', 2],
      ['2', 1],
    ])
    expect(otherWayWords(rows[0]!.strokes)).toBe('works both ways')
    expect(otherWayWords([stroke({ otherCost: 0.7, against: ['up on a strong beat'] })])).toBe(
      'turned, a little harder: up on a strong beat',
    )
  })
  it('are turned, or hooked where the one before goes the other way', () => {
    const [down, up] = [stroke({ direction: 'down' }), stroke({ direction: 'up' })]
    expect(turnWords(down, undefined)).toBe('Turn to up-bow')
    expect(turnWords(down, up)).toBe('Hook or retake: up-bow again')
    expect(turnWords(stroke({ direction: 'down', join: 'hook' }), down)).toBe('Turn to up-bow')
  })
})

describe('balance bars', () => {
  it('grow with what covers the tune, inside the chart', () => {
    expect(barOf(null)).toBe(0)
    expect(barOf(-40)).toBe(0)
    expect(barOf(3)).toBe(50)
    expect(barOf(99)).toBe(100)
  })
})

describe('relations in words', () => {
  const returning = {
    kind: 'articulation',
    relation: 'return',
    from: '5',
    to: '69',
    parts: [
      { part: 'P1', notes: ['a'], has: 'staccato' },
      { part: 'P1', notes: ['b'], has: '' },
    ],
    proposal: { mark: 'staccato', parts: ['P1'], why: '', rule: 'present' },
  } as unknown as Difference
  it('a return names both places', () => expect(placeWords(returning)).toBe('measure 5 and again near 69'))
  it('and says which time reads so', () =>
    expect(readingGroups(returning).map((g) => g.places)).toEqual(['the first time', 'when it returns']))
  it('one part that is unlike itself is told with its two places', () => {
    const own = { ...returning, relation: 'unison' }
    expect(relationWords(own)).toBe('one part, unlike itself')
    expect(readingGroups(own).map((g) => g.places)).toEqual(['on the like notes around', 'here'].reverse())
  })
  it('other relations count their parts', () =>
    expect(
      relationWords({ relation: 'same-rhythm', parts: [...returning.parts, { part: 'P2', notes: [], has: '' }] }),
    ).toBe('3 parts in the same rhythm'))
})
