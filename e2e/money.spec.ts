import { expect } from '@playwright/test'
import { at, field, test } from './juvena.ts'

test.use({ firms: { file: 'money', names: ['demo'] } })

test('a price list with a wrong line, ways with prices, the budget, an offer given, printed and accepted', async ({
  page,
}) => {
  await page.goto(at('demo', '/yard/prices'))
  await page.getByRole('button', { name: 'Import a list' }).click()
  await field(page, 'Paste the list').fill(
    'supplier;kind;for;name;size;price;days;delivery\nSlate Yard;feed;;Bulk granules;25 kg;61,50;3;20\nSlate Yard;wool;;Felt;1 m²;4;3;20',
  )
  await expect(page.getByText('“wool” is no kind of product')).toBeVisible()
  await page.getByRole('button', { name: 'Add 1 product without the lines above' }).click()
  await expect(page.getByRole('button', { name: 'Delete the product Bulk granules' })).toBeVisible()

  await field(page, 'Margin').fill('200 %')
  await expect(page.getByText('share of the price, so it stays')).toBeVisible()
  await field(page, 'Margin').fill('25 %')
  await expect(page.getByText('saved', { exact: true })).toBeVisible()

  await page.goto(at('demo', '/jobs/quad/walk-over?part=customer'))
  await field(page, 'Budget').fill('2,500')
  await page.goto(at('demo', '/jobs/quad/approach'))
  const ways = page.getByRole('region', { name: 'Ways beside each other' })
  await expect(ways.getByText(/over the budget/).first()).toBeVisible()
  await page.getByRole('button', { name: 'Make an offer' }).click()
  const offer = page.getByRole('form', { name: 'An offer' })
  await expect(offer.getByText(/^Overseed, /)).toBeVisible()
  await field(page, 'Valid for').fill('soon')
  await page.getByRole('button', { name: 'Give this offer' }).click()
  await expect(offer.getByRole('alert')).toContainText('1 to 366 days')
  await field(page, 'Valid for').fill('21 days')
  await page.getByRole('button', { name: 'Give this offer' }).click()
  const given = page.getByRole('region', { name: 'Offers' })
  await expect(given.getByText('270222-1')).toBeVisible()
  const quoted = (await given.locator('li').first().innerText()).match(/Overseed \$[\d,.]+/)?.[0]
  expect(quoted).toBeTruthy()

  // What changes later changes nothing in what was given.
  await page.goto(at('demo', '/yard/prices'))
  await field(page, 'An hour of one person').fill('96')
  await expect(page.getByText('saved', { exact: true })).toBeVisible()
  await page.goto(at('demo', '/jobs/quad/approach'))
  await expect(given.locator('li').first()).toContainText(quoted ?? '')
  await given.getByRole('button', { name: 'Accepted' }).click()
  await given.getByText('Overseed', { exact: true }).click()
  await expect(given.getByText(/Quoted .* now .* more/)).toBeVisible()
  await given.getByRole('link', { name: 'Print' }).click()
  await expect(page.getByText('Offer 270222-1')).toBeVisible()
  const sheet = page.locator('.page')
  const saved = page.waitForEvent('download')
  await page.getByRole('button', { name: 'Save as PDF' }).click()
  expect((await saved).suggestedFilename()).toBe('Offer 270222-1 School quad.pdf')
  await expect(sheet).toContainText('What you do')
  await expect(sheet).not.toContainText(/margin|your cost/i)

  // Extra work on the day has a price, and stands beside what was agreed on.
  await page.goto(at('demo', '/jobs/quad/diary?part=quoted'))
  await field(page, 'What is done beside it').fill('Two barrows of topsoil by the gate')
  await field(page, 'For').fill('lots')
  await field(page, 'Agreed to by').fill('M. Fern')
  await page.getByRole('button', { name: 'Write it down' }).click()
  await expect(page.getByRole('alert')).toContainText('The price:')
  await field(page, 'For').fill('85')
  await page.getByRole('button', { name: 'Write it down' }).click()
  await expect(page.getByText('270222-1/C1')).toBeVisible()
  await expect(page.getByText('agreed on, changes in it')).toBeVisible()
  await expect(page.getByRole('row', { name: /Scarify/ })).toContainText(/h/)
})

test('a feeding programme: rounds in season and one bag for all; dates of a local rule leave the feed out', async ({
  page,
}) => {
  await page.goto(at('demo', '/jobs/quad/materials'))
  await page.getByText('most of it in autumn').click()
  await expect(page.getByText(/Fed again 2 times/)).toBeVisible()
  await expect(page.getByRole('row', { name: /Feed again 20-0-5/ })).toContainText('2 times')
  await field(page, 'Nitrogen given this year').fill('90 g/m²')
  await expect(page.getByText(/no turf gets more in a year/)).toBeVisible()
  await field(page, 'Nitrogen given this year').fill('15 g/m²')
  await expect(page.getByText('No further feed this year.').first()).toBeVisible()
  await field(page, 'Nitrogen given this year').fill('')

  await page.goto(at('demo', '/yard'))
  await page.getByRole('button', { name: 'Enter the dates of a local rule' }).click()
  await field(page, 'From').last().fill('1 Feb')
  await field(page, 'to, that day with it').last().fill('30 Apr')
  await expect(page.getByText('saved', { exact: true })).toBeVisible()
  // Soon after the seed it is held until it may go down; where that is too late it is left out.
  await page.goto(at('demo', '/jobs/quad/materials'))
  await expect(page.getByText(/held until the seedlings are mown/).first()).toBeVisible()
  await expect(page.getByRole('row', { name: /Starter feed/ })).toHaveCount(1)
  await page.goto(at('demo', '/yard'))
  await field(page, 'to, that day with it').last().fill('30 Sep')
  await expect(page.getByText('saved', { exact: true })).toBeVisible()
  await page.goto(at('demo', '/jobs/quad/materials'))
  await expect(page.getByText(/the law allows no nitrogen then/).first()).toBeVisible()
  await expect(page.getByRole('row', { name: /Starter feed/ })).toHaveCount(0)
  await page.goto(at('demo', '/yard'))
  await page.getByRole('button', { name: 'Delete the dates 1' }).click()
  await expect(page.getByText('saved', { exact: true })).toBeVisible()
})

test('one order from each supplier for the jobs that are chosen', async ({ page }) => {
  await page.goto(at('demo', '/yard/orders'))
  const jobs = page.getByRole('group', { name: 'Jobs to order for' })
  await expect(jobs.getByRole('button', { name: 'School quad' })).toHaveAttribute('aria-pressed', 'true') // prettier-ignore
  await expect(page.getByText(/less than job by job/)).toBeVisible()
  await expect(page.getByText(/School quad [\d.]+ kg/).first()).toBeVisible()
  await jobs.getByRole('button', { name: 'School quad' }).click()
  await expect(page.getByText(/School quad [\d.]+ kg/)).toHaveCount(0)
  await page.reload()
  await expect(page.getByText(/School quad [\d.]+ kg/).first()).toBeVisible()
})

test('hours beside a tick are an observation, used and given back; the customer’s work leaves the price', async ({
  page,
}) => {
  await page.goto(at('demo', '/yard/learnt'))
  const row = page.getByRole('row', { name: /Coring, walk-behind/ })
  await row.getByRole('button', { name: /^Use \d.* for: Coring/ }).click()
  await expect(row.getByText('as offered')).toBeVisible()
  await row.getByRole('button', { name: 'Use Juvena’s number again: Coring, walk-behind, a pass' }).click() // prettier-ignore
  await expect(row.getByRole('button', { name: /^Use \d.* for: Coring/ })).toBeVisible()

  await page.goto(at('demo', '/jobs/quad/approach'))
  const price = page.getByRole('region', { name: 'Cost and price' })
  const before = await price.getByRole('heading').innerText()
  await page.getByRole('button', { name: 'Work in, firm' }).click()
  await page.getByText('the customer does it').click()
  await expect(price.getByRole('heading')).not.toHaveText(before)
})
