import { useQuery } from '@tanstack/vue-query'
import { computed, type Ref } from 'vue'
import { api, fetched, type Schemas } from '../api/client'
import { keys } from '../api/queries'

export type AuditionSet = Schemas['AuditionView']
export type Entry = Schemas['EntryView']
export type Figures = Schemas['EntryFiguresView']
export type Round = Schemas['RoundView']
export type Candidate = Schemas['CandidateView']
export type Matter = Schemas['MatterView']
export type Mock = Schemas['MockView']

const path = (set: number) => ({ params: { path: { set } } })

/** All audition sets. */
export const useSets = () =>
  useQuery({ queryKey: keys.auditions, queryFn: () => fetched(api.GET('/api/auditions')), meta: { shown: true } })

/** One set: rounds, pieces, candidates. */
export const useSet = (id: Ref<number>) =>
  useQuery({
    queryKey: computed(() => keys.auditionsOf(id.value)),
    queryFn: () => fetched(api.GET('/api/auditions/{set}', path(id.value))),
    meta: { shown: true },
  })

/** Kinds of audition pieces. */
export const useKinds = () =>
  useQuery({
    queryKey: keys.auditionsOf('kinds'),
    staleTime: Infinity,
    queryFn: () => fetched(api.GET('/api/auditions/kinds')),
  })

/** Heat, lengths, windows of all pieces of a set. */
export const useFigures = (id: Ref<number>) =>
  useQuery({
    queryKey: computed(() => keys.auditionsOf(id.value, 'figures')),
    queryFn: () => fetched(api.GET('/api/auditions/{set}/figures', path(id.value))),
  })

/** What comes up in many pieces. */
export const useMatters = (id: Ref<number>) =>
  useQuery({
    queryKey: computed(() => keys.auditionsOf(id.value, 'matters')),
    queryFn: () => fetched(api.GET('/api/auditions/{set}/matters', path(id.value))),
    meta: { shown: true },
  })

/** Who is ready for which round. */
export const useCandidates = (id: Ref<number>) =>
  useQuery({
    queryKey: computed(() => keys.auditionsOf(id.value, 'readiness')),
    queryFn: () => fetched(api.GET('/api/auditions/{set}/readiness', path(id.value))),
    meta: { shown: true },
  })

/** Recording check lists of a round. */
export const useTakes = (id: Ref<number>, round: Ref<number | undefined>) =>
  useQuery({
    queryKey: computed(() => keys.auditionsOf(id.value, 'takes', round.value)),
    enabled: computed(() => round.value !== undefined),
    queryFn: () =>
      fetched(
        api.GET('/api/auditions/{set}/rounds/{round}/takes', {
          params: { path: { set: id.value, round: round.value! } },
        }),
      ),
    meta: { shown: true },
  })

/** The house's answers on one page. */
export const useStyle = (id: Ref<number>) =>
  useQuery({
    queryKey: computed(() => keys.auditionsOf(id.value, 'style')),
    queryFn: () => fetched(api.GET('/api/auditions/{set}/style', path(id.value))),
    meta: { shown: true },
  })

/** Mock auditions of a set. */
export const useMocks = (id: Ref<number>) =>
  useQuery({
    queryKey: computed(() => keys.auditionsOf(id.value, 'mocks')),
    queryFn: () => fetched(api.GET('/api/auditions/{set}/mocks', path(id.value))),
    meta: { shown: true },
  })

/** One mock audition, as listeners see it. */
export const useMock = (id: Ref<number>) =>
  useQuery({
    queryKey: computed(() => keys.auditionsOf('mock', id.value)),
    queryFn: () => fetched(api.GET('/api/mocks/{mock}', { params: { path: { mock: id.value } } })),
    meta: { shown: true },
  })

/** Its results, with names. */
export const useResults = (id: Ref<number>, wanted: Ref<boolean>) =>
  useQuery({
    queryKey: computed(() => keys.auditionsOf('mock', id.value, 'results')),
    enabled: wanted,
    queryFn: () => fetched(api.GET('/api/mocks/{mock}/results', { params: { path: { mock: id.value } } })),
    meta: { shown: true },
  })

/** What scales can be made. */
export const useScaleChoices = () =>
  useQuery({ queryKey: keys.scales, staleTime: Infinity, queryFn: () => fetched(api.GET('/api/scales')) })

/** Keys of an instrument in the usual order. */
export const useScaleKeys = (instrument: Ref<string>, kind: Ref<string>, level: Ref<string | undefined>) =>
  useQuery({
    queryKey: computed(() => keys.scalesOf(instrument.value, kind.value, level.value)),
    queryFn: () =>
      fetched(
        api.GET('/api/scales/keys', {
          params: { query: { instrument: instrument.value, kind: kind.value, level: level.value } },
        }),
      ),
  })
