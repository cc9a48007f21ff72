import { ref, watch, type Ref } from 'vue'
import { api, take, type Schemas } from '../../api/client'
import { useHouseRules } from '../../api/queries'

/** What a ladder is asked for. */
export interface LadderAsk {
  start: { unit: string; bpm: number }
  goal: { unit: string; bpm: number }
  by: string
  value: number
  days: number
}

/** Usual step sizes for each way to climb. */
export const usualSize: Record<string, number> = { step: 6, percent: 8, marks: 1, count: 8 }

/** A ladder's question, filled from the printed tempo of the selection and the house rule. */
export function useLadderAsk(piece: Ref<number>, from: Ref<string>) {
  const ask = ref<LadderAsk>({
    start: { unit: 'quarter', bpm: 60 },
    goal: { unit: 'quarter', bpm: 96 },
    by: 'step',
    value: 6,
    days: 14,
  })
  const rules = useHouseRules()
  watch(
    [piece, from],
    async (_now, _before, onCleanup) => {
      let isOver = false
      onCleanup(() => (isOver = true))
      const hint = await take(
        api.GET('/api/pieces/{id}/tempo', { params: { path: { id: piece.value }, query: { from: from.value } } }),
      )
      // Another selection was made while this one was asked for.
      if (isOver) return
      ask.value = {
        ...ask.value,
        start: { unit: hint.startUnit, bpm: hint.startBpm },
        goal: { unit: hint.unit, bpm: hint.bpm },
      }
    },
    { immediate: true },
  )
  watch(
    () => rules.data.value?.find((r) => r.name === 'ladder')?.choice,
    (choice) => choice && (ask.value.by = choice),
    { immediate: true },
  )
  watch(
    () => ask.value.by,
    (by) => (ask.value.value = usualSize[by] ?? 1),
  )
  return ask
}

/** The ladder from the server. */
export const climb = (ask: LadderAsk): Promise<Schemas['LadderView']> =>
  take(
    api.POST('/api/tempo/ladder', {
      body: { start: ask.start, goal: ask.goal, by: ask.by, value: ask.value, days: ask.days },
    }),
  )
