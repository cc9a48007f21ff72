import type { Ref } from 'vue'
import { doAct } from '../../acts/useAct'
import type { Reviewed } from '../../acts/undoers'
import { api, fetched, type Finding } from '../../api/client'
import { keys } from '../../api/queries'
import { queries } from '../../api/queryClient'
import { measuresOf } from './findings'

export type Scope = 'here' | 'piece' | 'everywhere'

const said: Record<Scope, string> = {
  here: 'dismissed; it is listed under Done.',
  piece: 'dismissed: this kind stays quiet in this piece.',
  everywhere: 'dismissed: this kind stays quiet in every piece.',
}
const reviewWords: Record<string, string> = { sent: 'goes to the players', held: 'is held back from the players' }

/** What can be done with a finding: shown at once, told, and undone from the list of acts. */
export function useFindingActs(id: Ref<number>, whose: (f: Finding) => string) {
  const key = () => keys.of(id.value, 'study')
  const at = (f: Finding) => ({ path: { id: id.value, finding: f.id } })
  const told = (f: Finding) => `“${f.title}”, ${measuresOf(f)},`

  // The list shows the change within the frame; a refusal brings back what stood there.
  function expect(change: (f: Finding) => Finding) {
    return () => {
      void queries.cancelQueries({ queryKey: key() })
      const before = queries.getQueryData<Finding[]>(key())
      queries.setQueryData<Finding[]>(key(), (list) => list?.map(change))
      return () => queries.setQueryData(key(), before)
    }
  }
  const only = (f: Finding, change: Partial<Finding>) => expect((x) => (x.id === f.id ? { ...x, ...change } : x))

  function dismiss(f: Finding, scope: Scope = 'here') {
    if (f.dismissed)
      return doAct({
        key: `study ${f.id}`,
        run: () => fetched(api.DELETE('/api/pieces/{id}/study/{finding}/dismissal', { params: at(f) })),
        words: `${told(f)} is back in the list.`,
        undo: () => ({ kind: 'recalled', piece: id.value, finding: f.id, scope }),
        expect: only(f, { dismissed: false }),
      })
    return doAct({
      key: `study ${f.id}`,
      run: () =>
        fetched(api.PUT('/api/pieces/{id}/study/{finding}/dismissal', { params: { ...at(f), query: { scope } } })),
      words: `${told(f)} ${said[scope]}`,
      undo: () => ({ kind: 'dismissed', piece: id.value, finding: f.id }),
      expect:
        scope === 'here'
          ? only(f, { dismissed: true })
          : expect((x) => (x.rule === f.rule ? { ...x, dismissed: true } : x)),
    })
  }

  function writeIn(f: Finding) {
    // Zero: written in just now, and the server has not answered yet.
    if (f.written === 0) return Promise.resolve()
    if (f.written !== null) return takeOut(f)
    return doAct({
      key: `study ${f.id}`,
      run: () => fetched(api.POST('/api/pieces/{id}/study/{finding}/mark', { params: at(f) })),
      words: `${told(f)} is written into ${whose(f)}.`,
      undo: (made) => ({ kind: 'decisions', piece: id.value, act: made.act }),
      expect: only(f, { written: 0 }),
    })
  }

  const takeOut = (f: Finding) =>
    doAct({
      key: `study ${f.id}`,
      run: () =>
        fetched(
          api.DELETE('/api/pieces/{id}/decisions/{decision}', {
            params: { path: { id: id.value, decision: f.written! } },
          }),
        ),
      words: `${told(f)} is taken out again.`,
      expect: only(f, { written: null }),
    })

  const before = (f: Finding): Reviewed => ({ finding: f.id, state: f.review, words: f.words })

  /** What players read: it goes to them, in its own words or others, or is held back; the same once more forgets it. */
  function review(f: Finding, state: 'sent' | 'held', words: string | null = f.words) {
    const isOff = f.review === state && words === f.words
    return doAct({
      key: `review ${f.id}`,
      run: () =>
        isOff
          ? fetched(api.DELETE('/api/pieces/{id}/study/{finding}/review', { params: at(f) }))
          : fetched(api.PUT('/api/pieces/{id}/study/{finding}/review', { params: at(f), body: { state, words } })),
      words: isOff ? `${told(f)} waits for review again.` : `${told(f)} ${reviewWords[state]}.`,
      undo: () => ({ kind: 'reviewed', piece: id.value, before: [before(f)] }),
      expect: only(f, { review: isOff ? null : state, words: isOff ? null : words }),
    })
  }

  /** The same said of many at once, as one act. */
  const reviewAll = (list: readonly Finding[], state: 'sent' | 'held') =>
    doAct({
      key: 'review all',
      run: () =>
        fetched(
          api.POST('/api/pieces/{id}/study/reviews', {
            params: { path: { id: id.value } },
            body: { findings: list.map((f) => f.id), state },
          }),
        ),
      words: `${list.length} findings: each ${reviewWords[state]}.`,
      undo: () => ({ kind: 'reviewed', piece: id.value, before: list.map(before) }),
      expect: expect((x) => (list.some((f) => f.id === x.id) ? { ...x, review: state } : x)),
    })

  return { dismiss, writeIn, review, reviewAll }
}
