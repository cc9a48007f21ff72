import { describe, expect, it } from 'vitest'
import type { Finding } from '../api/client'
import { inSelection, kindsOf, listed } from './findings'

const finding = (id: string, more: Partial<Finding>): Finding =>
  ({
    id,
    kind: 'dynamics',
    dismissed: false,
    shown: true,
    rank: 1,
    fromIndex: 4,
    toIndex: 6,
    parts: ['P1'],
    ...more,
  }) as Finding

describe('the list of findings', () => {
  const all = [
    finding('late', { fromIndex: 9, toIndex: 9 }),
    finding('early', { fromIndex: 2 }),
    finding('folded', { shown: false, kind: 'patterns' }),
    finding('quiet', { dismissed: true }),
  ]
  const ids = (show: 'missed' | 'all' | 'dismissed', kind = '') => listed(all, { show, kind }).map((f) => f.id)

  it('shows what is often missed in order of place', () => expect(ids('missed')).toEqual(['early', 'late']))
  it('folds the rest under all', () => expect(ids('all')).toEqual(['late', 'early', 'folded']))
  it('lists what was dismissed', () => expect(ids('dismissed')).toEqual(['quiet']))
  it('filters by kind', () => expect(ids('all', 'patterns')).toEqual(['folded']))
  it('counts the kinds', () =>
    expect(kindsOf(all, 'all')).toEqual([
      { kind: 'dynamics', count: 2 },
      { kind: 'patterns', count: 1 },
    ]))
})

describe('a finding touches a selection', () => {
  const f = { fromIndex: 4, toIndex: 6, parts: ['P1', 'P2'] }
  it('by measure and part', () => expect(inSelection(f, { parts: ['P2'], from: 6, to: 9 })).toBe(true))
  it('not beside it', () => expect(inSelection(f, { parts: ['P2'], from: 7, to: 9 })).toBe(false))
  it('not in another part', () => expect(inSelection(f, { parts: ['P3'], from: 4, to: 6 })).toBe(false))
  it('always without a selection', () => expect(inSelection(f, null)).toBe(true))
})
