import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterEach, describe, expect, it } from 'vitest'
import { firmSchema } from '@juvena/core/entities/firm'
import { readJob } from '@juvena/core/entities/job'
import { realClock, stoppedClock } from '../src/clock.ts'
import { fillDemo } from '../src/demo/fill.ts'
import { demoFirm, demoJobs, DEMO_TODAY } from '../src/demo/jobs.ts'
import { render } from '@juvena/core/present/render'
import type { SeasonRow } from '@juvena/core/present/seasonRow'
import { seasonPlanner, type SeasonBrief } from '../src/seasonRows.ts'
import { siteWeather } from '../src/siteWeather.ts'
import { stationStore } from '../src/store/stationStore.ts'
import { partsOver } from '../src/parts.ts'
import { openDatabase } from '../src/store/database.ts'
import { diaryStore } from '../src/store/diaryStore.ts'
import { firmStore } from '../src/store/firmStore.ts'
import { jobStore, type StoredJob } from '../src/store/jobStore.ts'

const folders: string[] = []
afterEach(() => folders.splice(0).forEach((f) => rmSync(f, { recursive: true, force: true })))
const folder = () => {
  const made = mkdtempSync(join(tmpdir(), 'juvena-store-'))
  folders.push(made)
  return made
}
const entry = (id: string) => ({
  id,
  date: '2027-02-23',
  what: 'cut',
  amount: '',
  who: '',
  note: '',
  zone: null,
  step: null,
  stepZones: [],
  corrects: null,
  lots: [],
  read: null,
  product: '',
  weather: null,
})

describe('the database', () => {
  it('opens a filled one again, its tables brought up to date and its rows whole', async () => {
    const place = folder()
    const first = await openDatabase(place)
    await jobStore(first).create({ name: 'Kept', zones: [] }, 'then', 'kept')
    await diaryStore(first).append('kept', entry('entry-0001'), 'then')
    await firmStore(first).save(0, { name: 'Firm' }, 'then')
    await first.destroy()
    const again = await openDatabase(place)
    expect((await jobStore(again).get('kept'))!.draft).toEqual({ name: 'Kept', zones: [] })
    expect((await diaryStore(again).of('kept')).length).toBe(1)
    expect((await firmStore(again).get()).draft.name).toBe('Firm')
    expect(await again.raw('PRAGMA journal_mode')).toEqual([{ journal_mode: 'wal' }])
    expect(await again.raw('PRAGMA foreign_keys')).toEqual([{ foreign_keys: 1 }])
    await again.destroy()
  })
  it('holds a diary entry to a job that exists', async () => {
    const db = await openDatabase(':memory:')
    await expect(diaryStore(db).append('nobody', entry('entry-0001'), 'then')).rejects.toThrow('FOREIGN KEY')
    await db.destroy()
  })
  it('gives diaries by job, in the order they were written', async () => {
    const db = await openDatabase(':memory:')
    for (const id of ['a', 'b']) await jobStore(db).create({ name: id }, 'then', id)
    for (const [job, id] of [
      ['a', 'entry-000a'],
      ['b', 'entry-000b'],
      ['a', 'entry-000c'],
    ] as const)
      await diaryStore(db).append(job, entry(id), 'then')
    const all = await diaryStore(db).ofAll(['a', 'b', 'c'])
    expect([all.get('a')!.map((e) => e.id), all.get('b')!.length, all.get('c')!.length]).toEqual([['entry-000a', 'entry-000c'], 1, 0])
    expect((await diaryStore(db).ofAll([])).size).toBe(0)
    await db.destroy()
  })
  it('saving a job that is not there says so, and changes nothing', async () => {
    const db = await openDatabase(':memory:')
    expect(await jobStore(db).save('none', 1, { name: 'x' }, 'then')).toEqual({ missing: true })
    expect(await jobStore(db).setArchived('none', 'then')).toBe(false)
    expect(await firmStore(db).save(3, {}, 'then')).toBeNull()
    await db.destroy()
  })
})

describe('a database of before', () => {
  it('comes to the job version of today, every job, with its drawing and counts', async () => {
    const file = join(folder(), 'juvena.sqlite')
    const before = await openDatabase(file)
    await before.raw("delete from knex_migrations where name = '003-job-version-3'")
    const body = {
      name: 'Old',
      plan: { shapes: [] },
      zones: [{ id: 'z1', frames: [] }],
      lots: [{ grass: 'browntop' }],
      pins: { 'sow-cool.sow': '2027-03-01' },
    }
    for (const [id, version, text] of [
      ['a', 1, JSON.stringify(body)],
      ['b', 2, JSON.stringify(body)],
      ['c', 3, JSON.stringify({ name: 'New' })],
    ] as const)
      await before('jobs').insert({ id, revision: 4, version, name: id, body: text, saved_at: '2027-01-01T00:00:00Z', put_away_at: null })
    await before.destroy()
    const db = await openDatabase(file)
    const jobs = jobStore(db)
    for (const id of ['a', 'b'])
      expect(await jobs.get(id)).toMatchObject({
        revision: 4,
        draft: { drawing: { shapes: [] }, zones: [{ id: 'z1', quadrats: [] }], lots: [{ id: 'l1', grass: 'browntop' }], pins: body.pins },
      })
    expect((await jobs.get('c'))!.draft).toEqual({ name: 'New' })
    expect(await db('jobs').whereNot('version', 3)).toEqual([])
    await db.destroy()
  })
})

describe('the demo', () => {
  it('fills an empty database once, and keeps one that holds anything', async () => {
    const db = await openDatabase(':memory:')
    const parts = partsOver(db, mkdtempSync(join(tmpdir(), 'juvena-photos-')), stoppedClock(DEMO_TODAY))
    expect(await fillDemo(parts)).toBe(true)
    expect((await parts.jobs.list(false)).length).toBe(demoJobs.length)
    expect(await fillDemo(parts)).toBe(false)
    await db.destroy()
  })
  it('reads clean, every job and the firm', () => {
    for (const { id, draft } of demoJobs) expect(readJob(draft).problems, id).toEqual([])
    expect(firmSchema.safeParse(demoFirm).success).toBe(true)
  })
})

describe('the season', () => {
  it('shows a job whose plan fails as such, and the others as ever', () => {
    const draft = { name: 'Fine', zones: [{ id: 'z1', area: '100 m²' }] }
    const stored = (id: string, of: unknown) => ({ id, revision: 1, name: id, savedAt: '', archivedAt: null, draft: of }) as StoredJob
    const brief = {
      weather: new Map(),
      diaries: new Map(),
      firm: firmSchema.parse({}),
      firmRevision: 1,
      stock: [],
      stockVersion: '',
      today: () => DEMO_TODAY,
    }
    const alone = seasonPlanner().rows({ ...brief, jobs: [stored('fine', draft)] })
    const rows = seasonPlanner().rows({ ...brief, jobs: [stored('broken', 'no job at all'), stored('fine', draft)] })
    expect(rows.find((r) => r.id === 'broken')).toMatchObject({ state: 'failed', name: 'broken' })
    expect(rows.filter((r) => r.id === 'fine')).toEqual(alone)
  })
  const stored = (id: string, revision = 1): StoredJob => ({
    id,
    revision,
    name: id,
    savedAt: '',
    archivedAt: null,
    draft: demoJobs.find((j) => j.id === id)!.draft,
  })
  const firm = firmSchema.parse(demoFirm)
  const today = () => DEMO_TODAY
  const brief = (jobs: StoredJob[]): SeasonBrief => ({
    jobs,
    weather: new Map(),
    diaries: new Map(),
    firm,
    firmRevision: 1,
    stock: [],
    stockVersion: '',
    today,
  })
  const spoken = (rows: SeasonRow[]) =>
    rows.map((r) => ({ ...r, trouble: r.trouble && { ...r.trouble, title: render(r.trouble.title, { units: 'metric', dialect: 'scarify' }) } }))
  it('lays out each of the demo’s jobs with its own trouble', () => {
    const rows = spoken(seasonPlanner().rows(brief(demoJobs.map((j) => stored(j.id)))))
    const of = (id: string) => rows.find((r) => r.id === id)!
    expect(of('community').state).toBe('cannot')
    expect(of('green').trouble!.title).toContain('more than the tap gives')
    expect(of('bank').approach).toBe('sow as new ground')
    expect(of('strip').sowDay! >= '2027-03-02').toBe(true)
    expect(of('guesthouse').customerDate).toBe('2027-04-24')
    expect(rows.map((r) => r.sowDay)).toEqual([...rows.map((r) => r.sowDay)].sort())
  })
  it('plans again only what has changed', () => {
    const planner = seasonPlanner()
    const one = planner.rows(brief([stored('bank'), stored('quad')]))
    const two = planner.rows(brief([stored('bank'), stored('quad', 2)]))
    const same = (id: string) => one.find((r) => r.id === id) === two.find((r) => r.id === id)
    expect([same('bank'), same('quad')]).toEqual([true, false])
    const other = planner.rows({ ...brief([stored('bank')]), firm: { ...firm, weekendWork: true }, firmRevision: 2 })
    expect(other[0]).not.toBe(one.find((r) => r.id === 'bank'))
  })
  it('a job nobody has walked is to be walked; a drafted one with wrong entries still has its row', () => {
    const rows = seasonPlanner().rows(
      brief([
        { ...stored('bank'), id: 'new', draft: { name: 'New', zones: [] } },
        { ...stored('bank'), id: 'wrong', draft: { name: 'Wrong', zones: [{ id: 'z1', area: 'abc' }] } },
      ]),
    )
    expect(rows.map((r) => [r.id, r.state, r.area])).toEqual([
      ['new', 'no-zones', null],
      ['wrong', 'no-zones', null],
    ])
  })
})

describe('clock and weather', () => {
  it('the real day is that of the site: two zones can differ, an unknown one falls back', () => {
    const days = ['Pacific/Auckland', 'Pacific/Honolulu', null, 'Nowhere/Atall'].map((zone) => realClock.today(zone))
    for (const day of days) expect(day).toMatch(/^\d{4}-\d\d-\d\d$/)
    expect(days[0]! >= days[1]!).toBe(true)
    expect([stoppedClock('2027-02-22').today('Pacific/Auckland'), stoppedClock('2027-02-22').demo]).toEqual(['2027-02-22', false])
  })
  it('neighbours share their weather, and the station says that it is simulated', async () => {
    const db = await openDatabase(':memory:')
    const weather = siteWeather(stationStore(db))
    const at = async (longitude: number) => (await weather.at(readJob({ name: 'x', site: { latitude: -44.2, longitude } }).job!, DEMO_TODAY)).outlook!
    expect(await at(170.1)).toEqual(await at(170.11))
    expect(await at(170.1)).not.toEqual(await at(171.5))
    expect([(await at(170.1)).simulated, (await at(170.1)).days.length]).toEqual([true, 10])
    await db.destroy()
  })
})
