import fc from 'fast-check'
import type { DiaryEntry } from '../src/entities/diary.ts'
import { firmSchema } from '../src/entities/firm.ts'
import { readJob, type JobDraft, type ZoneDraft } from '../src/entities/job.ts'
import { planJob } from '../src/pipeline.ts'
import type { JobPlan } from '../src/plan/jobPlan.ts'
import { GRASS_IDS } from '../src/reference/grasses.ts'
import {
  AIMS,
  APPROACHES,
  COVERS,
  MOWERS,
  PENETRATIONS,
  SOWINGS,
  TEXTURES,
  TREATMENTS,
  USERS,
  WATERINGS,
  WEARS,
} from '../src/reference/lists.ts'
import { STEP_KINDS } from '../src/reference/operations.ts'
import { SCHOOL_CHOICES } from '../src/reference/schools.ts'
import { Memo } from '../src/trace/memo.ts'
import {
  BROWNED,
  EDGE_STATES,
  LITTERS,
  PACKED_SIGN_IDS,
  PEST_IDS,
  SURFACES,
  WEED_IDS,
} from '../src/reference/walkLists.ts'

/** Any job a contractor could enter: whatever the readings, the plan holds together. */
const maybe = <T>(arb: fc.Arbitrary<T>) => fc.option(arb, { nil: null })
const num = (min: number, max: number) => fc.double({ min, max, noNaN: true })
const share = fc.integer({ min: 0, max: 100 })
const cover = fc.tuple(share, share, share, share).map(([a, b, c, d]) => {
  const sum = a + b + c + d || 1
  const part = (x: number) => Math.floor((100 * x) / sum)
  const [wanted, weeds, moss] = [part(a), part(b), part(c)]
  return { wanted, weeds, moss, bare: 100 - wanted - weeds - moss }
})
const anyZone: fc.Arbitrary<ZoneDraft> = fc.record({
  id: fc.constant('z'),
  name: fc.constantFrom('Back lawn', ''),
  area: maybe(num(0.5, 20_000)),
  slope: maybe(num(0, 60)),
  sunHours: maybe(num(0, 14)),
  cover: fc.oneof(fc.constant({}), cover),
  incurable: maybe(share),
  thatch: maybe(num(0, 60)),
  penetration: maybe(fc.constantFrom(...PENETRATIONS)),
  soilMoist: maybe(fc.boolean()),
  texture: maybe(fc.constantFrom(...TEXTURES)),
  ph: maybe(num(3.5, 9)),
  heightOfCut: maybe(num(5, 110)),
  mower: maybe(fc.constantFrom(...MOWERS)),
  present: fc.uniqueArray(fc.constantFrom(...GRASS_IDS), { maxLength: 3 }),
  wear: maybe(fc.constantFrom(...WEARS)),
  lowsDepth: maybe(num(0, 80)),
  lowsShare: maybe(share),
  approach: maybe(fc.constantFrom(...APPROACHES)),
  sowing: fc.option(fc.constantFrom(...SOWINGS), { nil: null, freq: 3 }),
  operations: fc.option(
    fc.dictionary(
      fc.constantFrom(...STEP_KINDS),
      fc.record({ on: maybe(fc.boolean()), passes: maybe(fc.integer({ min: 1, max: 4 })) }),
      {
        maxKeys: 3,
      },
    ),
    { nil: {}, freq: 2 },
  ) as fc.Arbitrary<ZoneDraft['operations']>,
  litter: maybe(fc.constantFrom(...LITTERS)),
  dogs: maybe(fc.boolean()),
  browned: maybe(fc.constantFrom(...BROWNED)),
  edges: maybe(fc.constantFrom(...EDGE_STATES)),
  dropSeconds: maybe(num(0, 200)),
  seedHeads: maybe(fc.boolean()),
  packedSigns: fc.subarray([...PACKED_SIGN_IDS], { maxLength: 2 }),
  surface: fc.option(fc.constantFrom(...SURFACES), { nil: null, freq: 2 }),
  layer: fc.option(num(0, 40), { nil: null, freq: 1 }),
  target: fc.option(fc.constantFrom(...GRASS_IDS), { nil: null, freq: 1 }),
  coverGrass: fc.option(fc.constantFrom(...GRASS_IDS), { nil: null, freq: 1 }),
  wrongGrass: fc.option(fc.boolean(), { nil: null, freq: 1 }),
  weedsSeen: fc.uniqueArray(fc.constantFrom(...WEED_IDS), { maxLength: 3 }),
  pests: fc
    .uniqueArray(fc.constantFrom(...PEST_IDS), { maxLength: 1 })
    .map((list) => list.map((kind) => ({ kind, active: true }))),
  precipitation: maybe(num(1, 60)),
  uniformity: maybe(num(0.2, 1)),
})
const schools = fc.record(
  Object.fromEntries(
    Object.entries(SCHOOL_CHOICES).map(([choice, c]) => [
      choice,
      fc.constantFrom(...Object.keys(c.schools)),
    ]),
  ),
  { requiredKeys: [] },
)
const anyDay = fc
  .integer({ min: 0, max: 700 })
  .map((d) => new Date(Date.UTC(2026, 0, 1 + d)).toISOString().slice(0, 10))
/** A frost date of the other half of the world is refused: none is given instead. */
const itsOwnAutumn = <S extends { latitude?: unknown; frost?: unknown }>(site: S): S =>
  typeof site.latitude === 'number' &&
  typeof site.frost === 'string' &&
  /Apr|Feb/.test(site.frost) !== site.latitude < 0
    ? { ...site, frost: null }
    : site
export interface RandomJob {
  draft: JobDraft
  today: string
}
export const anyJob: fc.Arbitrary<RandomJob> = fc.record({
  today: anyDay,
  draft: fc.record({
    name: fc.string({ maxLength: 20 }),
    site: fc
      .record({
        // Some places, not any: the hundred years of each are made once. Windows are tried at random
        // places in a test of their own.
        latitude: maybe(fc.constantFrom(-54.6, -44.2, -37.3, -24.9, 22.4, 31.2, 41.9, 52.3, 59.7)),
        frost: maybe(fc.constantFrom('25 Apr', '14 Oct', '18 Nov', '10 Jan', '29 Feb')),
        soilTemperature: maybe(num(0, 32)),
        tapFlow: maybe(num(2, 80)),
        waterMinutes: maybe(num(0.5, 12)),
        runsAt: maybe(fc.constantFrom('', '6', '7:00, 13:00')).map((v) => v ?? ''),
        runDepth: maybe(num(0.5, 8)),
      })
      .map(itsOwnAutumn),
    customerDate: maybe(anyDay),
    aims: fc.uniqueArray(fc.constantFrom(...AIMS), { maxLength: 3 }),
    zones: fc
      .array(anyZone, { maxLength: 4 })
      .map((zones) => zones.map((z, i) => ({ ...z, id: `z${i}` }))),
    treatments: fc
      .array(fc.record({ kind: fc.constantFrom(...TREATMENTS), date: maybe(anyDay) }), {
        maxLength: 2,
      })
      .map((list) => list.map((t, i) => ({ id: `t${i}`, ...t }))),
    dressing: fc.record({ depth: maybe(num(1, 40)) }),
    cover: fc.option(fc.constantFrom(...COVERS), { nil: null, freq: 1 }),
    users: fc.subarray([...USERS]),
    waterer: fc.constantFrom('', 'the owner'),
    watering: fc.option(fc.constantFrom(...WATERINGS), { nil: null, freq: 1 }),
    schools,
  }) as fc.Arbitrary<JobDraft>,
})
/** The year of a place is worked once for all jobs there. */
export const KEPT = new Memo(100_000)

export const plan = ({ draft, today }: RandomJob, diary: DiaryEntry[] = []): JobPlan => {
  const read = readJob(draft)
  if (!read.job || read.problems.length > 0) throw new Error(JSON.stringify(read.problems))
  return planJob(read.job, { today, firm: firmSchema.parse({}), diary, memo: KEPT })
}

/** Random jobs and what is planned for them, drawn once for all laws of a run. */
let drawn: { job: RandomJob; planned: JobPlan }[] | null = null

/** Holds a law against random jobs; the first that breaks it is told whole. */
export function forAny(holds: (p: JobPlan, job: RandomJob) => void): void {
  drawn ??= fc.sample(anyJob, 400).map((job) => ({ job, planned: plan(job) }))
  for (const { job, planned } of drawn)
    try {
      holds(planned, job)
    } catch (error) {
      throw new Error(`${(error as Error).message}\nOf the job ${JSON.stringify(job)}`, {
        cause: error,
      })
    }
}
