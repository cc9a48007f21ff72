import { MutationCache, QueryCache, QueryClient } from '@tanstack/vue-query'
import { isLost, tellError } from '../common/tell'

/** The one cache of what the server said. No request fails without a word: a query that shows its failure in its own place says so in its
 *  meta, one that was given up because another selection was made says nothing, and while the server is away the banner speaks: "this
 *  was not confirmed" is said of acts alone, and a second late it would cover what an act said. */
export const queries = new QueryClient({
  defaultOptions: { queries: { staleTime: 15_000, retry: 1, refetchOnWindowFocus: false, networkMode: 'always' } },
  queryCache: new QueryCache({ onError: (e, query) => query.meta?.shown || isLost(e) || tellError(e) }),
  mutationCache: new MutationCache({ onError: tellError }),
})
