import { useQuery } from '@tanstack/vue-query'
import { computed, type Ref } from 'vue'
import { api, fetched, type Schemas } from '../../../api/client'
import { keys } from '../../../api/queries'

export type Test = Schemas['TestView']
export type Tested = Schemas['TestedView']

export const useTests = () => useQuery({ queryKey: keys.tests, queryFn: () => fetched(api.GET('/api/tests')) })

export const useTest = (id: Ref<number>) =>
  useQuery({
    queryKey: computed(() => keys.testsOf(id.value)),
    queryFn: () => fetched(api.GET('/api/tests/{test}', { params: { path: { test: id.value } } })),
    meta: { shown: true },
  })

/** What the school listens for, with its weights. */
export const useCriteria = () =>
  useQuery({ queryKey: keys.testsOf('criteria'), queryFn: () => fetched(api.GET('/api/test-criteria')) })
