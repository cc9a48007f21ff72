import { useQuery } from '@tanstack/vue-query'
import { computed, type Ref } from 'vue'
import { api, fetched, type Schemas } from '../api/client'
import { keys } from '../api/queries'

export type Variant = Schemas['VariantView']

/** A passage of one part. */
export interface PassageOf {
  piece: number
  part: string
  from: string
  to: string
}

/** The ways to practice that make sense for a passage, best first. */
export const useVariants = (passage: Ref<PassageOf>) =>
  useQuery({
    queryKey: computed(() => keys.of(passage.value.piece, 'variants', passage.value)),
    queryFn: ({ signal }) => {
      const { piece, part, from, to } = passage.value
      return fetched(
        api.GET('/api/pieces/{id}/variants', { params: { path: { id: piece }, query: { part, from, to } }, signal }),
      )
    },
    meta: { shown: true },
  })

/** Address of a variant's music. */
export function variantUrl(passage: PassageOf, recipe: string): string {
  const { piece, part, from, to } = passage
  return `/api/pieces/${piece}/variants/${recipe}.musicxml?${new URLSearchParams({ part, from, to }).toString()}`
}

/** The practice path of a handed out passage. */
export const usePath = (passage: Ref<number>) =>
  useQuery({
    queryKey: computed(() => keys.passagesOf(passage.value, 'path')),
    queryFn: () => fetched(api.GET('/api/passages/{passage}/path', { params: { path: { passage: passage.value } } })),
    staleTime: 0,
    meta: { shown: true },
  })
