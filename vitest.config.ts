import vue from '@vitejs/plugin-vue'
import { defineConfig } from 'vitest/config'

export default defineConfig({
  plugins: [vue({ template: { compilerOptions: { whitespace: 'preserve' } } })],
  test: {
    include: ['core/test/**/*.test.ts', 'server/test/**/*.test.ts', 'web/test/**/*.test.ts'],
    testTimeout: 30_000,
    server: { deps: { inline: ['element-plus'] } },
    css: false,
  },
})
