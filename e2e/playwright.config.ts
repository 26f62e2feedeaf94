import { defineConfig } from '@playwright/test'

import { limit } from '../scripts/limits.mjs'

/**
 * Files run side by side, each on servers and data of its own (juvena.ts); the tests of a file run
 * one after another.
 */
export default defineConfig({
  testDir: '.',
  globalSetup: './filledDemo.ts',
  outputDir: '../test-results',
  workers: process.env.JUVENA_WORKERS ? Number(process.env.JUVENA_WORKERS) : 3,
  timeout: limit(90_000),
  expect: { timeout: limit(20_000) },
  reporter: process.env.JUVENA_REPORT
    ? [['list'], ['json', { outputFile: process.env.JUVENA_REPORT }]]
    : 'list',
  use: {
    viewport: { width: 1280, height: 800 },
    // What a device keeps is tried where it is tested; elsewhere the server itself answers.
    serviceWorkers: 'block',
    actionTimeout: limit(20_000),
    launchOptions: {
      executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium',
      args: [
        '--no-sandbox',
        '--disable-gpu',
        '--disable-quic',
        '--no-first-run',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-sync',
      ],
    },
  },
})
