import { expect, it } from 'vitest'
import { join, moveEnd, split, toggle, type CutPiece } from './cutDraft'

const piece = (key: string, from: number, to: number, over: Partial<CutPiece> = {}): CutPiece => ({
  key,
  parts: ['P1'],
  from,
  to,
  minutes: 20,
  heat: 0.4,
  why: '',
  same: [],
  sections: [],
  players: 3,
  kept: true,
  ...over,
})
const ranges = (pieces: CutPiece[]) => pieces.map((p) => `${p.from}-${p.to}`).join(' ')
const two = [piece('a', 0, 7), piece('b', 8, 15), piece('c', 0, 15, { parts: ['P2'] })]

it('moves the boundary between two passages of the same parts, and no other', () => {
  expect(ranges(moveEnd(two, 'a', 9))).toBe('0-9 10-15 0-15')
  expect(moveEnd(two, 'a', 9)[0]!.minutes).toBe(25)
})
it('moves what goes on for some of the parts', () => {
  const shared = [
    piece('a', 0, 7, { parts: ['P1', 'P2'] }),
    piece('b', 8, 15),
    piece('c', 8, 11, { parts: ['P2', 'P3'] }),
  ]
  expect(ranges(moveEnd(shared, 'a', 5))).toBe('0-5 6-15 6-11')
  expect(ranges(moveEnd(shared, 'a', 14))).toBe('0-10 11-15 11-11')
})
it('never empties a passage', () => {
  expect(ranges(moveEnd(two, 'a', 40))).toBe('0-14 15-15 0-15')
  expect(ranges(moveEnd(two, 'a', -3))).toBe('0-0 1-15 0-15')
})
it('leaves a following passage that begins with its pickup alone', () => {
  const overlap = [piece('a', 0, 7), piece('b', 7, 15)]
  expect(ranges(moveEnd(overlap, 'a', 6))).toBe('0-6 7-15')
})
it('joins with the next one of the same parts, minutes and heat together', () => {
  const joined = join([piece('a', 0, 3, { heat: 0.8 }), piece('b', 4, 15, { heat: 0.4 })], 'a')
  expect(ranges(joined)).toBe('0-15')
  expect(joined[0]).toMatchObject({ minutes: 40 })
  expect(joined[0]!.heat).toBeCloseTo(0.5)
  expect(ranges(join(two, 'c'))).toBe('0-7 8-15 0-15')
})
it('splits inside only', () => {
  expect(ranges(split(two, 'a', 4))).toBe('0-3 4-7 8-15 0-15')
  expect(ranges(split(two, 'a', 0))).toBe('0-7 8-15 0-15')
  expect(ranges(split(two, 'a', 8))).toBe('0-7 8-15 0-15')
})
it('drops and takes in again', () => {
  expect(toggle(two, 'b')[1]!.kept).toBe(false)
  expect(toggle(toggle(two, 'b'), 'b')[1]!.kept).toBe(true)
})
