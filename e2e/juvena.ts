import { expect, test as base, type Locator, type Page } from '@playwright/test'
import { PORTS } from './playwright.config.ts'

export const at = (firm: keyof typeof PORTS, path = '/') => `http://127.0.0.1:${PORTS[firm]}${path}`

/** Every test fails when the page's console says anything wrong, or anything is asked of another host. */
export const test = base.extend<{ quiet: { allow: (pattern: RegExp) => void } }>({
  quiet: [
    async ({ page }, use) => {
      const said: string[] = []
      const allowed: RegExp[] = []
      page.on('console', (m) => ['error', 'warning'].includes(m.type()) && said.push(m.text()))
      page.on('pageerror', (e) => said.push(e.message))
      page.on('request', (r) => !r.url().startsWith('http://127.0.0.1:') && !/^(data|blob):/.test(r.url()) && said.push(`asked ${r.url()}`))
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
  await page.request.put(at('demo', `/api/jobs/${id}`), { data: { revision: 1, draft: { name: 'A lawn', zones: [], ...draft } } })
  await page.goto(at('demo', `/jobs/${id}/${stage}`))
  return id
}

export const SITE = { latitude: -44.2, longitude: 170.1, frost: '25 Apr', soilTemperature: '17.4 °C', soilReadOn: '2027-02-22' }
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
export const field = (page: Page, label: string | RegExp) => page.getByRole('textbox', { name: label, exact: typeof label === 'string' }).first()
export const working = (page: Page) => page.getByRole('complementary', { name: 'Working' })

/** Presses Tab until the element has the focus: what cannot be reached this way cannot be used by keyboard. */
export async function tabTo(page: Page, target: Locator, most = 120): Promise<void> {
  await target.waitFor({ state: 'attached' })
  for (let i = 0; i < most; i++) {
    if (await target.evaluate((el) => el === document.activeElement || el.contains(document.activeElement))) return
    await page.keyboard.press('Tab')
  }
  throw new Error(`Tab never reached ${target.toString()}`)
}
export { expect }
