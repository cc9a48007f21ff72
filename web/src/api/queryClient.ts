import { MutationCache, QueryCache, QueryClient } from '@tanstack/vue-query'
import { tellError } from '../common/tell'

/** The one cache of what the server said. No request fails without a word: a query that shows its failure in its own place says so in its
 *  meta, and one that was given up because another selection was made says nothing. */
export const queries = new QueryClient({
  defaultOptions: { queries: { staleTime: 15_000, retry: 1, refetchOnWindowFocus: false, networkMode: 'always' } },
  queryCache: new QueryCache({ onError: (e, query) => query.meta?.shown || tellError(e) }),
  mutationCache: new MutationCache({ onError: tellError }),
})
