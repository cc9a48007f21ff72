import { describe, expect, it } from 'vitest'
import type { Finding } from '../api/client'
import { hottest, inWordsOf, letterOf } from './letter'

const labels = ['1', '2', '3', '4', '5', '6', '7', '8', '9', '10']
const finding = (rule: string, rank: number, fromIndex: number, parts = ['P1'], dismissed = false) =>
  ({ id: `${rule}${rank}`, rule, rank, fromIndex, parts, dismissed }) as Finding

describe('the letter of a part', () => {
  const many = Array.from({ length: 14 }, (_, i) => finding('subito', i + 1, 14 - i))
  const letter = letterOf(
    'P1',
    [...many, finding('signature', 40, 0), finding('form', 41, 0), finding('solo', 1, 3, ['P2'])],
    [],
    labels,
  )
  it('names the ten that matter most, in order of place', () => {
    expect(letter.know.map((f) => f.rank)).toEqual([10, 9, 8, 7, 6, 5, 4, 3, 2, 1])
  })
  it('keeps the frame and the form apart', () => {
    expect(letter.frame.map((f) => f.rule)).toEqual(['signature'])
    expect(letter.form?.rule).toBe('form')
  })
  it('leaves out what was dismissed', () =>
    expect(letterOf('P1', [finding('subito', 1, 0, ['P1'], true)], [], labels).know).toEqual([]))
})

describe('passages to start with', () => {
  it('are the warmest, and do not overlap', () =>
    expect(hottest([0.1, 0.1, 0.9, 0.9, 0.9, 0.9, 0.1, 0.1, 0.2, 0.2], labels).map((p) => p.from)).toEqual(['3', '7']))
  it('are none in a part that rests', () => expect(hottest([0, 0, 0, 0, 0], labels)).toEqual([]))
  it('speaks to a part in its own notes', () => {
    const own = [
      { parts: ['P1'], title: 'F♯ still', why: 'flute' },
      { parts: ['P2'], title: 'G♯ still', why: 'clarinet' },
    ]
    const f = { parts: ['P1', 'P2'], title: 'F♯ still / G♯ still', why: 'both', own } as unknown as Finding
    expect(inWordsOf('P2', f).why).toBe('clarinet')
    expect(inWordsOf('P3', f).why).toBe('both')
  })
})
