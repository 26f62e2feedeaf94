import { expect, field, openJob, SITE, saved, test, ZONE } from './juvena.ts'

test.use({ firms: { file: 'water', names: ['demo'] } })

test('cans typed, the watering that keeps the seed moist found and used, and printed for whoever waters', async ({
  page,
}) => {
  await openJob(page, { site: SITE, watering: 'sure', zones: [ZONE] }, 'walk-over?part=zones')
  await field(page, 'Cans caught').fill('5 6 4 5 7 three 6 4')
  await field(page, 'Cans caught').press('Tab')
  await expect(page.getByText('“three” is no catch')).toBeVisible()
  await field(page, 'Cans caught').fill('5 6 4 5 7 3 6 4 mm')
  await field(page, 'in minutes').fill('15')
  await expect(page.getByText('= 20 mm/h, DU 0.70, CU 80 %')).toBeVisible()
  // Nine of them by thumb, as they stood: where it falls, and how much of it is dry.
  await page.getByRole('button', { name: 'Tap in nine cans' }).click()
  const nine = [14, 12, 11, 9, 6, 4, 3, 5, 4]
  for (const [i, mm] of nine.entries())
    await page.getByLabel(`Row ${Math.floor(i / 3) + 1}, can ${(i % 3) + 1}`).fill(String(mm))
  await expect(field(page, 'Cans caught')).toHaveValue('14 12 11; 9 6 4; 3 5 4 mm')
  await expect(page.getByText(/^\d+ % of the ground gets under 60 % of the mean/)).toBeVisible()
  await field(page, 'Cans caught').fill('5 6 4 5 7 3 6 4 mm')
  await expect(page.getByText('= 20 mm/h, DU 0.70, CU 80 %')).toBeVisible()
  await saved(page)

  await page.getByRole('button', { name: /7 Water/ }).click()
  const beds = page.getByRole('region', { name: /Will it stay moist/ })
  await expect(beds.getByRole('row', { name: /^rain alone/ })).toBeVisible()
  await expect(beds.getByRole('row', { name: /^as planned, 2 mm each/ })).toContainText('100')
  await expect(beds.getByRole('img', { name: /In a usual year the top holds/ })).toBeVisible()
  const two = beds.getByRole('button', { name: /^Use 2 a day/ })
  await expect(two).toBeVisible()
  await two.click()
  const times = await field(page, 'Runs at').inputValue()
  expect(times).toMatch(/^\d\d:00, \d\d:00$/)
  await expect(page.getByText(`2 runs a day at ${times}.`)).toBeVisible()
  // The firm's own, as people write clock times; what is not understood is kept and said.
  await field(page, 'Runs at').fill('noonish')
  await field(page, 'Runs at').press('Tab')
  await expect(page.getByText('Times are written like')).toBeVisible()
  await field(page, 'Runs at').fill('at dawn')
  await field(page, 'Runs at').press('Tab')
  await expect(page.getByText('Times are written like')).toHaveCount(0)
  await field(page, 'Runs at').fill('6 am and 7pm')
  await field(page, 'Each lays down').fill('4 mm')
  await field(page, 'Each lays down').press('Tab')
  await expect(beds.getByRole('row', { name: /^as planned, 4 mm each 06:00, 19:00/ })).toBeVisible()
  await saved(page)
  await page.getByRole('link', { name: 'Print sheets' }).click()
  await expect(page.locator('.sheets')).toContainText('06:00, 19:00')
  await page.goBack()
  await page.getByRole('button', { name: /back to the school/ }).click()
  await expect(page.getByText('3 runs a day at 10:00, 13:00, 16:00.')).toBeVisible()
})
