// @vitest-environment jsdom
import { describe, expect, it } from 'vitest'
import { createApp } from 'vue'
import type { Schemas } from '../api/client'
import { cribOf } from './crib'
import { diagramWords, firstFret, neckDot, slidePlace, type DiagramKey } from './diagram'
import FingerDiagram from './FingerDiagram.vue'

const key = (id: string, shape = 'hole', label = ''): DiagramKey => ({ id, label, x: 50, y: 20, shape })
const violin = ['G', 'D', 'A', 'E'].map((s) => key(s, 'string', s))
const choice = (more: Partial<Schemas['ChoiceView']>): Schemas['ChoiceView'] => ({
  note: 'P1-n1',
  measure: '1',
  choice: 'bis',
  marked: true,
  why: '',
  written: 'B♭4',
  sign: 'bis',
  keys: [],
  alternatives: [],
  cents: null,
  words: 'bis',
  ...more,
})

describe('a diagram in words', () => {
  it('names what is pressed', () =>
    expect(diagramWords('keys', [key('1', 'hole', '1'), key('Eb', 'key', 'E♭')], ['Eb'])).toBe('pressed: E♭'))
  it('says open where nothing is', () => expect(diagramWords('valves', [key('1')], [])).toBe('open, nothing pressed'))
  it('names string and finger', () =>
    expect(diagramWords('neck', violin, ['A', '2h', '4'])).toBe('high second finger on the A string, 4 half steps up'))
  it('names an open string', () => expect(diagramWords('neck', violin, ['E', '0', '0'])).toBe('open E'))
  it('names a harmonic', () =>
    expect(diagramWords('neck', violin, ['E', '3o', '12'])).toBe(
      'harmonic, third finger on the E string, 12 half steps up',
    ))
  it('names a slide position and its valve', () => {
    expect(diagramWords('slide', [], ['3'])).toBe('position 3')
    expect(diagramWords('slide', [], ['F6'])).toBe('position 6 with the F valve')
    expect(diagramWords('slide', [], ['D4'])).toBe('position 4 with both valves')
  })
})

describe('places of a diagram', () => {
  it('start at the nut in low positions, higher up above', () => {
    expect(firstFret(neckDot(violin, ['A', '1', '2'])!)).toBe(0)
    expect(firstFret(neckDot(violin, ['A', '3', '12'])!)).toBe(9)
  })
  it('are none for what is not understood', () => {
    expect(neckDot(violin, ['X', '1', '2'])).toBeNull()
    expect(slidePlace(['9'])).toBeNull()
  })
})

function drawn(kind: string, layout: readonly DiagramKey[], pressed: readonly string[]): SVGElement {
  const box = document.createElement('div')
  createApp(FingerDiagram, { kind, layout, pressed }).mount(box)
  return box.querySelector('svg')!
}

describe('the drawn diagram', () => {
  it('fills what is pressed and draws a half hole only when used', () => {
    const layout = [key('1'), key('h', 'half', '½'), key('2')]
    const open = drawn('keys', layout, ['2'])
    expect(open.querySelectorAll('.down')).toHaveLength(1)
    expect(open.querySelector('path')).toBeNull()
    expect(drawn('keys', layout, ['h']).querySelector('path')).not.toBeNull()
  })
  it('has as many strings as the instrument', () => {
    const neck = drawn('neck', violin, ['D', '1', '2'])
    expect(neck.getAttribute('aria-label')).toContain('D string')
    expect(neck.querySelectorAll('text.off')).toHaveLength(4)
  })
})

describe('a crib', () => {
  it('has a fingering once, with all its places', () => {
    const entries = cribOf([
      choice({}),
      choice({ note: 'P1-n5', measure: '3' }),
      choice({ note: 'P1-n6', measure: '3' }),
      choice({ note: 'P1-n7', choice: 'side', sign: 'S' }),
      choice({ note: 'P1-n8', marked: false }),
    ])
    expect(entries.map((e) => [e.choice, e.notes.length, e.measures.join(' ')])).toEqual([
      ['bis', 3, '1 3'],
      ['side', 1, '1'],
    ])
  })
})
