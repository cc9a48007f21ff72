import { defineStore } from 'pinia'
import { ref, watch, type Ref } from 'vue'
import { api, fetched, type Schemas } from '../../api/client'
import { useTransport } from '../../transport/store'

/** What a ladder is asked for. */
export interface LadderAsk {
  start: { unit: string; bpm: number }
  goal: { unit: string; bpm: number }
  by: string
  value: number
  days: number
  /** Straight up, or two up and one back. */
  way: string
  /** Percent beyond the goal that are tried before it. */
  past: number
}

/** Usual step sizes for each way to climb. */
export const usualSize: Record<string, number> = { step: 6, percent: 8, marks: 1, count: 8 }

const fresh = (): LadderAsk => ({
  start: { unit: 'quarter', bpm: 60 },
  goal: { unit: 'quarter', bpm: 96 },
  by: 'step',
  value: 6,
  days: 14,
  way: 'straight',
  past: 0,
})

/** The tempos of the piece on the desk: one for Tempo, Assign and the transport. What the director typed stays; the rest follows the
 *  selection. */
export const useTempos = defineStore('tempos', () => {
  const piece = ref(0)
  const ask = ref<LadderAsk>(fresh())
  const typed = ref(new Set<'start' | 'goal' | 'by' | 'value'>())

  /** Another piece begins with nothing typed. */
  function open(id: number) {
    if (piece.value === id) return
    piece.value = id
    ask.value = fresh()
    typed.value = new Set()
    useTransport().typed = false
  }

  /** What the director typed. */
  function type(change: Partial<LadderAsk>) {
    ask.value = { ...ask.value, ...change }
    for (const key of ['start', 'goal', 'by', 'value'] as const) if (key in change) typed.value.add(key)
    if (change.by && !('value' in change)) ask.value.value = usualSize[change.by] ?? 1
    // The first tempo of the ladder is the tempo at which the passage is played now.
    if (change.start) useTransport().choose(change.start)
  }

  /** What the piece and the house say, where nothing was typed. */
  function hint(h: Schemas['TempoHint']) {
    const next = { ...ask.value }
    if (!typed.value.has('start')) next.start = { unit: h.startUnit, bpm: h.startBpm }
    if (!typed.value.has('goal')) next.goal = { unit: h.unit, bpm: h.bpm }
    if (!typed.value.has('by')) {
      if (next.by !== h.by) next.value = usualSize[h.by] ?? 1
      next.by = h.by
    }
    ask.value = next
  }

  /** The start and goal that the window of the passage gives, where nothing was typed. */
  function window(w: Schemas['WindowView']) {
    const next = { ...ask.value }
    if (w.start && !typed.value.has('start')) next.start = w.start
    if (w.goal && !typed.value.has('goal')) next.goal = w.goal
    ask.value = next
  }

  return { piece, ask, typed, open, type, hint, window }
})

/** The tempos of a piece, which follow its selection. */
export function useLadderAsk(piece: Ref<number>, from: Ref<string>) {
  const tempos = useTempos()
  watch(
    [piece, from],
    async (_now, _before, onCleanup) => {
      const given = new AbortController()
      onCleanup(() => given.abort())
      tempos.open(piece.value)
      const hint = await fetched(
        api.GET('/api/pieces/{id}/tempo', {
          params: { path: { id: piece.value }, query: { from: from.value } },
          signal: given.signal,
        }),
      ).catch(() => null)
      if (hint && !given.signal.aborted) tempos.hint(hint)
    },
    { immediate: true },
  )
  return tempos
}

/** The ladder from the server. */
export const climb = (ask: LadderAsk, signal?: AbortSignal): Promise<Schemas['LadderView']> =>
  fetched(
    api.POST('/api/tempo/ladder', {
      body: {
        start: ask.start,
        goal: ask.goal,
        by: ask.by,
        value: ask.value,
        days: ask.days,
        way: ask.way,
        past: ask.past,
      },
      signal,
    }),
  )
