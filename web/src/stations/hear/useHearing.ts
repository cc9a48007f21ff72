import { useQuery } from '@tanstack/vue-query'
import { computed, ref, type Ref } from 'vue'
import { doAct } from '../../acts/useAct'
import { api, fetched, type Passage, type Schemas } from '../../api/client'
import { keys } from '../../api/queries'
import { unitWords } from '../../common/units'

type LogBody = Schemas['LogRequest']

/** What is logged of a player, asked back first where it looks like a slip. */
export function useHearing() {
  const refused = ref('')
  const asking = ref<{ questions: readonly string[]; go: () => void } | null>(null)

  async function write(body: LogBody, name: string): Promise<boolean> {
    const made = await doAct({
      key: `log ${body.player}`,
      run: () => fetched(api.POST('/api/log', { body })),
      words: `Logged: ${name}, ${body.clean === false ? 'not clean' : 'clean'} at ${unitWords(body.unit)} = ${body.bpm}.`,
      undo: (entry) => ({ kind: 'logged', entry: entry.id }),
      fresh: [keys.log, keys.shelf, keys.season, keys.pieces],
      refused: (e) => (refused.value = (e as Error).message),
    })
    return made !== undefined
  }

  async function log(body: LogBody, name: string, then: () => void) {
    refused.value = ''
    const questions = await fetched(api.POST('/api/log/questions', { body })).catch(() => [])
    const go = async () => {
      asking.value = null
      if (await write(body, name)) then()
    }
    if (questions.length) asking.value = { questions, go: () => void go() }
    else await go()
  }
  return { refused, asking, log }
}

/** All passages of a piece with their sections and players. */
export const usePieceReadiness = (id: Ref<number>, wanted: Ref<boolean> = ref(true)) =>
  useQuery({
    queryKey: computed(() => keys.logOf('piece', id.value, wanted.value)),
    enabled: wanted,
    queryFn: () => fetched(api.GET('/api/pieces/{id}/readiness', { params: { path: { id: id.value } } })),
    placeholderData: (before) => before,
  })

/** What to fix, from the passage's own findings. */
export const useFixes = (passage: Ref<number | undefined>) =>
  useQuery({
    queryKey: computed(() => keys.passagesOf(passage.value, 'fixes')),
    enabled: computed(() => passage.value !== undefined),
    queryFn: () => fetched(api.GET('/api/passages/{passage}/fixes', { params: { path: { passage: passage.value! } } })),
  })

/** The tempo to begin a hearing with: the step whose date is nearest and not past. */
export function stepOf(p: Passage, today: string): number {
  return (p.steps.find((s) => s.due >= today) ?? p.steps.at(-1) ?? p.goal).bpm
}
