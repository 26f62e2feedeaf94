import { mkdtempSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join, resolve } from 'node:path'
import { defineConfig } from '@playwright/test'

/** Three firms of their own: two blank, so that each of two tests can begin from nothing, and the demo. */
export const PORTS = { blankByMouse: 47820, blankByKeyboard: 47821, demo: 47822 }
const root = resolve(import.meta.dirname, '..')
const serve = (port: number, ...args: string[]) => ({
  command: `node --import tsx server/src/main.ts ${args.join(' ')}`,
  cwd: root,
  url: `http://127.0.0.1:${port}/api/today`,
  env: { JUVENA_PORT: String(port), JUVENA_DATA: mkdtempSync(join(tmpdir(), 'juvena-e2e-')), JUVENA_TODAY: '2027-02-22' },
  reuseExistingServer: false,
})

export default defineConfig({
  testDir: '.',
  outputDir: '../test-results',
  workers: 1,
  timeout: 60_000,
  expect: { timeout: 10_000 },
  reporter: process.env.JUVENA_REPORT ? [['list'], ['json', { outputFile: process.env.JUVENA_REPORT }]] : 'list',
  use: {
    viewport: { width: 1280, height: 800 },
    actionTimeout: 10_000,
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
  webServer: [serve(PORTS.blankByMouse), serve(PORTS.blankByKeyboard), serve(PORTS.demo, '--demo')],
})
