import { expect, it } from 'vitest'
import type { Section } from '../../api/client'
import type { AuditionSet } from '../queries'
import { choices, wanted } from './pick'

const sections = [
  {
    name: 'Flutes',
    players: [
      { id: 1, name: 'Ada Brook', instrument: 'flute' },
      { id: 2, name: 'Bo Cray', instrument: 'piccolo' },
    ],
  },
  { name: 'Basses', players: [{ id: 3, name: 'Cy Dell', instrument: null }] },
] as unknown as Section[]
const set = {
  entries: [{ instrument: 'flute' }],
  candidates: [{ player: 3, instrument: 'flute' }],
} as unknown as AuditionSet

it('offers those whose instrument the set has, and those who audition already', () =>
  expect(choices(sections, set).map((c) => [c.name, c.instrument, c.wanted])).toEqual([
    ['Ada Brook', 'flute', false],
    ['Cy Dell', 'flute', true],
  ]))

it('sends those who are wanted', () => {
  const all = choices(sections, set)
  all[0]!.wanted = true
  expect(wanted(all)).toEqual([
    { player: 1, instrument: 'flute' },
    { player: 3, instrument: 'flute' },
  ])
})
