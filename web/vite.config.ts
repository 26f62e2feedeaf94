import vue from '@vitejs/plugin-vue'
import elementPlus from 'unplugin-element-plus/vite'
import { defineConfig } from 'vite'
import { serviceWorker } from './offlineFiles.ts'
import { templates } from './templates.ts'

export default defineConfig({
  plugins: [vue({ template: templates }), elementPlus({}), serviceWorker()],
  worker: { format: 'es' },
  build: { target: 'es2022', chunkSizeWarningLimit: 700, modulePreload: { polyfill: false } },
  server: { proxy: { '/api': 'http://127.0.0.1:4173' } },
})
