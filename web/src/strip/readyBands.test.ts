import { expect, it } from 'vitest'
import type { Schemas } from '../api/client'
import { readyBands, shapeOf } from './readyBands'

it('tells the least sure section', () => {
  expect(shapeOf([{ chance: 0.9 }, { chance: 0.5 }])).toBe('▼')
  expect(shapeOf([{ chance: 0.9 }, { chance: null }])).toBe('●')
  expect(shapeOf([{ chance: null }])).toBe('?')
})
it('stands over every part of a passage that has its place', () => {
  const passage = { parts: ['P1', 'P2'], fromIndex: 4, toIndex: 7, placed: true }
  const views = [
    { passage, sections: [], players: [] },
    { passage: { ...passage, placed: false }, sections: [], players: [] },
  ] as unknown as Schemas['PassageReadinessView'][]
  expect(readyBands(views).map((b) => `${b.part} ${b.from}-${b.to} ${b.letter}`)).toEqual(['P1 4-7 ?', 'P2 4-7 ?'])
})
