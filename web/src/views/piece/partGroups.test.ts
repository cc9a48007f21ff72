import { expect, it } from 'vitest'
import type { Line, Piece, Schemas, Section } from '../../api/client'
import { partGroups } from './partGroups'

const piece = {
  parts: ['Flute', 'Clarinet 1', 'Clarinet 2', 'Trumpet'].map((name, i) => ({ id: `P${i + 1}`, name })),
} as Piece
const sections = [
  { id: 1, name: 'Clarinets', players: [{ id: 11 }, { id: 12 }] },
  { id: 2, name: 'Oboes', players: [{ id: 21 }] },
] as unknown as Section[]
const seats = [
  { part: 'P2', players: [{ player: 11, name: 'A' }], byHand: false },
  { part: 'P3', players: [{ player: 12, name: 'B' }], byHand: false },
] as Schemas['SeatsView'][]
const line = (parts: string[], from: number, to: number, relation = 'unison') =>
  ({ parts, fromIndex: from, toIndex: to, relation }) as Line

it('offers the parts of a section, and those of each line of the measures', () => {
  const lines = [
    line(['P2', 'P4'], 3, 6),
    line(['P2', 'P4'], 7, 9),
    line(['P1', 'P2'], 20, 22),
    line(['P1', 'P3'], 3, 5, 'return'),
  ]
  const [bySection, byLine] = partGroups(piece, sections, seats, lines, { from: 4, to: 8 })
  expect(bySection!.options).toEqual([{ words: 'Clarinets', parts: ['P2', 'P3'] }])
  expect(byLine!.options).toEqual([{ words: 'Clarinet 1, Trumpet: unison', parts: ['P2', 'P4'] }])
})
