import vue from '@vitejs/plugin-vue'
import elementPlus from 'unplugin-element-plus/vite'
import { defineConfig } from 'vite'

export default defineConfig({
  // White space between elements means what it means in HTML.
  plugins: [vue({ template: { compilerOptions: { whitespace: 'preserve' } } }), elementPlus({})],
  worker: { format: 'es' },
  build: { target: 'es2022', chunkSizeWarningLimit: 700, modulePreload: { polyfill: false } },
  server: { proxy: { '/api': 'http://127.0.0.1:4173' } },
})
