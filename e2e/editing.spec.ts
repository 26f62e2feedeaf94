import type { Page } from '@playwright/test'
import { writeFileSync } from 'node:fs'
import { at, expect, field, openJob, saved, SITE, test, working, ZONE } from './juvena.ts'

test.use({ firms: { file: 'editing', names: ['demo'] } })

/** The thatch of a job's first zone, as the server holds it. */
const thatchOf = async (page: Page, id: string) =>
  (
    (await (await page.request.get(at('demo', `/api/jobs/${id}`))).json()) as {
      draft: { zones: { thatch: string }[] }
    }
  ).draft.zones[0]!.thatch

test('a reload in the middle loses nothing, even before it was saved', async ({ page }) => {
  await openJob(page, { site: SITE, zones: [ZONE] })
  await field(page, 'Thatch').fill('22 mm')
  await page.reload()
  await expect(field(page, 'Thatch')).toHaveValue('22 mm')
  await saved(page)
  await page.reload()
  await expect(field(page, 'Thatch')).toHaveValue('22 mm')
})

test('a server that is gone is told, and what was typed is saved when it is back', async ({
  page,
  quiet,
}) => {
  quiet.allow(/ERR_FAILED|Failed to load/)
  const id = await openJob(page, { site: SITE, zones: [ZONE] })
  await page.route('**/api/jobs/*', (route) =>
    route.request().method() === 'PUT' ? route.abort() : route.continue(),
  )
  await field(page, 'Thatch').fill('19 mm')
  await expect(page.locator('.save')).toHaveText('kept here, no server')
  await page.unroute('**/api/jobs/*')
  await saved(page)
  expect(
    (
      (await (await page.request.get(at('demo', `/api/jobs/${id}`))).json()) as {
        draft: { zones: { thatch: string }[] }
      }
    ).draft.zones[0]!.thatch,
  ).toBe('19 mm')
})

test('a tab closed before the answer, opened again at once, edited and closed: the old text does not come back, and nobody is asked', async ({
  page,
  context,
}) => {
  const id = await openJob(page, { site: SITE, zones: [ZONE] })
  // The save arrives; its answer does not.
  await page.route('**/api/jobs/*', async (route) =>
    route.request().method() === 'PUT' ? void (await route.fetch()) : route.continue(),
  )
  await field(page, 'Thatch').fill('18 mm')
  await expect(page.locator('.save')).toHaveText('saving…')
  await expect.poll(async () => thatchOf(page, id)).toBe('18 mm')
  await page.close()
  const again = await context.newPage()
  await again.goto(at('demo', `/jobs/${id}/walk-over`))
  await expect(field(again, 'Thatch')).toHaveValue('18 mm')
  await field(again, 'Thatch').fill('21 mm')
  await saved(again)
  await again.close()
  const later = await context.newPage()
  await later.goto(at('demo', `/jobs/${id}/walk-over`))
  await expect(field(later, 'Thatch')).toHaveValue('21 mm')
  await saved(later)
  await expect(later.getByRole('dialog')).toHaveCount(0)
  expect(await thatchOf(later, id)).toBe('21 mm')
})

test('a job left with unsent work says that it waits, and is sent while another is open; that one gets no save of its own', async ({
  page,
  quiet,
}) => {
  quiet.allow(/ERR_FAILED|Failed to load/)
  const id = await openJob(page, { site: SITE, zones: [ZONE] })
  const saves: string[] = []
  page.on('request', (r) => r.method() === 'PUT' && saves.push(r.url()))
  await page.route(`**/api/jobs/${id}`, (route) =>
    route.request().method() === 'PUT' ? route.abort() : route.continue(),
  )
  await field(page, 'Thatch').fill('23 mm')
  await expect(page.locator('.save')).toHaveText('kept here, no server')
  await page.getByRole('link', { name: 'Season', exact: true }).click()
  await page.getByRole('link', { name: 'School quad' }).click()
  await expect(page.getByRole('heading', { name: 'School quad' })).toBeVisible()
  await page.getByRole('button', { name: '1 waiting' }).click()
  await expect(page.locator('#waiting-list')).toContainText('changes to A lawn')
  await page.unroute(`**/api/jobs/${id}`)
  await page.getByRole('button', { name: 'Send now' }).click()
  await expect(page.getByRole('button', { name: /waiting/ })).toHaveCount(0)
  expect(await thatchOf(page, id)).toBe('23 mm')
  expect(saves.filter((url) => url.endsWith('/quad'))).toEqual([])
})

test('a duplicated tab keeps what it types apart from the first', async ({ page, context }) => {
  const id = await openJob(page, { site: SITE, zones: [ZONE] })
  await saved(page)
  const name = await page.evaluate(() => sessionStorage.getItem('juvena.window'))
  const copy = await context.newPage()
  await copy.addInitScript(
    (kept) =>
      sessionStorage.getItem('juvena.window') ?? sessionStorage.setItem('juvena.window', kept!),
    name,
  )
  await copy.goto(at('demo', `/jobs/${id}/walk-over`))
  await expect(field(copy, 'Thatch')).toBeVisible()
  expect(await copy.evaluate(() => sessionStorage.getItem('juvena.window'))).not.toBe(name)
})

test('an earlier version is looked at and restored; undo takes that back', async ({ page }) => {
  await openJob(page, { site: SITE, zones: [{ ...ZONE, thatch: '12 mm' }] })
  await field(page, 'Thatch').fill('30 mm')
  await saved(page)
  await page.getByRole('button', { name: 'versions' }).click()
  const dialog = page.getByRole('dialog', { name: 'Earlier versions' })
  await dialog
    .getByRole('button')
    .filter({ hasText: /version 2\b/ })
    .click()
  await expect(dialog).toContainText('Back lawn: thatch 12 mm 30 mm')
  await dialog.getByRole('button', { name: 'Restore this version' }).click()
  await expect(field(page, 'Thatch')).toHaveValue('12 mm')
  await saved(page)
  await page.getByRole('button', { name: 'Undo', exact: true }).click()
  await expect(field(page, 'Thatch')).toHaveValue('30 mm')
})

test('two windows: the second save is refused, both versions named, and neither is lost', async ({
  page,
  context,
  quiet,
}) => {
  quiet.allow(/409/)
  const id = await openJob(page, { site: SITE, zones: [ZONE] })
  await field(page, 'Name').waitFor()
  const other = await context.newPage()
  await other.goto(at('demo', `/jobs/${id}/walk-over`))
  await field(other, 'Name').fill('Theirs')
  await saved(other)
  await field(page, 'Name').fill('Mine')
  const told = page.getByRole('dialog', { name: /saved in another window/ })
  await expect(told).toContainText('Version 3')
  await expect(told).toContainText('version 2')
  await told.getByRole('button', { name: /Go on with mine/ }).click()
  await saved(page)
  await page.goto(at('demo'))
  await expect(
    page.getByRole('link', { name: 'A lawn (other version)', exact: true }).first(),
  ).toBeVisible()
  await page.goto(at('demo', `/jobs/${id}/walk-over`))
  await expect(field(page, 'Name')).toHaveValue('Mine')
})

test('undo and redo, and a change marks what moved, old beside new', async ({ page }) => {
  await openJob(page, { site: SITE, zones: [ZONE] })
  await field(page, 'Area').fill('400 m²')
  await expect(page.getByRole('button', { name: /5 Materials/ })).toContainText('changed')
  await page.getByRole('button', { name: /5 Materials/ }).click()
  const feed = page.getByRole('button', { name: /^Starter feed .* to order/ })
  await expect(feed).toContainText('8 kg')
  await expect(feed.locator('s')).toHaveText('4 kg')
  await page.keyboard.press('ControlOrMeta+z')
  await expect(feed).toContainText('4 kg')
  await page.getByRole('button', { name: 'Redo' }).click()
  await expect(feed).toContainText('8 kg')
  await page.getByRole('button', { name: /4 Seed/ }).click()
  await page.getByRole('button', { name: /5 Materials/ }).click()
  await expect(feed.locator('s')).toHaveCount(0)
})

test('US units switch at once and nothing changes underneath', async ({ page }) => {
  const id = await openJob(page, { site: SITE, zones: [ZONE] }, 'materials')
  const feed = page.getByRole('button', { name: /^Starter feed .* to order/ })
  await expect(feed).toContainText('4 kg')
  await page.getByRole('button', { name: /Units/ }).click()
  await expect(feed).toContainText('8.8 lb')
  await page.getByRole('button', { name: /1 Walk-over/ }).click()
  await expect(field(page, 'Area')).toHaveValue('200 m²')
  await expect(page.getByText('= 2,153 ft²')).toBeVisible()
  await field(page, 'Thatch').fill('1/2')
  await field(page, 'Name').focus()
  await expect(field(page, 'Thatch')).toHaveValue('1/2 in')
  await saved(page)
  const stored = (await (await page.request.get(at('demo', `/api/jobs/${id}`))).json()) as {
    draft: { zones: object[] }
  }
  expect(stored.draft.zones[0]).toEqual({ ...ZONE, thatch: '1/2 in' })
})

test('wrong entries get a sentence at the field, keep what was typed, and break nothing else', async ({
  page,
}) => {
  await openJob(page, {
    site: SITE,
    zones: [ZONE, { ...ZONE, id: 'z2', name: '<img src=x onerror=alert(1)>' }],
  })
  for (const [typed, says] of [
    ['abc', '“abc” is not an area'],
    ['-5 m2', 'An area of −5 m²'],
    ['1e12 m²', 'up to 100 hectares'],
    ['5 kg', 'is a weight; an area is wanted'],
  ] as const) {
    await field(page, 'Area').fill(typed)
    await expect(page.getByText(says)).toBeVisible()
  }
  await field(page, 'Bare').fill('50')
  await expect(page.getByRole('alert')).toHaveText(
    'Cover adds up to 130 %; the four parts make 100 %. Take off 30 %.',
  )
  await expect(page.getByRole('button', { name: /1 Walk-over/ })).toContainText(
    '2 entries to correct',
  )
  await page.getByRole('button', { name: /Site and season/ }).click()
  await field(page, /First −2 °C night/).fill('30 February')
  await expect(page.getByText('“30 February” does not exist')).toBeVisible()
  await page.getByRole('button', { name: /4 Seed/ }).click()
  await field(page, 'Germination').fill('0')
  await expect(page.getByText('dead seed grows nothing')).toBeVisible()
  await page.getByRole('button', { name: /5 Materials/ }).click()
  await field(page, /Grade/).fill('0-0-0')
  await expect(page.getByText('holds no nitrogen')).toBeVisible()
  await saved(page)
  await page.reload()
  await expect(field(page, /Grade/)).toHaveValue('0-0-0')
  await page.getByRole('button', { name: /1 Walk-over/ }).click()
  await expect(field(page, 'Area')).toHaveValue('5 kg')
  await expect(page.getByRole('button', { name: /<img src=x/ })).toBeVisible()
})

test('a job where nothing fits before frost says so first, and what instead', async ({ page }) => {
  await openJob(
    page,
    {
      site: SITE,
      zones: [{ ...ZONE, incurable: 70, cover: { wanted: 20, weeds: 75, moss: 0, bare: 5 } }],
    },
    'order',
  )
  await expect(page.getByRole('alert')).toContainText('Too late to kill off')
  await expect(page.getByRole('alert')).toContainText('Overseed instead')
  await expect(page.getByRole('button', { name: /6 Order of work/ })).toContainText(
    'does not fit this season',
  )
  await page.getByRole('button', { name: /3 Approach/ }).click()
  await page.getByRole('button', { name: /^overseed/ }).click()
  await expect(page.getByRole('button', { name: /6 Order of work/ })).toContainText(
    'before the cut-off',
  )
  await expect(page.getByText('use what the findings ask')).toBeVisible()
})

test('a school chosen for the job moves the plan; its working says which school spoke', async ({
  page,
}) => {
  await openJob(page, { site: SITE, zones: [ZONE] }, 'water')
  await page.locator('.surface').getByText('once a day').click()
  await expect(page.getByRole('button', { name: /7 Water/ })).toContainText('1 ×')
  await page
    .locator('.surface')
    .getByRole('button', { name: /Each run/ })
    .first()
    .click()
  await expect(working(page)).toContainText('School:')
})

test('the diary ticks a step off, takes a line, and strikes out without erasing', async ({
  page,
}) => {
  const id = await openJob(page, { site: SITE, zones: [ZONE] }, 'diary')
  await page.getByRole('checkbox', { name: 'First cut down done' }).click()
  await expect(page.getByRole('checkbox', { name: 'First cut down done' })).toBeChecked()
  await field(page, 'What').fill('found a pipe by the gate')
  await page.getByRole('button', { name: 'Save', exact: true }).click()
  await expect(page.getByRole('listitem').filter({ hasText: 'found a pipe' })).toBeVisible()
  await page.getByRole('button', { name: 'Strike out found a pipe by the gate' }).click()
  await expect(page.getByRole('listitem').filter({ hasText: 'found a pipe' })).toContainText(
    'struck out Mon 22 Feb',
  )
  await expect(
    page.getByRole('button', { name: 'Strike out found a pipe by the gate' }),
  ).toHaveCount(0)
  // What is written is sent behind the screen.
  const entries = async () => {
    const stored = (await (await page.request.get(at('demo', `/api/jobs/${id}`))).json()) as {
      diary: object[]
    }
    return stored.diary.length
  }
  await expect.poll(entries).toBe(3)
})

test('a job file goes out and comes in; a bad one is refused with a sentence', async ({
  page,
  quiet,
}, info) => {
  quiet.allow(/400/)
  await page.goto(at('demo'))
  const bad = info.outputPath('bad.json')
  writeFileSync(bad, '{"format":"juvena-job","version":9,"job":{}}')
  await page.locator('input[type=file]').setInputFiles(bad)
  await expect(page.getByRole('alert')).toContainText('version 9')
  const big = info.outputPath('big.json')
  writeFileSync(big, Buffer.alloc(66_000_000, 120))
  await page.locator('input[type=file]').setInputFiles(big)
  await expect(page.getByRole('alert')).toContainText('66 MB; a job file is at most 64 MB')
  const good = info.outputPath('good.json')
  writeFileSync(
    good,
    JSON.stringify({
      format: 'juvena-job',
      version: 1,
      job: { name: 'From a file', zones: [ZONE] },
      diary: [],
    }),
  )
  await page.locator('input[type=file]').setInputFiles(good)
  await expect(page.getByRole('heading', { name: 'From a file' })).toBeVisible()
})

test('archived and restored from the season', async ({ page }) => {
  await openJob(page, { name: 'To archive' })
  await page.goto(at('demo'))
  await page.getByRole('button', { name: 'Archive To archive' }).click({ force: true })
  await expect(page.getByRole('link', { name: 'To archive', exact: true })).toHaveCount(0)
  await page.getByText(/^Archived: \d/).click()
  await page.getByRole('button', { name: 'Restore To archive' }).click()
  await expect(page.getByRole('link', { name: 'To archive', exact: true })).toBeVisible()
})
