// @vitest-environment jsdom
import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, it, vi } from 'vitest'

const runUndo = vi.fn<(u: unknown) => Promise<void>>(() => Promise.resolve())
vi.mock('./undoers', () => ({ runUndo: (u: unknown) => runUndo(u) }))
const { doAct, undoLast } = await import('./useAct')
const { useActs } = await import('./store')
const { isAway } = await import('../api/connection')
const { setSayer } = await import('../common/tell')
const { queries } = await import('../api/queryClient')

let said: string[] = []
beforeEach(() => {
  sessionStorage.clear()
  setActivePinia(createPinia())
  said = []
  setSayer((s) => said.push(s.sentence))
  runUndo.mockClear()
  isAway.value = false
})
const undo = { kind: 'logged', entry: 4 } as const

describe('acts', () => {
  it('are told, remembered and taken back', async () => {
    await doAct({ key: 'a', run: async () => 4, words: (n) => `Logged ${n}.`, undo: () => undo, fresh: [] })
    expect(useActs().list).toMatchObject([{ words: 'Logged 4.', undo }])
    await undoLast()
    expect(runUndo).toHaveBeenCalledWith(undo)
    expect(useActs().list).toEqual([])
    expect(said).toEqual(['Logged 4.', 'Undone: Logged 4.'])
  })

  it('run in the order of the keys, one after the other', async () => {
    const order: string[] = []
    const slow = (name: string, ms: number) => async () => {
      await new Promise((r) => setTimeout(r, ms))
      order.push(name)
    }
    await Promise.all([
      doAct({ key: 'a', run: slow('a', 20), words: null, fresh: [] }),
      doAct({ key: 'b', run: slow('b', 1), words: null, fresh: [] }),
    ])
    expect(order).toEqual(['a', 'b'])
  })

  it('are not sent twice while they run', async () => {
    const run = vi.fn(() => new Promise<void>((r) => setTimeout(r, 5)))
    await Promise.all([1, 2].map(() => doAct({ key: 'same', run, words: null, fresh: [] })))
    expect(run).toHaveBeenCalledTimes(1)
  })

  it('are shown at once and rolled back with a sentence when refused', async () => {
    const seen: string[] = []
    const done = doAct({
      key: 'a',
      run: async () => {
        seen.push('sent')
        throw new Error('Settled already.')
      },
      words: 'never told',
      undo: () => undo,
      expect: () => {
        seen.push('shown')
        return () => seen.push('back')
      },
      fresh: [],
    })
    expect(seen).toEqual(['shown'])
    expect(await done).toBeUndefined()
    expect(seen).toEqual(['shown', 'sent', 'back'])
    expect(said).toEqual(['Settled already.'])
    expect(useActs().list).toEqual([])
  })

  it('are refused in words while the server is away', async () => {
    isAway.value = true
    const run = vi.fn(async () => 1)
    await doAct({ key: 'a', run, words: 'never told', fresh: [] })
    expect(run).not.toHaveBeenCalled()
    expect(said[0]).toContain('was not done')
  })

  it('that cannot be undone are passed over by undo', async () => {
    await doAct({ key: 'a', run: async () => 1, words: 'First.', undo: () => undo, fresh: [] })
    await doAct({ key: 'b', run: async () => 1, words: 'Second.', fresh: [] })
    await undoLast()
    expect(useActs().list.map((d) => d.words)).toEqual(['Second.'])
    await undoLast()
    expect(said.at(-1)).toBe('There is nothing to undo in this session.')
  })

  it('are taken back one by one, however fast the keys are pressed', async () => {
    for (const entry of [1, 2, 3])
      await doAct({
        key: 'a',
        run: async () => 1,
        words: `Act ${entry}.`,
        undo: () => ({ kind: 'logged', entry }),
        fresh: [],
      })
    await Promise.all([undoLast(), undoLast(), undoLast()])
    expect(runUndo.mock.calls.map(([u]) => (u as { entry: number }).entry)).toEqual([3, 2, 1])
    expect(useActs().list).toEqual([])
  })

  it('that are still on their way are taken back too', async () => {
    const slow = doAct({
      key: 'a',
      run: () => new Promise<number>((r) => setTimeout(() => r(1), 15)),
      words: 'Slow.',
      undo: () => undo,
      fresh: [],
    })
    await Promise.all([slow, undoLast()])
    expect(runUndo).toHaveBeenCalledTimes(1)
  })

  it('of another school’s data are forgotten, those of the same are kept', async () => {
    useActs().belongTo('one')
    await doAct({ key: 'a', run: async () => 1, words: 'First.', undo: () => undo, fresh: [] })
    useActs().belongTo('one')
    expect(useActs().list).toHaveLength(1)
    useActs().belongTo('two')
    expect(useActs().list).toEqual([])
  })

  it('that were taken back elsewhere are forgotten', async () => {
    await doAct({ key: 'a', run: async () => 1, words: 'First.', undo: () => undo, fresh: [] })
    useActs().forget((u) => u.kind === 'logged' && u.entry === 4)
    expect(useActs().list).toEqual([])
  })

  it('of a form that closes end once what they changed is fetched; those of one that stays open at once', async () => {
    const order: string[] = []
    const fetched = vi.spyOn(queries, 'invalidateQueries').mockImplementation(async () => {
      await new Promise((r) => setTimeout(r, 10))
      order.push('fetched')
    })
    const act = (key: string, closes?: boolean) =>
      doAct({ key, run: async () => 1, words: null, fresh: [['people']], closes }).then(() =>
        order.push(`${key} ended`),
      )
    // Pressed again while it closes, it is not sent again.
    const [, again] = await Promise.all([
      act('closing', true),
      doAct({ key: 'closing', run: async () => 2, words: null }),
    ])
    expect(again).toBeUndefined()
    await act('staying')
    await vi.waitFor(() => expect(order).toHaveLength(4))
    expect(order).toEqual(['fetched', 'closing ended', 'staying ended', 'fetched'])
    fetched.mockRestore()
  })

  it('of a form that closes and is refused do not wait for anything', async () => {
    const refused = vi.fn()
    const fails = async () => Promise.reject(new Error('This name is taken.'))
    await doAct({ key: 'a', run: fails, words: 'never told', fresh: [], refused, closes: true })
    expect(refused).toHaveBeenCalledOnce()
    expect(said).toEqual([])
  })

  it('fetch each thing once, however many acts were done in a row', async () => {
    const fetched = vi.spyOn(queries, 'invalidateQueries').mockResolvedValue()
    const acts = ['a', 'b', 'c'].map((key) =>
      doAct({ key, run: async () => 1, words: null, fresh: [['log'], ['season']] }),
    )
    await Promise.all(acts)
    await vi.waitFor(() => expect(fetched).toHaveBeenCalledTimes(2))
    expect(fetched.mock.calls.map(([f]) => (f as { queryKey: unknown[] }).queryKey)).toEqual([['log'], ['season']])
    fetched.mockRestore()
  })

  it('remember no more than a hundred, the newest', () => {
    for (let i = 1; i <= 130; i++) useActs().add(`Act ${i}.`, null)
    expect(useActs().list).toHaveLength(100)
    expect(useActs().newest[0]!.words).toBe('Act 130.')
    expect(useActs().list.map((d) => d.id)).toEqual([...useActs().list.map((d) => d.id)].sort((a, b) => a - b))
  })
})
