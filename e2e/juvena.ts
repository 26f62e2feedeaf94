import { limit } from '../scripts/limits.mjs'
import { cpSync, mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { expect, test as base, type Locator, type Page } from '@playwright/test'
import { TODAY } from './filledDemo.ts'
import { startServer } from './startServer.ts'

/**
 * The firms a file of tests works with: the demo, and blank ones. Each is a server of its own on a
 * free port, with data of its own.
 */
export type FirmName = 'demo' | 'blank' | 'anotherBlank' | 'thirdBlank'
const addresses: Partial<Record<FirmName, string>> = {}
export const at = (firm: FirmName, path = '/') => {
  const address = addresses[firm]
  if (!address) throw new Error(`This file has no ${firm} firm: name it in test.use({ firms })`)
  return address + path
}

/** Starts a server of a firm's own on a free port, on data of its own. */
function startFirm(firm: FirmName, folder: string) {
  if (firm === 'demo') cpSync(process.env.JUVENA_FILLED_DEMO!, folder, { recursive: true })
  return startServer(['server/dist/main.js', ...(firm === 'demo' ? ['--demo'] : [])], {
    JUVENA_PORT: '0',
    JUVENA_DATA: folder,
    JUVENA_TODAY: TODAY,
  })
}

interface Options {
  /** The firms of a file. A file names itself with them, so that no two files share a server. */
  firms: { file: string; names: FirmName[] }
}

/**
 * Every test fails when the page's console says anything wrong, or anything is asked of another
 * host.
 */
export const test = base.extend<
  { quiet: { allow: (pattern: RegExp) => void } },
  Options & { servers: undefined }
>({
  firms: [
    { file: '', names: ['demo'] },
    { option: true, scope: 'worker' },
  ],
  servers: [
    async ({ firms }, use) => {
      const started = await Promise.all(
        firms.names.map(async (firm) => {
          const folder = mkdtempSync(join(tmpdir(), 'juvena-e2e-'))
          const { address, server } = await startFirm(firm, folder)
          addresses[firm] = address
          return { folder, server }
        }),
      )
      await use(undefined)
      for (const { folder, server } of started) {
        const gone = new Promise((done) => server.once('exit', done))
        server.kill()
        await gone
        rmSync(folder, { recursive: true, force: true })
      }
    },
    { scope: 'worker', auto: true, timeout: limit(90_000) },
  ],
  quiet: [
    async ({ page }, use) => {
      const said: string[] = []
      // The service worker is left out of these tests.
      const allowed: RegExp[] = [/^Service Worker registration blocked by Playwright$/]
      page.on('console', (m) => ['error', 'warning'].includes(m.type()) && said.push(m.text()))
      page.on('pageerror', (e) => said.push(e.message))
      page.on(
        'request',
        (r) =>
          !r.url().startsWith('http://127.0.0.1:') &&
          !/^(data|blob):/.test(r.url()) &&
          said.push(`asked ${r.url()}`),
      )
      await use({ allow: (pattern) => allowed.push(pattern) })
      expect(said.filter((text) => !allowed.some((p) => p.test(text)))).toEqual([])
    },
    { auto: true },
  ],
})

/** A job of its own on the demo server, made through the API, opened on a stage. */
export async function openJob(page: Page, draft: object, stage = 'walk-over'): Promise<string> {
  const made = await page.request.post(at('demo', '/api/jobs'), { data: { name: 'A lawn' } })
  const { id } = (await made.json()) as { id: string }
  await page.request.put(at('demo', `/api/jobs/${id}`), {
    data: { revision: 1, draft: { name: 'A lawn', zones: [], ...draft } },
  })
  await page.goto(at('demo', `/jobs/${id}/${stage}`))
  return id
}

/**
 * Goes to another place (a path, or an address) of the firm that is open, as a link in the page
 * does. Loading the page anew costs more than a second of the processor: `page.goto` is for deep
 * links and reloads.
 */
export async function go(page: Page, path: string): Promise<void> {
  await page.evaluate(
    async (to) => {
      const app = document.querySelector('#app') as Element & {
        __vue_app__: {
          config: { globalProperties: { $router: { push: (to: string) => Promise<unknown> } } }
        }
      }
      await app.__vue_app__.config.globalProperties.$router.push(to)
    },
    path.replace(/^https?:\/\/[^/]+/, ''),
  )
}

export const SITE = {
  latitude: -44.2,
  longitude: 170.1,
  frost: '25 Apr',
  soilTemperature: '17.4 °C',
  soilReadOn: '2027-02-22',
}
export const ZONE = {
  id: 'z1',
  name: 'Back lawn',
  area: '200 m²',
  sunHours: '7 h',
  cover: { wanted: 55, weeds: 20, moss: 5, bare: 20 },
  thatch: '15 mm',
  penetration: 'stops',
  soilMoist: true,
  heightOfCut: '40 mm',
  present: ['perennial-ryegrass'],
}

export const saved = (page: Page) => expect(page.locator('.save')).toHaveText('saved')
/** A field by its label. */
export const field = (page: Page, label: string | RegExp) =>
  page.getByRole('textbox', { name: label, exact: typeof label === 'string' }).first()
export const working = (page: Page) => page.getByRole('complementary', { name: 'Working' })

/**
 * Presses Tab until the element has the focus: what cannot be reached this way cannot be used by
 * keyboard.
 */
export async function tabTo(page: Page, target: Locator, most = 120): Promise<void> {
  await target.waitFor({ state: 'attached' })
  for (let i = 0; i < most; i++) {
    if (
      await target.evaluate(
        (el) => el === document.activeElement || el.contains(document.activeElement),
      )
    )
      return
    await page.keyboard.press('Tab')
  }
  throw new Error(`Tab never reached ${target.toString()}`)
}
export { expect }
