import { useQuery } from '@tanstack/vue-query'
import { computed, ref, type Ref } from 'vue'
import { setToday } from '../common/dates'
import { api, fetched } from './client'
import { keys } from './keys'

export { keys }

const path = (id: number) => ({ params: { path: { id } } })

/** Who is there. Every page asks first, and from then on counts its days from the server's. */
export const sessionQuery = {
  queryKey: keys.session,
  queryFn: async () => {
    const session = await fetched(api.GET('/api/session'))
    setToday(session.today)
    return session
  },
}

export const useSession = () => useQuery({ ...sessionQuery, meta: { shown: true } })

export const useShelf = () =>
  useQuery({ queryKey: keys.shelf, queryFn: () => fetched(api.GET('/api/pieces')), meta: { shown: true } })

export const usePiece = (id: Ref<number>) =>
  useQuery({
    queryKey: computed(() => keys.of(id.value, 'frame')),
    enabled: computed(() => id.value > 0),
    meta: { shown: true },
    queryFn: () => fetched(api.GET('/api/pieces/{id}', path(id.value))),
  })

export const useHeat = (id: Ref<number>, wanted: Ref<boolean> = ref(true)) =>
  useQuery({
    queryKey: computed(() => keys.of(id.value, 'heat')),
    enabled: wanted,
    queryFn: () => fetched(api.GET('/api/pieces/{id}/heat', path(id.value))),
  })

export const useFindings = (id: Ref<number>) =>
  useQuery({
    queryKey: computed(() => keys.of(id.value, 'study')),
    queryFn: () =>
      fetched(api.GET('/api/pieces/{id}/study', { params: { path: { id: id.value }, query: { dismissed: true } } })),
  })

export const useDifferences = (id: Ref<number>, wanted: Ref<boolean> = ref(true)) =>
  useQuery({
    queryKey: computed(() => keys.of(id.value, 'unify')),
    enabled: wanted,
    queryFn: () => fetched(api.GET('/api/pieces/{id}/unify', path(id.value))),
  })

export const useLines = (id: Ref<number>, wanted: Ref<boolean> = ref(true)) =>
  useQuery({
    queryKey: computed(() => keys.of(id.value, 'lines')),
    enabled: wanted,
    queryFn: () => fetched(api.GET('/api/pieces/{id}/lines', path(id.value))),
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
    queryKey: computed(() => keys.of(id.value, 'bowing', range.value)),
    queryFn: ({ signal }) =>
      fetched(api.GET('/api/pieces/{id}/bowing', { params: { path: { id: id.value }, query: range.value }, signal })),
  })

export const useBalance = (id: Ref<number>, range: Ref<{ tune?: string; from: string; to: string }>) =>
  useQuery({
    queryKey: computed(() => keys.of(id.value, 'balance', range.value)),
    queryFn: ({ signal }) =>
      fetched(api.GET('/api/pieces/{id}/balance', { params: { path: { id: id.value }, query: range.value }, signal })),
  })

export const useDecisions = (id: Ref<number>) =>
  useQuery({
    queryKey: computed(() => keys.of(id.value, 'decisions')),
    queryFn: () => fetched(api.GET('/api/pieces/{id}/decisions', path(id.value))),
  })

export const usePassages = (id: Ref<number>) =>
  useQuery({
    queryKey: computed(() => keys.of(id.value, 'passages')),
    queryFn: () => fetched(api.GET('/api/pieces/{id}/passages', path(id.value))),
  })

export const useEnsemble = () => useQuery({ queryKey: keys.ensemble, queryFn: () => fetched(api.GET('/api/ensemble')) })

export const useHouseRules = () =>
  useQuery({ queryKey: keys.rules, queryFn: () => fetched(api.GET('/api/house-rules')) })

export const useInstruments = () =>
  useQuery({ queryKey: keys.instruments, queryFn: () => fetched(api.GET('/api/instruments')), staleTime: Infinity })

/** What was heard of one passage, by player, newest first. */
export const useHeardIn = (passage: Ref<number | undefined>) =>
  useQuery({
    queryKey: computed(() => keys.logOf('passage', passage.value)),
    enabled: computed(() => passage.value !== undefined),
    queryFn: async () =>
      Map.groupBy(
        await fetched(api.GET('/api/log', { params: { query: { passage: passage.value! } } })),
        (entry) => entry.player,
      ),
  })

export const useReadiness = (passage: Ref<number | undefined>) =>
  useQuery({
    queryKey: computed(() => keys.logOf('readiness', passage.value)),
    enabled: computed(() => passage.value !== undefined),
    queryFn: () =>
      fetched(api.GET('/api/passages/{passage}/readiness', { params: { path: { passage: passage.value! } } })),
  })

export const useSeats = (id: Ref<number>) =>
  useQuery({
    queryKey: computed(() => keys.of(id.value, 'seats')),
    queryFn: () => fetched(api.GET('/api/pieces/{id}/seats', path(id.value))),
  })

export const useLetter = (id: Ref<number>, part: Ref<string>) =>
  useQuery({
    queryKey: computed(() => keys.of(id.value, `letter ${part.value}`)),
    meta: { shown: true },
    queryFn: () =>
      fetched(api.GET('/api/pieces/{id}/letter', { params: { path: { id: id.value }, query: { part: part.value } } })),
  })

/** Which entries of the log are wanted; what is undefined does not narrow. */
export interface LogFilter {
  player?: number
  section?: number
  piece?: number
  from?: string
  to?: string
}

export const useFilteredLog = (filter: Ref<LogFilter>) =>
  useQuery({
    queryKey: computed(() => keys.logOf(filter.value)),
    queryFn: () => fetched(api.GET('/api/log', { params: { query: filter.value } })),
    placeholderData: (before) => before,
    meta: { shown: true },
  })

/** One page of the log, newest first. */
export const useLogPage = (filter: Ref<LogFilter>, page: Ref<number>) =>
  useQuery({
    queryKey: computed(() => keys.logOf('page', page.value, filter.value)),
    queryFn: () => fetched(api.GET('/api/log/pages', { params: { query: { ...filter.value, page: page.value } } })),
    placeholderData: (before) => before,
    meta: { shown: true },
  })

export const usePlayerRecord = (player: Ref<number>) =>
  useQuery({
    queryKey: computed(() => keys.logOf('player', player.value)),
    queryFn: () =>
      fetched(api.GET('/api/ensemble/players/{player}/record', { params: { path: { player: player.value } } })),
    meta: { shown: true },
  })
