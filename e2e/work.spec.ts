import { at, expect, field, openJob, saved, SITE, test, ZONE } from './juvena.ts'

test.use({ firms: { file: 'work', names: ['blank', 'demo'] } })

const FULL = { wanted: 94, weeds: 4, moss: 2, bare: 0 }

test('a lawn that is only scarified, from blank to sheet', async ({ page }) => {
  await page.goto(at('blank'))
  await field(page, 'New job').fill('Orchard end')
  await page.getByRole('button', { name: 'Start the walk-over' }).click()
  await page.getByRole('button', { name: 'Add the first zone', exact: true }).click()
  await field(page, 'Area').fill('320 m2')
  await field(page, 'Wanted grass').fill('94')
  await field(page, 'Weeds').fill('4')
  await field(page, 'Moss').fill('2')
  await field(page, 'Bare').fill('0')
  await field(page, 'Thatch').fill('20 mm')
  await page.getByText('in easily').click()
  await page.getByText('moist', { exact: true }).click()
  await field(page, 'Sun, growing weeks').fill('7')
  await page
    .getByRole('group', { name: 'Grass there now' })
    .last()
    .getByText('rye', { exact: true })
    .click()
  await page.getByRole('button', { name: /Site and season/ }).click()
  await field(page, /First −2 °C night/).fill('25 Apr')
  await field(page, 'Latitude').fill('-44.2')
  await saved(page)

  await page.getByRole('button', { name: /3 Approach/ }).click()
  await expect(page.getByRole('checkbox', { name: 'Scarify' })).toBeChecked()
  await expect(page.getByRole('checkbox', { name: 'Sow, crossed' })).toHaveCount(0)
  await expect(page.getByRole('button', { name: /^work without seed asked for/ })).toHaveAttribute(
    'aria-pressed',
    'true',
  )
  await page.getByRole('button', { name: /6 Order of work/ }).click()
  await expect(page.getByText('last day to open turf')).toBeVisible()
  await page.getByRole('button', { name: /5 Materials/ }).click()
  await expect(page.getByRole('row', { name: /^Feed 20-0-5/ })).toBeVisible()
  await page.getByRole('link', { name: 'Print sheets' }).click()
  const sheets = page.locator('.sheets')
  await expect(sheets).toContainText('Nothing is sown')
  await expect(sheets).toContainText('Dead matter is cut out')
  await expect(sheets).not.toContainText(/starter|with the seed|Seed goes down/i)
})

test('a putting green is cored, its cores carried off, and sand worked in', async ({ page }) => {
  const green = {
    ...ZONE,
    cover: FULL,
    thatch: '8 mm',
    penetration: 'easy',
    texture: 'sand',
    heightOfCut: '5 mm',
    mower: 'reel',
    present: ['browntop'],
    lab: { organic: 5 },
  }
  await openJob(page, { site: SITE, zones: [green] }, 'approach')
  for (const rung of ['Hollow-tine', 'Collect the cores', 'Sand into the holes'])
    await expect(page.getByRole('checkbox', { name: rung })).toBeChecked()
  await page.getByRole('button', { name: /5 Materials/ }).click()
  const sand = page.getByRole('row', { name: /Sand or sandy mix/ })
  const before = await sand.textContent()
  await page.getByRole('button', { name: /3 Approach/ }).click()
  await page.getByRole('button', { name: 'Hollow-tine' }).click()
  await field(page, 'Tine width').fill('5/8 in')
  await page.getByRole('button', { name: /5 Materials/ }).click()
  await expect(sand).not.toHaveText(before!)
  await expect(page.getByRole('row', { name: /Off: cores/ })).toBeVisible()
})

test('a bank is held over now and sown properly in its season, in the same job', async ({
  page,
}) => {
  const bank = {
    ...ZONE,
    cover: { wanted: 8, weeds: 12, moss: 0, bare: 80 },
    slope: '1 in 5',
    thatch: null,
  }
  await openJob(page, { site: SITE, zones: [bank] }, 'approach')
  await page.getByRole('button', { name: /^hold over/ }).click()
  await page.getByRole('button', { name: /6 Order of work/ }).click()
  await expect(page.getByRole('heading', { name: /hold over with a quick cover/ })).toBeVisible()
  await expect(
    page.getByRole('heading', { name: /the proper sowing, in its season/ }),
  ).toBeVisible()
  await expect(page.locator('tr.sow')).toHaveCount(2)
  await page.getByRole('button', { name: /5 Materials/ }).click()
  await expect(page.getByRole('row', { name: /Seed for the proper sowing/ })).toBeVisible()
})

test('two visits are asked for: what is only better is given up, by name', async ({ page }) => {
  await openJob(page, { site: SITE, zones: [ZONE] }, 'order')
  await expect(page.getByText(/· 4 visits/)).toBeVisible()
  await field(page, 'Visits wanted').fill('2')
  await expect(page.getByText(/· 2 visits/)).toBeVisible()
  await expect(page.locator('.given')).toContainText('cutting down over several days')
  await field(page, 'Visits wanted').fill('400')
  await expect(page.locator('.visits')).toContainText('30')
  await expect(field(page, 'Visits wanted')).toHaveValue('400')
})

test('a rung that is dropped moves the hours at once, and stands on the crew sheet as not planned', async ({
  page,
}) => {
  await openJob(page, { site: SITE, zones: [ZONE] }, 'approach')
  const hours = page.getByRole('row', { name: /your hours/ })
  const before = await hours.textContent()
  await page.getByRole('checkbox', { name: 'Hollow-tine' }).click()
  await expect(hours).not.toHaveText(before!)
  await expect(page.getByRole('region', { name: 'Asked for, not planned' })).toContainText(
    'Hollow-tine: Your choice.',
  )
  await saved(page)
  await page.getByRole('link', { name: 'Print sheets' }).click()
  await expect(page.locator('.sheets')).toContainText('Asked for, not planned')
  await expect(page.locator('.sheets')).toContainText('Hollow-tine. Your choice.')
  await page.getByRole('link', { name: 'Back to the job' }).click()
  await page.getByRole('button', { name: /3 Approach/ }).click()
  await page.getByRole('button', { name: 'use what the findings ask' }).click()
  await expect(page.getByRole('checkbox', { name: 'Hollow-tine' })).toBeChecked()
})
