import { z } from 'zod'
import { OPERATIONS, type StepKind } from '../reference/operations.ts'
import { answersOf, TAKE_SIGN_IDS, TAKE_SIGNS, type TakeSign } from '../reference/takeSigns.ts'
import { text } from './entry.ts'
import { changeOrderSchema, offerAnswerSchema, offerSchema } from './offer.ts'

const answer = <S extends TakeSign>(sign: S) =>
  z
    .enum(answersOf(sign) as [keyof (typeof TAKE_SIGNS)[S]['answers'] & string], {
      error: `An answer to “${TAKE_SIGNS[sign].asks}” is one of its list.`,
    })
    .optional()

/** What was found where grass is missing: an answer to each question that was looked at. */
const takeSeen = z.strictObject({
  seedlings: answer('seedlings'),
  follows: answer('follows'),
  dug: answer('dug'),
  died: answer('died'),
  beside: answer('beside'),
  ground: answer('ground'),
  paper: answer('paper'),
  cans: answer('cans'),
} satisfies Record<(typeof TAKE_SIGN_IDS)[number], unknown>)

/** The frames of a count, and the plants in each, at most. */
export const MOST_FRAMES = 60
export const MOST_PLANTS = 5000

/**
 * One thing done, counted or seen. Its id is made where it is written, so that sending it twice
 * stores it once. Entries are never changed: a correction is another entry that names the one it
 * corrects.
 */
export const diaryEntry = z.strictObject({
  id: z.string().regex(/^[A-Za-z0-9_-]{8,64}$/, 'A diary id is 8 to 64 letters, digits, _ or -.'),
  date: z.iso.date({ error: 'A diary date is an ISO day like 2027-03-02.' }),
  zone: z.string().max(40).nullable().default(null),
  /** The step of the plan it ticks off, if any: operation and zone, "sow/front". */
  step: z.string().max(120).nullable().default(null),
  /**
   * The zones that step covered when it was ticked off, so that the tick stays theirs if the zones
   * are later worked apart.
   */
  stepZones: z.array(z.string().max(60)).max(500).default([]),
  what: z.string().min(1, 'Say what was done.').max(400, 'Up to 400 characters are kept here.'),
  amount: text(80),
  /** Hours that it took, of everybody who worked on it together. */
  hours: z
    .number({ error: 'Hours are a number.' })
    .gt(0, 'It took more than no time.')
    .max(2000, 'No step takes 2,000 hours.')
    .nullable()
    .default(null),
  who: text(80),
  note: text(2000),
  /** What was sprayed or spread against weeds, pests or disease, as on its label. */
  product: text(120),
  corrects: z.string().max(64).nullable().default(null),
  /** Entries that tick one step off and were found to be two pieces of work: both are counted. */
  stands: z.array(z.string().max(64)).max(20).default([]),
  /** Seed that was used: the lot on the firm's shelf, the zone, kg. */
  lots: z
    .array(
      z.strictObject({
        lot: z.string().max(64),
        zone: z.string().max(60).nullable().default(null),
        kg: z
          .number({ error: 'A weight is a number of kilograms.' })
          .gt(0, 'A weight is above zero.')
          .max(100_000),
      }),
    )
    .max(200)
    .default([]),
  /** Read on the site itself that day: rain in its gauge, mm, and soil at 50 mm, °C. */
  read: z
    .strictObject({
      rain: z
        .number({ error: 'Rain is a number of millimetres.' })
        .min(0, 'Rain is not below zero.')
        .max(1000, 'No day brings over 1,000 mm.')
        .nullable()
        .default(null),
      soil: z
        .number({ error: 'Soil is a number of degrees.' })
        .min(-20, 'No soil is so cold.')
        .max(60, 'No soil is so hot.')
        .nullable()
        .default(null),
    })
    .nullable()
    .default(null),
  /** What was found at a look: % under wanted grass, or whether what was looked for was there. */
  found: z
    .strictObject({
      cover: z
        .number({ error: 'Cover is a number of percent.' })
        .min(0, 'Cover is not below 0 %.')
        .max(100, 'Cover is not over 100 %.')
        .nullable()
        .default(null),
      seen: z.boolean().nullable().default(null),
    })
    .nullable()
    .default(null),
  /**
   * Watering that was done: of the last `of` days up to this entry's, `days` of them; mm a day by a
   * gauge, null where as planned.
   */
  watered: z
    .strictObject({
      of: z.int({ error: 'Days are a whole number.' }).min(1, 'One day at least.').max(60, 'Up to 60 days at once.'), // prettier-ignore
      days: z.int({ error: 'Days are a whole number.' }).min(0, 'Days are not below zero.').max(60),
      mm: z
        .number({ error: 'Water is a number of millimetres.' })
        .min(0, 'Water is not below zero.')
        .max(100, 'No day is given over 100 mm.')
        .nullable()
        .default(null),
    })
    .refine((w) => w.days <= w.of, 'Watered on more days than there were.')
    .nullable()
    .default(null),
  /** Seedlings counted in small frames: m each side, and the plants in each. */
  counted: z
    .strictObject({
      side: z
        .number({ error: 'A frame is a number of metres each side.' })
        .min(0.02, 'A frame is 20 mm each side at least.')
        .max(1, 'A frame is a metre each side at most.'),
      plants: z
        .array(
          z
            .int({ error: 'Plants are whole numbers.' })
            .min(0, 'No count is below zero.')
            .max(MOST_PLANTS, 'No frame holds so many plants.'),
        )
        .min(1, 'Count one frame at least.')
        .max(MOST_FRAMES, `Up to ${MOST_FRAMES} frames are kept.`),
    })
    .nullable()
    .default(null),
  /** What was found where grass is missing, and how much of the zone's ground is, %. */
  take: z
    .strictObject({
      seen: takeSeen,
      missing: z.number().min(0).max(100).nullable().default(null),
    })
    .nullable()
    .default(null),
  /** An offer to the customer, as it was given; and what became of one. */
  offer: offerSchema.nullable().default(null),
  offerAnswer: offerAnswerSchema.nullable().default(null),
  /** Work beside what was offered, as it was agreed on. */
  changeOrder: changeOrderSchema.nullable().default(null),
  /**
   * The day's weather as it was known when this was written: °C, mm, km/h, and where it comes from.
   */
  weather: z
    .strictObject({
      low: z.number().nullable(),
      high: z.number().nullable(),
      rain: z.number().nullable(),
      wind: z.number().nullable().default(null),
      source: z.string().max(120),
    })
    .nullable()
    .default(null),
})
export type DiaryEntry = z.output<typeof diaryEntry>

/** An entry with nothing in it but what it says and when. */
export const blankEntry = (id: string, date: string, what: string): DiaryEntry => ({
  id,
  date,
  zone: null,
  step: null,
  stepZones: [],
  what,
  amount: '',
  hours: null,
  who: '',
  note: '',
  product: '',
  corrects: null,
  stands: [],
  lots: [],
  read: null,
  found: null,
  watered: null,
  counted: null,
  take: null,
  offer: null,
  offerAnswer: null,
  changeOrder: null,
  weather: null,
})

/**
 * What is wrong with an amount as typed: a number alone says nothing to whoever reads it later.
 * Empty where nothing is.
 */
export const amountProblem = (amount: string): string =>
  /[\d½¼¾]/.test(amount) && /^[\s\d.,/½¼¾×x+-]*$/.test(amount)
    ? `Write what ${amount.trim()} is: ${amount.trim()} kg, ${amount.trim()} L, ${amount.trim()} bags.`
    : ''

/** Steps that put down what the law keeps a record of: their ticks name the product. */
export const namesProduct = (kind: StepKind): boolean =>
  OPERATIONS[kind].cautions.includes('pesticide')

/**
 * The entries that still stand: those no later entry corrects. An entry that corrects with "struck
 * out" only removes.
 */
export function activeEntries(diary: readonly DiaryEntry[]): DiaryEntry[] {
  const corrected = new Set(diary.flatMap((entry) => (entry.corrects ? [entry.corrects] : [])))
  return diary.filter(
    (entry) => !corrected.has(entry.id) && entry.what !== STRUCK_OUT && entry.stands.length === 0,
  )
}

/** Whether two entries tick off the same step on ground they share. */
function ticksAlike(a: DiaryEntry, b: DiaryEntry): boolean {
  const operation = (entry: DiaryEntry) => entry.step?.split('/')[0]
  return (
    a.step !== null &&
    operation(a) === operation(b) &&
    (a.stepZones.length === 0 || b.stepZones.length === 0
      ? a.step === b.step
      : a.stepZones.some((zone) => b.stepZones.includes(zone)))
  )
}

/**
 * Entries that tick off what another has ticked off before them, as two phones without signal do:
 * until somebody says that both stand, the first alone is counted.
 */
export function tickedTwice(diary: readonly DiaryEntry[]): DiaryEntry[] {
  const active = activeEntries(diary)
  const bothStand = (a: DiaryEntry, b: DiaryEntry) =>
    diary.some(({ stands }) => stands.includes(a.id) && stands.includes(b.id))
  return active.filter((entry, i) =>
    active.slice(0, i).some((first) => ticksAlike(first, entry) && !bothStand(first, entry)),
  )
}

/** Every entry of a diary that says something, with the day it was struck out on where it was. */
export function entriesWithTrace(
  diary: readonly DiaryEntry[],
): { entry: DiaryEntry; struck: string | null }[] {
  const struckOn = new Map(
    diary.flatMap((e) =>
      e.corrects && e.what === STRUCK_OUT ? [[e.corrects, e.date] as const] : [],
    ),
  )
  const replaced = new Set(
    diary.flatMap((e) => (e.corrects && e.what !== STRUCK_OUT ? [e.corrects] : [])),
  )
  return diary
    .filter((e) => e.what !== STRUCK_OUT && !replaced.has(e.id))
    .map((entry) => ({ entry, struck: struckOn.get(entry.id) ?? null }))
}

/** The newest visit to a zone that does not come up. */
export const lastVisit = (diary: readonly DiaryEntry[], zone: string): DiaryEntry | undefined =>
  activeEntries(diary)
    .filter((e) => e.take && e.zone === zone)
    .sort((a, b) => a.date.localeCompare(b.date))
    .at(-1)

export const STRUCK_OUT = 'struck out'
