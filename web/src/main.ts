import '@fontsource-variable/figtree'
import '@fontsource-variable/literata'
import './styles.css'
import { VueQueryPlugin } from '@tanstack/vue-query'
import { createPinia } from 'pinia'
import { createApp } from 'vue'
import { queries } from './api/queryClient'
import App from './App.vue'
import { tellError } from './common/tell'
import { router } from './router'
import { applyPalette } from './theme'

applyPalette()

const app = createApp(App).use(createPinia()).use(router).use(VueQueryPlugin, { queryClient: queries })
app.config.errorHandler = (e) => {
  console.error(e)
  tellError(e)
}
app.mount('#app')
