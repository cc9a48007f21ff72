import { expect, it } from 'vitest'
import type { Matter } from '../queries'
import { placesByPiece } from './places'

const place = (piece: number, measure: string) =>
  ({ piece, title: `Piece ${piece}`, measure }) as Matter['places'][number]

it('gathers places by piece and keeps their order', () => {
  const groups = placesByPiece([place(2, '3'), place(1, '4'), place(2, '9')])
  expect(groups.map((g) => [g.title, g.places.map((p) => p.measure)])).toEqual([
    ['Piece 2', ['3', '9']],
    ['Piece 1', ['4']],
  ])
})
it('has no group without places', () => expect(placesByPiece([])).toEqual([]))
