import { expect, it } from 'vitest'
import type { Section } from '../../api/client'
import { sameName } from './people'

const sections = [
  { id: 1, name: 'Oboes', players: [{ id: 7, name: 'Pell Hartigan', chair: 2 }] },
] as unknown as Section[]

it('tells where somebody of the same name sits', () => {
  expect(sameName(sections, ' pell hartigan ')).toContain('Oboes, chair 2')
  expect(sameName(sections, 'Pell Hartigan', 7)).toBeNull()
  expect(sameName(sections, '')).toBeNull()
})
