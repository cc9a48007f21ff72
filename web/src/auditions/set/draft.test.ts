import { describe, expect, it } from 'vitest'
import type { Schemas } from '../../api/client'
import { isUnsure, joined, lacking, rowsOf, setBody, type RoundDraft } from './draft'

const file = (name: string) => new File(['<x/>'], name)
const guess = (name: string, more: Partial<Schemas['GuessView']> = {}): Schemas['GuessView'] => ({
  file: name,
  title: name,
  instrument: 'flute',
  kind: 'lyrical',
  isSure: true,
  why: '',
  problem: null,
  ...more,
})
const round: RoundDraft = { id: 0, name: 'First round', held: '2031-03-03', way: 'live', screened: false }
const rows = (...guesses: Schemas['GuessView'][]) =>
  rowsOf(
    guesses.map((g) => file(g.file)),
    guesses,
  )

describe('the table of dropped files', () => {
  it('stands in the order of names', () =>
    expect(rows(guess('b.xml'), guess('a.xml')).map((r) => r.file.name)).toEqual(['a.xml', 'b.xml']))

  it('puts what needs a look on top', () =>
    expect(rows(guess('a.xml'), guess('b.xml', { isSure: false })).map((r) => r.file.name)).toEqual(['b.xml', 'a.xml']))

  it('leaves out what cannot be read', () => {
    const [row] = rows(guess('a.xml', { problem: 'no score' }))
    expect(row!.wanted).toBe(false)
    expect(isUnsure(row!)).toBe(false)
  })

  it('asks for a look where names and music disagree, or nothing speaks', () => {
    expect(isUnsure(rows(guess('a.xml', { isSure: false }))[0]!)).toBe(true)
    expect(isUnsure(rows(guess('a.xml', { instrument: null }))[0]!)).toBe(true)
    expect(isUnsure(rows(guess('a.xml'))[0]!)).toBe(false)
  })

  it('takes a second drop of the same name instead of the first', () => {
    const again = rows(guess('a.xml', { kind: 'technical' }))
    const all = joined(rows(guess('a.xml'), guess('b.xml')), again)
    expect(all.map((r) => [r.file.name, r.kind])).toEqual([
      ['a.xml', 'technical'],
      ['b.xml', 'lyrical'],
    ])
  })
})

describe('what a set lacks', () => {
  const whole = rows(guess('a.xml'))
  it.each([
    ['', [round], whole, 'name'],
    ['  ', [round], whole, 'name'],
    ['Valley', [], whole, 'day'],
    ['Valley', [{ ...round, held: '' }], whole, 'day'],
    ['Valley', [round], [], 'Drop'],
    ['Valley', [round], rows(guess('a.xml', { problem: 'x' })), 'Drop'],
    ['Valley', [round], rows(guess('a.xml', { instrument: null })), 'instrument of a.xml'],
  ])('%j is told', (name, rounds, files, word) => expect(lacking(name, rounds, files)).toContain(word))

  it('is nothing when all is said', () => expect(lacking('Valley', [round], whole)).toBe(''))

  it('sends only what is wanted, new rounds without a number', () => {
    const body = setBody(' Valley ', [round], rows(guess('a.xml'), guess('b.xml', { problem: 'x' })))
    expect(body.name).toBe('Valley')
    expect(body.rounds[0]!.id).toBeNull()
    expect(body.entries).toEqual([{ file: 'a.xml', instrument: 'flute', kind: 'lyrical' }])
  })
})
