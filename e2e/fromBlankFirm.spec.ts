import { limit } from '../scripts/limits.mjs'
import type { Locator } from '@playwright/test'
import { at, expect, field, saved, tabTo, test, working } from './juvena.ts'

test.use({ firms: { file: 'fromBlankFirm', names: ['blank', 'anotherBlank', 'thirdBlank'] } })

test('blank firm to printed sheet, by mouse', async ({ page }) => {
  await page.goto(at('blank'))
  await expect(page.getByRole('heading', { name: 'Start with a lawn.' })).toBeVisible()
  await page.getByRole('button', { name: 'Start the walk-over' }).click()
  await expect(page.getByRole('alert')).toContainText('Give the job a name')
  await field(page, 'New job').fill('Mill house, both lawns')
  await page.getByRole('button', { name: 'Start the walk-over' }).click()

  await page.getByRole('button', { name: 'Add the first zone', exact: true }).click()
  await field(page, 'Area').fill('120 m2')
  await field(page, 'Wanted grass').fill('60')
  await field(page, 'Weeds').fill('20')
  await field(page, 'Moss').fill('0')
  await field(page, 'Bare').fill('20')
  await field(page, 'Thatch').fill('3/4 in')
  await expect(page.getByText('= 19.1 mm')).toBeVisible()
  await page.getByText('will not go in').click()
  await page.getByText('moist', { exact: true }).click()
  await field(page, 'Sun, growing weeks').fill('7')
  await field(page, 'Height of cut').fill('40')
  await page
    .getByRole('group', { name: 'Grass there now' })
    .last()
    .getByText('rye', { exact: true })
    .click()
  await page.getByRole('button', { name: '+ zone' }).click()
  await field(page, 'Name').fill('Shade strip')
  await field(page, 'Length').fill('20 m')
  await field(page, 'Width').fill('2.5 m')
  await field(page, 'Sun, growing weeks').fill('3.2 h')
  await page.getByRole('button', { name: 'subtract a bed, path or tree' }).click()
  await field(page, 'Its area').fill('5 m²')
  await expect(page.getByRole('button', { name: 'Shade strip 45 m²' })).toBeVisible()

  await page.getByRole('button', { name: /Site and season/ }).click()
  await field(page, /First −2 °C night/).fill('25 Apr')
  await field(page, 'Latitude').fill('-44.2')
  await field(page, /Soil now/).fill('17.4')
  await field(page, 'Tap flow').fill('20')
  await field(page, 'Who waters').fill('the owner')
  await saved(page)

  await page.getByRole('button', { name: /5 Materials/ }).click()
  const seed = page.getByRole('button', { name: /^Seed, rye mix, to order/ })
  await seed.click()
  await expect(working(page)).toContainText('All zones of this mix, with the reserve.')
  await working(page).getByRole('button', { name: /Seed/ }).first().click()
  await expect(working(page)).toContainText('what the bare patches take once more')
  await working(page)
    .getByRole('button', { name: /Seed of the two passes/ })
    .click()
  await expect(working(page)).toContainText('Area times bag rate.')
  await working(page)
    .getByRole('button', { name: /Ground sown/ })
    .click()
  await expect(working(page)).toContainText('120 m²')

  for (const stage of [
    '2 Findings',
    '3 Approach',
    '4 Seed',
    '6 Order of work',
    '7 Water',
    '8 Diary',
  ]) {
    await page.getByRole('button', { name: new RegExp(stage) }).click()
    await expect(page.getByRole('heading', { name: stage.slice(2), level: 2 })).toBeVisible()
  }
  await page.getByRole('link', { name: 'Print sheets' }).click()
  for (const part of ['For the customer', 'For the crew', 'For whoever waters'])
    await expect(page.getByText(part, { exact: true })).toBeVisible()
  // Where the numbers come from is printed when it is asked for.
  const proof = page.getByRole('heading', { name: 'Where the numbers come from' })
  await expect(proof).toHaveCount(0)
  await page.getByRole('button', { name: 'workings' }).click()
  await expect(proof).toBeVisible()
  await expect(page.getByText('the owner', { exact: true })).toBeVisible()
  for (const paper of ['A4', 'Letter']) {
    await page.getByRole('button', { name: paper, exact: true }).click()
    await expect(page.locator(`.sheets.${paper.toLowerCase()}`)).toBeVisible()
    const pdf = await page.pdf({ preferCSSPageSize: true })
    const box = /\/MediaBox\s*\[\s*0 0 ([\d.]+) ([\d.]+)/.exec(pdf.toString('latin1'))!
    expect([Math.round(Number(box[1])), Math.round(Number(box[2]))]).toEqual(
      paper === 'A4' ? [595, 842] : [612, 792],
    )
  }
})

test('blank firm to printed sheet, by keyboard alone', async ({ page }) => {
  test.setTimeout(limit(240_000))
  const type = async (label: string | RegExp, text: string) => {
    await tabTo(page, field(page, label))
    await page.keyboard.press('ControlOrMeta+A')
    await page.keyboard.type(text)
  }
  await page.goto(at('anotherBlank'))
  await type('New job', 'Quarry row')
  await page.keyboard.press('Enter')
  await tabTo(page, page.getByRole('button', { name: 'Add the first zone', exact: true }))
  await page.keyboard.press('Enter')
  await type('Area', '1,000 sq ft')
  await type('Wanted grass', '40')
  await type('Weeds', '30')
  await type('Moss', '10')
  await type('Bare', '20')
  await type('Thatch', '15 mm')
  await tabTo(page, page.getByRole('radio', { name: 'in easily' }))
  await page.keyboard.press('ArrowRight')
  await expect(page.getByRole('radio', { name: 'with effort' })).toBeChecked()
  await tabTo(page, page.getByRole('combobox', { name: 'Texture' }))
  await page.keyboard.press('Enter')
  await page.keyboard.press('ArrowDown')
  await page.keyboard.press('Enter')
  await type('Sun, growing weeks', '6')
  await tabTo(page, page.getByRole('checkbox', { name: 'rye', exact: true }))
  await page.keyboard.press('Space')
  await tabTo(page, page.getByRole('button', { name: /Another zone like this/ }))
  await page.keyboard.press('Enter')
  await page.keyboard.press('Tab')
  await tabTo(page, page.getByRole('button', { name: /Site and season/ }), 200)
  await page.keyboard.press('Enter')
  await type(/First −2 °C night/, '25 Apr')
  await type('Latitude', '-44')
  await saved(page)
  await tabTo(page, page.getByRole('button', { name: /Walk-over/ }), 200)
  await page.keyboard.press('5')
  await expect(page.getByRole('heading', { name: 'Materials', level: 2 })).toBeVisible()
  await tabTo(page, page.getByRole('button', { name: /Starter feed 16-20-8, to order/ }), 200)
  await page.keyboard.press('Enter')
  await expect(working(page)).toContainText('All zones together.')
  await page.keyboard.press('w')
  await expect(working(page)).not.toContainText('All zones together.')
  await page.keyboard.press('u')
  await expect(
    page.getByRole('button', { name: /Starter feed 16-20-8, to order.* lb/ }),
  ).toBeVisible()
  await page.keyboard.press('?')
  await expect(page.getByRole('dialog', { name: 'Keys' })).toBeVisible()
  await page.keyboard.press('Escape')
  await page.keyboard.press('/')
  await expect(page.getByLabel(/Find a page/)).toBeFocused()
  await page.keyboard.type('water')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('heading', { name: 'Water', level: 2 })).toBeVisible()
  await tabTo(page, page.getByRole('link', { name: 'Print sheets' }), 200)
  await page.keyboard.press('Enter')
  await expect(page.getByText('For the crew', { exact: true })).toBeVisible()
})

test('blank firm to printed sheet in under 120 keys, typed letters counted', async ({ page }) => {
  let keys = 0
  const press = async (key: string) => {
    keys++
    await page.keyboard.press(key)
  }
  const type = async (text: string) => {
    keys += text.length
    await page.keyboard.type(text)
  }
  const reach = async (target: Locator) => {
    await target.waitFor()
    for (let i = 0; i < 40; i++) {
      if (await target.evaluate((el) => el === document.activeElement)) return
      await press('Tab')
    }
    throw new Error(`Tab never reached ${target.toString()}`)
  }
  await page.goto(at('thirdBlank'))
  await expect(page.getByRole('heading', { name: 'Start with a lawn.' })).toBeVisible()
  await reach(field(page, 'New job'))
  await type('Quarry row')
  await press('Enter')
  await reach(page.getByRole('button', { name: 'Add the first zone', exact: true }))
  await press('Enter')
  await reach(field(page, 'Area'))
  await type('212')
  for (const [label, percent] of [['Wanted grass', '40'], ['Weeds', '30'], ['Moss', '10'], ['Bare', '20']] as const) { await reach(field(page, label)); await type(percent) } // prettier-ignore
  await reach(field(page, 'Thatch'))
  await type('15')
  await press('Control+k')
  await expect(page.getByLabel(/Find a page/)).toBeFocused()
  await type('frost')
  await press('Enter')
  await reach(field(page, /First −2 °C night/))
  await type('25/4')
  await reach(field(page, 'Latitude'))
  await type('-44')
  await saved(page)
  await press('Control+k')
  await expect(page.getByLabel(/Find a page/)).toBeFocused()
  await type('print')
  await press('Enter')
  await expect(page.getByText('For the crew', { exact: true })).toBeVisible()
  await expect(page.getByText(/Seed/).first()).toBeVisible()
  expect(keys).toBeLessThan(120)
})
