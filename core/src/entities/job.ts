import { z } from 'zod'
import {
  APPROACHES,
  AIMS,
  SOWINGS,
  COVERS,
  DRESSINGS,
  MOWERS,
  PENETRATIONS,
  TEXTURES,
  TREATMENTS,
  USERS,
  WATERINGS,
  WEARS,
} from '../reference/lists.ts'
import { grassId } from './grass.ts'
import {
  BROWNED,
  DAMPS,
  DISEASE_IDS,
  EDGE_STATES,
  LAB_LEVELS,
  LITTERS,
  PACKED_SIGN_IDS,
  PEST_IDS,
  SURFACES,
  WEED_IDS,
} from '../reference/walkLists.ts'
import { STEP_KINDS } from '../reference/operations.ts'
import { SCHOOL_CHOICES } from '../reference/schools.ts'
import { currentDraft } from './jobVersions.ts'
import { uniqueIds } from './uniqueIds.ts'
import { exampleFrost, inAutumnHalf } from '../calendar/autumn.ts'
import { showMonthDay } from '../calendar/day.ts'
import { readCatches } from './catches.ts'
import { runTimes, MOST_RUNS } from './clockTimes.ts'
import { bagRate, day, grade, monthDay, oneOf, quantity, text } from './entry.ts'
import { problemsOf, type Problem } from './problem.ts'
import { MEASURED_BY, drawingSchema } from './drawing.ts'
import { showNumber } from '../quantities/show.ts'

export { JOB_VERSION } from './jobVersions.ts'

const id = z.string().regex(/^[A-Za-z0-9_-]{1,40}$/, 'An id is 1 to 40 letters, digits, _ or -.')
const area = (what: string) =>
  quantity('area', {
    min: 0.01,
    max: 1_000_000,
    what,
    because: 'a lawn up to 100 hectares (247 acres) is taken. Check the unit.',
  })
const percent = (what: string) => quantity('percent', { min: 0, max: 100, what })

/** A named zone of the time zone database; empty means not given. */
function isTimeZone(name: string): boolean {
  if (name === '') return true
  try {
    return new Intl.DateTimeFormat('en', { timeZone: name }) !== null
  } catch {
    return false
  }
}

/** No frost date is judged by its half of the year nearer to the equator, degrees. */
const TROPICS = 23.5
/** What is wrong with a first frost in the spring of its hemisphere; empty where nothing is. */
function frostOfSpring(latitude: number | null, frost: string | null): string {
  if (latitude === null || frost === null || Math.abs(latitude) < TROPICS) return ''
  const north = latitude > 0
  if (inAutumnHalf(Number(frost.slice(0, 2)), north)) return ''
  const example = showMonthDay(exampleFrost(latitude))
  return `${showMonthDay(frost)} is in the spring half of the year ${north ? 'north' : 'south'} of the equator: the first frost of autumn is wanted, ${north ? 'August to January' : 'February to July'}, like ${example}. Or is the latitude’s sign wrong?`
}

const cover = z
  .strictObject({
    wanted: percent('Wanted cover'),
    weeds: percent('Weeds'),
    moss: percent('Moss'),
    bare: percent('Bare ground'),
  })
  .prefault({})
  .superRefine((c, ctx) => {
    const given = [c.wanted, c.weeds, c.moss, c.bare]
    if (given.every((part) => part === null)) return
    const missing = given.filter((part) => part === null).length
    const sum = given.reduce<number>((total, part) => total + (part ?? 0), 0)
    if (missing > 0 && sum <= 100.5 && !(Math.abs(sum - 100) <= 0.5)) {
      ctx.addIssue({
        code: 'custom',
        message: `Cover adds up to ${showNumber(sum)} % so far: ${showNumber(100 - sum)} % is still to be given.`,
      })
    } else if (Math.abs(sum - 100) > 0.5) {
      const off = showNumber(Math.abs(sum - 100))
      ctx.addIssue({
        code: 'custom',
        message: `Cover adds up to ${showNumber(sum)} %; the four parts make 100 %. ${sum > 100 ? `Take off ${off}` : `Add ${off}`} %.`,
      })
    }
  })

const mixPart = z.strictObject({ grass: grassId, share: percent('Share by weight') })

const some = z
  .number({ error: 'A tally is a number.' })
  .min(0, 'A tally is not below zero.')
  .max(100_000)
const tally = z.strictObject({
  wanted: some.default(0),
  weeds: some.default(0),
  moss: some.default(0),
  bare: some.default(0),
})
const yesNo = z.boolean().nullable().default(null)

/** Ways of the contractor's own that a job holds at most. */
export const MOST_OWN_WAYS = 4

/** One operation of a zone as a person set it. */
const ownOperation = z.strictObject({
  on: yesNo,
  passes: quantity('ratio', {
    min: 1,
    max: 8,
    what: 'Passes',
    because: 'more tears the turf out.',
  }),
  depth: quantity('depth', { min: 1, max: 400, what: 'A depth' }),
  height: quantity('depth', { min: 2, max: 200, what: 'A height of cut' }),
  tines: quantity('depth', { min: 4, max: 40, what: 'The width of a tine' }),
  /** Spacing of tines, one way and the other. */
  spacing: quantity('depth', { min: 10, max: 400, what: 'The spacing of tines' }),
  tool: text(20),
  /** The customer does it: it leaves the price, not the plan. */
  byCustomer: yesNo,
  /** Hours without rain that the label of its product wants. */
  rainFree: quantity('hours', { min: 0.5, max: 72, what: 'Hours without rain' }),
})

/** What a person decided on a zone: in the plan, or in a way of their own beside it. */
const decided = {
  approach: oneOf(APPROACHES, 'an approach').nullable().default(null),
  /** What is sown, where a person decided otherwise than the approach does. */
  sowing: oneOf(SOWINGS, 'a way of sowing').nullable().default(null),
  /** Operations a person switched on or off, or set. */
  operations: z.partialRecord(z.enum(STEP_KINDS), ownOperation).default({}),
}

/** An operation of which a person set nothing. */
export const blankOperation = ownOperation.parse({})

export const zoneSchema = z.strictObject({
  id,
  name: text(80),
  area: area('An area'),
  length: quantity('length', { min: 0.05, max: 5000, what: 'A length' }),
  width: quantity('length', { min: 0.05, max: 5000, what: 'A width' }),
  /** How the typed size was measured. */
  by: oneOf(MEASURED_BY, 'a way of measuring').nullable().default(null),
  deductions: z
    .array(z.strictObject({ what: text(80), area: area('An area taken off') }))
    .max(50)
    .default([]),
  /** Which way it falls, degrees from north through east. */
  slopeTowards: quantity('ratio', {
    min: 0,
    max: 360,
    what: 'A compass direction',
    because: 'north is 0, east 90.',
  }),
  slope: quantity('slope', {
    min: 0,
    max: 100,
    what: 'A slope',
    because: 'steeper than 1 in 1 is a wall to seed. Check the reading.',
  }),
  sunHours: quantity('hours', {
    min: 0,
    max: 18,
    what: 'Sun',
    because: 'no growing day gives more.',
  }),
  cover,
  incurable: percent('Ground under incurable grassy weeds'),
  thatch: quantity('depth', { min: 0, max: 150, what: 'Thatch' }),
  penetration: oneOf(PENETRATIONS, 'a result of the push test').nullable().default(null),
  soilMoist: z.boolean().nullable().default(null),
  texture: oneOf(TEXTURES, 'a soil class').nullable().default(null),
  ph: quantity('ph', {
    min: 3,
    max: 11,
    what: 'A pH',
    because: 'soils lie between. Check the reading.',
  }),
  /** Length of its edge along water. */
  alongWater: quantity('length', { min: 0.5, max: 5_000, what: 'An edge along water' }),
  heightOfCut: quantity('depth', { min: 2, max: 200, what: 'A height of cut' }),
  mower: oneOf(MOWERS, 'a mower').nullable().default(null),
  present: z.array(grassId).max(12).default([]),
  /** The grass its owner wants there, where it is not the one that stands. */
  target: grassId.nullable().default(null),
  /** The quick cover of ground held over, and its own rate. */
  coverGrass: grassId.nullable().default(null),
  coverRate: quantity('rate', {
    min: 0.1,
    max: 200,
    what: 'A rate of the quick cover',
    because: 'no grass is sown at more. Check the unit.',
  }),
  /** A named fine hybrid, which common seed of its kind does not match. */
  hybrid: yesNo,
  /** Salt reaches it: sea spray, road salt, salty water. */
  salty: yesNo,
  wear: oneOf(WEARS, 'a degree of wear').nullable().default(null),
  /** A line that feet have worn, where it is not drawn. */
  wornLength: quantity('length', { min: 0.5, max: 2_000, what: 'A worn line' }),
  lowsDepth: quantity('depth', { min: 0, max: 500, what: 'Depth of the lows' }),
  lowsShare: percent('Share of ground lying low'),
  ...decided,
  mix: z
    .array(mixPart)
    .max(8)
    .nullable()
    .default(null)
    .superRefine((mix, ctx) => {
      if (!mix || mix.length === 0) return
      const sum = mix.reduce((total, part) => total + (part.share ?? 0), 0)
      if (Math.abs(sum - 100) > 0.5)
        ctx.addIssue({
          code: 'custom',
          message: `The mix adds up to ${showNumber(sum)} % by weight; it has to make 100 %.`,
        })
    }),
  /** A seed rate of the contractor's own, and what it is a rate of: the bag, or pure live seed. */
  seedRate: quantity('rate', {
    min: 0.1,
    max: 200,
    what: 'A seed rate',
    because: 'no grass is sown at more. Check the unit.',
  }),
  seedRateOf: oneOf(['bag', 'pls'], 'the bag or pure live seed').default('bag'),
  precipitation: quantity('precipitation', { min: 0.1, max: 300, what: 'A precipitation rate' }),
  uniformity: quantity('ratio', {
    min: 0.1,
    max: 1,
    what: 'Distribution uniformity',
    because: 'it is the mean of the lowest quarter over the mean of all cans.',
  }),
  /** What cans caught under its sprinklers, as typed, and in how long. */
  cans: text(900).superRefine((typed, ctx) => {
    const read = typed.trim() === '' ? [] : readCatches(typed)
    if (typeof read === 'string') ctx.addIssue({ code: 'custom', message: read })
  }),
  /** What one head gives, and how far heads stand apart, along a row and between rows. */
  headFlow: quantity('flow', { min: 0.1, max: 500, what: 'What one head gives' }),
  headsApart: quantity('length', { min: 0.3, max: 60, what: 'The distance between heads' }),
  rowsApart: quantity('length', { min: 0.3, max: 60, what: 'The distance between rows of heads' }),
  cansMinutes: quantity('ratio', { min: 1, max: 600, what: 'The minutes the cans stood' }),
  stations: quantity('ratio', { min: 0, max: 200, what: 'Stations' }),
  /** What a sprinkler that is moved wets evenly in one place. */
  placeWets: quantity('area', { min: 1, max: 5000, what: 'What one place wets' }),
  /** Quadrats thrown, and point counts taken while stepping. Each gives shares of its own sum. */
  quadrats: z.array(tally).max(200).default([]),
  pointCounts: tally.nullable().default(null),
  plugs: z
    .array(quantity('depth', { min: 0, max: 150, what: 'Thatch in a plug' }))
    .max(40)
    .default([]),
  pressure: quantity('pressure', { min: 0, max: 10_000, what: 'A penetrometer reading' }),
  damp: oneOf(DAMPS, 'a state of moisture').nullable().default(null),
  dropSeconds: quantity('ratio', { min: 0, max: 3600, what: 'The drop test, in seconds,' }),
  ponding: quantity('hours', { min: 0, max: 240, what: 'Ponding' }),
  feel: z
    .strictObject({
      ball: oneOf(['no', 'yes'], 'an answer').nullable().default(null),
      ribbon: oneOf(['none', 'short', 'mid', 'long'], 'an answer').nullable().default(null),
      grit: oneOf(['gritty', 'smooth'], 'an answer').nullable().default(null),
    })
    .prefault({}),
  lab: z
    .strictObject({
      on: day,
      phosphorus: oneOf(LAB_LEVELS, 'an index').nullable().default(null),
      potassium: oneOf(LAB_LEVELS, 'an index').nullable().default(null),
      organic: percent('Organic matter'),
      /** Lime by its report, of pure fine lime. */
      lime: quantity('rate', { min: 1, max: 3000, what: 'A rate of lime' }),
    })
    .prefault({}),
  weedsSeen: z.array(oneOf(WEED_IDS, 'a weed in the list')).max(40).default([]),
  seedHeads: yesNo,
  pests: z
    .array(
      z.strictObject({
        kind: oneOf(PEST_IDS, 'a pest in the list'),
        active: yesNo,
        /** The day the flight of moths was at its peak. */
        peak: day,
      }),
    )
    .max(20)
    .default([]),
  diseases: z
    .array(
      z.strictObject({
        kind: oneOf(DISEASE_IDS, 'a disease in the list'),
        active: yesNo,
        /** Which side is worse, where part of the lawn was fed. */
        worse: oneOf(['unfed', 'fed'], 'the unfed or the fed side').nullable().default(null),
      }),
    )
    .max(20)
    .default([]),
  dogs: yesNo,
  /** A tree has lately gone: the light has changed, and the old grass may be the wrong one. */
  treeGone: yesNo,
  spongy: yesNo,
  /** A layer that lies below the surface: buried mat, another soil. */
  layer: quantity('depth', { min: 0, max: 150, what: 'A layer below' }),
  packedSigns: z.array(oneOf(PACKED_SIGN_IDS, 'a sign in the list')).max(10).default([]),
  /** How the surface feels through the mower, or a ball rolls on it, where no levels were read. */
  surface: oneOf(SURFACES, 'a state of the surface').nullable().default(null),
  /** The grass there is the wrong one and is to go, whatever its cover. */
  wrongGrass: yesNo,
  mowerWeight: quantity('mass', { min: 1, max: 5000, what: 'A mower' }),
  litter: oneOf(LITTERS, 'a kind of litter').nullable().default(null),
  browned: oneOf(BROWNED, 'a state').nullable().default(null),
  laidAs: oneOf(['turf', 'sown'], 'turf or sown').nullable().default(null),
  laidIn: quantity('ratio', { min: 1900, max: 2100, what: 'A year' }),
  oneWay: yesNo,
  edges: oneOf(EDGE_STATES, 'a state of edges').nullable().default(null),
  /** The run of edge to be set, or of the strip to be sown, where it is not drawn. */
  edgeLength: quantity('length', { min: 0.5, max: 5_000, what: 'A length of edge' }),
  notes: text(1000),
  levelAim: oneOf(['plane', 'fall', 'smooth'], 'an aim for the surface').default('plane'),
  fall: quantity('slope', { min: 0, max: 30, what: 'A fall' }),
  fallTowards: quantity('ratio', {
    min: 0,
    max: 360,
    what: 'A compass direction',
    because: 'north is 0, east 90.',
  }),
  smoothOver: quantity('length', { min: 0.2, max: 50, what: 'A length to smooth over' }),
})

const treatment = z.strictObject({
  id,
  kind: oneOf(TREATMENTS, 'a kind of treatment'),
  date: day,
  waitDays: quantity('days', { min: 0, max: 730, what: 'A waiting period' }),
  product: text(80),
  /** Active ingredient by its common name, where known. */
  active: text(80),
  /** The zones treated; none means all of them. */
  zones: z.array(id).max(500).default([]),
})

const lot = z.strictObject({
  id,
  grass: grassId,
  name: text(80),
  /** The lot on the firm's shelf that it is; empty where only its label was read. */
  stock: text(64),
  purity: quantity('percent', {
    min: 1,
    max: 100,
    what: 'Purity',
    because: 'read the label; most bags stand at 90 to 99 %.',
  }),
  germination: quantity('percent', {
    min: 1,
    max: 100,
    what: 'Germination',
    because: 'dead seed grows nothing at any rate. Read the label; 70 to 95 % is usual.',
  }),
  /** What there is of it: two lots of one grass count by their weight. */
  amount: quantity('mass', { min: 0.01, max: 100_000, what: 'The weight of a lot' }),
})

export const jobSchema = z.strictObject({
  name: text(120),
  customer: text(120),
  phone: text(60),
  walked: day,
  site: z
    .strictObject({
      address: text(200),
      latitude: quantity('ratio', {
        min: -66,
        max: 66,
        what: 'Latitude',
        because: 'north is positive, south negative.',
      }),
      longitude: quantity('ratio', {
        min: -180,
        max: 180,
        what: 'Longitude',
        because: 'east is positive, west negative.',
      }),
      timeZone: text(60).refine(
        isTimeZone,
        'That is no time zone known here. Write it like Pacific/Auckland or America/Chicago.',
      ),
      frost: monthDay,
      /** Nobody knows the frost date: Juvena's guess is used, and not asked about again. */
      frostGuessed: yesNo,
      /** Height above the sea and distance from it, m. */
      elevation: quantity('length', { min: -430, max: 6000, what: 'A height above the sea' }),
      sea: quantity('length', { min: 0, max: 3_000_000, what: 'A distance from the sea' }),
      /** It lies where cold air gathers. */
      hollow: yesNo,
      /** The weather station it goes by; the nearest where none is chosen. */
      station: text(60),
      soilTemperature: quantity('temperature', { min: -10, max: 45, what: 'Soil temperature' }),
      soilReadOn: day,
      tapFlow: quantity('flow', { min: 0.5, max: 5000, what: 'A tap flow' }),
      waterMinutes: quantity('hours', { min: 0.1, max: 24, what: 'Time allowed for watering' }),
      /** A bucket filled at the tap gives its flow when none is typed. */
      bucket: quantity('volume', { min: 0.0005, max: 2, what: 'A bucket' }),
      bucketSeconds: quantity('ratio', { min: 1, max: 3600, what: 'Seconds to fill it' }),
      restrictions: text(300),
      /** The firm's own runs over the seedbed: clock times, and what each lays down. */
      runsAt: text(80).refine(
        (typed) => typed.trim() === '' || runTimes(typed) !== null,
        `Times are written like “7:00, 13:00, 30 min before dusk”: one to ${MOST_RUNS} of them, by the clock or by dawn and dusk.`,
      ),
      runDepth: quantity('depth', { min: 0.2, max: 25, what: 'What a run lays down' }),
      below: text(1000),
      /** What lies beside: concrete that granules may stain, water, neighbours' turf. */
      beside: text(500),
      rainGauge: yesNo,
    })
    .prefault({})
    .superRefine(({ latitude, frost }, ctx) => {
      const sentence = frostOfSpring(latitude, frost)
      if (sentence) ctx.addIssue({ code: 'custom', path: ['frost'], message: sentence })
    }),
  customerDate: day,
  /** The most that the customer wants to spend, tax in it or on top as the firm tells its prices. */
  budget: quantity('price', { min: 0, max: 10_000_000, what: 'A budget' }),
  aims: z.array(oneOf(AIMS, 'an aim')).max(20).default([]),
  users: z.array(oneOf(USERS, 'an answer')).max(10).default([]),
  /** Days ahead that those who use it want to know. */
  notice: quantity('days', { min: 0, max: 366, what: 'Notice' }),
  notes: text(4000),
  zones: uniqueIds(z.array(zoneSchema).max(500), 'zones').default([]),
  drawing: drawingSchema,
  treatments: uniqueIds(z.array(treatment).max(200), 'treatments').default([]),
  lots: uniqueIds(z.array(lot).max(40), 'lots').default([]),
  feed: z
    .strictObject({
      grade,
      nitrogen: quantity('rate', {
        min: 0,
        max: 25,
        what: 'A nitrogen target',
        because: 'more burns. Is that a product rate?',
      }),
      /** What the bag says to put down, g/m² of product. */
      bagRate,
      slowShare: percent('Slow-release share of the nitrogen'),
      /** Nitrogen it has had already this year, and whether clippings lie on it. */
      given: quantity('rate', {
        min: 0,
        max: 60,
        what: 'Nitrogen given this year',
        because: 'no turf gets more in a year. Is that a product rate?',
      }),
      clippings: yesNo,
      /** What it has had this year of the rest of a bag. */
      givenPhosphate: quantity('rate', { min: 0, max: 60, what: 'P₂O₅ given this year', because: 'no turf gets more in a year. Is that a product rate?' }), // prettier-ignore
      givenPotash: quantity('rate', { min: 0, max: 60, what: 'K₂O given this year', because: 'no turf gets more in a year. Is that a product rate?' }), // prettier-ignore
      /** What it is fed with later, by the feeding programme. */
      next: z
        .strictObject({
          grade,
          bagRate,
          slowShare: percent('Slow-release share of the nitrogen'),
        })
        .prefault({}),
    })
    .prefault({}),
  /** What is sprayed, by its label: one for each kind of spraying. */
  sprays: uniqueIds(
    z
      .array(
        z.strictObject({
          id,
          does: z.enum(STEP_KINDS),
          product: text(120),
          rate: quantity('liquid', { min: 0.0001, max: 100, what: 'A rate', because: 'no product goes on so thick. Check the unit.' }), // prettier-ignore
          /** Water it goes out in. */
          carrier: quantity('liquid', { min: 1, max: 2000, what: 'The water for it' }),
          tank: quantity('volume', { min: 0.0005, max: 10, what: 'A tank' }),
          /** Ground left unsprayed: beside water, beds, a neighbour. */
          buffer: quantity('area', { min: 0, max: 1_000_000, what: 'Ground left out' }),
          /** What its label says else: active ingredient, registration number, clothing. */
          active: text(80),
          number: text(60),
          clothing: text(200),
          /** Grasses that its label leaves out. */
          notOn: z.array(grassId).max(40).default([]),
          /** Days from it to seed, and hours until the ground may be walked on again. */
          waitSow: quantity('days', { min: 0, max: 730, what: 'The wait before seed' }),
          reentry: quantity('hours', { min: 0, max: 720, what: 'The time to keep off' }),
          /** It stays on the leaf, or is watered in. */
          acts: oneOf(['leaf', 'soil'], 'the leaf or the soil').nullable().default(null),
        }),
      )
      .max(20),
    'sprays',
  ).default([]),
  /** The lime that is bought, by its label. */
  lime: z
    .strictObject({
      neutralising: quantity('percent', { min: 10, max: 180, what: 'A neutralising value' }),
      fine: quantity('percent', { min: 5, max: 100, what: 'The fine share' }),
    })
    .prefault({}),
  dressing: z
    .strictObject({
      kind: oneOf(DRESSINGS, 'a dressing').nullable().default(null),
      depth: quantity('depth', { min: 0, max: 300, what: 'A dressing depth' }),
      share: percent('Share of ground dressed'),
      /** Of an own heap, what passes the screen, by a sieved sample; null where soil is bought. */
      sieved: quantity('percent', { min: 5, max: 100, what: 'What passes the screen', because: 'of less, nobody screens a heap.' }), // prettier-ignore
    })
    .prefault({}),
  cover: oneOf(COVERS, 'a cover over seed').nullable().default(null),
  /** Where debris goes: to a tip, or onto a heap on site. */
  debrisTo: oneOf(['tip', 'heap'], 'the tip or a heap on site').default('tip'),
  waterer: text(80),
  watering: oneOf(WATERINGS, 'an answer').nullable().default(null),
  /** Visits the contractor wants to make up to the sowing; as many as it takes where not given. */
  visits: quantity('ratio', { min: 1, max: 30, what: 'Visits' }),
  schools: z
    .partialRecord(
      z.enum(Object.keys(SCHOOL_CHOICES) as [keyof typeof SCHOOL_CHOICES]),
      z.string().max(40),
    )
    .default({}),
  /**
   * Days fixed by a person, by operation and zone: "sow/front". A step of several zones holds a pin
   * for each.
   */
  pins: z.record(z.string().max(120), day).default({}),
  /** Ways of the contractor's own, set beside the plan: what was decided on each zone. */
  ownWays: uniqueIds(
    z
      .array(
        z.strictObject({
          id: text(40),
          name: text(80),
          zones: z
            .array(z.strictObject({ zone: text(40), ...decided }))
            .max(300)
            .default([]),
        }),
      )
      .max(MOST_OWN_WAYS),
    'ways',
  ).default([]),
})

/** A job as read: everything in the core's units, null where nothing is known. */
export type Job = z.output<typeof jobSchema>
/** A job as typed: any quantity may be text in any unit, valid or not. This is what is stored. */
export type JobDraft = z.input<typeof jobSchema>
export type Zone = z.output<typeof zoneSchema>
export type ZoneDraft = z.input<typeof zoneSchema>

export type JobRead = { job: Job; problems: Problem[] } | { job: null; problems: Problem[] }

/**
 * Reads a draft leniently: what cannot be understood is left out of the job and listed, so that the
 * rest still plans. Returns no job only when the draft is not a job at all.
 */
export function readJob(stored: unknown): JobRead {
  const draft = currentDraft(stored)
  const first = jobSchema.safeParse(draft)
  if (first.success) return { job: first.data, problems: [] }
  const problems = problemsOf(first.error)
  const trimmed = structuredCopy(draft)
  let error = first.error
  const wasLeftOut = new Set<string>()
  for (let round = 0; round < 8; round++) {
    const gone = new Set<string>()
    // From the last to the first, so that taking an entry out of a list does not move those still
    // to be taken.
    for (const issue of error.issues.toReversed()) {
      if (issue.code === 'unrecognized_keys')
        issue.keys.forEach((key) => forget(trimmed, [...issue.path, key]))
      else if (issue.path.length === 0) return { job: null, problems }
      else {
        let path = wholeOf(issue.path)
        if (gone.has(path.join())) continue
        gone.add(path.join())
        // Still wrong without it: what it belongs to cannot be without it.
        while (path.length > 1 && wasLeftOut.has(path.join())) path = path.slice(0, -1)
        forget(trimmed, path)
      }
    }
    for (const path of gone) wasLeftOut.add(path)
    const again = jobSchema.safeParse(trimmed)
    if (again.success) return { job: again.data, problems }
    error = again.error
    problems.push(
      ...problemsOf(error).filter((p) => !problems.some((known) => known.path === p.path)),
    )
  }
  return { job: null, problems }
}

/**
 * What has to go with a wrong value. An entry is nothing without its id, and a shape, a level, the
 * picture or the origin nothing without its place: with that wrong, all of it is left out. Anything
 * else is left out alone.
 */
function wholeOf(path: readonly PropertyKey[]): readonly PropertyKey[] {
  const [first, list, index, key] = path
  if (typeof list === 'number' && index === 'id') return path.slice(0, 2)
  if (first !== 'drawing') return path
  if (list === 'picture' || list === 'origin') return path.slice(0, 2)
  const placed =
    list === 'levels' || (list === 'shapes' && (key === 'at' || key === 'kind' || key === 'id'))
  return typeof index === 'number' && placed ? path.slice(0, 3) : path
}

const structuredCopy = (value: unknown): unknown =>
  value === undefined ? undefined : JSON.parse(JSON.stringify(value))

function forget(root: unknown, path: readonly PropertyKey[]): void {
  let holder = root as Record<PropertyKey, unknown> | undefined
  for (const piece of path.slice(0, -1))
    holder = holder?.[piece] as Record<PropertyKey, unknown> | undefined
  const last = path.at(-1)!
  if (Array.isArray(holder) && typeof last === 'number') holder.splice(last, 1)
  else if (holder) delete holder[last]
}

/**
 * Whether somebody waters for certain: named and not doubted. What is not sure is planned as dry.
 */
export const isWatered = ({ watering, waterer }: Pick<Job, 'watering' | 'waterer'>): boolean =>
  watering === null ? waterer.trim() !== '' : watering === 'sure'

/** A job with nothing in it but a name, as a draft. */
export const blankJob = (name: string): JobDraft => ({ name, zones: [] })
