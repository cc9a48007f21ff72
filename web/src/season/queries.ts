import { useQuery } from '@tanstack/vue-query'
import { computed, type Ref } from 'vue'
import { api, fetched, type Schemas } from '../api/client'
import { keys } from '../api/queries'

export type SeasonPlan = Schemas['SeasonPlanView']
export type SeasonItem = Schemas['SeasonItemView']
export type CalendarEntry = Schemas['CalendarEntryView']

/** The plan in force. */
export const useSeason = () =>
  useQuery({
    queryKey: keys.season,
    queryFn: async () => (await fetched(api.GET('/api/season'))).plan ?? null,
    meta: { shown: true },
  })

/** Minutes, days off, rehearsals, concerts. */
export const useCalendar = () =>
  useQuery({ queryKey: keys.calendar, queryFn: () => fetched(api.GET('/api/calendar')), meta: { shown: true } })

/** The coming rehearsals, of one piece or of all. */
export const useRehearsals = (piece: Ref<number | undefined>) =>
  useQuery({
    queryKey: computed(() => keys.seasonOf('rehearsals', piece.value)),
    queryFn: () => fetched(api.GET('/api/rehearsals', { params: { query: { piece: piece.value } } })),
    meta: { shown: true },
  })
