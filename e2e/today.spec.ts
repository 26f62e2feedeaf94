import { limit } from '../scripts/limits.mjs'
import { at, expect, field, go, openJob, SITE, test, ZONE } from './juvena.ts'

test.use({ firms: { file: 'today', names: ['demo'] } })

const diaryOf = async (page: import('@playwright/test').Page, id: string) =>
  (
    (await (await page.request.get(at('demo', `/api/jobs/${id}`))).json()) as {
      diary: { step: string | null; what: string; amount: string; who: string; product: string }[]
    }
  ).diary

test('a day by keyboard: the days are turned, a step is ticked with its amount and who, and the diary has it', async ({
  page,
}) => {
  await page.goto(at('demo', '/'))
  await expect(page.getByRole('heading', { name: /The next/ })).toBeVisible()
  await page.keyboard.press('t')
  await expect(page.getByRole('heading', { name: /Mon 22 Feb/ })).toContainText('today')
  await page.keyboard.press('ArrowRight')
  await expect(page.getByRole('heading', { name: /Tue 23 Feb/ })).toContainText('tomorrow')
  await page.goto(at('demo', '/today?on=2027-03-01'))
  const job = page.getByRole('article').filter({ hasText: 'Lakeside guesthouse' })
  await expect(job.getByText('2 × 2.15 kg')).toBeVisible()
  const sow = job.getByRole('checkbox', { name: 'Sow, crossed done' })
  await sow.focus()
  await page.keyboard.press('Space')
  await expect(field(page, 'Amount')).toBeFocused()
  await expect(field(page, 'Amount')).toHaveValue(/Terrace lawn 2 × 2\.15 kg/)
  await field(page, 'Who').fill('Ana')
  await page.keyboard.press('Enter')
  // Done today, it is no longer work of that day.
  await expect(sow).toHaveCount(0)
  const ticked = (await diaryOf(page, 'guesthouse')).find((e) => e.step?.startsWith('sow/'))!
  expect([ticked.who, ticked.amount.includes('Lower lawn')]).toEqual(['Ana', true])
})

test('a tick and a note without signal wait, say so, and go once when it is back', async ({
  page,
  context,
  quiet,
}) => {
  quiet.allow(/ERR_INTERNET_DISCONNECTED|Failed to load resource/)
  await page.setViewportSize({ width: 390, height: 844 })
  const id = await openJob(page, { name: 'Far field', site: SITE, zones: [ZONE] }, 'order')
  await expect(page.getByRole('heading', { name: 'Far field' })).toBeVisible()
  await go(page, '/today')
  const job = page.getByRole('article').filter({ hasText: 'Far field' })
  await expect(job).toBeVisible()
  await context.setOffline(true)
  await job.getByRole('checkbox', { name: 'Give notice done' }).click()
  await job.getByRole('button', { name: 'Done', exact: true }).click()
  await expect(page.getByText('1 entry waits here')).toBeVisible()
  await job.getByRole('button', { name: 'Note' }).click()
  await field(page, 'Note for the diary').fill('Gate was locked')
  await job.getByRole('button', { name: 'Save' }).click()
  await expect(page.getByText('2 entries wait here')).toBeVisible()
  expect(await diaryOf(page, id)).toEqual([])
  await context.setOffline(false)
  await expect(page.getByText(/waits? here/)).toHaveCount(0, { timeout: limit(40_000) })
  expect((await diaryOf(page, id)).map((e) => e.what).sort()).toEqual([
    'Gate was locked',
    'Give notice',
  ])
})

test('a step passed over stays open, a tick can be corrected and struck out, and two phones are asked about', async ({
  page,
}) => {
  const id = await openJob(page, { name: 'Two phones', site: SITE, zones: [ZONE] }, 'order')
  const plan = await page.request.get(at('demo', `/api/jobs/${id}/plan`))
  const { steps } = (await plan.json()) as {
    steps: { id: string; zones: string[]; kind: string; chosen: string }[]
  }
  const core = steps.find((s) => s.kind === 'core')!
  const tick = (entry: string, who: string) =>
    page.request.post(at('demo', `/api/jobs/${id}/diary`), {
      data: { id: entry, date: '2027-02-22', what: 'Core', step: core.id, stepZones: core.zones, who }, // prettier-ignore
    })
  await tick('two-phones-1', 'Ana')
  await go(page, '/today')
  const job = page.getByRole('article').filter({ hasText: 'Two phones' })
  const cored = job.getByRole('checkbox', { name: /^Hollow-tine done$/ })
  await expect(cored).toBeChecked()
  await expect(job.getByText('Done Mon 22 Feb by Ana')).toBeVisible()
  // Work that comes before it was passed, and nobody has recorded it: it can be.
  const passed = job.getByRole('listitem').filter({ hasText: 'Passed, not recorded.' }).first()
  await expect(passed.getByRole('checkbox')).not.toBeChecked()
  await expect(passed.getByRole('checkbox')).toBeEnabled()

  await cored.click()
  await job.getByRole('button', { name: /^Correct Hollow-tine/ }).click()
  await field(page, 'Who').fill('Ben')
  await job.getByRole('button', { name: 'Save the correction' }).click()
  await expect(job.getByText('Done Mon 22 Feb by Ben')).toBeVisible()

  await tick('two-phones-2', 'Cleo')
  await page.reload()
  await expect(job.getByText('Recorded from another phone too.')).toBeVisible()
  await job.getByRole('button', { name: 'Keep both' }).click()
  await expect(job.getByText('Recorded from another phone too.')).toHaveCount(0)
  await expect(job.getByText('Done Mon 22 Feb by Ben; Done Mon 22 Feb by Cleo')).toBeVisible()

  await cored.click()
  await job
    .getByRole('button', { name: /^Strike out Hollow-tine/ })
    .first()
    .click()
  await expect(job.getByText('Done Mon 22 Feb by Cleo', { exact: true })).toBeVisible()
  await cored.click()
  await job.getByRole('button', { name: /^Strike out Hollow-tine/ }).click()
  await expect(job.getByRole('checkbox', { name: /^Hollow-tine done$/ }).filter({ hasText: '✓' })).toHaveCount(0) // prettier-ignore
})

test('what the law keeps a record of is not ticked without its product and its label', async ({
  page,
  quiet,
}) => {
  quiet.allow(/400/)
  const id = await openJob(
    page,
    {
      name: 'Weedy',
      site: SITE,
      schools: { weeds: 'spray-then-sow' },
      zones: [ZONE],
      pins: { 'spray/z1': '2027-02-22' },
    },
    'diary',
  )
  await page.getByRole('checkbox', { name: /Spray broad-leaved weeds done/ }).click()
  await page.getByRole('button', { name: 'Done', exact: true }).click()
  await expect(page.getByRole('alert').filter({ hasText: 'Enter the product' })).toBeVisible()
  await field(page, 'Product, as on its label').fill('Meadow Clear 3')
  await page.getByRole('button', { name: 'Done', exact: true }).click()
  await expect(page.getByRole('alert').filter({ hasText: 'Read the label' })).toBeVisible()
  await page.getByText('I have read the label').click()
  await page.getByRole('button', { name: 'Done', exact: true }).click()
  await expect(page.getByRole('alert').filter({ hasText: 'Say who put it down' })).toBeVisible()
  await field(page, 'Who').last().fill('Rua')
  await page.getByRole('button', { name: 'Done', exact: true }).click()
  await expect(
    page.getByRole('checkbox', { name: /Spray broad-leaved weeds done/ }),
  ).toHaveAttribute('aria-checked', 'true')
  expect((await diaryOf(page, id))[0]!.product).toBe('Meadow Clear 3')
  // It stands in the record that the law asks for.
  await page.getByRole('link', { name: 'Record of products' }).click()
  await expect(page.getByText('Meadow Clear 3')).toBeVisible()
  await expect(page.getByText('Rua')).toBeVisible()
  await page.goBack()
  // Nor by the back door.
  const refused = await page.request.post(at('demo', `/api/jobs/${id}/diary`), {
    data: { id: 'no-product-1', date: '2027-02-22', step: 'spray/z1', what: 'Spray' },
  })
  expect(refused.status()).toBe(400)
  expect(await refused.text()).toContain('names its product')
})
