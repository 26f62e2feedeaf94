import { expect, field, openJob, saved, SITE, test, ZONE } from './juvena.ts'

test.use({ firms: { file: 'order', names: ['demo'] } })

const lanes = '[aria-label="Work by its season"]'
const visits = '[aria-label="Visits"]'

test('a piece of work is dragged by mouse and moved by the keys: what it costs and what else moves is told, and undone', async ({
  page,
}) => {
  await openJob(page, { site: SITE, zones: [ZONE] }, 'order')
  const piece = page.locator(lanes).getByRole('slider', { name: /Day of sow/ })
  const sowOn = async () => /(\w+ \d+ \w+): Sow/.exec((await piece.getAttribute('title'))!)![1]!
  const first = await sowOn()
  await expect(piece).toHaveAttribute('aria-valuetext', /worth \d+ of 100/)

  const box = (await piece.boundingBox())!
  const lane = (await piece.locator('..').boundingBox())!
  const y = box.y + box.height / 2
  await page.mouse.move(box.x + 15, y)
  await page.mouse.down()
  // A column is a week.
  await page.mouse.move(box.x + 15 + lane.width / 14, y, { steps: 5 })
  await expect(page.locator('.bubble')).toContainText(/about \d+ of 100, [−+±]\d+/)
  await page.mouse.up()
  const told = page.getByRole('status').filter({ hasText: 'moved from' })
  await expect(told).toContainText(`moved from ${first} to`)
  await expect(told).toContainText(/The plan is worth/)
  await expect(told).toContainText(/Also moved: .*→/)
  const dragged = await sowOn()
  expect(dragged).not.toBe(first)
  await saved(page)
  await told.getByRole('button', { name: 'undo this move' }).click()
  await expect.poll(sowOn).toBe(first)
  await expect(told).toHaveCount(0)

  await piece.focus()
  await page.keyboard.press('PageUp')
  await expect.poll(sowOn).not.toBe(first)
  await page.keyboard.press('ArrowRight')
  await expect(told).toContainText(`moved from ${first} to`)
  await page.keyboard.press('Enter')
  await expect(page.getByRole('row', { name: /Sow, crossed/ })).toBeInViewport()
  await expect(page.getByRole('row', { name: /Sow, crossed/ })).toContainText('pinned')
  await saved(page)
})

test('heads are clipped and pests treated when they are due, while the sowing of the other ground waits for neither', async ({
  page,
}) => {
  const heads = { ...ZONE, seedHeads: true, weedsSeen: ['annual-meadow-grass'] }
  const pests = {
    ...ZONE,
    id: 'z2',
    name: 'Far end',
    pests: [{ kind: 'larvae', active: true, peak: '2027-02-20' }],
  }
  await openJob(page, { site: SITE, zones: [heads, pests] }, 'order')
  const lane = (text: RegExp) => page.locator(lanes).getByRole('listitem').filter({ hasText: text })
  await expect(lane(/Clip and bag/)).toContainText('due, it waits for nothing else')
  await expect(lane(/Clip and bag/)).toContainText(/2[2-4] Feb/)
  await expect(lane(/Deal with the pests/)).toContainText(/Far end.*so long after the flight/)
  // The sound ground is sown before the treated one.
  const title = async (name: RegExp) =>
    (await lane(name).getByRole('slider').first().getAttribute('title'))!
  await expect(lane(/Sow.*Back lawn/).first()).toBeVisible()
  expect(await title(/Sow.*Back lawn/)).toContain('Sow')
  await expect(page.locator(visits).getByRole('listitem').first()).toContainText(/clip|heads/)
})

test('a warm lawn’s spring is four dated visits, its hard cut weeks before blades and cores', async ({
  page,
}) => {
  const warm = {
    ...ZONE,
    present: ['bermudagrass'],
    cover: { wanted: 88, weeds: 8, moss: 0, bare: 4 },
    thatch: '22 mm',
    penetration: 'stops',
    sunHours: '8 h',
    heightOfCut: '25 mm',
    sowing: 'none',
    weedsSeen: ['crabgrass'],
    operations: { 'pre-emergence': { on: true } },
  }
  const site = { latitude: 33.5, longitude: 10, frost: '10 Nov' }
  await openJob(page, { site, watering: 'sure', zones: [warm] }, 'order')
  const days = new Map<string, string>()
  for (const name of [/Pre-emergence/, /Cut hard in spring/, /Work without seed/]) {
    const item = page.locator(lanes).getByRole('listitem').filter({ hasText: name }).first()
    const says = (await item.locator('.why').textContent())!
    days.set(String(name), /\d+ \w{3}/.exec(says)![0])
  }
  expect(new Set(days.values()).size).toBe(3)
  const cards = page.locator(visits).getByRole('listitem')
  expect(await cards.count()).toBeGreaterThanOrEqual(4)
  await expect(page.getByRole('row', { name: /Put down a pre-emergence/ })).toContainText(
    'half the dose of the label',
  )
  await expect(page.getByRole('row', { name: /other half of the pre-emergence/ })).toBeVisible()
  // No station is near: the guess is told on the crew’s page.
  await page.getByRole('link', { name: 'Print sheets' }).click()
  await expect(page.locator('.sheets')).toContainText('The climate here is a rough guess.')
})

test('a visit is ticked with its count, and takes the branch: sown again under 70 %, handed over from there', async ({
  page,
}) => {
  await openJob(page, { site: SITE, zones: [ZONE] }, 'order')
  const row = page.getByRole('row', { name: /One-month visit/ })
  await expect(row).toContainText(/under 70 %: sow thin places again/)
  await expect(page.getByRole('row', { name: /Sow thin places again/ })).toHaveCount(0)
  const tick = async (cover: string) => {
    await page.getByRole('button', { name: /8 Diary/ }).click()
    await page.getByRole('checkbox', { name: 'One-month visit done' }).click()
    await page.getByRole('button', { name: 'Done', exact: true }).click()
    await expect(page.getByRole('alert')).toContainText('Enter the cover that was counted')
    await field(page, 'Under wanted grass, %').fill(cover)
    await page.getByRole('button', { name: 'Done', exact: true }).click()
    await expect(page.getByRole('checkbox', { name: 'One-month visit done' })).toBeChecked()
    await page.getByRole('button', { name: /6 Order of work/ }).click()
  }
  await tick('55')
  await expect(page.getByRole('row', { name: /^.*Sow thin places again/ }).first()).toBeVisible()
  await expect(row.locator('.taken')).toContainText('under 70 %')
  // Struck out and counted anew, it goes the other way.
  await page.getByRole('button', { name: /8 Diary/ }).click()
  await page.getByRole('checkbox', { name: 'One-month visit done' }).click()
  await expect(page.getByRole('checkbox', { name: 'One-month visit done' })).not.toBeChecked()
  await tick('85 %')
  await expect(row.locator('.taken')).toContainText('hand over')
  await expect(page.locator(lanes)).not.toContainText('sow again')
})

test('a green is cored in its own season, with its aftercare told on the order, the water and the sheets', async ({
  page,
}) => {
  const green = {
    ...ZONE,
    cover: { wanted: 94, weeds: 4, moss: 2, bare: 0 },
    thatch: '8 mm',
    texture: 'sand',
    heightOfCut: '5 mm',
    mower: 'reel',
    present: ['browntop'],
    lab: { organic: 5 },
    precipitation: '12 mm/h',
  }
  await openJob(page, { site: SITE, watering: 'sure', zones: [green] }, 'order')
  await expect(page.getByRole('row', { name: /Hollow-tine/ })).toContainText(/\d+ (Feb|Mar)/)
  await expect(page.getByRole('row', { name: /Look at the holes/ })).toContainText(
    /Do larvae feed round the holes\?.*yes: treat them.*no: leave it/,
  )
  await page.getByRole('button', { name: /7 Water/ }).click()
  const row = page.getByRole('row', { name: /look daily until/ })
  await expect(row).toContainText(/8 mm.*min.*1,600 L/)
  await page.getByRole('link', { name: 'Print sheets' }).click()
  const sheets = page.locator('.sheets')
  await expect(sheets).toContainText(/Then look at it daily until/)
  await expect(sheets).toContainText('Do larvae feed round the holes?')
})
