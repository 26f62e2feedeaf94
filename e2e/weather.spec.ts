import { limit } from '../scripts/limits.mjs'
import { readFileSync } from 'node:fs'
import { at, expect, field, go, openJob, saved, test, ZONE } from './juvena.ts'

test.use({ firms: { file: 'weather', names: ['demo', 'blank'] } })

/** The notice of a season passed over. */
const PASSED_OVER = /Sown .* in autumn; it could be .* in spring/

/**
 * A made-up station in °F and inches, with forty days left out and one minimum over its maximum.
 */
function csv(): string {
  const rows = ['Date,High,Low,Precip (in)']
  for (let i = 0; i < 900; i++) {
    if (i % 22 === 7 && i < 880) continue
    const day = new Date(Date.UTC(2024, 8, 1 + i)).toISOString().slice(0, 10)
    const season = Math.cos(((i - 130) / 365.25) * 2 * Math.PI)
    const [high, low] = [67 + 14 * season + (i % 5), 46 + 12 * season - (i % 4)]
    const [y, m, d] = day.split('-')
    rows.push(
      `${Number(m)}/${Number(d)}/${y},${i === 300 ? 20 : high.toFixed(0)},${low.toFixed(0)},${i % 3 ? '0' : '0.25'}`,
    )
  }
  return rows.join('\n')
}

test('weather is imported: a wrong unit is shown and put right, gaps and doubtful readings are told, and the year follows', async ({
  page,
}) => {
  await page.goto(at('blank', '/yard/year'))
  await expect(page.getByRole('heading', { name: 'No weather station yet' })).toBeVisible()
  await page.getByRole('button', { name: 'Add the station' }).click()
  await expect(page.getByText('Give the station a name.')).toBeVisible()
  await field(page, 'Name').fill('Ridge road')
  await field(page, 'Latitude').fill('-43.9')
  await field(page, 'Longitude').fill('171')
  await field(page, 'Height above the sea').fill('210 m')
  await page.getByRole('button', { name: 'Add the station' }).click()
  await expect(page.getByRole('heading', { name: 'The year at Ridge road' })).toBeVisible()
  await expect(page.getByText(/rough climate for the latitude stands in/)).toBeVisible()

  await page.getByRole('button', { name: 'Import weather' }).click()
  const choose = page.locator('input[type=file]')
  await choose.setInputFiles({
    name: 'photo.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from([0, 1, 2, 0, 255, 10, 7]),
  })
  await expect(page.getByRole('alert')).toContainText('no text file')
  await choose.setInputFiles({
    name: 'ridge.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from(csv()),
  })
  // °F was recognised by its values; taken as °C the days would be wrong, and it says so at once.
  await expect(page.locator('.report')).toContainText(
    '40 days are missing in 40 gaps, the longest 1 day from',
  )
  await expect(page.getByText(/The minimum, .* lies above the maximum/)).toBeVisible()
  const right = await page.locator('.report p').first().textContent()
  await page.getByRole('combobox', { name: 'unit' }).nth(1).press('Enter')
  await page.getByRole('option', { name: '°C' }).click()
  await expect(page.getByText(/is not believed/).first()).toBeVisible()
  await page.getByRole('combobox', { name: 'unit' }).nth(1).press('Enter')
  await page.getByRole('option', { name: '°F' }).click()
  await expect(page.locator('.report p').first()).toHaveText(right!)
  await page.getByRole('button', { name: /^Import 860 days/ }).click()
  await expect(page.getByText('860 new days')).toBeVisible()
  await page.getByRole('button', { name: /^Import 860 days/ }).click()
  await expect(page.getByText(/860 as before/)).toBeVisible()
  await expect(page.getByText(/2\.5 years, 4\d days missing/)).toBeVisible()
  // A day of a row is read by keyboard.
  const rye = page.getByRole('slider', { name: /^rye, day by day/ })
  await rye.focus()
  await page.keyboard.press('ArrowRight')
  await expect(rye).toHaveAttribute('aria-valuetext', /rye: \d+ in 100 years ± \d/)
  // A thousand years narrow the odds, in a thread of their own.
  await expect(page.getByText('Odds of 100 simulated years, up to ± 10 by chance.')).toBeVisible()
  await page.getByRole('button', { name: 'Try a thousand years' }).click()
  await expect(page.getByText('Odds of 1000 simulated years, up to ± 4 by chance.')).toBeVisible({
    timeout: limit(60_000),
  })
  await page.reload()
  await expect(page.getByText(/2\.5 years, 4\d days missing/)).toBeVisible()
})

test('the real daily weather of a city is imported whole', async ({ page }) => {
  const added = await page.request.post(at('blank', '/api/stations'), {
    data: { station: { name: 'City', latitude: 47.6, longitude: -122.3 } },
  })
  const { station } = (await added.json()) as { station: { id: string } }
  await page.goto(at('blank', `/yard/year?station=${station.id}`))
  await expect(page.getByRole('heading', { name: 'The year at City' })).toBeVisible()
  await page.getByRole('button', { name: 'Import weather' }).click()
  const file = readFileSync(
    new URL('../node_modules/vega-datasets/data/seattle-weather.csv', import.meta.url),
  )
  await page
    .locator('input[type=file]')
    .setInputFiles({ name: 'city.csv', mimeType: 'text/csv', buffer: file })
  await expect(page.locator('.report')).toContainText('1,461 days, 1 Jan 2012 to 31 Dec 2015')
  await expect(page.locator('.report')).toContainText(
    '0 days are missing. Every reading is believed.',
  )
  await page.getByRole('button', { name: 'Import 1,461 days' }).click()
  await expect(page.getByText('1,461 new days')).toBeVisible()
  await expect(page.getByText(/First 0 °C night: .*even by \d+ Nov/)).toBeVisible()
})

const SPRING = {
  name: 'Spring repair',
  waterer: 'the owner',
  site: { latitude: 44.6, longitude: 8, sea: '60 km' },
  zones: [ZONE],
}

test('planned in late winter a spring repair is taken in spring; by the autumn school it waits and says so first; a press takes the other', async ({
  page,
}) => {
  await openJob(page, SPRING, 'order')
  const choices = page.getByRole('list', { name: 'When it could be sown' })
  await expect(choices.getByRole('listitem')).toHaveCount(2)
  await expect(choices.getByRole('listitem').filter({ hasText: 'chosen' })).toContainText('Spring')
  await page
    .getByRole('radiogroup', { name: 'Spring or autumn for cool grass?' })
    .getByText('autumn only')
    .click()
  await expect(choices.getByRole('listitem').filter({ hasText: 'chosen' })).toContainText('Autumn')
  await expect(page.getByRole('heading', { name: PASSED_OVER })).toBeVisible()
  await choices
    .getByRole('listitem')
    .filter({ hasText: 'Spring' })
    .getByRole('button', { name: 'choose' })
    .click()
  await expect(choices.getByRole('listitem').filter({ hasText: 'chosen by you' })).toContainText(
    'Spring',
  )
  await saved(page)
  // The ribbon says why, by keyboard.
  const ribbon = page.getByRole('slider', { name: 'The year ahead, day by day' })
  await ribbon.focus()
  await page.keyboard.press('Home')
  await expect(ribbon).toHaveAttribute('aria-valuetext', /shut\. .*(winter|too cold)/i)
  await page.getByRole('button', { name: 'let the plan choose' }).click()
  await expect(choices.getByRole('listitem').filter({ hasText: 'chosen' })).toContainText('Autumn')
})

test('a hold of the outlook is accepted: the sowing moves, and the sheet follows', async ({
  page,
}) => {
  const place = { latitude: -44.9, longitude: 168.2 }
  const added = await page.request.post(at('demo', '/api/stations'), {
    data: { station: { name: 'Windy point', ...place } },
  })
  const { station } = (await added.json()) as { station: { id: string } }
  const site = {
    ...place,
    frost: '25 Apr',
    station: station.id,
    soilTemperature: 17,
    soilReadOn: '2027-02-22',
  }
  const id = await openJob(page, { name: 'Windy lawn', waterer: 'x', site, zones: [ZONE] }, 'order')
  const plan = (await (await page.request.get(at('demo', `/api/jobs/${id}/plan`))).json()) as {
    steps: { kind: string; chosen: string }[]
  }
  const sown = plan.steps.find((s) => s.kind === 'sow')!.chosen
  // Fair days ahead, and wind on the day of seed.
  const days = Array.from({ length: 14 }, (_, i) =>
    new Date(Date.UTC(2027, 1, 22 + i)).toISOString().slice(0, 10),
  ).map((day) => ({
    day,
    low: 9,
    high: 19,
    rain: 0,
    wind: day === sown ? 28 : 5,
    soil: 17,
  }))
  await page.request.post(at('demo', `/api/stations/${station.id}/days`), { data: { days } })
  await page.reload()
  const hold = page.getByRole('article').filter({ hasText: 'too windy' }).filter({ hasText: 'Sow' })
  await expect(hold).toContainText('28 km/h')
  await expect(hold).toContainText('Windy point')
  const button = hold.getByRole('button', { name: /^move it to / })
  const day = (await button.textContent())!.replace('move it to ', '').trim()
  await button.click()
  await expect(page.locator('tr.sow')).toContainText(day)
  await expect(hold).toHaveCount(0)
  await saved(page)
  await go(page, `/jobs/${id}/sheets?sheet=crew`)
  await expect(page.getByText(day).first()).toBeVisible()
})

test('after the first frosts by school, and a bank in late autumn', async ({ page }) => {
  const bank = { ...ZONE, slope: '1 in 5', cover: { wanted: 45, weeds: 10, moss: 5, bare: 40 } }
  await openJob(
    page,
    {
      ...SPRING,
      name: 'Late bank',
      site: { latitude: -44.2, longitude: 120, frost: '20 Feb' },
      zones: [bank],
    },
    'order',
  )
  await expect(page.getByRole('alert')).toContainText('Too late')
  await expect(page.getByRole('alert')).toContainText('Hold over')
  await page
    .getByRole('radiogroup', { name: 'And after the last day to sow?' })
    .getByText('sow on')
    .click()
  await expect(
    page
      .getByRole('list', { name: 'When it could be sown' })
      .getByRole('listitem')
      .filter({ hasText: 'chosen' }),
  ).toContainText('after the last day')
})
