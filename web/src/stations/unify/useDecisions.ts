import type { Ref } from 'vue'
import { useActs } from '../../acts/store'
import { doAct } from '../../acts/useAct'
import { api, fetched, type Difference, type Schemas } from '../../api/client'
import { keys } from '../../api/queries'
import { queries } from '../../api/queryClient'
import { readingWords } from './readings'

type Body = Partial<Schemas['DecisionRequest']>

/** What can be decided of a difference: the list shows it within the frame, and takes it back with a sentence where it is refused. */
export function useDecisions(id: Ref<number>, names: (parts: readonly string[]) => string) {
  const key = () => keys.of(id.value, 'unify')

  function expect(ids: readonly string[], state: string) {
    return () => {
      void queries.cancelQueries({ queryKey: key() })
      const before = new Map(
        (queries.getQueryData<Difference[]>(key()) ?? []).filter((d) => ids.includes(d.id)).map((d) => [d.id, d]),
      )
      const put = (change: (d: Difference) => Difference) =>
        queries.setQueryData<Difference[]>(key(), (list) => list?.map((d) => (ids.includes(d.id) ? change(d) : d)))
      put((d) => ({ ...d, state }))
      // Only its own entries come back: others were decided meanwhile.
      return () => put((d) => before.get(d.id) ?? d)
    }
  }

  function decide(d: Difference, body: Body, state: string, words: string, refused: () => void) {
    return doAct({
      key: `decide ${d.id}`,
      run: () =>
        fetched(
          api.POST('/api/pieces/{id}/decisions', {
            params: { path: { id: id.value } },
            body: { difference: d.id, version: d.version, ...body } as Schemas['DecisionRequest'],
          }),
        ).catch((e: unknown) => {
          refused()
          throw e
        }),
      words,
      undo: (made) => ({ kind: 'decisions', piece: id.value, act: made.act }),
      expect: expect(body.alike ? [d.id, ...d.alike] : [d.id], state),
    })
  }

  const accept = (d: Difference, alike: boolean, refused: () => void) =>
    decide(
      d,
      { alike },
      'accepted',
      `${readingWords(d.kind, d.proposal.mark)} written into ${names(d.proposal.parts)}${alike ? `, ${d.alike.length + 1} times` : ''}.`,
      refused,
    )
  const keep = (d: Difference, refused: () => void) =>
    decide(d, { keep: true, why: 'kept on purpose' }, 'kept', 'Kept as printed.', refused)
  const other = (d: Difference, has: string, refused: () => void) =>
    decide(
      d,
      { reading: d.parts.find((p) => p.has === has)!.part },
      'other',
      `${readingWords(d.kind, has)} written into the line.`,
      refused,
    )

  async function takeBack(d: Difference) {
    const decision = d.decision
    if (decision === null || decision === undefined) return
    const done = await doAct({
      key: `decide ${d.id}`,
      run: async () => {
        await fetched(
          api.DELETE('/api/pieces/{id}/decisions/{decision}', { params: { path: { id: id.value, decision } } }),
        )
        return true
      },
      words: 'Undone: the parts print again what the edition has.',
      expect: expect([d.id], 'open'),
    })
    if (done) useActs().forget((u) => u.kind === 'decisions' && u.piece === id.value && u.act === decision)
  }

  return { accept, keep, other, takeBack }
}
