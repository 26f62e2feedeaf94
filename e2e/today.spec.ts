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
  await expect(
    page.getByRole('checkbox', { name: /Spray broad-leaved weeds done/ }),
  ).toHaveAttribute('aria-checked', 'true')
  expect((await diaryOf(page, id))[0]!.product).toBe('Meadow Clear 3')
  // Nor by the back door.
  const refused = await page.request.post(at('demo', `/api/jobs/${id}/diary`), {
    data: { id: 'no-product-1', date: '2027-02-22', step: 'spray/z1', what: 'Spray' },
  })
  expect(refused.status()).toBe(400)
  expect(await refused.text()).toContain('names its product')
})
