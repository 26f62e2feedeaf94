import { readFileSync } from 'node:fs'
import sharp from 'sharp'
import { at, expect, field, go, saved, test } from './juvena.ts'

test.use({ firms: { file: 'take', names: ['demo'] } })

interface Entry {
  id: string
}
/** The made-up strip that came up thin, with a lot of the demo's shelf in it. */
const strip = () => {
  const file = JSON.parse(readFileSync(new URL('../examples/thin-strip.json', import.meta.url), 'utf8')) as { job: { lots: object[] }; diary: Entry[] } // prettier-ignore
  file.job.lots = [{ id: 'l1', grass: 'perennial-ryegrass', name: '25-061', stock: 'lot-25-061' }]
  return file
}

test('a thin corner counted on a phone, its cause found, sown again as a zone, the note and the claim printed', async ({
  page,
}) => {
  await page.setViewportSize({ width: 390, height: 844 })
  const made = await page.request.post(at('demo', '/api/job-files'), { data: strip() })
  const { id } = (await made.json()) as { id: string }
  await page.goto(at('demo', `/jobs/${id}/diary`))
  await page.getByRole('button', { name: 'It does not come up' }).click()
  await expect(page.getByRole('heading', { name: /What do you see/ })).toBeVisible()
  await expect(page.getByText(/watered on 10 of 19 days that were logged/)).toBeVisible()

  // Three frames, one of them mistyped first: what is wrong is said, what was typed stays.
  await field(page, 'Plants in each frame').fill('31, few, 40')
  await field(page, 'Plants in each frame').press('Tab')
  await expect(page.getByText('“few” is no count.')).toBeVisible()
  await expect(field(page, 'Plants in each frame')).toHaveValue('31, few, 40')
  await field(page, 'Plants in each frame').fill('31, 12, 40')
  await field(page, 'Frame, each side').fill('3 m')
  await page.getByRole('button', { name: 'Save the count' }).click()
  await expect(page.getByText('A frame is 20 mm to 1 m each side.')).toBeVisible()
  await field(page, 'Frame, each side').fill('10 cm')
  await page.getByRole('button', { name: 'Save the count' }).click()
  await expect(page.getByText(/% of the plants promised, \d+ to \d+; counted/)).toBeVisible()

  // Nobody can tell from one answer; the look that tells most is marked.
  await page.getByRole('button', { name: 'in patches' }).click()
  await expect(page.getByText('tells most now')).toBeVisible()
  await page.getByRole('button', { name: 'the sprinkler' }).click()
  await page.getByRole('button', { name: 'hard and dry' }).click()
  await expect(page.getByText(/^Part of it stays dry: \d+ %\./)).toBeVisible()
  await field(page, 'Of the zone is missing').fill('140')
  await expect(page.getByText('Between 1 and 100 % of the zone is missing.')).toBeVisible()
  await field(page, 'Of the zone is missing').fill('40')
  await expect(page.getByText(/^Sow 38 m² with .* on Wed 24 Feb, by Fri 12 Mar at the latest\.$/)).toBeVisible() // prettier-ignore
  // What is not saved yet outlives a reload.
  await page.reload()
  await expect(page.getByText(/^Part of it stays dry: \d+ %\./)).toBeVisible()
  await expect(field(page, 'Of the zone is missing')).toHaveValue('40 %')

  // Its water, from the row that keeps it: more days than there were are refused.
  await field(page, 'Watered on (days)').fill('9')
  await expect(page.getByText('Of 7 days no more than 7 were watered.')).toBeVisible()
  await field(page, 'Watered on (days)').fill('1')
  await page.getByRole('button', { name: 'Write it down' }).click()
  await expect(page.getByText('The water is in the diary.')).toBeVisible()

  await page.getByRole('button', { name: 'Save the visit' }).click()
  await expect(page.getByText('The visit is in the diary.')).toBeVisible()
  await page.getByRole('link', { name: 'Print the note' }).click()
  await expect(page.locator('.sheets')).toContainText('Where it was wet it stands')
  await expect(page.locator('.sheets')).toContainText('Sow 38 m²')
  await go(page, `/jobs/${id}/sheets?sheet=claim&zone=strip`)
  await expect(page.locator('.sheets')).toContainText('Claim on a lot of seed')
  await expect(page.getByRole('cell', { name: '25-061' })).toBeVisible()

  await page.setViewportSize({ width: 1280, height: 800 })
  await go(page, `/jobs/${id}/diary?part=take`)
  await page.getByRole('button', { name: 'Plan it as a zone' }).click()
  await expect(page.getByRole('heading', { name: 'Order of work' })).toBeVisible()
  await expect(page.locator('.title')).toContainText('2 zones')
  // The first sowing stays on its day, the second is still to come.
  await expect(page.getByText(/Sun 31 Jan/).first()).toBeVisible()
  await expect(page.getByText(/ticked off, but not for/)).toHaveCount(0)
  await expect(page.getByRole('row', { name: /Wed 24 Feb.*[Ss]ow.*By the hall again/ }).first()).toBeVisible() // prettier-ignore
  await saved(page)
})

test('today’s card tells the water of a new seedbed by its weather, and writes down that it was given', async ({
  page,
}) => {
  const file = strip()
  file.diary = file.diary.filter((e) => e.id.startsWith('strip-sown')).map((e) => ({ ...e, date: '2027-02-18' })) // prettier-ignore
  const made = await page.request.post(at('demo', '/api/job-files'), { data: file })
  const { id } = (await made.json()) as { id: string }
  await page.goto(at('demo', `/jobs/${id}/water`))
  await expect(page.getByRole('heading', { name: /The days ahead/ })).toBeVisible()
  await expect(page.getByText('Nothing is written down of its water yet')).toBeVisible()
  await page.goto(at('demo', '/today'))
  const card = page.locator('article', { hasText: 'Fernbrook' }).last()
  const water = card.getByRole('region', { name: 'Water, Fernbrook strip, thin, By the hall' })
  await expect(water).toContainText(/as planned|half will do|leave it off|one run more/)
  await water.getByRole('button', { name: 'not given' }).click()
  await expect(water).toContainText('Written down: not given.')
  await page.goto(at('demo', `/jobs/${id}/water`))
  await expect(page.getByText(/Given on 0 of 1 days that were written down/)).toBeVisible()
})

test('the first mow waits for what has to hold, and is written down as it was', async ({
  page,
}) => {
  const file = strip()
  const made = await page.request.post(at('demo', '/api/job-files'), { data: file })
  const { id } = (await made.json()) as { id: string }
  await page.goto(at('demo', `/jobs/${id}/diary`))
  await page.getByRole('checkbox', { name: /First mow/ }).click()
  const gates = page.getByRole('group', { name: 'Only when all of these hold' })
  await gates.getByText('Seedlings hold to a gentle pull').click()
  await page.getByRole('button', { name: 'Done', exact: true }).click()
  await expect(page.getByText(/Not all hold: wait/)).toBeVisible()
  await page.getByRole('button', { name: 'Done', exact: true }).click()
  await expect(page.getByText(/Done although this did not hold: It stands as high as is told/)).toBeVisible() // prettier-ignore
})

test('the ground before its work and now stands side by side in the diary', async ({ page }) => {
  const made = await page.request.post(at('demo', '/api/job-files'), { data: strip() })
  const { id } = (await made.json()) as { id: string }
  const picture = (background: string) =>
    sharp({ create: { width: 40, height: 30, channels: 3, background } })
      .jpeg()
      .toBuffer()
  for (const [on, colour] of [
    ['2027-01-20', 'tan'],
    ['2027-02-21', 'green'],
  ] as const)
    await page.request.post(at('demo', `/api/jobs/${id}/photos?kind=ground&zone=strip&on=${on}`), {
      headers: { 'content-type': 'image/jpeg' },
      data: await picture(colour),
    })
  await page.goto(at('demo', `/jobs/${id}/diary`))
  const both = page.getByRole('region', { name: 'Before and after' })
  await expect(both.getByRole('img', { name: 'By the hall, before' })).toBeVisible()
  await expect(both).toContainText('By the hall, before: Wed 20 Jan 2027')
  await expect(both).toContainText('after: Sun 21 Feb 2027')
})
