import '@fontsource-variable/figtree'
import '@fontsource-variable/literata'
import './styles.css'
import { MutationCache, QueryCache, QueryClient, VueQueryPlugin } from '@tanstack/vue-query'
import { createPinia } from 'pinia'
import { createApp } from 'vue'
import App from './App.vue'
import { tellError } from './common/tell'
import { router } from './router'

// No request fails without a word: a query that shows its failure in its own place says so in its meta.
const queries = new QueryClient({
  defaultOptions: { queries: { staleTime: 15_000, retry: 1, refetchOnWindowFocus: false } },
  queryCache: new QueryCache({ onError: (e, query) => query.meta?.shown || tellError(e) }),
  mutationCache: new MutationCache({ onError: tellError }),
})

const app = createApp(App).use(createPinia()).use(router).use(VueQueryPlugin, { queryClient: queries })
app.config.errorHandler = (e) => {
  console.error(e)
  tellError(e)
}
app.mount('#app')
