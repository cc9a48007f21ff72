import { expect, it } from 'vitest'
import { actOf, isFix, letterOf, read, toggled } from './typed'

it('reads a tempo and what to fix in any order', () => {
  expect(read('72', 5)).toEqual({ bpm: 72, fixes: [] })
  expect(read('72ac', 5)).toEqual({ bpm: 72, fixes: [0, 2] })
  expect(read('a72.5a', 5)).toEqual({ bpm: 72.5, fixes: [0] })
})
it('leaves out letters without a fix, and nonsense is no tempo', () => {
  expect(read('72h', 3).fixes).toEqual([])
  expect(read('', 3).bpm).toBeNull()
  expect(read('1.2.3', 3).bpm).toBeNull()
})
it('has one key for clean, for missed and for the neighbours', () => {
  expect(['Enter', '-', 'ArrowDown', 'ArrowUp', '7'].map(actOf)).toEqual(['clean', 'missed', 'next', 'previous', null])
  expect(letterOf(2)).toBe('c')
  expect(['a', 'i', 'u', '8', 'Enter'].map(isFix)).toEqual([true, true, false, false, false])
  expect(toggled(toggled('72', 'a'), 'c')).toBe('72ac')
  expect(toggled('72ac', 'a')).toBe('72c')
})
