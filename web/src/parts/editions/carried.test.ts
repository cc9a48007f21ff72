import { expect, test } from 'vitest'
import { carriedWords } from './carried'

const none = { all: 0, decisions: 0, passages: 0, dismissals: 0, instruments: 0, leaders: 0 }

test.each([
  [{}, 'Nothing was decided yet that could carry over'],
  [{ all: 1, decisions: 1 }, '1 decision carries over'],
  [{ all: 3, decisions: 1, passages: 2 }, '1 decision and 2 passages carry over'],
  [
    { all: 4, dismissals: 1, instruments: 2, leaders: 1 },
    '1 dismissed finding, 2 chosen instruments and 1 leader carry over',
  ],
])('%o', (some, words) => expect(carriedWords({ ...none, ...some })).toBe(words))
