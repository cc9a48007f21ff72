import { ref } from 'vue'
import { doAct } from '../../acts/useAct'
import { api, fetched, type Schemas } from '../../api/client'
import { keys } from '../../api/queries'
import { queries } from '../../api/queryClient'
import { tellError } from '../../common/tell'
import { followJob } from '../../views/shelf/followJob'
import type { SeasonPlan } from '../queries'
import type { Work } from '../weeks'

/** Making a plan, looking at it, keeping it, moving its sessions; each can be taken back. */
export function usePlanning() {
  const job = ref<Schemas['JobView'] | null>(null)
  const draft = ref<SeasonPlan | null>(null)

  async function plan() {
    if (job.value) return
    try {
      const begun = await fetched(api.POST('/api/season/draft'))
      job.value = begun
      const done = await followJob(begun, (now) => (job.value = now))
      const id = Number(done.result?.split('/').at(-1))
      draft.value = await fetched(api.GET('/api/season/plans/{plan}', { params: { path: { plan: id } } }))
    } catch (e) {
      tellError(e)
    } finally {
      job.value = null
    }
  }

  async function cancel() {
    if (job.value) await api.DELETE('/api/jobs/{job}', { params: { path: { job: job.value.id } } })
  }

  async function keep(seen: number | null) {
    const made = draft.value
    if (!made) return
    const kept = await doAct({
      key: 'keep plan',
      run: () =>
        fetched(api.POST('/api/season/plans/{plan}/keep', { params: { path: { plan: made.id } }, body: { seen } })),
      words: 'The plan is in force.',
      undo: () => ({ kind: 'planKept', plan: made.id }),
      fresh: [keys.season, keys.passages, keys.pieces],
    })
    if (kept) draft.value = null
  }

  const move = (work: Work, day: string, version: number, words: string) =>
    doAct({
      key: `session ${work.session}`,
      run: () =>
        fetched(
          api.PUT('/api/season/sessions/{session}', {
            params: { path: { session: work.session } },
            body: { day, byHand: true, version },
          }),
        ),
      words,
      undo: () => ({ kind: 'sessionMoved', session: work.session, day: work.day, byHand: work.byHand }),
      fresh: [keys.season, keys.passages, keys.pieces],
    })

  const forget = () => {
    draft.value = null
    void queries.invalidateQueries({ queryKey: keys.season })
  }
  return { job, draft, plan, cancel, keep, move, forget }
}
