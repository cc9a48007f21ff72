import { expect, it } from 'vitest'
import type { Passage } from '../../api/client'
import { asAsked, freshPassage, requestOf } from './passageForm'

const passage = {
  id: 3,
  title: 'Letter C',
  parts: ['P3'],
  from: '21',
  to: '28',
  start: { unit: 'quarter', bpm: 60 },
  goal: { unit: 'quarter', bpm: 96 },
  climb: 'step',
  climbValue: 6,
  due: '2031-05-02',
  sections: [1],
  players: [],
  note: 'count',
  steps: [{}, {}],
  version: 4,
} as unknown as Passage

it('asks for a passage again just as it stands', () => {
  expect(asAsked(passage)).toMatchObject({ title: 'Letter C', by: 'step', value: 6, due: '2031-05-02', version: 4 })
})
it('leaves out what is not typed', () => {
  const asked = requestOf(
    { parts: ['P1'], from: '1', to: '2' },
    { ...freshPassage(), note: '' },
    { start: passage.start, goal: passage.goal, by: 'step', value: 6, days: 3, way: 'straight', past: 0 },
    null,
  )
  expect(asked).toMatchObject({ title: null, note: null, version: null })
})
