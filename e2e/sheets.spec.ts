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
  await page.goto(at('demo', '/jobs/guesthouse/sheets?workings=yes'))
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

test('a small lawn prints on three pages: the customer’s, the crew’s, and the water', async ({
  page,
}) => {
  await openJob(page, { name: 'Small lawn', waterer: 'Mrs Aho', site: SITE, zones: [ZONE] })
  await page.getByRole('link', { name: 'Print sheets' }).click()
  await expect(page.getByText('For whoever waters')).toBeVisible()
  const pages = await printed(page)
  expect(pages).toHaveLength(3)
  for (const [i, start] of ['For the customer', 'For the crew', 'For whoever waters'].entries())
    expect(pages[i]).toContain(start)
  // A caution stands in full once, and by its first words where it is wanted again.
  const crew = pages[1]!
  expect(crew.split('Guards on; eyes, ears and feet covered')).toHaveLength(2)
  expect(crew).toContain('Two to lift the machine, and ramps, as above')
})

test('frost, soil, days and hours are told alike on the strip, the stages, the season and paper', async ({
  page,
}) => {
  const id = await openJob(
    page,
    { name: 'One truth', waterer: 'Mrs Aho', site: { ...SITE, frost: '5 May' }, customerDate: '2027-04-05', zones: [ZONE] }, // prettier-ignore
    'walk-over?part=site',
  )
  const text = async (locator: import('@playwright/test').Locator) =>
    (await locator.innerText()).replace(/\s+/g, ' ')
  const reads = page.locator('.reads')
  await expect(reads).toContainText('5 May')
  const strip = page.locator('.strip .weather')
  const [soil, tenth] = [
    ...(/in ten by .*?: \w+ (\d+ \w+) .*Soil today .*?: ([\d.]+)/.exec(await text(reads)) ?? []),
  ].reverse()
  await expect(strip).toContainText(`soil ${soil}`)
  await expect(strip).toContainText('even by 5 May')
  await expect(strip).toContainText(`1 in 10 by ${tenth}`)
  // The header says whether the customer's date is kept, as the customer's page does.
  await expect(page.locator('.head .date')).toContainText('not right by then')
  await go(page, `/jobs/${id}/order`)
  const DAY = /\w{3} \d{1,2} \w{3}/
  const sown = page.locator('tr.sow td.day')
  await expect(sown).toBeVisible()
  const sowDay = DAY.exec(await text(sown))![0]
  const window = await text(page.locator('.window').first())
  const [lastDay, visits] = [DAY.exec(window)![0], /(\d+) visits?/.exec(window)![1]]
  const spine = await text(page.getByRole('button', { name: /6 Order of work/ }))
  expect(spine).toContain(sowDay)
  await go(page, `/jobs/${id}/diary`)
  const rightFrom = page.getByRole('button', { name: /^Looks right from/ }).first()
  await expect(rightFrom).toBeVisible()
  const right = /(\w{3} \d+ \w{3})/.exec(await text(rightFrom))![1]!
  await go(page, `/jobs/${id}/water`)
  await expect(page.locator('main')).toContainText(sowDay)
  await go(page, `/jobs/${id}/sheets`)
  await expect(page.getByText('For whoever waters')).toBeVisible()
  const pages = (await printed(page)).map((p) => p.replace(/\s+/g, ' '))
  const [customer, crew, water] = [of(pages, 'For the customer'), of(pages, 'For the crew'), of(pages, 'For whoever waters')] // prettier-ignore
  for (const sheet of [customer, crew, water]) expect(sheet).toContain(sowDay)
  expect(customer).toContain(`Looks right from ${right}`)
  expect(customer).toContain('not right by then')
  const plan = (await (await page.request.get(at('demo', `/api/jobs/${id}/plan`))).json()) as {
    packages: { visits: number; cutOff: { value: string } }[]
  }
  expect(String(plan.packages[0]!.visits)).toBe(visits)
  expect(new Date(`${plan.packages[0]!.cutOff.value}T00:00Z`).getUTCDate()).toBe(Number(lastDay.split(' ')[1])) // prettier-ignore
})
