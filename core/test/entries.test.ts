import { describe, expect, it } from 'vitest'
import { firmSchema, schoolsFor } from '../src/entities/firm.ts'
import { readJob, type JobDraft, type ZoneDraft } from '../src/entities/job.ts'
import { FILE_BYTES, FILE_PICTURE_BYTES, photosThatFit } from '../src/formats/fileSize.ts'
import { readJobFile } from '../src/formats/jobFile.ts'
import { draft, SOUTH, zone } from './makeJob.ts'
import { readFileSync, readdirSync } from 'node:fs'
import { join, resolve } from 'node:path'
import { planJob } from '../src/pipeline.ts'
import { num } from '../src/trace/figure.ts'

const sentence = (change: Partial<JobDraft>) =>
  readJob(draft(change))
    .problems.map((p) => `${p.path}: ${p.sentence}`)
    .join(' | ')
const inZone = (change: Partial<ZoneDraft>) => sentence({ zones: [zone(change)] })

describe('every entry has its bounds, and says them', () => {
  it.each<[string, string, string]>([
    [inZone({ area: 0 }), 'zones[0].area', 'outside'],
    [inZone({ area: '101 ha' }), 'zones[0].area', '100 hectares'],
    [inZone({ area: null, length: '6 km', width: 2 }), 'zones[0].length', 'outside'],
    [inZone({ slope: '2 in 1' }), 'zones[0].slope', 'wall to seed'],
    [inZone({ slope: '-3 %' }), 'zones[0].slope', 'outside'],
    [inZone({ sunHours: '20 h' }), 'zones[0].sunHours', 'no growing day'],
    [inZone({ thatch: '1 ft' }), 'zones[0].thatch', 'outside'],
    [inZone({ thatch: '16 g' }), 'zones[0].thatch', 'is a weight'],
    [inZone({ ph: 1 }), 'zones[0].ph', 'soils lie between'],
    [inZone({ heightOfCut: '1 m' }), 'zones[0].heightOfCut', 'outside'],
    [inZone({ incurable: '140 %' }), 'zones[0].incurable', 'outside'],
    [inZone({ cover: { wanted: '120 %' } }), 'zones[0].cover.wanted', 'outside'],
    [inZone({ precipitation: '0 mm/h' }), 'zones[0].precipitation', 'outside'],
    [inZone({ uniformity: 75 }), 'zones[0].uniformity', 'lowest quarter'],
    [inZone({ lowsShare: '101' }), 'zones[0].lowsShare', 'outside'],
    [
      inZone({ deductions: [{ what: 'bed', area: 'big' }] }),
      'zones[0].deductions[0].area',
      'is not an area',
    ],
    [inZone({ mower: 'goat' as never }), 'zones[0].mower', 'Choose one of'],
    [inZone({ present: ['<b>Astro turf</b>'] }), 'zones[0].present[0]', 'Choose one from the list'],
    [inZone({ name: 'x'.repeat(200) }), 'zones[0].name', 'Too long'],
    [sentence({ site: { ...SOUTH, latitude: 91 } }), 'site.latitude', 'north is positive'],
    [sentence({ site: { ...SOUTH, timeZone: 'Middle/Earth' } }), 'site.timeZone', 'no time zone'],
    [sentence({ site: { ...SOUTH, soilTemperature: '200 F' } }), 'site.soilTemperature', 'outside'],
    [sentence({ site: { ...SOUTH, tapFlow: '0' } }), 'site.tapFlow', 'outside'],
    [sentence({ customerDate: '31 April 2027' }), 'customerDate', 'does not exist'],
    [sentence({ customerDate: '3/4/27' }), 'customerDate', 'is not a date'],
    [
      sentence({ treatments: [{ id: 't1', kind: 'broadleaf', waitDays: '9 years' }] }),
      'treatments[0].waitDays',
      'not known here',
    ],
    [
      sentence({ treatments: [{ id: 't1', kind: 'magic' as never }] }),
      'treatments[0].kind',
      'Choose one of',
    ],
    [
      sentence({ lots: [{ id: 'l1', grass: 'zoysia', purity: '0 %' }] }),
      'lots[0].purity',
      'read the label',
    ],
    [sentence({ feed: { nitrogen: '60 g/m²' } }), 'feed.nitrogen', 'product rate'],
    [sentence({ feed: { grade: '60-30-30' } }), 'feed.grade', 'more than 100 %'],
    [sentence({ dressing: { depth: '2 yd' } }), 'dressing.depth', 'outside'],
    [sentence({ pins: { 'sow-cool.sow': 'soon' } }), 'pins.sow-cool.sow', 'is not a date'],
  ])('%s', (said, path, words) => {
    expect(said).toContain(`${path}: `)
    expect(said).toContain(words)
  })
  it('takes what lies on the bounds', () => {
    expect(
      inZone({
        area: '100 ha',
        slope: '1 in 1',
        sunHours: 18,
        ph: 3,
        uniformity: 0.1,
        incurable: 100,
      }),
    ).toBe('')
    expect(inZone({ cover: { wanted: 33.3, weeds: 33.3, moss: 33.3, bare: 0 } })).toBe('')
  })
  it('cover half given says what is still to give', () => {
    expect(inZone({ cover: { wanted: 60, weeds: 20 } })).toContain(
      'adds up to 80 % so far: 20 % is still to be given',
    )
    expect(inZone({ cover: { wanted: 60, weeds: 40 } })).toBe('')
    expect(inZone({ cover: {} })).toBe('')
  })
  it('one wrong entry takes nothing else with it', () => {
    const read = readJob(
      draft({ zones: [zone({ thatch: 'deep', area: '150 m²' }), zone({ id: 'z2', ph: 'sour' })] }),
    )
    expect(read.job!.zones.map((z) => [z.area, z.thatch, z.ph])).toEqual([
      [150, null, null],
      [200, 15, null],
    ])
  })
})

describe('the firm’s settings', () => {
  it('have bounds too, and defaults for everything', () => {
    expect(firmSchema.parse({})).toMatchObject({
      units: 'metric',
      dialect: 'scarify',
      weekendWork: false,
      phosphorusLaw: 'none',
    })
    for (const bad of [
      { crew: 0 },
      { hoursPerDay: '30 h' },
      { reserve: '80 %' },
      { barrow: '2 m³' },
      { feedGrade: '0-10-10' },
      { units: 'cubits' },
      { nonsense: 1 },
    ])
      expect(firmSchema.safeParse(bad).success, JSON.stringify(bad)).toBe(false)
  })
  it('a school is the job’s own, else the firm’s, else the house’s; a name nobody knows is passed over', () => {
    const firm = firmSchema.parse({ schools: { cover: 'fifty', watering: 'once-a-day' } })
    expect(schoolsFor(firm, { cover: 'thirty' })).toMatchObject({
      cover: 'thirty',
      watering: 'once-a-day',
      dressing: 'light-often',
    })
    expect(schoolsFor(firm, { cover: 'margin90' }).cover).toBe('fifty')
  })
})

describe('the examples', () => {
  const folder = resolve(import.meta.dirname, '../../examples')
  const files = readdirSync(folder).filter((f) => f.endsWith('.json'))
  it('are at least two, in US units', () => {
    const inFeet = files.filter((f) => readFileSync(join(folder, f), 'utf8').includes('sq ft'))
    expect(inFeet.length).toBeGreaterThanOrEqual(2)
  })
  it.each(files)('%s reads strictly and plans, sown before its cut-off', (name) => {
    const read = readJobFile(JSON.parse(readFileSync(join(folder, name), 'utf8')))
    if (!read.ok) throw new Error(JSON.stringify(read.problems))
    const plan = planJob(read.job, {
      today: read.today!,
      firm: firmSchema.parse({ units: 'us' }),
      diary: [],
    })
    expect(plan.packages.every((s) => s.fits)).toBe(true)
    for (const s of plan.packages) expect(s.sowDay <= String(s.cutOff.value)).toBe(true)
    const zones = plan.zones.reduce((sum, z) => sum + num(plan.figures[z.area!]!), 0)
    expect(num(plan.figures[plan.totalArea!]!)).toBeCloseTo(zones, 8)
    for (const { seed } of plan.zones)
      expect(num(seed!.half) * 2 + (seed!.onBare ? num(seed!.onBare.kg) : 0)).toBeCloseTo(
        num(seed!.kg),
        10,
      )
    expect(JSON.parse(JSON.stringify(plan))).toEqual(plan)
  })
})

describe('a job file', () => {
  it('carries the pictures traced over first, then the newest, and skips what no longer fits', () => {
    const photo = (id: string, megabytes: number, kind: 'ground' | 'plan' = 'ground') => ({
      id,
      kind,
      bytes: megabytes * 1e6,
    })
    const fit = photosThatFit([
      photo('new', 20),
      photo('wide', 30),
      photo('old', 10),
      photo('traced', 9, 'plan'),
    ])
    expect(fit.map((p) => p.id)).toEqual(['traced', 'new', 'old'])
    expect(FILE_BYTES).toBeGreaterThan((FILE_PICTURE_BYTES * 4) / 3 + 4_000_000)
  })
  it('refuses a photograph with no day or no picture, with its path', () => {
    const file = (photo: object) =>
      readJobFile({ format: 'juvena-job', version: 2, job: { name: 'x' }, photos: [photo] })
    const said = (photo: object) => {
      const read = file(photo)
      return read.ok ? [] : read.problems.map((p) => p.path)
    }
    expect(said({ id: 'a', takenOn: '2027-02-19', jpeg: 'AAAA' })).toEqual([])
    expect(said({ id: 'a', takenOn: '19 Feb', jpeg: '' })).toEqual([
      'photos[0].takenOn',
      'photos[0].jpeg',
    ])
    expect(said({ id: '../a', takenOn: '2027-02-19', jpeg: 'AAAA' })).toEqual(['photos[0].id'])
  })
})

describe('a first frost belongs to the autumn of its half of the world', () => {
  const sentence = (latitude: number | null, frost: string) =>
    readJob({ name: 'x', zones: [], site: { latitude, frost } }).problems[0]?.sentence ?? ''
  it('the wrong half-year is refused with what would be right there; near the equator nothing is', () => {
    expect(sentence(52, '25 Apr')).toMatch(/^25 Apr is in the spring half .*north.* like \d+ Sep/)
    expect(sentence(-44.2, '10 Oct')).toMatch(
      /^10 Oct is in the spring half .*south.* like \d+ Apr/,
    )
    for (const [latitude, frost] of [
      [52, '14 Oct'],
      [41, '10 Jan'],
      [-44.2, '25 Apr'],
      [-34, '20 Jul'],
      [12, '25 Apr'],
      [null, '25 Apr'],
    ] as const)
      // prettier-ignore
      expect([latitude, sentence(latitude, frost)]).toEqual([latitude, ''])
  })
})

describe('entries that are objects of a program', () => {
  it('are wrong entries like any other: no field asks an object what it is', () => {
    const nasty = [
      { toString: 1 },
      { toString: 'x', valueOf: 2 },
      Object.create(null) as object,
      [{ toString: null }],
      { toJSON: 3, constructor: { name: 4 } },
    ]
    const zone = Object.keys(readJob({ name: 'x', zones: [{ id: 'z1' }] }).job!.zones[0]!)
    const job = Object.keys(readJob({ name: 'x' }).job!)
    const site = Object.keys(readJob({ name: 'x' }).job!.site)
    for (const bad of nasty) {
      for (const key of zone) readJob({ name: 'x', zones: [{ id: 'z1', [key]: bad }] })
      for (const key of job) readJob({ name: 'x', [key]: bad })
      for (const key of site) readJob({ name: 'x', site: { [key]: bad } })
      expect(readJob({ name: 'x', zones: [{ id: 'z1', texture: bad }] }).problems[0]?.sentence).toMatch(/^(a list|an object with named parts) is not/) // prettier-ignore
    }
  })
})
