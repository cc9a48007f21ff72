import { useMutation, useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, ref, type Ref } from 'vue'
import { api, take, type Schemas } from './client'

/** Keys of the query cache: one list, so that a change knows what to fetch anew. */
export const keys = {
  shelf: ['shelf'] as const,
  piece: (id: number) => ['piece', id] as const,
  of: (id: number, what: string) => ['piece', id, what] as const,
  ensemble: ['ensemble'] as const,
  rules: ['house-rules'] as const,
  passages: ['passages'] as const,
  log: ['log'] as const,
  charts: ['charts'] as const,
  jobs: ['jobs'] as const,
  sheet: (passage: number) => ['passages', passage, 'sheet'] as const,
}

const path = (id: number) => ({ params: { path: { id } } })

export const useShelf = () =>
  useQuery({ queryKey: keys.shelf, queryFn: () => take(api.GET('/api/pieces')), meta: { shown: true } })

export const usePiece = (id: Ref<number>) =>
  useQuery({
    queryKey: computed(() => keys.of(id.value, 'frame')),
    enabled: computed(() => id.value > 0),
    meta: { shown: true },
    queryFn: () => take(api.GET('/api/pieces/{id}', path(id.value))),
  })

export const useHeat = (id: Ref<number>, wanted: Ref<boolean> = ref(true)) =>
  useQuery({
    queryKey: computed(() => keys.of(id.value, 'heat')),
    enabled: wanted,
    queryFn: () => take(api.GET('/api/pieces/{id}/heat', path(id.value))),
  })

export const useFindings = (id: Ref<number>) =>
  useQuery({
    queryKey: computed(() => keys.of(id.value, 'study')),
    queryFn: () =>
      take(api.GET('/api/pieces/{id}/study', { params: { path: { id: id.value }, query: { dismissed: true } } })),
  })

export const useDifferences = (id: Ref<number>, wanted: Ref<boolean> = ref(true)) =>
  useQuery({
    queryKey: computed(() => keys.of(id.value, 'unify')),
    enabled: wanted,
    queryFn: () => take(api.GET('/api/pieces/{id}/unify', path(id.value))),
  })

export const useLines = (id: Ref<number>, wanted: Ref<boolean> = ref(true)) =>
  useQuery({
    queryKey: computed(() => keys.of(id.value, 'lines')),
    enabled: wanted,
    queryFn: () => take(api.GET('/api/pieces/{id}/lines', path(id.value))),
  })

/** A range of measures by label, of some parts or all. */
export interface RangeQuery {
  part?: string
  from: string
  to: string
  /** The second bowing. */
  second?: boolean
}

export const useBowing = (id: Ref<number>, range: Ref<RangeQuery>) =>
  useQuery({
    queryKey: computed(() => [...keys.of(id.value, 'bowing'), range.value]),
    queryFn: () => take(api.GET('/api/pieces/{id}/bowing', { params: { path: { id: id.value }, query: range.value } })),
  })

export const useBalance = (id: Ref<number>, range: Ref<{ tune?: string; from: string; to: string }>) =>
  useQuery({
    queryKey: computed(() => [...keys.of(id.value, 'balance'), range.value]),
    queryFn: () =>
      take(api.GET('/api/pieces/{id}/balance', { params: { path: { id: id.value }, query: range.value } })),
  })

export const useDecisions = (id: Ref<number>) =>
  useQuery({
    queryKey: computed(() => keys.of(id.value, 'decisions')),
    queryFn: () => take(api.GET('/api/pieces/{id}/decisions', path(id.value))),
  })

export const usePassages = (id: Ref<number>) =>
  useQuery({
    queryKey: computed(() => keys.of(id.value, 'passages')),
    queryFn: () => take(api.GET('/api/pieces/{id}/passages', path(id.value))),
  })

export const useEnsemble = () => useQuery({ queryKey: keys.ensemble, queryFn: () => take(api.GET('/api/ensemble')) })

export const useHouseRules = () => useQuery({ queryKey: keys.rules, queryFn: () => take(api.GET('/api/house-rules')) })

export const useInstruments = () =>
  useQuery({ queryKey: ['instruments'], queryFn: () => take(api.GET('/api/instruments')), staleTime: Infinity })

export const useLog = () => useQuery({ queryKey: keys.log, queryFn: () => take(api.GET('/api/log')) })

export const useReadiness = (passage: Ref<number | undefined>) =>
  useQuery({
    queryKey: computed(() => [...keys.log, 'readiness', passage.value]),
    enabled: computed(() => passage.value !== undefined),
    queryFn: () =>
      take(api.GET('/api/passages/{passage}/readiness', { params: { path: { passage: passage.value! } } })),
  })

/** Runs a change and fetches the piece and the shelf anew. */
export function usePieceChange<V, R>(id: Ref<number>, change: (value: V) => Promise<R>) {
  const queries = useQueryClient()
  return useMutation({
    mutationFn: change,
    onSettled: async () => {
      await Promise.all([
        queries.invalidateQueries({ queryKey: keys.piece(id.value) }),
        queries.invalidateQueries({ queryKey: keys.shelf }),
        // Sheets, readiness and records tell of pieces too.
        queries.invalidateQueries({ queryKey: keys.passages }),
      ])
    },
  })
}

export const useDecide = (id: Ref<number>) =>
  usePieceChange(id, (body: Partial<Schemas['DecisionRequest']>) =>
    take(api.POST('/api/pieces/{id}/decisions', { ...path(id.value), body: body as Schemas['DecisionRequest'] })),
  )

export const useUndo = (id: Ref<number>) =>
  usePieceChange(id, (decision: number) =>
    take(api.DELETE('/api/pieces/{id}/decisions/{decision}', { params: { path: { id: id.value, decision } } })),
  )

/** Takes back all that was decided in one act. */
export const useUndoAct = (id: Ref<number>) =>
  usePieceChange(id, (act: number) =>
    take(api.DELETE('/api/pieces/{id}/decisions/acts/{act}', { params: { path: { id: id.value, act } } })),
  )
