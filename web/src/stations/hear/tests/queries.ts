import { useQuery } from '@tanstack/vue-query'
import { computed, type Ref } from 'vue'
import { api, take, type Schemas } from '../../../api/client'
import { keys } from '../../../api/queries'

export type Test = Schemas['TestView']
export type Tested = Schemas['TestedView']

export const useTests = () => useQuery({ queryKey: keys.tests, queryFn: () => take(api.GET('/api/tests')) })

export const useTest = (id: Ref<number>) =>
  useQuery({
    queryKey: computed(() => [...keys.tests, id.value]),
    queryFn: () => take(api.GET('/api/tests/{test}', { params: { path: { test: id.value } } })),
    meta: { shown: true },
  })

/** What the school listens for, with its weights. */
export const useCriteria = () =>
  useQuery({ queryKey: [...keys.tests, 'criteria'], queryFn: () => take(api.GET('/api/test-criteria')) })
