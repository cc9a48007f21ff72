import { describe, expect, it } from 'vitest'
import type { Piece } from '../api/client'
import { freshMark, markOf, markWords, whatToWrite, whoseWords } from './freeMark'

const draft = (more: object) => ({ ...freshMark(), ...more })

describe('a mark of the director’s own', () => {
  it('is sent as the server names it', () => {
    expect(markOf(draft({ what: 'staccato' }))).toBe('staccato')
    expect(markOf(draft({ what: 'dynamics:mf' }))).toBe('dynamics:mf')
    expect(markOf(draft({ what: 'remark', text: ' breathe late ' }))).toBe('remark:breathe late')
  })
  it('is nothing while its words are missing', () => expect(markOf(draft({ what: 'words', text: '  ' }))).toBeNull())
  it('is said in words', () => {
    expect(markWords(draft({ what: 'strong-accent' }))).toBe('marcato')
    expect(markWords(draft({ what: 'remark', text: 'late' }))).toBe('remark “late”')
  })
  it('is one of a list without doubles', () =>
    expect(new Set(whatToWrite.map((w) => w.value)).size).toBe(whatToWrite.length))
})

it('names a few parts and counts many', () => {
  const parts = ['A', 'B', 'C', 'D'].map((name) => ({ id: name, name })) as Piece['parts']
  expect(whoseWords(parts.slice(0, 3))).toBe('A, B, C')
  expect(whoseWords(parts)).toBe('A, B and 2 more')
})
