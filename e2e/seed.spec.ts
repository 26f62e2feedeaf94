import {
  at,
  expect,
  field,
  go,
  openJob,
  saved,
  SITE,
  tabTo,
  test,
  working,
  ZONE,
} from './juvena.ts'

test.use({ firms: { file: 'seed', names: ['demo', 'blank'] } })

const bare = { cover: { wanted: 2, weeds: 8, moss: 0, bare: 90 }, present: [] }
const STRIP = {
  ...ZONE,
  ...bare,
  id: 'strip',
  name: 'Shady strip',
  area: '40 m²',
  sunHours: '3.4 h',
  wear: 'low',
}
const PLAY = {
  ...ZONE,
  ...bare,
  id: 'play',
  name: 'Play lawn',
  area: '300 m²',
  sunHours: '8 h',
  wear: 'high',
}

test('a shady strip and a play lawn: two mixes and one for both; a label typed by keyboard, a paper test, the shelf, the crew sheet', async ({
  page,
}) => {
  // The label, without the mouse.
  await page.goto(at('demo', '/yard/stock'))
  const add = page.getByRole('button', { name: 'Add a lot' })
  await tabTo(page, add)
  await page.keyboard.press('Enter')
  await expect(page.getByRole('textbox', { name: 'Lot number' })).toBeFocused()
  const type = async (text: string) => {
    await page.keyboard.type(text)
    await page.keyboard.press('Tab')
  }
  await type('27-900')
  await type('Brackenfield Seeds')
  await page.keyboard.press('Tab') // the grass stands on ryegrass
  await type('Tarn Green')
  await type('98')
  await type('104')
  await expect(page.getByText(/outside 1 % to 100 %/)).toBeVisible()
  await field(page, 'Germination').fill('88')
  await field(page, 'Inert').fill('2')
  await expect(page.getByText('Adds up to 100 %.')).toBeVisible()
  await field(page, 'Tested on').fill('1 Nov 2026')
  await field(page, 'Received now').fill('40 kg')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('heading', { name: 'Lot 27-900' })).toBeVisible()
  await expect(page.getByText('Use it.')).toBeVisible()

  // Two zones, two mixes, and one for both.
  const id = await openJob(page, { site: SITE, waterer: 'someone', zones: [STRIP, PLAY] }, 'seed')
  const zone = (name: RegExp) => page.getByRole('button', { name })
  await expect(zone(/^Shady strip red fescue/)).toBeVisible()
  await expect(zone(/^Play lawn rye/)).toBeVisible()
  const one = page.locator('.one')
  await expect(one).toContainText(/Play lawn gives up \d+ of 100 points/)
  await expect(one).toContainText('rye, which does not suit Shady strip')

  // The play lawn is sown from that lot; a paper test lowers it, and the seed to weigh out follows.
  await zone(/^Play lawn/).click()
  const lot = page.locator('.lot').filter({ has: page.locator('b', { hasText: /^rye$/ }) })
  await lot.getByRole('combobox', { name: 'From the shelf' }).press('Enter')
  await page.getByRole('option', { name: /^27-900, 88 %/ }).click()
  await expect(lot.getByText(/wanted, 0 kg reserved/)).toBeVisible()
  await lot.getByRole('button', { name: 'Reserve what is wanted' }).click()
  await expect(lot.getByText(/reserved for this job/)).toBeVisible()
  await saved(page)
  const kg = page
    .getByRole('button', { name: /^Seed: / })
    .first()
    .locator('.number')
  const before = Number(await kg.textContent())
  const rate = page.getByRole('button', { name: /^Pure live seed of the mix/ }).first()
  await lot.getByRole('link', { name: 'the lot' }).click()
  await field(page, 'Laid out on').fill('1 Feb 2027')
  await field(page, 'Seeds').fill('100')
  await field(page, 'Up, last count').fill('66')
  await page.getByRole('button', { name: 'Save', exact: true }).click()
  await expect(page.getByText(/Counted: 66 %/)).toBeVisible()
  await expect(page.getByText('Use more of it.')).toBeVisible()
  await go(page, `/jobs/${id}/seed`)
  await zone(/^Play lawn/).click()
  await expect.poll(async () => Number(await kg.textContent())).toBeGreaterThan(before * 1.15)
  await rate.click()
  await expect(working(page)).toContainText('Each grass by its share of the weight')

  // Sown: the diary takes it off the shelf, and the crew sheet has the pans.
  await go(page, `/jobs/${id}/diary`)
  await page
    .getByRole('checkbox', { name: /^Sow.* done/ })
    .first()
    .click()
  await expect(page.getByRole('checkbox', { name: /^Sow.* done/ }).first()).toBeChecked()
  await go(page, '/yard/stock')
  const row = page.getByRole('row', { name: /27-900/ })
  await expect(row).not.toContainText('40 kg')
  await row.getByRole('button', { name: '27-900' }).click()
  await expect(page.locator('.history')).toContainText('used')
  await expect(page.locator('.history')).toContainText('play')
  await go(page, `/jobs/${id}/sheets`)
  const pans = page.locator('table.pans')
  await expect(pans.getByRole('row', { name: /Play lawn/ })).toContainText('lot 27-900')
})

test('lots are imported, the wrong lines named; a lot below zero says so', async ({ page }) => {
  await page.goto(at('blank', '/yard/stock'))
  await expect(page.getByText('No seed is on the shelf')).toBeVisible()
  await page.getByRole('button', { name: 'Import lots' }).click()
  const lines = Array.from(
    { length: 30 },
    (_, i) => `27-${i},rye,Tarn,${i === 7 ? 104 : 98},88,2,2026-10-01,${5 + i} kg`,
  )
  await page
    .getByRole('textbox', { name: 'Paste the table' })
    .fill(['lot,grass,cultivar,purity,germination,inert,tested,kg', ...lines].join('\n'))
  await expect(page.getByText('29 lots understood, 1 line left out.')).toBeVisible()
  await expect(page.getByText(/^Line 9: /)).toBeVisible()
  await page.getByRole('button', { name: 'Add 29 to the shelf' }).click()
  await expect(page.getByText('29 lots, 573 kg')).toBeVisible()
  await page.getByRole('button', { name: '27-0', exact: true }).click()
  await page.getByRole('combobox', { name: 'What' }).press('Enter')
  await page.getByRole('option', { name: 'used' }).click()
  await field(page, 'Weight').fill('9 kg')
  await page.getByRole('button', { name: 'Enter', exact: true }).click()
  await expect(page.getByText(/4 kg more had gone out than came in/)).toBeVisible()
  await expect(page.getByRole('row', { name: /27-0 / })).toContainText('below zero')
})

test('a grass is changed in the Yard and the plan follows; a cultivar is added and sown', async ({
  page,
}) => {
  await openJob(
    page,
    {
      site: SITE,
      zones: [{ ...ZONE, ...bare, mix: [{ grass: 'perennial-ryegrass', share: 100 }] }],
    },
    'seed',
  )
  const rate = page
    .getByRole('button', { name: /^Rate for this ground/ })
    .first()
    .locator('.number')
  await expect(rate).toHaveText('35')
  await saved(page)
  const job = page.url()
  await go(page, '/yard/grasses?grass=perennial-ryegrass')
  const kept = () =>
    page.waitForResponse(
      (r) => r.url().endsWith('/api/firm') && r.request().method() === 'PUT' && r.ok(),
    )
  const first = kept()
  await field(page, 'New, from').fill('20')
  await field(page, 'New, to').fill('30')
  await first
  await expect(page.getByRole('row', { name: /perennial ryegrass changed/ })).toContainText('20–30')
  await go(page, job)
  await expect(rate).toHaveText('25')
  await go(page, '/yard/grasses?grass=perennial-ryegrass')
  const back = kept()
  await page.getByRole('button', { name: 'Back to Juvena’s values' }).click()
  await back
  await page.getByRole('button', { name: 'Add a grass of your own' }).click()
  await field(page, 'Name').fill('Ridge rye')
  const added = kept()
  await page.getByRole('button', { name: 'Add it' }).click()
  await added
  await go(page, job)
  await expect(rate).toHaveText('35')
  await page.getByRole('combobox', { name: 'Add a grass' }).press('Enter')
  await page.getByRole('option', { name: 'Ridge rye' }).click()
  await expect(page.locator('.mix')).toContainText('Ridge rye')
})
