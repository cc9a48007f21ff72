import { expect, test } from 'vitest'
import { Refusal } from '../api/client'
import { sentenceFor, setSayer, tellError } from './tell'

test.each([
  [new Refusal(409, 'Settled already.'), 'Settled already.'],
  [
    new TypeError('Failed to fetch'),
    'The server cannot be reached. Is it running? Nothing was lost that it has answered.',
  ],
  [
    new TypeError('NetworkError when attempting to fetch resource.'),
    'The server cannot be reached. Is it running? Nothing was lost that it has answered.',
  ],
  ['rubbish', 'Something went wrong on the page. Load it again.'],
  [new Error(''), 'Something went wrong on the page. Load it again.'],
])('%s is told in a sentence', (thrown, sentence) => expect(sentenceFor(thrown)).toBe(sentence))

test('the page lends its voice', () => {
  const said: string[] = []
  setSayer((s) => said.push(s))
  tellError(new Refusal(404, 'There is no piece 7 on the shelf.'))
  expect(said).toEqual(['There is no piece 7 on the shelf.'])
})
