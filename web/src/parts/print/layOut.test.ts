import { describe, expect, it } from 'vitest'
import type { Engraved } from '../../engraving/engraver'
import { layOut, onOnePage, restsAt, turnAt } from './layOut'
import { inside, paperOf, pixels } from './papers'

const labels = Array.from({ length: 30 }, (_, i) => String(i + 1))

// A drawer that puts four measures on a line and so many lines on a page.
function drawer(lines: number) {
  return async (from: number, to: number): Promise<Engraved> => {
    const fits = Math.min(to, from + 4 * lines - 1)
    const measures = labels.slice(from, fits + 1)
    const systems = Array.from({ length: Math.ceil(measures.length / 4) }, (_, i) =>
      Math.min(4, measures.length - 4 * i),
    )
    return { svg: `${from}-${fits}`, measures, systems, next: fits < to ? labels[fits + 1]! : null }
  }
}
const none = labels.map(() => 0)
const rest = (at: Record<number, number>) => labels.map((_, i) => at[i] ?? 0)

describe('where a page is turned', () => {
  const drawn = labels.slice(0, 16)
  it('at its end where nobody rests', () => expect(turnAt(drawn, labels, 15, none)).toBe(15))
  it('in the latest easy rest', () => expect(turnAt(drawn, labels, 15, rest({ 10: 4, 12: 8, 14: 1 }))).toBe(12))
  it('else in any rest of a beat', () => expect(turnAt(drawn, labels, 15, rest({ 13: 1 }))).toBe(13))
  it('but not before half of the page is used', () => expect(turnAt(drawn, labels, 15, rest({ 3: 16 }))).toBe(15))
  it('never inside a condensed rest', () =>
    expect(turnAt(['1', '2', '3', '9'], labels, 15, rest({ 4: 99, 7: 4 }))).toBe(7))
})

describe('pages', () => {
  it('hold every measure once and say how they are turned', async () => {
    const pages = await layOut(labels, rest({ 13: 4 }), drawer(4))
    expect(pages.map((p) => [p.from, p.to, p.turn])).toEqual([
      [0, 13, 'rest'],
      [14, 29, 'end'],
    ])
  })
  it('say where there is no rest to turn in', async () => {
    const pages = await layOut(labels, none, drawer(5))
    expect(pages[0]!.turn).toBe('quick')
  })
  it('have no stray line: the page before gives one of its own', async () => {
    const pages = await layOut(labels.slice(0, 22), none.slice(0, 22), drawer(5))
    expect(pages.map((p) => [p.from, p.to])).toEqual([
      [0, 15],
      [16, 21],
    ])
  })
})

describe('a part of two pages', () => {
  it('goes on one where a smaller drawing fits', async () => {
    const two = await layOut(labels, none, drawer(5))
    expect(await onOnePage(two, 30, drawer(8))).toMatchObject([{ from: 0, to: 29, turn: 'end' }])
    expect(await onOnePage(two, 30, drawer(6))).toBe(two)
  })
})

describe('rests around bar lines', () => {
  const note = (index: number, onset: string, duration: string, isRest = false) => ({
    index,
    onset,
    duration,
    rest: isRest,
    grace: false,
  })
  it('are counted on both sides', () => {
    const notes = [note(0, '0', '3'), note(0, '3', '1', true), note(1, '4', '2', true), note(1, '6', '2')]
    expect(restsAt(notes, [0, 4, 8])).toEqual([3, 0])
  })
  it('are none under a note that is held over', () => expect(restsAt([note(0, '0', '6')], [0, 4, 8])[0]).toBe(0))
})

it('paper has its size in millimetres, and a millimetre 3.78 pixels', () => {
  expect(pixels(25.4)).toBe(96)
  expect(paperOf('Letter').width).toBe(215.9)
  expect(paperOf('nonsense').name).toBe('A4')
  expect(inside(paperOf('A4')).width).toBe(pixels(184))
})
