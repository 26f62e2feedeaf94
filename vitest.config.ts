import vue from '@vitejs/plugin-vue'
import { defineConfig } from 'vitest/config'
import { limit } from './scripts/limits.mjs'
import { templates } from './web/templates.ts'

/**
 * Tests of the core and of the server share what they import, which saves half their time: each
 * opens a folder of its own. Those of the pages each stand alone.
 */
export default defineConfig({
  test: {
    testTimeout: limit(240_000),
    hookTimeout: limit(120_000),
    maxWorkers: 2,
    projects: [
      {
        test: {
          name: 'core',
          include: ['core/test/**/*.test.ts'],
          setupFiles: ['core/test/drawnAlike.ts'],
          pool: 'threads',
          isolate: false,
          testTimeout: limit(240_000),
          hookTimeout: limit(120_000),
        },
      },
      {
        test: {
          name: 'server',
          include: ['server/test/**/*.test.ts'],
          isolate: false,
          testTimeout: limit(240_000),
          hookTimeout: limit(120_000),
        },
      },
      {
        plugins: [vue({ template: templates })],
        test: {
          name: 'web',
          include: ['web/test/**/*.test.ts'],
          server: { deps: { inline: ['element-plus'] } },
          css: false,
          testTimeout: limit(240_000),
          hookTimeout: limit(120_000),
        },
      },
    ],
  },
})
