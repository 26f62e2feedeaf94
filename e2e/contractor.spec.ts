import { at, expect, field, go, openJob, saved, SITE, test, working, ZONE } from './juvena.ts'

test.use({ firms: { file: 'contractor', names: ['demo'] } })

test('a mix of one’s own: the slider keeps 100 %, it is judged beside Juvena’s, and the way back is there', async ({
  page,
}) => {
  await openJob(
    page,
    {
      site: SITE,
      zones: [{ ...ZONE, cover: { wanted: 5, weeds: 5, moss: 0, bare: 90 }, present: [] }],
    },
    'seed',
  )
  const kg = page.getByRole('button', { name: /^Seed: / }).first()
  const before = await kg.locator('.number').textContent()
  const sliders = page.getByRole('slider')
  await expect(sliders).toHaveCount(2)
  await sliders.first().fill('30')
  const shares = async () =>
    (await page.locator('.slide output').allTextContents()).map((t) => parseInt(t))
  await expect.poll(shares).toEqual([30, 70])
  await expect(
    page.getByText(/Your mix (falls \d+ of 100 points behind|is as good as) Juvena’s/),
  ).toBeVisible()
  await expect(kg.locator('.number')).not.toHaveText(before!)
  await page.getByRole('button', { name: 'Leave out', exact: false }).last().click()
  await expect.poll(shares).toEqual([100])
  await page.getByRole('button', { name: 'back to Juvena’s' }).click()
  await expect(kg.locator('.number')).toHaveText(before!)
  await expect(page.getByRole('img', { name: /What will stand: \d+ of 100 plants/ })).toBeVisible()
})

test('a label read changes the bag rate, and the working says what it stands on', async ({
  page,
}) => {
  await openJob(page, { site: SITE, zones: [ZONE] }, 'seed')
  const rate = page.getByRole('button', { name: /^Bag rate/ }).first()
  await rate.click()
  await expect(working(page)).toContainText('assumed, not read')
  await field(page, 'Germination').fill('45 %')
  await expect(working(page)).toContainText('Pure live seed of the mix')
  await working(page)
    .getByRole('button', { name: /Pure live seed of the mix/ })
    .click()
  await working(page)
    .getByRole('button', { name: /Pure live seed, rye/ })
    .click()
  await working(page)
    .getByRole('button', { name: /Germination/ })
    .click()
  await expect(working(page)).toContainText('45 %')
  await working(page).getByRole('button', { name: 'back' }).click()
  await expect(working(page)).toContainText('Pure live seed is purity times germination')
})

test('history: a combined feed keeps seed out until its wait is over, and the label wins', async ({
  page,
}) => {
  await openJob(page, { site: SITE, zones: [ZONE] }, 'walk-over?part=history')
  await page.getByRole('button', { name: 'Add a treatment' }).click()
  await page.getByRole('combobox', { name: 'What' }).press('Enter')
  await page.getByRole('option', { name: 'combined feed and weedkiller' }).click()
  await field(page, 'On').fill('10 Feb')
  await expect(page.getByRole('button', { name: /Seed is safe from/ })).toContainText('Wed 10 Mar')
  await field(page, /Label’s wait/).fill('2 weeks')
  await expect(page.getByRole('button', { name: /Seed is safe from/ })).toContainText('Wed 24 Feb')
  await page.getByRole('button', { name: 'remove' }).click()
  await expect(page.getByText('Nothing is known to have been put down')).toBeVisible()
})

test('a pin is kept, flagged where it breaks the order, and lets go', async ({ page }) => {
  await openJob(page, { site: SITE, zones: [ZONE] }, 'order')
  await page.getByRole('button', { name: 'Pin Sow, crossed' }).click()
  await field(page, 'Day').fill('23 Feb')
  // One day's notice is enough when what is only better is given up: it is said by name.
  await expect(working(page)).toContainText('cutting down over several days')
  await field(page, 'Day').fill('20 Feb')
  await expect(working(page)).toContainText('your pin does not agree')
  await field(page, 'Day').fill('4 Mar')
  await expect(working(page)).not.toContainText('your pin does not agree')
  await expect(page.locator('tr.sow')).toContainText('Thu 4 Mar')
  await expect(page.locator('tr.sow')).toContainText('pinned')
  // The keys pass weekends, on which the firm does not work; a Saturday may be typed, and seed and
  // water stay together.
  await page.getByRole('slider', { name: 'Day of Sow, crossed' }).press('ArrowRight')
  await expect(page.locator('tr.sow')).toContainText('Fri 5 Mar')
  await page.getByRole('slider', { name: 'Day of Sow, crossed' }).press('ArrowRight')
  await expect(page.locator('tr.sow')).toContainText('Mon 8 Mar')
  await field(page, 'Day').fill('6 Mar')
  await expect(page.locator('tr.sow')).toContainText('Sat 6 Mar')
  await expect(page.getByRole('row', { name: /Watering begins/ })).toContainText('Sat 6 Mar')
  await page.getByRole('button', { name: 'unpin' }).click()
  await expect(page.locator('tr.sow')).not.toContainText('pinned')
})

test('the brackets go from job to job, keeping the stage; letters do nothing in a field or when switched off', async ({
  page,
}) => {
  await page.goto(at('demo', '/jobs/quad/water'))
  await expect(page.getByRole('heading', { name: 'School quad' })).toBeVisible()
  await page.keyboard.press(']')
  await expect(page).not.toHaveURL(/quad/)
  await expect(page.getByRole('heading', { name: 'Water', level: 2 })).toBeVisible()
  await page.keyboard.press('[')
  await expect(page.getByRole('heading', { name: 'School quad' })).toBeVisible()
  await page.goto(at('demo', '/jobs/quad/walk-over'))
  await field(page, 'Name').focus()
  await page.keyboard.type('57u')
  await expect(page).toHaveURL(/walk-over/)
  await page.goto(at('demo', '/yard'))
  await page.getByRole('switch', { name: 'Single-letter keys' }).press('Space')
  await expect(page.getByText('saved', { exact: true })).toBeVisible()
  await page.goto(at('demo', '/jobs/quad/walk-over'))
  // What was typed just before leaving is there, and is no other window's.
  await expect(field(page, 'Name')).toHaveValue('Open side57u')
  await saved(page)
  await page.keyboard.press('5')
  await expect(page).toHaveURL(/walk-over/)
  await page.goto(at('demo', '/yard'))
  await page.getByRole('switch', { name: 'Single-letter keys' }).press('Space')
  await expect(page.getByText('saved', { exact: true })).toBeVisible()
})

test('the firm’s words and units reach every screen', async ({ page }) => {
  const id = await openJob(page, { site: SITE, zones: [ZONE] }, 'order')
  await expect(page.getByText('Hollow-tine', { exact: true })).toBeVisible()
  await go(page, '/yard')
  await page.getByText('verticut, core aerate').click()
  await page.getByText('US customary').click()
  await expect(page.getByText('saved', { exact: true })).toBeVisible()
  await go(page, `/jobs/${id}/order`)
  await expect(page.getByText('Core aerate', { exact: true })).toBeVisible()
  await go(page, `/jobs/${id}/findings`)
  await expect(page.getByText('Verticut, and before any seed.').first()).toBeVisible()
  await expect(page.getByText('0.59 in > 0.47 in')).toBeVisible()
  await go(page, '/yard')
  await page.getByText('scarify, hollow-tine').click()
  await page.getByText('metric', { exact: true }).click()
  await expect(page.getByText('saved', { exact: true })).toBeVisible()
})

test('the sheets print what the screens say, and each number leads to its working', async ({
  page,
}) => {
  const id = await openJob(
    page,
    { site: SITE, zones: [ZONE], waterer: 'Sam', notes: 'Gate code 12' },
    'seed',
  )
  const kg = (await page
    .getByRole('button', { name: /^Seed: [\d.]+ kg/ })
    .first()
    .locator('.number')
    .textContent())!
  await go(page, `/jobs/${id}/sheets?workings=yes`)
  await expect(page.getByText('Gate code 12')).toBeVisible()
  await expect(page.getByText('Sam', { exact: true })).toBeVisible()
  const cell = page.locator('td', { hasText: `${kg} kg` }).first()
  const note = await cell.locator('sup').first().textContent()
  // The note has the figure in full; shown for the hand it is the same.
  const full = await page
    .locator('.notes li')
    .filter({ has: page.locator('.i', { hasText: new RegExp(`^${note}$`) }) })
    .textContent()
  const inFull = Number(/Seed, Back lawn: ([\d.]+) kg/.exec(full!)![1])
  expect(inFull.toFixed(kg.split('.')[1]?.length ?? 0)).toBe(kg)
  // Every note is spoken of exactly once.
  const numbers = await page.locator('.notes .i').allTextContents()
  expect(new Set(numbers).size).toBe(numbers.length)
})

test('on a phone: the spine lies down, a step is ticked with a thumb, the field theme holds', async ({
  page,
}) => {
  await page.setViewportSize({ width: 390, height: 844 })
  await openJob(page, { site: SITE, zones: [ZONE] }, 'diary')
  const tick = page.getByRole('checkbox', { name: 'Give notice done' })
  const box = (await tick.boundingBox())!
  expect(Math.min(box.width, box.height)).toBeGreaterThanOrEqual(40)
  await tick.click()
  await expect(tick).toBeChecked()
  await page.getByRole('button', { name: 'field', exact: true }).click()
  await page.reload()
  await expect(page.locator('html')).toHaveAttribute('data-theme', 'field')
  await page
    .getByRole('navigation', { name: 'Stages of the job' })
    .getByRole('button')
    .nth(4)
    .locator('.core')
    .click()
  await expect(page.getByRole('heading', { name: 'Materials', level: 2 })).toBeVisible()
  await page.getByRole('button', { name: /^Seed, to order/ }).click()
  await expect(working(page)).toBeInViewport()
})

test('a zone like another is made whole but for its size; taken out, undo brings it back', async ({
  page,
}) => {
  await openJob(page, { site: SITE, zones: [ZONE] })
  await page.getByRole('button', { name: 'Another zone like this' }).click()
  await expect(field(page, 'Name')).toHaveValue('Back lawn, second')
  await expect(field(page, 'Area')).toHaveValue('')
  await expect(field(page, 'Thatch')).toHaveValue('15 mm')
  await expect(page.getByRole('button', { name: /1 Walk-over/ })).toContainText('1 without size')
  await page.getByRole('button', { name: 'Delete this zone' }).click()
  await expect(page.getByRole('button', { name: 'Back lawn, second' })).toHaveCount(0)
  await page.getByRole('button', { name: 'Undo', exact: true }).click()
  await expect(page.getByRole('button', { name: /Back lawn, second/ })).toBeVisible()
  await saved(page)
})
