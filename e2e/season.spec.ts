import { at, expect, field, go, openJob, saved, SITE, test, ZONE } from './juvena.ts'

test.use({ firms: { file: 'season', names: ['demo'] } })

test('the season: rows with windows, pieces that lead to the days, hours over the crew’s flagged', async ({
  page,
}) => {
  await page.goto(at('demo'))
  await expect(page.getByRole('heading', { name: 'The next 24 days' })).toBeVisible()
  const row = page.getByRole('listitem').filter({ hasText: 'Lakeside guesthouse' })
  await expect(
    row.getByRole('img', {
      name: /Lakeside guesthouse.*sow, its season: rye open Mon 22 Feb to .*Last day Sun 14 Mar/,
    }),
  ).toBeVisible()
  // A day reached with the arrow keys says what it is and why.
  await row.getByRole('slider').focus()
  await page.keyboard.press('ArrowRight')
  await expect(row.getByText('Tue 23 Feb: open. Soil and season are right.')).toBeVisible()
  // Work that is due has a lane of its own beside the season of the sowing.
  await expect(row.getByText('done when it is due, Hedge strip')).toBeVisible()
  const pieces = row.locator('.piece')
  expect(await pieces.count()).toBeGreaterThan(4)
  await expect(
    page.getByRole('link', { name: /hours of work, the crew has/ }).first(),
  ).toBeVisible()
  await expect(page.getByText('That day says what can wait.')).toBeVisible()
  await expect(page.getByText('does not fit: overseed instead, or hold over')).toBeVisible()
  await pieces.last().click()
  await expect(page.getByRole('heading', { name: 'Order of work', level: 2 })).toBeVisible()
  await page.getByRole('button', { name: 'soil and window chart' }).click()
  await expect(page.getByText(/Soil at 50 mm: 17.4 °C today/)).toBeVisible()
  await expect(page.locator('canvas')).toBeVisible()
})

test('a new job takes its place and season from the last one at a press', async ({ page }) => {
  await openJob(page, { zones: [{ ...ZONE }] }, 'walk-over?part=site')
  await page.getByRole('button', { name: /Take place and season from/ }).click()
  await expect(field(page, /First −2 °C night/)).not.toHaveValue('')
  await saved(page)
  await page.getByRole('button', { name: /6 Order of work/ }).click()
  await expect(page.getByText('The last day to sow is a guess.')).toHaveCount(0)
})

test('without a frost date the plan says that its last day is a guess', async ({ page }) => {
  await openJob(page, { site: { latitude: -44 }, zones: [ZONE] }, 'order')
  await expect(page.getByText('The last day to sow is a guess.')).toBeVisible()
  await expect(page.getByRole('button', { name: /1 Walk-over/ })).toContainText('frost date wanted')
})

test('the job file can be exported from the customer’s page', async ({ page }) => {
  const id = await openJob(
    page,
    { name: 'To export', site: SITE, zones: [ZONE] },
    'walk-over?part=customer',
  )
  const download = page.waitForEvent('download')
  await page.getByRole('link', { name: 'Export the job file' }).click()
  const file = await download
  expect(file.suggestedFilename()).toBe('To-export.juvena.json')
  const answer = (await (await page.request.get(at('demo', `/api/jobs/${id}/file`))).json()) as {
    format: string
    job: { name: string }
  }
  expect([answer.format, answer.job.name]).toEqual(['juvena-job', 'To export'])
})

test('finding: a figure by its name opens its working; a grass opens the table', async ({
  page,
}) => {
  await openJob(page, { site: SITE, zones: [ZONE] }, 'seed')
  await expect(page.getByText('What is there leads: rye.')).toBeVisible()
  await page.keyboard.press('/')
  await page.getByLabel(/Find a page/).fill('each of two passes')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('complementary', { name: 'Working' })).toContainText(
    'Two passes at right angles',
  )
  await page.keyboard.press('/')
  await page.getByLabel(/Find a page/).fill('grass zoysia')
  await page.keyboard.press('Enter')
  await expect(page.locator('tr.asked')).toContainText('zoysia')
  await page.goto(at('demo', '/yard/rules'))
  await page.getByLabel('Search rules and numbers').fill('cool-season')
  await expect(
    page
      .getByRole('region', { name: 'Rules' })
      .getByText(/Cool-season sowing ends 42 days before killing frost/),
  ).toBeVisible()
})

test('a number of the trade is changed in the rule book, reaches the plan, and goes back', async ({
  page,
}) => {
  await openJob(page, { site: SITE, zones: [ZONE] })
  await saved(page)
  const job = page.url()
  await go(page, '/yard/rules')
  await page
    .getByRole('textbox', { name: 'Search rules and numbers' })
    .fill('Match with what is there')
  const number = page.getByRole('textbox', { name: 'Match with what is there counts' })
  await page
    .getByRole('region', { name: 'Rules' })
    .getByRole('button', { name: /^How a grass fits the ground/ })
    .click()
  await number.fill('99')
  await number.press('Enter')
  await expect(page.getByText(/is outside 0 to 10/)).toBeVisible()
  await expect(number).toHaveValue('99')
  await number.fill('7')
  const kept = page.waitForResponse(
    (r) => r.url().endsWith('/api/firm') && r.request().method() === 'PUT' && r.ok(),
  )
  await number.press('Enter')
  await expect(page.getByText('Juvena’s is 3')).toBeVisible()
  await kept
  await go(page, job.replace(/\/walk-over.*/, '/seed?figure=zone:z1.seed.fit.perennial-ryegrass'))
  await expect(page.getByRole('complementary', { name: 'Working' })).toContainText('(3, 7,')
  await go(page, '/yard/rules')
  await page.getByRole('button', { name: /^yours, 1/ }).click()
  await page
    .getByRole('region', { name: 'Rules' })
    .getByRole('listitem')
    .getByRole('button')
    .first()
    .click()
  await page.getByRole('button', { name: /Take Juvena’s number again/ }).click()
  await expect(page.getByRole('button', { name: /^yours, 0/ })).toBeVisible()
})

test('ordinary words find pages, stages and things to do; letters typed while it opens are kept', async ({
  page,
}) => {
  await openJob(page, { site: SITE, zones: [ZONE] }, 'seed')
  await expect(page.getByText('What is there leads: rye.')).toBeVisible()
  await page.keyboard.press('/')
  await page.keyboard.type('print')
  await expect(page.getByLabel(/Find a page/)).toHaveValue('print')
  await page.keyboard.press('Enter')
  await expect(page).toHaveURL(/\/sheets$/)
  await page.goBack()
  await page.reload()
  await expect(page.getByText('What is there leads: rye.')).toBeVisible()
  // Enter too, before anything has opened.
  for (const key of '/print') await page.keyboard.press(key)
  await page.keyboard.press('Enter')
  await expect(page).toHaveURL(/\/sheets$/)
  await page.goBack()
  await page.keyboard.press('/')
  await page.getByLabel(/Find a page/).fill('cores')
  await expect(page.getByRole('dialog').getByRole('listitem').first()).toContainText('Approach')
  await page.getByLabel(/Find a page/).fill('frost')
  await expect(page.getByRole('dialog').getByRole('listitem').first()).toContainText('frost')
})

test('a job archived by mistake is restored on the spot; the weeks are moved and the place keeps them', async ({
  page,
}) => {
  const id = await openJob(page, { name: 'Oops', site: SITE, zones: [ZONE] }, 'seed')
  await go(page, '/')
  await page.getByRole('button', { name: 'Archive Oops' }).focus()
  await page.keyboard.press('Enter')
  await expect(page.getByText('“Oops” is archived.')).toBeVisible()
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(page.getByRole('link', { name: 'Oops' })).toBeVisible()
  await page.getByRole('button', { name: 'Two weeks later' }).click()
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('8 Mar to 31 Mar 2027')
  await page.reload()
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('8 Mar to 31 Mar 2027')
  await page.getByRole('button', { name: 'Today', exact: true }).click()
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('The next 24 days')
  expect(id).toBeTruthy()
})

test('digits among other keys are no stages: a half-typed entry stays where it is', async ({
  page,
}) => {
  await openJob(page, { site: SITE, zones: [ZONE] }, 'seed')
  await expect(page.getByText('What is there leads: rye.')).toBeVisible()
  await page.evaluate(() => (document.activeElement as HTMLElement | null)?.blur())
  await page.keyboard.type('12,5')
  await page.waitForTimeout(400)
  await expect(page).toHaveURL(/\/seed$/)
  await page.waitForTimeout(600)
  await page.keyboard.press('5')
  await expect(page).toHaveURL(/\/materials$/)
})
