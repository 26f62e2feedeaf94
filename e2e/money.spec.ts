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
  const sheet = page.locator('.page.offer')
  await expect(sheet).toContainText('What you do')
  await expect(sheet).not.toContainText(/margin|your cost/i)
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
