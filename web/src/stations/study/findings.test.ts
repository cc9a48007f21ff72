import { describe, expect, it } from 'vitest'
import type { Finding } from '../../api/client'
import { countsOf, inSelection, listed, noFilter, type FindingFilter } from './findings'

const finding = (id: string, more: Partial<Finding>): Finding =>
  ({
    id,
    kind: 'dynamics',
    severity: 'warn',
    dismissed: false,
    written: null,
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
    finding('quiet', { dismissed: true, parts: ['P1', 'P2'], severity: 'note' }),
    finding('in', { written: 7, severity: 'note', parts: ['P3'], kind: 'patterns' }),
  ]
  const ids = (filter: Partial<FindingFilter>) => listed(all, { ...noFilter, ...filter }).map((f) => f.id)

  it('shows what is often missed in order of place', () => expect(ids({})).toEqual(['early', 'late']))
  it('folds the rest under all', () => expect(ids({ show: 'all' })).toEqual(['late', 'early', 'folded']))
  it('lists what is done: dismissed or written in', () => expect(ids({ show: 'done' })).toEqual(['quiet', 'in']))
  it('keeps what is done out of every other list', () => expect(ids({ show: 'all' })).not.toContain('in'))
  it('filters by kind', () => expect(ids({ show: 'all', kind: 'patterns' })).toEqual(['folded']))
  it('filters by weight', () => expect(ids({ show: 'done', severity: 'warn' })).toEqual([]))
  it('filters by part', () => expect(ids({ show: 'done', part: 'P2' })).toEqual(['quiet']))
  it('counts the kinds', () =>
    expect(countsOf(all, { ...noFilter, show: 'all', kind: 'patterns' }, 'kind')).toEqual([
      { value: 'dynamics', count: 2 },
      { value: 'patterns', count: 1 },
    ]))
  it('counts a finding once for each of its parts', () =>
    expect(countsOf(all, { ...noFilter, show: 'done' }, 'part')).toEqual([
      { value: 'P1', count: 1 },
      { value: 'P2', count: 1 },
      { value: 'P3', count: 1 },
    ]))
  it('counts only what the other filters leave', () =>
    expect(countsOf(all, { ...noFilter, show: 'all', kind: 'patterns' }, 'severity')).toEqual([
      { value: 'warn', count: 1 },
    ]))
})

describe('a finding touches a selection', () => {
  const f = { fromIndex: 4, toIndex: 6, parts: ['P1', 'P2'] }
  it('by measure and part', () => expect(inSelection(f, { parts: ['P2'], from: 6, to: 9 })).toBe(true))
  it('not beside it', () => expect(inSelection(f, { parts: ['P2'], from: 7, to: 9 })).toBe(false))
  it('not in another part', () => expect(inSelection(f, { parts: ['P3'], from: 4, to: 6 })).toBe(false))
  it('always without a selection', () => expect(inSelection(f, null)).toBe(true))
})
