import { cpSync, mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { chromium, expect, test, type BrowserContext, type Page } from '@playwright/test'
import sharp from 'sharp'
import { limit } from '../scripts/limits.mjs'
import { TODAY } from './filledDemo.ts'
import { startServer } from './startServer.ts'

/** The demo firm on one port, so that it can go and come back at the same address. */
async function demoAt(folder: string, port = '0') {
  const { server, address } = await startServer(['server/dist/main.js', '--demo'], {
    JUVENA_PORT: port,
    JUVENA_DATA: folder,
    JUVENA_TODAY: TODAY,
  })
  const stop = async () => {
    if (server.exitCode !== null || server.signalCode !== null) return
    const gone = new Promise((done) => server.once('exit', done))
    server.kill()
    await gone
  }
  return { address, stop }
}
/** A phone, with what it keeps in a folder: it can be switched off and on. */
async function phone(folder: string): Promise<BrowserContext> {
  const app = await chromium.launchPersistentContext(folder, {
    ...test.info().project.use.launchOptions,
    viewport: { width: 390, height: 844 },
    hasTouch: true,
    serviceWorkers: 'allow',
    userAgent: 'Mozilla/5.0 (Linux; Android 15; Mobile)',
  })
  app.setDefaultTimeout(limit(20_000))
  return app
}
const keptHere = (page: Page) =>
  page.evaluate(async () => {
    const cache = await caches.open('juvena-answers-1')
    return (await cache.keys()).map((r) => r.url.replace(/^https?:\/\/[^/]+/, ''))
  })
const waiting = (page: Page) => page.getByRole('button', { name: /waiting$/ })

test('a whole day in the field without signal: the app opens, steps, counts and photographs wait, and go once', async () => {
  test.setTimeout(limit(240_000))
  const [data, device] = ['juvena-offline-', 'juvena-phone-'].map((n) => mkdtempSync(join(tmpdir(), n))) as [string, string] // prettier-ignore
  cpSync(process.env.JUVENA_FILLED_DEMO!, data, { recursive: true })
  let server = await demoAt(data)
  const { address } = server
  let app = await phone(device)
  try {
    let page = app.pages()[0]!
    await page.goto(address)
    // A phone opens on the day's work.
    await expect(page.getByRole('heading', { level: 1 })).toContainText('Mon 22 Feb')
    await expect
      .poll(async () => (await keptHere(page)).filter((p) => p.endsWith('/photos')).length, {
        timeout: limit(60_000),
      })
      .toBeGreaterThan(5)
    const kept = await keptHere(page)
    for (const day of ['22', '23', '24', '25', '26', '27', '28'])
      expect(kept).toContain(`/api/day?on=2027-02-${day}`)

    await server.stop()
    await page.reload()
    await expect(page.getByRole('status').filter({ hasText: 'no signal, as of' })).toBeVisible()
    // Every step of the week is ticked as it comes, each on its own day's page.
    let ticks = 0
    for (let day = 22; day <= 28; day++) {
      await page.goto(`${address}/today?on=2027-02-${day}`)
      await expect(page.getByText(/\bjobs?,|Not on this/).first()).toBeVisible()
      for (const job of await page.getByRole('article').all()) {
        const open = job.getByRole('checkbox', { checked: false })
        for (const name of await open.evaluateAll((all) => all.map((e) => e.ariaLabel!))) {
          if (ticks === 20) continue
          await job.getByRole('checkbox', { name, exact: true, checked: false }).first().click()
          const done = job.getByRole('button', { name: 'Done', exact: true })
          await done.click()
          // A look wants its answer, and what the law keeps a record of its product.
          if ((await job.getByRole('alert').count()) > 0)
            await job.getByRole('button', { name: 'Cancel' }).click()
          else ticks++
          await expect(done).toHaveCount(0)
        }
      }
    }
    expect(ticks).toBe(20)

    const picture = await sharp({ create: { width: 640, height: 480, channels: 3, background: '#557a44' } }).jpeg().toBuffer() // prettier-ignore
    await page.goto(`${address}/jobs/guesthouse/walk-over?part=zones&count=yes`)
    for (let i = 0; i < 12; i++) {
      const part = i % 3 ? /wanted ?: one more look/ : /bare ?: one more look/
      await page.getByRole('button', { name: part }).first().tap()
    }
    await expect(page.getByText('12 looks')).toBeVisible()
    await page.goto(`${address}/today?on=2027-02-22`)
    const first = page.getByRole('article').first()
    const job = (await first.getByRole('heading', { level: 2 }).textContent())!.trim()
    for (const n of [1, 2, 3]) {
      await first.locator('input[type=file]').setInputFiles({ name: `spot ${n}.jpg`, mimeType: 'image/jpeg', buffer: picture }) // prettier-ignore
      await expect(first.getByText(`spot ${n}.jpg waits`)).toBeVisible()
    }
    // A day that does not lie here says so: no other day's steps, no "0 jobs".
    await page.goto(`${address}/today?on=2027-03-20`)
    await expect(page.getByText('Not on this phone.')).toBeVisible()
    await expect(page.getByText(/\bjobs?,/)).toHaveCount(0)

    // The phone is switched off and on.
    await app.close()
    app = await phone(device)
    page = app.pages()[0]!
    await page.goto(`${address}/today?on=2027-02-22`)
    await expect(page.getByText('spot 3.jpg waits')).toBeVisible()
    await expect(waiting(page)).toContainText(String(ticks + 3 + 1))

    server = await demoAt(data, new URL(address).port)
    await page.reload()
    await expect(waiting(page)).toHaveCount(0, { timeout: limit(90_000) })
    await expect(page.getByText('no signal, as of')).toHaveCount(0)
    const all = (await (await fetch(`${address}/api/jobs`)).json()) as {
      id: string
      name: string
    }[]
    let found = 0
    for (const { id, name } of all) {
      const { diary } = (await (await fetch(`${address}/api/jobs/${id}`)).json()) as { diary: { step: string | null; date: string }[] } // prettier-ignore
      const here = diary.filter((e) => e.step !== null && e.date === TODAY)
      expect(new Set(here.map((e) => e.step)).size).toBe(here.length)
      found += here.length
      const photos = (await (await fetch(`${address}/api/jobs/${id}/photos`)).json()) as unknown[]
      if (name.startsWith(job) || job.startsWith(name)) expect(photos.length).toBeGreaterThan(2)
    }
    expect(found).toBe(ticks)
    const guesthouse = (await (await fetch(`${address}/api/jobs/guesthouse`)).json()) as { draft: { zones: { pointCounts?: { wanted: number; bare: number } }[] } } // prettier-ignore
    expect(guesthouse.draft.zones.some((z) => z.pointCounts?.bare === 4 && z.pointCounts.wanted === 8)).toBe(true) // prettier-ignore
  } finally {
    await app.close().catch(() => undefined)
    await server.stop().catch(() => undefined)
    for (const folder of [data, device]) rmSync(folder, { recursive: true, force: true })
  }
})
