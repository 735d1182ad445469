import '@fontsource-variable/instrument-sans/wght.css'
import '@fontsource/jetbrains-mono/500.css'
import '@fontsource/jetbrains-mono/600.css'
import '@fontsource/newsreader/400.css'
import '@fontsource/newsreader/500.css'
import '@fontsource/newsreader/600.css'
import './theme/tokens.css'
import './theme/base.css'
import { createPinia } from 'pinia'
import PrimeVue from 'primevue/config'
import ToastService from 'primevue/toastservice'
import Tooltip from 'primevue/tooltip'
import { createApp } from 'vue'
import { config as zodConfig } from 'zod'
import App from './App.vue'
import { router } from './router'
import { paperAndInk } from './theme/preset'

// The content policy forbids compiling code from strings, which Zod would otherwise try.
zodConfig({ jitless: true })

const nonce = document.querySelector('meta[name="csp-nonce"]')?.getAttribute('content') ?? ''

createApp(App)
  .use(createPinia())
  .use(router)
  .use(PrimeVue, { theme: { preset: paperAndInk, options: { darkModeSelector: '.never' } }, csp: { nonce } })
  .use(ToastService)
  .directive('tooltip', Tooltip)
  .mount('#app')
