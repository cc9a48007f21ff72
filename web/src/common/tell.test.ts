// @vitest-environment jsdom
import { expect, test } from 'vitest'
import { Refusal } from '../api/client'
import { say, sentenceFor, setSayer, tellError, type Said } from './tell'

test.each([
  [new Refusal(409, 'Settled already.'), 'Settled already.'],
  [
    new TypeError('Failed to fetch'),
    'The server does not answer. What it has already confirmed is safe; this was not confirmed: look again when it is back.',
  ],
  [
    new TypeError('NetworkError when attempting to fetch resource.'),
    'The server does not answer. What it has already confirmed is safe; this was not confirmed: look again when it is back.',
  ],
  ['rubbish', 'Something went wrong on this page. Load it again.'],
  [new Error(''), 'Something went wrong on this page. Load it again.'],
])('%s is told in a sentence', (thrown, sentence) => expect(sentenceFor(thrown)).toBe(sentence))

test('the page lends its voice', () => {
  const said: Said[] = []
  setSayer((s) => said.push(s))
  tellError(new Refusal(404, 'There is no piece 7 on the shelf.'))
  say('Kept as printed.')
  expect(said).toEqual([
    { sentence: 'There is no piece 7 on the shelf.', isError: true },
    { sentence: 'Kept as printed.', isError: false },
  ])
})

test('a request that was given up on purpose is not told', () => {
  const said: Said[] = []
  setSayer((s) => said.push(s))
  tellError(new DOMException('given up', 'AbortError'))
  expect(said).toEqual([])
})
