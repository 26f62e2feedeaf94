import { isDeepStrictEqual } from 'node:util'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { blankEntry } from '../src/entities/diary.ts'
import { stationClimate } from '../src/climate/stationClimate.ts'
import type { WeatherDay } from '../src/climate/weatherSeries.ts'
import { addDays } from '../src/calendar/day.ts'
import { firmSchema, type FirmDraft } from '../src/entities/firm.ts'
import { readJob, type Job, type JobDraft } from '../src/entities/job.ts'
import { stationSchema, type StationDraft } from '../src/entities/station.ts'
import { planJob } from '../src/pipeline.ts'
import type { Context } from '../src/plan/context.ts'
import { Memo } from '../src/trace/memo.ts'
import { zone } from './makeJob.ts'
import { anyJob } from './randomJob.ts'

const TODAY = '2027-02-22'
const NORMALS: NonNullable<StationDraft['normals']> = {
  low: [10, 10, 8, 5, 2, -1, -2, -1, 2, 4, 6, 9],
  high: [23, 23, 20, 16, 12, 8, 8, 10, 13, 16, 19, 21],
  rain: [48, 42, 50, 52, 60, 56, 50, 54, 48, 52, 50, 54],
  wetDays: [8, 7, 8, 9, 10, 10, 10, 10, 9, 10, 9, 9],
}
const station = (normals: Partial<typeof NORMALS> = {}) =>
  stationClimate(
    's',
    stationSchema.parse({
      name: 'Made up',
      latitude: -44,
      longitude: 170,
      elevation: 300,
      normals: { ...NORMALS, ...normals },
    }),
    false,
    [],
  )
/** Two hundred days up to yesterday; `bend` alters each by its place in the row. */
const record = (bend: (i: number) => number = () => 0): WeatherDay[] =>
  Array.from({ length: 200 }, (_, i) => ({
    day: addDays(TODAY, i - 200),
    low: 8 + bend(i),
    high: 20 + bend(i),
    rain: 1,
  }))

const FIRM: FirmDraft = {}
const base = (): Context => ({
  today: TODAY,
  firm: firmSchema.parse(FIRM),
  diary: [],
  station: station(),
  recent: record(),
})
/** A context that differs in one thing: every field of it, and of the firm. */
const CONTEXTS: Record<string, Partial<Context>> = {
  today: { today: '2027-03-09' },
  firm: {},
  diary: {
    diary: [
      {
        ...blankEntry('probe-entry-1', TODAY, 'soil'),
        step: '',
        read: { rain: null, soil: 9 },
      },
    ],
  },
  outlook: {
    outlook: {
      source: 'x',
      simulated: false,
      days: Array.from({ length: 10 }, (_, i) => ({
        day: addDays(TODAY, i),
        low: 20,
        high: 36,
        rain: 30,
        wind: 5,
        soil: 14,
      })),
    },
  },
  station: { station: station({ high: NORMALS.high.map((h) => h + 8) }) },
  recent: { recent: record((i) => (i > 60 && i < 140 ? 6 : 0)) },
  stock: {},
  jobId: { jobId: 'j' },
}
const FIRMS: Partial<Record<keyof FirmDraft, FirmDraft>> = {
  units: { units: 'us' },
  crew: { crew: 5 },
  hoursPerDay: { hoursPerDay: 4 },
  weekendWork: { weekendWork: true },
  feedGrade: { feedGrade: '10-5-5' },
  seedBags: { seedBags: [{ id: 'b', size: '3 kg', price: 20 }] },
  prices: {
    prices: {
      labour: 40,
      products: [{ id: 'f', kind: 'feed', packs: [{ size: '7 kg', price: 9 }] }],
    },
  },
  nitrogenBans: { nitrogenBans: [{ id: 'n', from: '1 Jan', to: '31 Dec' }] },
  swath: { swath: '3 m' },
  strip: { strip: '20 m' },
  scaleStep: { scaleStep: '100 g' },
  handful: { handful: '90 g' },
  calibrations: {
    calibrations: [12, 16].map((setting) => ({
      id: `c${setting}`,
      grass: 'perennial-ryegrass',
      setting,
      grams: `${setting * 12} g`,
      swath: '2 m',
      strip: '10 m',
    })),
  },
  reserve: { reserve: 30 },
  settling: { settling: 40 },
  oversize: { oversize: 30 },
  barrow: { barrow: '60 L' },
  phosphorusLaw: { phosphorusLaw: 'barred' },
  schools: { schools: { season: 'autumn', shade: 'renewed', cutOff: 'safe' } },
  values: {
    values: { 'mix.step': 10, 'fit.light': 1, 'rate.scarify': 100, 'window.coolFrom': 15 },
  },
  grasses: { grasses: [{ id: 'perennial-ryegrass', from: 'perennial-ryegrass', sunLeast: 8 }] },
}

/** The job with one thing of another job's in it, for every field of both, nested ones one by one. */
function* oneFieldFrom(job: Job, other: Job): Generator<[string, Job]> {
  for (const key of Object.keys(job) as (keyof Job)[]) {
    if (key === 'zones') continue
    if (key === 'site')
      for (const part of Object.keys(job.site) as (keyof Job['site'])[])
        yield [`site.${part}`, { ...job, site: { ...job.site, [part]: other.site[part] } }]
    else yield [key, { ...job, [key]: other[key] }]
  }
  const [mine, theirs] = [job.zones[0], other.zones[0]]
  if (!mine || !theirs) return
  for (const part of Object.keys(mine) as (keyof typeof mine)[])
    if (part !== 'id')
      yield [
        `zone.${part}`,
        { ...job, zones: [{ ...mine, [part]: theirs[part] }, ...job.zones.slice(1)] },
      ]
}

const same = (name: string, job: Job, context: Context, memo: Memo) => {
  const [kept, fresh] = [planJob(job, { ...context, memo }), planJob(job, context)]
  if (!isDeepStrictEqual(kept, fresh)) expect(kept, name).toEqual(fresh)
}
const jobOf = (draft: JobDraft): Job => readJob(draft).job!

describe('a kept plan is the plan', () => {
  const lawn = (change: object = {}) => ({
    name: 'x',
    waterer: 'x',
    site: { latitude: -44.2, frost: '25 Apr' },
    zones: [zone({}), zone({ id: 'z2', name: 'Shade', sunHours: 3.4, ...change })],
  })
  it('whatever one field of a job is changed, on any job', () => {
    fc.assert(
      fc.property(anyJob, anyJob, (a, b) => {
        const memo = new Memo()
        const [job, other] = [jobOf(a.draft), jobOf(b.draft)]
        const context = { today: a.today, firm: firmSchema.parse({}), diary: [] }
        same('as it is', job, context, memo)
        for (const [name, changed] of oneFieldFrom(job, other))
          if (!isDeepStrictEqual(job, changed)) same(name, changed, context, memo)
      }),
      { numRuns: 2 },
    )
  })
  it('whatever one thing beside the job is changed', () => {
    const memo = new Memo()
    const job = jobOf(lawn())
    same('as it is', job, base(), memo)
    for (const [name, change] of Object.entries(CONTEXTS)) {
      same(name, job, { ...base(), ...change }, memo)
      same(`back from ${name}`, job, base(), memo)
    }
    for (const [name, draft] of Object.entries(FIRMS)) {
      same(name, job, { ...base(), firm: firmSchema.parse(draft) }, memo)
      same(`back from ${name}`, job, base(), memo)
    }
  })
  it('names every field of a firm that a plan could hang on', () => {
    const worded = [
      'name',
      'address',
      'phone',
      'dialect',
      'letterKeys',
      'paper',
      'currency',
      'coinDecimals',
    ]
    expect([...Object.keys(FIRMS), ...worded].sort()).toEqual(
      Object.keys(firmSchema.parse({})).sort(),
    )
  })
  it('a station whose days are hotter by as much all the year round moves fit, mix and kilograms', () => {
    const memo = new Memo()
    const job = jobOf({ ...lawn(), zones: [zone({ present: [], sowing: 'new' })] })
    const hot = { ...base(), station: station({ high: NORMALS.high.map((h) => h + 8) }) }
    const before = planJob(job, { ...base(), memo })
    same('hot', job, hot, memo)
    expect(planJob(job, hot).zones[0]!.seed).not.toEqual(before.zones[0]!.seed)
  })
  it('days mended in the middle of a record move the window', () => {
    const memo = new Memo()
    const job = jobOf({ ...lawn(), schools: { season: 'spring' } })
    const spring = { ...base(), today: '2027-09-05' }
    const days = (bend: (i: number) => number) =>
      record((i) => bend(i) - 5).map((w, i) => ({ ...w, day: addDays(spring.today, i - 200) }))
    const [read, mended] = [days(() => 0), days((i) => (i === 199 ? 0 : 6))]
    const before = planJob(job, { ...spring, recent: read, memo })
    same('mended', job, { ...spring, recent: mended }, memo)
    const after = planJob(job, { ...spring, recent: mended, memo })
    const opens = (plan: typeof after) =>
      plan.packages[0]!.window.find((w) => w.state !== 'shut')!.from
    expect(opens(after) < opens(before)).toBe(true)
  })
})

describe('a memo', () => {
  it('keeps no more than it has room for, and forgets what was asked for longest ago', () => {
    const memo = new Memo(3)
    const worked: string[] = []
    const ask = (name: string, of = 1, weighs = 1) =>
      memo.recall(name, { of }, (inputs) => worked.push(`${name}${inputs.of}`), weighs)
    for (const name of ['a', 'b', 'c']) ask(name)
    ask('a')
    ask('d')
    expect(memo.size).toEqual({ answers: 3, room: 3 })
    ask('a')
    ask('b')
    expect(worked).toEqual(['a1', 'b1', 'c1', 'd1', 'b1'])
    ask('heavy', 1, 9)
    expect(memo.size.answers).toBe(1)
  })
  it('gives its work frozen inputs, and one of two versions is not the other', () => {
    const memo = new Memo()
    const ask = (version: string) =>
      memo.recall('x', { of: { version } }, (inputs) => {
        expect(Object.isFrozen(inputs)).toBe(true)
        return version
      })
    expect([ask('1'), ask('2'), ask('2')]).toEqual(['1', '2', '2'])
  })
  it('keeps few of many places', () => {
    const memo = new Memo()
    for (let i = 0; i < 40; i++) {
      const job = jobOf({ name: 'x', site: { latitude: -40 - i / 10 } })
      planJob(job, { today: TODAY, firm: firmSchema.parse({}), diary: [], memo })
    }
    expect(memo.size.room).toBeLessThanOrEqual(1024)
    expect(memo.size.answers).toBeLessThan(40)
  })
})
