import { describe, expect, it } from 'vitest'
import {
  addressProblem,
  moveSelection,
  readSelection,
  selectionWords,
  stretchParts,
  stretchSelection,
  togglePart,
  writeSelection,
} from './selection'

const labels = ['0', '1', '2', '2a', '3']
const parts = ['P1', 'P2', 'P3']
const names = new Map([
  ['P1', 'Flute'],
  ['P2', 'Oboe'],
  ['P3', 'Horn'],
])

describe('the selection in the address', () => {
  it('reads parts and measures by label', () => {
    expect(readSelection({ parts: 'P1,P3', from: '2', to: '3' }, labels, parts)).toEqual({
      parts: ['P1', 'P3'],
      from: 2,
      to: 4,
    })
  })
  it('is nothing without a known measure', () => {
    expect(readSelection({ from: '99' }, labels, parts)).toBeNull()
    expect(readSelection({}, labels, parts)).toBeNull()
  })
  it('passes over parts the piece does not have, and then means all', () => {
    expect(readSelection({ parts: 'P9', from: '1' }, labels, parts)).toEqual({ parts, from: 1, to: 1 })
  })
  it('never ends before it begins', () => {
    expect(readSelection({ from: '3', to: '1' }, labels, parts)).toMatchObject({ from: 4, to: 4 })
  })
  it('writes what it reads', () => {
    const s = { parts: ['P2'], from: 1, to: 3 }
    expect(readSelection(writeSelection(s, labels, parts), labels, parts)).toEqual(s)
    expect(writeSelection({ parts, from: 0, to: 4 }, labels, parts)).toEqual({ from: '0', to: '3' })
    expect(writeSelection(null, labels, parts)).toEqual({})
  })
})

describe('moving by keys', () => {
  const s = { parts: ['P1', 'P2'], from: 1, to: 2 }
  it('moves measures and parts together', () => {
    expect(moveSelection(s, 1, 1, 5, parts)).toEqual({ parts: ['P2', 'P3'], from: 2, to: 3 })
  })
  it('stays inside the score and keeps its size', () => {
    expect(moveSelection(s, 99, 99, 5, parts)).toEqual({ parts: ['P2', 'P3'], from: 3, to: 4 })
    expect(moveSelection(s, -99, -99, 5, parts)).toEqual({ parts: ['P1', 'P2'], from: 0, to: 1 })
  })
  it('stretches to one measure at least', () => {
    expect(stretchSelection(s, -5, 5)).toMatchObject({ from: 1, to: 1 })
    expect(stretchSelection(s, 9, 5)).toMatchObject({ from: 1, to: 4 })
  })
})

it('says the selection in words', () => {
  expect(selectionWords({ parts: ['P1', 'P3'], from: 2, to: 4 }, labels, names)).toBe('Flute, Horn, measures 2–3')
  expect(selectionWords({ parts, from: 3, to: 3 }, labels, names)).toBe('all parts, measure 2a')
  expect(selectionWords(null, labels, names)).toBe('nothing selected')
})

describe('several parts', () => {
  const s = { parts: ['P1'], from: 1, to: 2 }
  it('are taken though they are no neighbours, in score order', () =>
    expect(togglePart({ ...s, parts: ['P3'] }, 'P1', parts).parts).toEqual(['P1', 'P3']))
  it('are left out one by one, but for the last', () => {
    expect(togglePart({ ...s, parts: ['P1', 'P3'] }, 'P1', parts).parts).toEqual(['P3'])
    expect(togglePart(s, 'P1', parts).parts).toEqual(['P1'])
  })
  it('are taken and left by keys', () => {
    expect(stretchParts(s, 1, parts).parts).toEqual(['P1', 'P2'])
    expect(stretchParts({ ...s, parts: ['P1', 'P2'] }, -1, parts).parts).toEqual(['P1'])
    expect(stretchParts(s, -1, parts).parts).toEqual(['P1'])
    expect(stretchParts({ ...s, parts: ['P3'] }, 1, parts).parts).toEqual(['P3'])
  })
})

describe('what the address names and the piece does not have', () => {
  it('is told by name', () => {
    expect(addressProblem({ from: '99', parts: 'P1,P9' }, labels, parts)).toBe(
      'This piece has no measure “99” and no part “P9”: its measures go from 0 to 3. Choose on the strip.',
    )
  })
  it('is nothing where all is there, or nothing is named', () => {
    expect(addressProblem({ from: '2a', to: '3', parts: 'P1' }, labels, parts)).toBeNull()
    expect(addressProblem({}, labels, parts)).toBeNull()
  })
})
