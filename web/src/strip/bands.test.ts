import { describe, expect, it } from 'vitest'
import { bandsOf } from './bands'

const line = (parts: string[], fromIndex: number, toIndex: number, relation = 'unison') => ({
  parts,
  fromIndex,
  toIndex,
  relation,
})
const words = (lines: ReturnType<typeof line>[]) =>
  bandsOf(lines).map((b) => `${b.part}${b.letter}${b.from}-${b.to}${b.loose ? '~' : ''}`)

describe('who goes with whom', () => {
  it('gives each part of a line the same letter', () =>
    expect(words([line(['P1', 'P2'], 0, 3)])).toEqual(['P1a0-3', 'P2a0-3']))
  it('gives lines that sound together different letters', () =>
    expect(words([line(['P1', 'P2'], 0, 3), line(['P3', 'P4'], 2, 5)])).toContain('P3b2-5'))
  it('uses a letter again once its line is over', () =>
    expect(words([line(['P1', 'P2'], 0, 3), line(['P3', 'P4'], 4, 5)])).toContain('P3a4-5'))
  it('joins lines of the same parts that follow one another', () =>
    expect(words([line(['P1', 'P2'], 0, 3), line(['P2', 'P1'], 4, 9, 'octave')])).toEqual(['P1a0-9', 'P2a0-9']))
  it('shows a shared rhythm from four measures on', () =>
    expect(words([line(['P1', 'P2'], 0, 2, 'same-rhythm'), line(['P3', 'P4'], 0, 3, 'same-rhythm')])).toEqual([
      'P3a0-3~',
      'P4a0-3~',
    ]))
  it('leaves returns out', () => expect(words([line(['P1'], 0, 9, 'return')])).toEqual([]))
})
