import { describe, expect, it } from 'vitest'
import { addDays } from '../src/calendar/day.ts'
import { blankEntry, diaryEntry, type DiaryEntry } from '../src/entities/diary.ts'
import { firmSchema } from '../src/entities/firm.ts'
import { readFrameCounts } from '../src/entities/frameCounts.ts'
import { readJob, type JobDraft } from '../src/entities/job.ts'
import { withSownAgain } from '../src/entities/sownAgain.ts'
import { logSince, wateredDays } from '../src/establish/waterLog.ts'
import { knownOf, type TakeFacts } from '../src/establish/take/known.ts'
import { againSaid, takeSaidFirst, whoPays } from '../src/present/takeSaid.ts'
import type { TakeSeen } from '../src/reference/takeSigns.ts'
import { takeOfJob } from '../src/takeOfJob.ts'
import { Memo } from '../src/trace/memo.ts'
import { draft, planOf, said, SOUTH, zone } from './makeJob.ts'

const SOWN = '2027-02-01'
const firm = firmSchema.parse({})
const memo = new Memo(10_000)
const sow = (date = SOWN, zones = ['z1']): DiaryEntry => ({ ...blankEntry(`sow-${date}`, date, 'Sow'), step: `sow/${zones[0]}`, stepZones: zones }) // prettier-ignore
const water = (date: string, of: number, days: number, mm: number | null = null): DiaryEntry => ({ ...blankEntry(`water-${date}-${of}`, date, 'Watered'), watered: { of, days, mm } }) // prettier-ignore
const take = (
  change: Partial<JobDraft>,
  seen: TakeSeen,
  {
    today = '2027-02-22',
    diary = [sow()],
    missing = 40 as number | null,
    recent = [] as { day: string; low: number; high: number; rain: number }[],
  } = {},
) =>
  // prettier-ignore
  takeOfJob(draft(change), { today, firm, diary, recent, memo }, { zone: 'z1', seen, missing })!
const dry = (days: number, from = SOWN) => Array.from({ length: days }, (_, i) => ({ day: addDays(from, i), low: 12, high: 27, rain: 0 })) // prettier-ignore

describe('a zone that does not come up', () => {
  it('is bare as usual before it may be judged, and lost after its weeks', () => {
    const early = take({}, { seedlings: 'none' }, { today: addDays(SOWN, 4) })
    expect(said(takeSaidFirst(early, addDays(SOWN, 4), 'none'))).toMatch(/^Too early to judge/)
    const late = take({}, { seedlings: 'none' }, { today: addDays(SOWN, 60) })
    expect(said(takeSaidFirst(late, addDays(SOWN, 60), 'none'))).toMatch(/lost: stop watering/)
  })
  it('follows the seedbed under the water that was logged, and says what was not', () => {
    const recent = dry(22)
    const kept = take({}, {}, { recent, diary: [sow(), water('2027-02-22', 22, 22)] })
    const half = take({}, {}, { recent, diary: [sow(), water('2027-02-22', 22, 8)] })
    const none = take({}, {}, { recent, diary: [sow(), water('2027-02-22', 22, 0)] })
    expect(kept.known).toMatchObject({ water: 'kept' })
    expect(none.known).toMatchObject({ water: 'hardly' })
    expect(kept.bed!.near.dryHours).toBeLessThanOrEqual(half.bed!.near.dryHours)
    expect(half.bed!.near.dryDays.length).toBeLessThanOrEqual(none.bed!.near.dryDays.length)
    expect(none.bed!.near.dryDays.length).toBeGreaterThan(10)
    // Nobody wrote anything down: nothing is claimed of its water.
    const silent = take({}, {}, { recent })
    expect(silent.known.water).toBeUndefined()
    expect(silent.known.dry).toBeUndefined()
    expect(silent.bed!.log).toMatchObject({ logged: 0, watered: 0 })
    // A gauge of next to nothing is no water.
    const gauge = take({}, {}, { recent, diary: [sow(), water('2027-02-22', 22, 22, 0.1)] })
    expect(gauge.bed!.near.dryDays.length).toBeGreaterThan(10)
  })
  it('where least falls is never wetter than where the mean does', () => {
    const { bed } = take({ zones: [zone({ cans: '14 12 11 9 6 4 3 5 mm', cansMinutes: 30 })] }, {}, { recent: dry(22) }) // prettier-ignore
    expect(bed!.far!.driest.every((far, i) => far <= bed!.near.driest[i]! + 1e-6)).toBe(true)
  })
  it('cans in the readings answer for themselves; what a person says goes before', () => {
    const cans = { zones: [zone({ cans: '14 12 11 9 6 4 3 5 mm', cansMinutes: 30 })] }
    const share = (seen: TakeSeen, change = cans) => take(change, seen).verdict.causes.find((c) => c.cause === 'part-dry')!.share // prettier-ignore
    expect(share({ seedlings: 'patches' })).toBeGreaterThan(share({ seedlings: 'patches', cans: 'even' })) // prettier-ignore
  })
  it('what was sown inside a wait, shut or packed ground is known without asking', () => {
    const within = take({ treatments: [{ id: 't1', kind: 'pre-emergence', date: '2027-01-10' }] }, {}) // prettier-ignore
    expect(within.known.wait).toBe('within')
    expect(within.verdict.causes[0]!.cause).toBe('residue')
    expect(within.verdict.likely).toBeNull()
    expect(take({ treatments: [{ id: 't1', kind: 'broadleaf', date: '2026-10-01' }] }, {}).known.wait).toBe('clear') // prettier-ignore
    expect(take({}, {}).known.firm).toBe('packed')
    const cored: DiaryEntry = { ...blankEntry('core-tick', SOWN, 'Core'), step: 'core/z1', stepZones: ['z1'] } // prettier-ignore
    expect(take({}, {}, { diary: [sow(), cored] }).known.firm).toBeUndefined()
  })
  it('plans the missing ground whole: its share of seed, within the season, or the next one', () => {
    const now = take({ zones: [zone({ penetration: 'effort' })] }, {}, { missing: 50 })
    const all = take({ zones: [zone({ penetration: 'effort' })] }, {}, { missing: null })
    expect(all.again!.kg).toBeCloseTo(2 * now.again!.kg, 6)
    expect(now.again!.area).toBeCloseTo(100, 6)
    expect([now.again!.fits, now.again!.later]).toEqual([true, null])
    expect(now.again!.day >= '2027-02-22' && now.again!.day <= now.again!.latest!).toBe(true)
    const late = take({}, {}, { today: '2027-05-10' })
    const sentence = said(againSaid(late))[0]!
    expect(late.again!.fits && !late.again!.later).toBe(false)
    expect(sentence).toMatch(/^(This season is over|Too late for the proper seed)/)
    // The same in the other half of the world, half a year on.
    const north = take({ site: { ...SOUTH, latitude: 44.2, frost: '25 Oct', soilReadOn: '2027-08-22' } }, {}, { today: '2027-08-24', diary: [sow('2027-08-03')] }) // prettier-ignore
    expect(north.again!.fits).toBe(true)
  })
  it('names who pays only once a cause is likely', () => {
    const lot = take({}, { seedlings: 'none', dug: 'rotten', paper: 'dead' })
    expect(said(whoPays(lot))).toMatch(/supplier/)
    expect(said(whoPays(take({}, { seedlings: 'none' })))).toMatch(/until the cause is found/)
  })
  it('counts stand against what was promised; one of another day or zone does not', () => {
    const count = (date: string, plants: number[], of = 'z1'): DiaryEntry => ({ ...blankEntry(`count-${date}-${of}`, date, 'Counted'), zone: of, counted: { side: 0.1, plants } }) // prettier-ignore
    const { counted } = take({}, {}, { diary: [sow(), count('2027-02-20', [20, 22]), count('2027-01-20', [0]), count('2027-02-21', [1], 'z9')] }) // prettier-ignore
    expect(counted!.on).toBe('2027-02-20')
    expect(counted!.low < counted!.plants && counted!.plants < counted!.high).toBe(true)
    expect(counted!.plants).toBeCloseTo((2 + 42) / (2 / counted!.promised + 200), 6)
  })
  it('where nothing was sown, causes of bare ground alone; an unknown zone is nothing', () => {
    const bare = take({}, { follows: 'wheels', ground: 'hard' }, { diary: [] })
    expect([bare.sown, bare.bed, bare.verdict.likely]).toEqual([null, null, 'packed'])
    expect(takeOfJob(draft({}), { today: SOWN, firm, diary: [] }, { zone: 'nope', seen: {}, missing: null })).toBeNull() // prettier-ignore
  })
})

describe('ground sown again as a zone', () => {
  const again = { id: 'again', name: 'Lawn again', area: 40, mix: [{ grass: 'perennial-ryegrass', share: 100 }], inSward: true } // prettier-ignore
  const job = withSownAgain(draft({ treatments: [{ id: 't1', kind: 'broadleaf', date: '2027-01-01', zones: ['z1'] }] }), 'z1', again) // prettier-ignore
  it('is a sowing of its own, while the first stays on its day', () => {
    const plan = planOf(job, { diary: [sow()], today: '2027-02-22' })
    const sowings = plan.packages.filter((p) => p.kind === 'sow')
    expect(sowings.map((p) => p.zones)).toEqual([['z1'], ['again']])
    expect(sowings[0]!.sowDay).toBe(SOWN)
    expect(sowings[1]!.sowDay >= '2027-02-22').toBe(true)
    expect(plan.notices.filter((n) => n.id.endsWith('uncovered'))).toEqual([])
    expect(plan.steps.filter((s) => s.zones.includes('again') && s.kind.includes('feed'))).toEqual([]) // prettier-ignore
    // Sown as well, weeks later, each keeps its own day.
    const both = planOf(job, { diary: [sow(), sow('2027-02-24', ['again'])], today: '2027-03-10' })
    expect(both.packages.filter((p) => p.kind === 'sow').map((p) => p.sowDay)).toEqual([SOWN, '2027-02-24']) // prettier-ignore
    // Within a week it is one sowing.
    const near = planOf(job, { diary: [sow(), sow('2027-02-04', ['again'])], today: '2027-03-10' })
    expect(near.packages.filter((p) => p.kind === 'sow').length).toBe(1)
  })
  it('has the soil, light and history of the zone it lies in, and can be read', () => {
    const read = readJob(job)
    expect(read.problems).toEqual([])
    expect(read.job!.treatments[0]!.zones).toEqual(['z1', 'again'])
    expect(read.job!.zones[1]).toMatchObject({ texture: 'loam', sunHours: 7, area: 40 })
    expect(withSownAgain(draft({}), 'nope', again)).toEqual(draft({}))
  })
})

describe('what is written down', () => {
  it('water of four of seven days is spread over them; the later entry of a day counts; none of the future', () => {
    const log = wateredDays([water('2027-02-14', 7, 4), water('2027-02-14', 1, 0), water('2027-03-01', 3, 3)], 'z1', '2027-02-20') // prettier-ignore
    expect([...log.keys()].length).toBe(7)
    expect([...log.values()].filter((d) => d.watered).length).toBe(3)
    expect(logSince(log, '2027-02-10', '2027-02-20')).toMatchObject({ logged: 5, of: 11 })
    const other = { ...water('2027-02-14', 7, 4), zone: 'z9' }
    expect(wateredDays([other], 'z1', '2027-02-20').size).toBe(0)
  })
  it('refuses water of more days than there were, counts below zero and frames of nothing', () => {
    const ok = (change: object) => diaryEntry.safeParse({ ...blankEntry('entry-0001', SOWN, 'x'), ...change }).success // prettier-ignore
    expect(ok({ watered: { of: 7, days: 4 } })).toBe(true)
    for (const watered of [{ of: 3, days: 4 }, { of: 0, days: 0 }, { of: 7, days: 2.5 }, { of: 7, days: 3, mm: -1 }, { of: 99, days: 1 }]) expect(ok({ watered }), JSON.stringify(watered)).toBe(false) // prettier-ignore
    expect(ok({ counted: { side: 0.1, plants: [3, 0] } })).toBe(true)
    for (const counted of [{ side: 0, plants: [1] }, { side: 0.1, plants: [] }, { side: 0.1, plants: [-1] }, { side: 0.1, plants: [9e9] }]) expect(ok({ counted }), JSON.stringify(counted)).toBe(false) // prettier-ignore
    expect(ok({ take: { seen: { dug: 'hard' } } })).toBe(true)
    for (const seen of [{ dug: 'soft as butter' }, { tasted: 'good' }]) expect(ok({ take: { seen } })).toBe(false) // prettier-ignore
  })
  it('reads frames as typed, and says what is wrong', () => {
    expect(readFrameCounts('31, 12 40;0')).toEqual([31, 12, 40, 0])
    for (const typed of ['', 'many', '3.5', '-2', '99999', Array(61).fill('1').join(' ')])
      expect(typeof readFrameCounts(typed), typed).toBe('string')
  })
  it('turns facts into answers at their lines, and leaves out what nobody knows', () => {
    const nothing: TakeFacts = { lot: null, warmth: null, moist: null, dryHours: null, log: null, depth: null, withinWait: null, burst: null, opened: null, mownSoon: null, hottest: null, sun: null, penetration: null, ponding: null, dogs: null, pests: null } // prettier-ignore
    const lines = { bears: 6, burst: 25, hot: 32, pondingFrom: 1 }
    expect(knownOf(nothing, lines)).toEqual({})
    const of = (f: Partial<TakeFacts>) => Object.values(knownOf({ ...nothing, ...f }, lines))[0]
    expect([5, 6.5, 24.5].map((dryHours) => of({ dryHours }))).toEqual(['none', 'some', 'long'])
    expect([2, 3, 1, 0].map((watered) => of({ log: { logged: 3, watered } }))).toEqual(['half', 'kept', 'half', 'hardly']) // prettier-ignore
    expect(of({ log: { logged: 2, watered: 2 } })).toBeUndefined()
    expect([24, 25].map((burst) => of({ burst }))).toEqual(['no', 'yes'])
    expect([5, 6].map((lies) => of({ depth: { lies, bears: 5 } }))).toEqual(['within', 'over'])
    expect([0.79, 0.81].map((worth) => of({ lot: { worth, old: false } }))).toEqual(['weak', 'good']) // prettier-ignore
    expect(of({ lot: { worth: null, old: true } })).toBe('aged')
    expect([0.9, 1].map((warmth) => of({ warmth }))).toEqual(['not-yet', 'enough'])
    expect(of({ sun: { hours: 3, least: 4 } })).toBe('little')
  })
})
