import { expect, it } from 'vitest'
import { waitsWords } from './waits'

it('says what waits, and whether something is printed already', () => {
  expect(waitsWords(1, 0)).toBe('One thing waits for your director’s review.')
  expect(waitsWords(3, 2)).toBe('3 more things wait for your director’s review.')
})
