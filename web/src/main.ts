import { createPinia } from 'pinia'
import { createApp } from 'vue'
import '@fontsource/atkinson-hyperlegible/latin-400.css'
import '@fontsource/atkinson-hyperlegible/latin-700.css'
import App from './App.vue'
import './look/juvena.css'
import './look/controls.css'
import { router } from './router.ts'

createApp(App).use(createPinia()).use(router).mount('#app')
