import { mkdtempSync, readdirSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterEach, describe, expect, it } from 'vitest'
import { addDays } from '@juvena/core/calendar/day'
import { firmSchema } from '@juvena/core/entities/firm'
import { JOB_VERSION, readJob } from '@juvena/core/entities/job'
import { realClock, stoppedClock } from '../src/clock.ts'
import { fillDemo } from '../src/demo/fill.ts'
import { demoFirm, demoJobs, DEMO_TODAY } from '../src/demo/jobs.ts'
import { render } from '@juvena/core/present/render'
import type { SeasonRow } from '@juvena/core/present/seasonRow'
import { keptPlan } from '../src/store/keptPlan.ts'
import { failedPlan } from '../src/threads/planForSeason.ts'
import type { Parts } from '../src/routes/route.ts'
import { plannedStore } from '../src/store/plannedStore.ts'
import { revisionStore, thinned } from '../src/store/revisionStore.ts'
import { siteWeather } from '../src/siteWeather.ts'
import { stationStore } from '../src/store/stationStore.ts'
import { partsOver } from '../src/parts.ts'
import { blankEntry } from '@juvena/core/entities/diary'
import { openDatabase } from '../src/store/database.ts'
import { diaryStore } from '../src/store/diaryStore.ts'
import { firmStore } from '../src/store/firmStore.ts'
import { jobStore, UNREADABLE } from '../src/store/jobStore.ts'

const folders: string[] = []
afterEach(() => folders.splice(0).forEach((f) => rmSync(f, { recursive: true, force: true })))
const folder = () => {
  const made = mkdtempSync(join(tmpdir(), 'juvena-store-'))
  folders.push(made)
  return made
}
const entry = (id: string) => blankEntry(id, '2027-02-23', 'cut')

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
    await expect(diaryStore(db).append('nobody', entry('entry-0001'), 'then')).rejects.toThrow(
      'FOREIGN KEY',
    )
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
    const ids = async (job: string) => (await diaryStore(db).of(job)).map((e) => e.id)
    expect([await ids('a'), await ids('b'), await ids('c')]).toEqual([
      ['entry-000a', 'entry-000c'],
      ['entry-000b'],
      [],
    ])
    // As text it is the same, of entries of today's shape and of older ones.
    await db.raw('INSERT INTO diary (id, job_id, body, received_at) VALUES (?, ?, ?, ?)', [
      'entry-000d',
      'a',
      '{"id":"entry-000d","date":"2026-03-01","what":"old"}',
      'then',
    ])
    expect(JSON.parse(await diaryStore(db).text('a'))).toEqual(await diaryStore(db).of('a'))
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
      await before('jobs').insert({
        id,
        revision: 4,
        version,
        name: id,
        body: text,
        saved_at: '2027-01-01T00:00:00Z',
        put_away_at: null,
      })
    await before.destroy()
    const db = await openDatabase(file)
    const jobs = jobStore(db)
    for (const id of ['a', 'b'])
      expect(await jobs.get(id)).toMatchObject({
        revision: 4,
        draft: {
          drawing: { shapes: [] },
          zones: [{ id: 'z1', quadrats: [] }],
          lots: [{ id: 'l1', grass: 'browntop' }],
          pins: body.pins,
        },
      })
    expect((await jobs.get('c'))!.draft).toEqual({ name: 'New' })
    expect(await db('jobs').whereNot('version', 3)).toEqual([])
    await db.destroy()
  })
})

describe('the demo', () => {
  it('fills an empty database once, and keeps one that holds anything', async () => {
    const db = await openDatabase(':memory:')
    const parts = partsOver(
      db,
      mkdtempSync(join(tmpdir(), 'juvena-firm-')),
      stoppedClock(DEMO_TODAY),
    )
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
  /** A firm of its own in memory, and its rows as they stand once all are worked. */
  async function firmOf(fill: (parts: Parts) => Promise<unknown>) {
    const db = await openDatabase(':memory:')
    const parts = partsOver(
      db,
      mkdtempSync(join(tmpdir(), 'juvena-firm-')),
      stoppedClock(DEMO_TODAY),
    )
    await fill(parts)
    return {
      db,
      parts,
      async rows(): Promise<SeasonRow[]> {
        expect(await parts.season.fresh(60_000)).toBe(0)
        return (await parts.season.rows()).rows.map((row) => JSON.parse(row) as SeasonRow)
      },
      async end() {
        await parts.season.stop()
        await db.destroy()
      },
    }
  }
  const spoken = (rows: SeasonRow[]) =>
    rows.map((r) => ({
      ...r,
      trouble: r.trouble && {
        ...r.trouble,
        title: render(r.trouble.title, { units: 'metric', dialect: 'scarify' }),
      },
    }))

  it('lays out each of the demo’s jobs with its own trouble', async () => {
    const firm = await firmOf(fillDemo)
    const rows = spoken(await firm.rows())
    const of = (id: string) => rows.find((r) => r.id === id)!
    expect(of('community').state).toBe('cannot')
    expect(of('green').trouble!.title).toContain('more than the tap gives')
    expect(of('bank').approach).toBe('sow as new ground')
    expect(of('guesthouse').customerDate).toBe('2027-04-24')
    expect(rows.map((r) => r.sowDay)).toEqual([...rows.map((r) => r.sowDay)].sort())
    await firm.end()
  })

  it('a row that is damaged, of a newer version, or no job at all shows as such and takes no other down', async () => {
    const firm = await firmOf(async ({ jobs }) => {
      for (const id of ['fine', 'damaged', 'newer', 'list', 'diary'])
        await jobs.create({ name: id, zones: [{ id: 'z1', area: '100 m²' }] }, 'then', id)
    })
    const alone = (await firm.rows()).find((r) => r.id === 'fine')
    const spoil = async (id: string, change: object | null) => {
      if (change) await firm.db('jobs').where({ id }).update(change)
      await firm.db('planned').where({ job_id: id }).update({ stale: 1 })
    }
    await spoil('damaged', { body: '{"name":"dam' })
    await spoil('newer', { version: JOB_VERSION + 1 })
    await spoil('list', { body: '[1,2]' })
    await firm.db.raw('INSERT INTO diary (id, job_id, body, received_at) VALUES (?, ?, ?, ?)', [
      'entry-0bad',
      'diary',
      '{"id":',
      'then',
    ])
    await spoil('diary', null)
    const rows = spoken(await firm.rows())
    expect(rows.find((r) => r.id === 'fine')).toEqual(spoken([alone!])[0])
    expect(Object.fromEntries(rows.map((r) => [r.id, r.state]))).toEqual({
      fine: alone!.state,
      damaged: 'failed',
      newer: 'failed',
      list: 'failed',
      diary: 'failed',
    })
    expect(rows.find((r) => r.id === 'damaged')!.trouble!.title).toBe(UNREADABLE.damaged)
    expect(rows.find((r) => r.id === 'newer')!.trouble!.title).toBe(UNREADABLE.newer)
    // Such a job is not saved over, and can be archived and restored.
    await expect(firm.parts.jobs.save('newer', 1, { name: 'x' }, 'then')).rejects.toThrow(
      UNREADABLE.newer,
    )
    await expect(firm.parts.jobs.get('damaged')).rejects.toThrow(UNREADABLE.damaged)
    expect(await firm.parts.jobs.setArchived('damaged', 'then')).toBe(true)
    expect((await firm.rows()).some((r) => r.id === 'damaged')).toBe(false)
    await firm.end()
  })

  it('works again only what has changed: a job, its diary, the firm, the seed of those that sow from it, the day', async () => {
    let today = DEMO_TODAY
    const db = await openDatabase(':memory:')
    const parts = partsOver(db, mkdtempSync(join(tmpdir(), 'juvena-firm-')), {
      ...stoppedClock(DEMO_TODAY),
      today: () => today,
    })
    for (const id of ['a', 'b'])
      await parts.jobs.create({ name: id, zones: [{ id: 'z1', area: '100 m²' }] }, 'then', id)
    const stale = async (): Promise<string[]> => {
      await parts.season.fresh(0)
      const ids = (await db('planned').where({ stale: 1 }).orderBy('job_id').select('job_id')) as {
        job_id: string
      }[]
      expect(await parts.season.fresh(60_000)).toBe(0)
      return ids.map((r) => r.job_id)
    }
    await stale()
    expect(await stale()).toEqual([])
    await parts.jobs.save('a', 1, { name: 'a', zones: [{ id: 'z1', area: '90 m²' }] }, 'then')
    expect(await stale()).toEqual(['a'])
    await parts.diary.append('b', entry('entry-0001'), 'then')
    expect(await stale()).toEqual(['b'])
    await parts.diary.append('b', entry('entry-0001'), 'then')
    expect(await stale()).toEqual([])
    await parts.firm.save(0, { weekendWork: true }, 'then')
    expect(await stale()).toEqual(['a', 'b'])
    await parts.stockStore.create([{ lot: { number: '27-1' }, received: null }], 'then')
    expect(await stale()).toEqual([])
    await parts.jobs.setArchived('b', 'then')
    today = '2027-02-23'
    expect(await stale()).toEqual(['a'])
    await parts.jobs.setArchived('b', null)
    expect(await stale()).toEqual(['b'])
    await parts.season.stop()
    await db.destroy()
  })

  it('a job that changes while it is planned is planned again', async () => {
    const firm = await firmOf(({ jobs }) =>
      jobs.create({ name: 'a', zones: [{ id: 'z1', area: '100 m²' }] }, 'then', 'a'),
    )
    const store = plannedStore(firm.db)
    const { touched } = (await store.stale(1))[0]!
    const made = keptPlan(failedPlan('a', 'a'))
    await firm.parts.jobs.save('a', 1, { name: 'a2' }, 'then')
    await store.keep('a', touched, DEMO_TODAY, made)
    expect(await store.staleCount()).toBe(1)
    expect((await firm.rows())[0]!.name).toBe('a2')
    await firm.end()
  })

  it('a job nobody has walked is to be walked; a drafted one with wrong entries still has its row', async () => {
    const firm = await firmOf(async ({ jobs }) => {
      await jobs.create({ name: 'New', zones: [] }, 'then', 'new')
      await jobs.create({ name: 'Wrong', zones: [{ id: 'z1', area: 'abc' }] }, 'then', 'wrong')
    })
    expect((await firm.rows()).map((r) => [r.id, r.state, r.area])).toEqual([['new', 'no-zones', null], ['wrong', 'no-zones', null]]) // prettier-ignore
    await firm.end()
  })

  it('gives pages, and those with work between two days', async () => {
    const firm = await firmOf(async ({ jobs }) => {
      for (let i = 0; i < 7; i++) await jobs.create({ name: `Lawn ${i}`, site: { latitude: -44, frost: '25 Apr' }, zones: [{ id: 'z1', area: '60 m²', cover: { wanted: 55, weeds: 0, moss: 0, bare: 45 } }] }, 'then', `j${i}`) // prettier-ignore
    })
    const all = await firm.rows()
    const [first, rest] = [
      await firm.parts.season.rows({ most: 5, from: 0 }),
      await firm.parts.season.rows({ most: 5, from: 5 }),
    ]
    expect([first.total, first.rows.length, rest.rows.length]).toEqual([7, 5, 2])
    expect([...first.rows, ...rest.rows].map((r) => (JSON.parse(r) as SeasonRow).id)).toEqual(
      all.map((r) => r.id),
    )
    const days = all[0]!.steps.map((s) => s.day).sort()
    expect((await firm.parts.season.rows(undefined, [days[0]!, days[0]!])).total).toBe(7)
    expect((await firm.parts.season.rows(undefined, ['2029-01-01', '2029-12-31'])).total).toBe(0)

    // What the days ask is summed over all jobs, whatever page is shown.
    const load = await firm.parts.season.load(DEMO_TODAY, 62)
    const on = (day: string) =>
      all.flatMap((r) =>
        r.steps.filter((s) => s.day === day && s.state !== 'done' && s.state !== 'unrecorded'),
      )
    for (const { day, steps, crewHours, watered } of load.days) {
      expect(steps, day).toBe(on(day).length)
      expect(crewHours, day).toBeCloseTo(
        on(day).reduce((sum, s) => sum + s.hours * s.people, 0),
        9,
      )
      expect(watered, day).toBe(
        all.filter((r) => r.sowDay! <= day && day < addDays(r.sowDay!, 28)).length,
      )
    }
    expect(load.days.some((d) => d.watered === 7)).toBe(true)
    const after = load.days.at(-1)!.day
    expect(load.next).toBe(all.flatMap((r) => r.steps.map((s) => s.day)).filter((d) => d > after).sort()[0] ?? null) // prettier-ignore
    await firm.end()
  })
})

describe('a customer who is erased', () => {
  it('goes with everything but the records of products, and only once the job is archived', async () => {
    const at = folder()
    const db = await openDatabase(':memory:')
    const parts = partsOver(db, at, stoppedClock(DEMO_TODAY))
    await parts.jobs.create({ name: 'Hill lawn', customer: 'A. Person', phone: '021', notes: 'gate code 1', site: { address: '1 Lane' }, zones: [{ id: 'z1', name: 'Mrs Person’s side', area: '90 m²', notes: 'key under pot' }] }, 'then', 'a') // prettier-ignore
    await parts.diary.append('a', entry('entry-0001'), 'then')
    await parts.diary.append(
      'a',
      {
        ...entry('entry-0002'),
        what: 'Sprayed Mrs Person’s side',
        product: 'Selective',
        amount: '2 L',
        who: 'Sam',
        note: 'she was in',
      },
      'then',
    )
    const picture = {
      large: Buffer.from('x'),
      small: Buffer.from('x'),
      width: 1,
      height: 1,
      takenOn: null,
      position: null,
    }
    await parts.photos.add(
      { id: 'photo-0001', jobId: 'a', zone: null, kind: 'ground', takenOn: DEMO_TODAY, note: '' },
      picture,
      'then',
    )
    expect(await parts.eraseCustomer('a', 'then')).toBeNull()
    await db('observations').insert({ job_id: 'a', value: 'rate.sow', seen_on: DEMO_TODAY, body: '{"where":"Mrs Person’s side"}' }) // prettier-ignore
    await parts.jobs.setArchived('a', 'then')
    expect(await parts.eraseCustomer('a', 'then')).toEqual({
      records: 1,
      entries: 1,
      photographs: 1,
      traces: false,
    })
    const left = JSON.stringify([
      await db('jobs'),
      await db('diary'),
      await db('job_revisions'),
      await db('photos'),
      await db('planned'),
      await db('planned_parts'),
      await db('observations'),
    ])
    for (const word of ['Person', '021', 'gate', 'Lane', 'pot', 'she was in', 'photo-0001'])
      expect(left).not.toContain(word)
    expect(readdirSync(join(at, 'photos'))).toEqual([])
    const [record] = await parts.diary.of('a')
    expect(record).toMatchObject({
      product: 'Selective',
      amount: '2 L',
      who: 'Sam',
      what: 'Selective',
      note: '',
    })
    // The diary of everybody else, and of this job from now on, stays append-only.
    await expect(db('diary').delete()).rejects.toThrow('append-only')
    await parts.season.stop()
    await db.destroy()
  })
})

describe('the history of a job', () => {
  const at = (minutes: number) =>
    new Date(Date.UTC(2027, 1, 22, 9) + minutes * 60_000).toISOString()
  it('keeps each save with its device, and gives back the draft as it was', async () => {
    const db = await openDatabase(':memory:')
    const [jobs, revisions] = [jobStore(db), revisionStore(db)]
    await jobs.create({ name: 'one' }, at(0), 'a')
    await jobs.save('a', 1, { name: 'two' }, at(1), 'phone')
    expect(await revisions.of('a')).toEqual([{ revision: 2, savedAt: at(1), device: 'phone' }, { revision: 1, savedAt: at(0), device: '' }]) // prettier-ignore
    expect(await revisions.draft('a', 1)).toEqual({ name: 'one' })
    expect([await revisions.draft('a', 3), await revisions.draft('b', 1)]).toEqual([null, null])
    await db.destroy()
  })
  it('thins with age: all of the last minutes, one in ten minutes of a day, the last of all always', () => {
    const saves = [0, 1, 2, 11, 12, 25, 1000, 1001, 1002].map((m, i) => ({
      revision: i + 1,
      savedAt: at(m),
    }))
    // From 1005: those over ten minutes old lie in stretches 9:00, 9:10 and 9:20.
    expect(thinned(saves, at(1005))).toEqual([1, 2, 4])
    expect(thinned(saves.slice(-3), at(1005))).toEqual([])
    expect(thinned(saves, at(60 * 24 * 4000)).includes(9)).toBe(false)
  })
})

describe('clock and weather', () => {
  it('the real day is that of the site: two zones can differ, an unknown one falls back', () => {
    const days = ['Pacific/Auckland', 'Pacific/Honolulu', null, 'Nowhere/Atall'].map((zone) =>
      realClock.today(zone),
    )
    for (const day of days) expect(day).toMatch(/^\d{4}-\d\d-\d\d$/)
    expect(days[0]! >= days[1]!).toBe(true)
    expect([
      stoppedClock('2027-02-22').today('Pacific/Auckland'),
      stoppedClock('2027-02-22').demo,
    ]).toEqual(['2027-02-22', false])
  })
  it('neighbours share their weather, and the station says that it is simulated', async () => {
    const db = await openDatabase(':memory:')
    const weather = siteWeather(stationStore(db))
    const at = async (longitude: number) =>
      (
        await weather.at(
          readJob({ name: 'x', site: { latitude: -44.2, longitude } }).job!,
          DEMO_TODAY,
        )
      ).outlook!
    expect(await at(170.1)).toEqual(await at(170.11))
    expect(await at(170.1)).not.toEqual(await at(171.5))
    expect([(await at(170.1)).simulated, (await at(170.1)).days.length]).toEqual([true, 10])
    await db.destroy()
  })
})
