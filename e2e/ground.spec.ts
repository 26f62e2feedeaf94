import type { Page } from '@playwright/test'
import { expect, field, go, openJob, saved, SITE, test, ZONE } from './juvena.ts'

test.use({ firms: { file: 'ground', names: ['demo'] } })

/** Chooses from a list that opens. */
async function choose(page: Page, list: string, option: string) {
  const box = page.getByRole('combobox', { name: list })
  await box.scrollIntoViewIfNeeded()
  await box.click({ force: true })
  await page.getByRole('option', { name: option, exact: true }).click()
}
const lanes = '[aria-label="Work by its season"]'

test('a brown lawn is counted again before anything harms it, and the count decides what is done', async ({
  page,
}) => {
  const brown = {
    ...ZONE,
    penetration: 'easy',
    browned: 'unsure',
    cover: { wanted: 20, weeds: 10, moss: 0, bare: 70 },
  }
  const id = await openJob(page, { site: SITE, watering: 'sure', zones: [brown] }, 'order')
  const hold = page.getByText('nothing is cut, opened, killed or sown before it is counted again')
  await expect(hold.first()).toBeVisible()
  const lane = (text: RegExp) => page.locator(lanes).getByRole('listitem').filter({ hasText: text })
  await expect(lane(/Water a square/)).toContainText('due, it waits for nothing else')
  await expect(lane(/Rake straw out/)).toBeVisible()
  await expect(lane(/Count what is alive/)).toContainText(/under 30 %, it is dead/)
  await go(page, `/jobs/${id}/approach`)
  await expect(page.getByText('low cover alone means new ground')).toBeVisible()

  await go(page, `/jobs/${id}/diary`)
  await page.getByRole('checkbox', { name: 'Count what is alive done' }).click()
  await field(page, 'Under wanted grass, %').fill('68')
  await page.getByRole('button', { name: 'Done', exact: true }).click()
  await expect(page.getByRole('checkbox', { name: 'Count what is alive done' })).toBeChecked()
  await go(page, `/jobs/${id}/approach`)
  await expect(page.getByText('keep what is there and add to it')).toBeVisible()
  await go(page, `/jobs/${id}/order`)
  await expect(page.getByRole('row', { name: /Sow, crossed/ })).toBeVisible()
  await expect(hold).toHaveCount(0)
})

test('a sunken soakaway is filled under its own turf, its soil told once and as what it is', async ({
  page,
}) => {
  const sunk = {
    ...ZONE,
    penetration: 'easy',
    thatch: '6 mm',
    cover: { wanted: 95, weeds: 3, moss: 1, bare: 1 },
    lowsDepth: '60 mm',
    lowsShare: '10 %',
  }
  const id = await openJob(page, { site: SITE, aims: ['level'], zones: [sunk] }, 'materials')
  await expect(page.getByText('under turf that is laid back, firmed in layers')).toBeVisible()
  await expect(page.getByText('In thin lifts it would take')).toBeVisible()
  await go(page, `/jobs/${id}/order`)
  const row = page.getByRole('row', { name: /Lift the turf, fill, lay back/ })
  await expect(row).toBeVisible()
  await expect(page.getByRole('row', { name: /^Top dress/i })).toHaveCount(0)
  await go(page, `/jobs/${id}/sheets`)
  const sheets = page.locator('.sheets')
  await expect(sheets).toContainText('The turf over the hollows is lifted')
  await expect(sheets).not.toContainText('A thin layer of soil')
})

test('a warm grass that the owner wants goes into a standing cool lawn when it is warm', async ({
  page,
}) => {
  const fescue = {
    ...ZONE,
    penetration: 'easy',
    present: ['tall-fescue'],
    heightOfCut: '60 mm',
    sunHours: '9 h',
    cover: { wanted: 65, weeds: 10, moss: 0, bare: 25 },
  }
  const site = { latitude: 33.5, longitude: 10, frost: '10 Nov' }
  const id = await openJob(page, { site, watering: 'sure', zones: [fescue] })
  await choose(page, 'Grass the owner wants', 'bermuda')
  await saved(page)
  await go(page, `/jobs/${id}/approach`)
  await expect(page.getByText('bermuda is wanted: cut low, opened and sown')).toBeVisible()
  await expect(page.getByRole('button', { name: /renovate/i })).toBeVisible()
  await go(page, `/jobs/${id}/order`)
  await expect(page.getByRole('row', { name: /Sow, crossed/ })).toContainText(/May|Jun/)
  await expect(page.getByRole('row', { name: /Kill/ })).toHaveCount(0)
})

test('one patch of 5 m² in a lawn is worked by hand and watered by can, on one page', async ({
  page,
}) => {
  const lawn = {
    ...ZONE,
    id: 'z0',
    name: 'Main lawn',
    area: '300 m²',
    thatch: '6 mm',
    penetration: 'easy',
    cover: { wanted: 95, weeds: 3, moss: 0, bare: 2 },
  }
  const patch = {
    ...ZONE,
    name: 'Patch',
    area: '5 m²',
    thatch: '6 mm',
    penetration: 'easy',
    present: [],
    cover: { wanted: 5, weeds: 5, moss: 0, bare: 90 },
  }
  const job = { site: SITE, aims: ['mend-patch'], watering: 'sure', zones: [lawn, patch] }
  const id = await openJob(page, job, 'water')
  await expect(page.getByText('by can, rose or hose').first()).toBeVisible()
  await expect(page.getByText(/in \d+ parts/)).toHaveCount(0)
  await go(page, `/jobs/${id}/seed`)
  await expect(page.getByText('What is there leads').first()).toBeVisible()
  await go(page, `/jobs/${id}/sheets`)
  const crew = page.locator('.sheets')
  await expect(crew).toContainText('Cover the seed, by hand')
  for (const machine of ['Scarify', 'Hollow-tine', 'Grade'])
    await expect(crew.getByText(machine, { exact: true })).toHaveCount(0)
})

test('a bank held over is sown twice, each grass at its own rate', async ({ page }) => {
  const bank = {
    ...ZONE,
    slope: '1 in 5',
    approach: 'hold-over',
    present: [],
    thatch: null,
    penetration: 'easy',
    cover: { wanted: 3, weeds: 5, moss: 0, bare: 92 },
    mix: [{ grass: 'creeping-red-fescue', share: 100 }],
  }
  const id = await openJob(page, { site: SITE, watering: 'sure', zones: [bank] }, 'seed')
  await expect(page.getByText('The quick cover, now')).toBeVisible()
  await choose(page, 'Quick cover', 'rye')
  await field(page, 'Rate of the cover').fill('30 g/m2')
  await field(page, 'Rate of the proper grass').fill('20 g/m2')
  await page.keyboard.press('Tab')
  await saved(page)
  await go(page, `/jobs/${id}/sheets`)
  const sheets = page.locator('.sheets')
  // 200 m² at 30 and at 20 g/m², in two pans each.
  await expect(sheets).toContainText('2 × 3 kg')
  await expect(sheets).toContainText('2 × 2 kg')
})
