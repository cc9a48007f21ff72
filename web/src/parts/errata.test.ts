import { expect, it } from 'vitest'
import type { Decision, Piece } from '../api/client'
import { errataByPart } from './errata'

const parts = [
  { id: 'P1', name: 'Flute' },
  { id: 'P2', name: '' },
] as Piece['parts']
const decision = (id: number, errata: { part: string; measure: string; what: string }[]) =>
  ({ id, why: 'leader', errata }) as Decision

it('lists each part in score order, its measures in order', () => {
  const list = errataByPart(parts, [
    decision(1, [{ part: 'P2', measure: '28', what: 'measure 28: add staccato' }]),
    decision(2, [
      { part: 'P2', measure: '3', what: 'measure 3: add slur' },
      { part: 'P1', measure: '9', what: 'measure 9: add accent' },
    ]),
  ])
  expect(list.map((p) => [p.name, p.lines.map((l) => l.what)])).toEqual([
    ['Flute', ['measure 9: add accent']],
    ['P2', ['measure 3: add slur', 'measure 28: add staccato']],
  ])
})

it('leaves out parts that nothing was decided for', () => expect(errataByPart(parts, [])).toEqual([]))
