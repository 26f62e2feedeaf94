import { limit } from '../scripts/limits.mjs'
import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs'
import { at, expect, go, openJob, SITE, test, ZONE } from './juvena.ts'

test.use({ firms: { file: 'sheets', names: ['demo'] } })

/** The text of each printed page. */
async function printed(page: import('@playwright/test').Page): Promise<string[]> {
  const data = new Uint8Array(await page.pdf({ preferCSSPageSize: true }))
  const document = await getDocument({ data, verbosity: 0 }).promise
  const pages = Array.from({ length: document.numPages }, async (_, i) => {
    const { items } = await (await document.getPage(i + 1)).getTextContent()
    return items
      .map((item) => ('str' in item ? item.str + (item.hasEOL ? '\n' : '') : ''))
      .join(' ')
      .replace(/\s+/g, ' ')
  })
  return Promise.all(pages)
}
const of = (pages: readonly string[], start: string) => {
  const text = pages.find((p) => p.includes(start))
  expect(text, `a page “${start}” among ${pages.length}`).toBeDefined()
  return text!
}

test('the sheets on paper: job, day and page on each, and one set of dates on all of them', async ({
  page,
}) => {
  test.setTimeout(limit(120_000))
  await page.goto(at('demo', '/jobs/guesthouse/sheets'))
  await expect(page.getByRole('heading', { name: 'Where the numbers come from' })).toBeVisible()
  const pages = await printed(page)
  pages.forEach((text, i) => {
    expect(text).toContain(`page ${i + 1} of ${pages.length}`)
    expect(text).toContain('Lakeside guesthouse, event lawn · Mon 22 Feb 2027')
  })
  const [customer, water] = [of(pages, 'For the customer'), of(pages, 'For whoever waters')]
  const crew = pages.slice(pages.indexOf(of(pages, 'For the crew')), pages.indexOf(water)).join(' ')
  const plan = (await (await page.request.get(at('demo', '/api/jobs/guesthouse/plan'))).json()) as {
    steps: { kind: string; chosen: string }[]
    follow: {
      packages: { dryDays: string[]; mownFirst: string[]; handOver: { value: string } | null }[]
    }
  }
  const shown = (iso: string) => {
    const day = new Date(`${iso}T00:00Z`)
    return `${['Sun', 'Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat'][day.getUTCDay()]} ${day.getUTCDate()} ${day.toLocaleString('en', { month: 'short', timeZone: 'UTC' })}`
  }
  for (const kind of ['sow', 'first-mow', 'visit', 'scarify']) {
    const day = shown(plan.steps.find((s) => s.kind === kind)!.chosen)
    expect(customer, `${kind} for the customer`).toContain(day)
    expect(crew, `${kind} for the crew`).toContain(day)
  }
  const sown = plan.follow.packages.find((p) => p.handOver)!
  expect(customer).toContain(shown(sown.handOver!.value))
  expect(water).toContain(`until ${shown(sown.handOver!.value)}`)
  // The day before a mow is dry on the calendar, and the mow is on the crew's page the day after.
  for (const dry of sown.dryDays) {
    expect(water).toContain(shown(dry))
    const mow = new Date(Date.parse(dry) + 86_400_000).toISOString().slice(0, 10)
    expect(crew).toContain(shown(mow))
  }
  // While seed still comes up, the day of a mow is watered once it is mown; the calendar has it.
  for (const mown of sown.mownFirst) {
    expect(water).toContain(shown(mown))
    expect(crew).toContain(shown(mown))
  }
  expect(sown.mownFirst.length > 0 && water.includes('once mown')).toBe(true)
  // Lift by lift on the crew's page, and no small numbers behind the customer's figures.
  expect(crew).toMatch(/lift 1 of \d/)
  expect(customer).not.toMatch(/418 \d+ m²/)
})

test('a job with nothing in it prints nothing, and says so', async ({ page }) => {
  const id = await openJob(page, { name: 'Nothing yet', zones: [] }, 'walk-over')
  await go(page, `/jobs/${id}/sheets`)
  await expect(page.getByText('Nothing to print yet')).toBeVisible()
  await expect(page.getByText('For the customer')).toHaveCount(0)
})

test('the firm’s and the customer’s address and telephone stand at the head', async ({ page }) => {
  const id = await openJob(page, {
    name: 'Hill',
    customer: 'A. Reader',
    phone: '555 0102',
    site: { ...SITE, address: '7 Tarn Road' },
    zones: [ZONE],
  })
  await go(page, '/yard')
  await page.getByRole('textbox', { name: 'Address' }).fill('1 Tussock Lane')
  await page.getByRole('textbox', { name: 'Telephone' }).fill('555 0100')
  // One wrong field holds up no other.
  await page.getByRole('textbox', { name: 'Crew on a job' }).fill('lots')
  await expect(page.getByText('saved', { exact: true })).toBeVisible()
  await go(page, `/jobs/${id}/sheets`)
  const head = page.locator('.sheet-head').first()
  await expect(head).toContainText('1 Tussock Lane')
  await expect(head).toContainText('555 0100')
  await expect(head).toContainText('A. Reader · 7 Tarn Road · 555 0102')
})
