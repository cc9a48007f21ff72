// @vitest-environment jsdom
import { beforeEach, describe, expect, it } from 'vitest'
import { nextTick } from 'vue'
import { forgetDrafts, useDraft } from './useDraft'

const empty = () => ({ name: '', chair: 1 })
beforeEach(() => sessionStorage.clear())

describe('what is typed into a form', () => {
  it('is there again after a reload', () => {
    useDraft('player 3', empty).draft.value.name = 'Orla'
    expect(useDraft('player 3', empty).draft.value).toEqual({ name: 'Orla', chair: 1 })
  })

  it('is gone once it is saved', async () => {
    const { draft, clear } = useDraft('player 3', empty)
    draft.value.name = 'Orla'
    await nextTick()
    clear()
    expect(draft.value).toEqual(empty())
    expect(useDraft('player 3', empty).draft.value).toEqual(empty())
  })

  it('belongs to its form alone', () => {
    useDraft('player 3', empty).draft.value.name = 'Orla'
    expect(useDraft('player 4', empty).draft.value.name).toBe('')
  })

  it('has what a newer form asks besides', () => {
    useDraft('set', () => ({ name: '' })).draft.value.name = 'Valley'
    expect(useDraft('set', () => ({ name: '', rounds: 2 })).draft.value).toEqual({ name: 'Valley', rounds: 2 })
  })

  it('is written at once: the page may be on its way out', () => {
    useDraft('player 3', empty).draft.value.name = 'O'
    expect(Object.values({ ...sessionStorage }).join()).toContain('"O"')
  })

  it('goes with all other drafts, and nothing else goes', () => {
    sessionStorage.setItem('another program', 'stays')
    useDraft('player 3', empty).draft.value.name = 'Orla'
    forgetDrafts()
    expect(Object.keys(sessionStorage)).toEqual(['another program'])
  })
})
