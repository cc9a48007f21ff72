import { expect, test } from 'vitest'
import { soundsWords } from './sounds'

test.each([
  [0, 'as written'],
  [-2, 'a whole step lower'],
  [-9, 'a major sixth lower'],
  [-12, 'an octave lower'],
  [-14, 'an octave and a whole step lower'],
  [12, 'an octave higher'],
  [-26, '2 octaves and a whole step lower'],
])('%i half steps: %s', (halfSteps, words) => expect(soundsWords(halfSteps)).toBe(words))
