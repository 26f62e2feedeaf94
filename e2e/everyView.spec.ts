import { limit } from '../scripts/limits.mjs'
import AxeBuilder from '@axe-core/playwright'
import type { Page } from '@playwright/test'
import { at, expect, go, openJob, SITE, test, ZONE } from './juvena.ts'

test.use({ firms: { file: 'everyView', names: ['demo'] } })

const STAGES = [
  'walk-over',
  'walk-over?part=plan',
  'walk-over?part=plan&show=light&zone=hedge&shape=s6',
  'walk-over?part=plan&show=levels&zone=lower',
  'walk-over?part=site',
  'walk-over?part=history',
  'walk-over?part=customer',
  'findings',
  'approach',
  'seed',
  'materials?figure=terrace.seed.kg',
  'order',
  'water',
  'diary',
  'diary?part=take',
  'diary?part=quoted',
  'sheets?sheet=record',
]
const VIEWS = [
  '/',
  '/today',
  '/today?on=2027-03-01',
  '/yard',
  '/yard/year',
  '/yard/stock?lot=lot-25-061',
  '/yard/grasses',
  '/yard/rules',
  '/yard/learnt',
  '/yard/prices',
  '/yard/orders',
  '/yard/machines',
  '/yard/backups',
  ...STAGES.map((s) => `/jobs/guesthouse/${s}`),
  '/jobs/community/order',
  '/jobs/guesthouse/sheets',
]

// Views do not depend on one another: workers share them out, each with a server of its own. Those
// of one test share a page, so that it is loaded once.
test.describe.configure({ mode: 'parallel' })

const RULES = ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'best-practice']
/** Names the places of violations only: naming each place that passed takes half of axe's time. */
const axeOn = (page: Page) =>
  new AxeBuilder({ page }).setLegacyMode(true).options({ resultTypes: ['violations'] })
const SHARE = 6
for (let first = 0; first < VIEWS.length; first += SHARE) {
  const views = VIEWS.slice(first, first + SHARE)
  test(`no accessibility violations, nothing clipped: ${views.join(', ')}`, async ({ page }) => {
    test.setTimeout(limit(240_000))
    for (const view of views)
      await test.step(view, async () => {
        await page.setViewportSize({ width: 1280, height: 800 })
        await (view === views[0] ? page.goto(at('demo', view)) : go(page, view))
        await expect(page.locator('h1').first()).toBeVisible()
        await page.waitForLoadState('networkidle')
        await expect(
          page.getByText(
            /^(Loading|Planning|Loading the plan|Loading the day|Loading the season|Working out the year)…$/,
          ),
        ).toHaveCount(0)
        for (const theme of ['paper', 'field']) {
          if (theme === 'field' && !view.includes('sheets'))
            await page.getByRole('button', { name: 'field', exact: true }).click()
          // The field theme changes colours and nothing else.
          const axe = axeOn(page)
          const { violations } = await (
            theme === 'paper' ? axe.withTags(RULES) : axe.withRules(['color-contrast'])
          ).analyze()
          const told = violations.map((v) => {
            const where = v.nodes.map((n) => n.target.join(' ')).slice(0, 4)
            return `${theme} ${v.id}: ${where.join(' | ')} ${v.nodes[0]?.failureSummary ?? ''}`
          })
          expect(told, view).toEqual([])
        }
        if (!view.includes('sheets'))
          await page.getByRole('button', { name: 'paper', exact: true }).click()
        await page.setViewportSize({ width: 390, height: 844 })
        // A chart is drawn anew a moment after its window has changed.
        const over = () =>
          page.evaluate(
            () => document.documentElement.scrollWidth - document.documentElement.clientWidth,
          )
        await expect
          .poll(over, { message: `${view}: page wider than a phone` })
          .toBeLessThanOrEqual(1)
        const text = (size: string) =>
          page.evaluate((to) => (document.documentElement.style.fontSize = to), size)
        await text('200%')
        await expect
          .poll(over, { message: `${view}: wider than a phone with text twice as large` })
          .toBeLessThanOrEqual(1)
        await text('')
      })
  })
}

/** What axe finds, in words. */
async function violationsIn(page: Page): Promise<string[]> {
  const { violations } = await axeOn(page).withTags(RULES).analyze()
  return violations.map((v) => `${v.id}: ${v.nodes.map((n) => n.target.join(' ')).slice(0, 4).join(' | ')} ${v.nodes[0]?.failureSummary ?? ''}`) // prettier-ignore
}

for (const [screen, size] of [
  ['a laptop', { width: 1280, height: 800 }],
  ['a phone', { width: 390, height: 844 }],
] as const)
  // prettier-ignore
  test(`pressed, hovered, opened and wrong, on ${screen}: no accessibility violations`, async ({ page }) => {
    test.setTimeout(limit(240_000))
    await page.setViewportSize(size)
    const fine = async (state: string) => expect(await violationsIn(page), state).toEqual([])
    await openJob(page, { site: { ...SITE, frost: '31 Feb' }, zones: [{ ...ZONE, area: 'big', cover: { wanted: 90, weeds: 90 } }] }, 'walk-over?part=zones')
    await expect(page.getByText(/big/).first()).toBeVisible()
    await fine('wrong entries')
    await page.getByRole('combobox', { name: 'Texture' }).press('Enter')
    await expect(page.getByRole('option', { name: 'loam', exact: true })).toBeVisible()
    await fine('a list open')
    await page.keyboard.press('Escape')
    const tab = page.getByRole('button', { name: /^Site and season/ })
    await tab.hover()
    await fine('a tab hovered')
    await page.mouse.down()
    await fine('a tab held down')
    await page.mouse.up()
    await expect(page.getByText(/31 Feb/).first()).toBeVisible()
    await fine('a wrong date')
    await openJob(page, { site: SITE, zones: [ZONE] }, 'approach')
    await page.locator('main').getByRole('checkbox').first().focus()
    await fine('a rung in focus')
    const choice = page.locator('main').getByRole('radio').first()
    if (await choice.count()) await choice.focus()
    await page.keyboard.press('Control+k')
    await expect(page.getByLabel(/Find a page/)).toBeFocused()
    await page.keyboard.type('seed')
    await fine('search open')
    await page.keyboard.press('Escape')
    await expect(page.getByRole('dialog')).toHaveCount(0)
    await page.locator('h1').first().click()
    await page.keyboard.press('?')
    await expect(page.getByRole('dialog', { name: 'Keys' })).toBeVisible()
    await fine('keys open')
    await page.keyboard.press('Escape')
    await go(page, '/today')
    await page.getByRole('checkbox').first().click()
    await fine('a tick being entered')
    await go(page, '/yard/stock')
    await page.getByRole('button', { name: 'Add a lot' }).click()
    await fine('a label being entered')
  })

test('thirty zones, long names and an empty job are all laid out', async ({ page }) => {
  const zones = Array.from({ length: 30 }, (_, i) => ({
    ...ZONE,
    id: `z${i + 1}`,
    name: `Zone ${i + 1} with a name that goes on and on along the boundary`,
  }))
  await openJob(
    page,
    {
      name: 'A very long name of a job that will not fit on one line of the head of the page at all',
      site: SITE,
      zones,
    },
    'materials',
  )
  await expect(page.getByText('30 zones, 6,000 m²').first()).toBeVisible()
  expect(
    await page.evaluate(
      () => document.documentElement.scrollWidth - document.documentElement.clientWidth,
    ),
  ).toBeLessThanOrEqual(1)
  await openJob(page, { zones: [] }, 'materials')
  await expect(page.getByText('Nothing to show yet.')).toBeVisible()
})

test('a deep link to a figure opens its working; a job that is not there says so', async ({
  page,
  quiet,
}) => {
  quiet.allow(/404/)
  await page.goto(at('demo', '/jobs/guesthouse/seed?figure=hedge.seed.bulk'))
  await expect(page.getByRole('complementary', { name: 'Working' })).toContainText(
    'Germination is allowed for once',
  )
  await page.goto(at('demo', '/jobs/nowhere'))
  await expect(page.getByRole('heading', { name: 'This job was not found.' })).toBeVisible()
})
