import { sure } from '../quantities/sure.ts'
import { z } from 'zod'
import { showNumber } from '../quantities/show.ts'
import { day, oneOf, quantity, text } from './entry.ts'
import { grassId } from './grass.ts'

export const STORAGES = ['cool', 'shed', 'hot'] as const
export const STORAGE_NAMES: Record<(typeof STORAGES)[number], string> = {
  cool: 'cool and dry',
  shed: 'in a shed',
  hot: 'hot or damp',
}

const id = z.string().regex(/^[A-Za-z0-9_-]{1,64}$/, 'An id is 1 to 64 letters, digits, _ or -.')
const percent = (what: string, max = 100, because?: string) =>
  quantity('percent', { min: 0, max, what, ...(because ? { because } : {}) })

/**
 * One grass of a label: its share of the bag's weight as pure seed, and how much of that
 * germinates.
 */
export const labelPart = z.strictObject({
  grass: grassId,
  /** As printed; unnamed seed is of the common type. */
  cultivar: text(80),
  /** It passes for a named fine hybrid of its kind, which common seed does not. */
  matchesHybrid: z.boolean().nullable().default(null),
  pure: percent('Pure seed'),
  germination: quantity('percent', {
    min: 1,
    max: 100,
    what: 'Germination',
    because: 'dead seed grows nothing at any rate. 70 to 95 % is usual.',
  }),
})

/** A count of germination on damp paper. */
const paperTest = z.strictObject({
  started: day,
  /** Seeds laid out. */
  seeds: quantity('ratio', {
    min: 10,
    max: 1000,
    what: 'Seeds laid out',
    because: 'fewer tell nothing. 100 are usual.',
  }),
  /** Sprouted by the first count and by the last. */
  first: quantity('ratio', { min: 0, max: 1000, what: 'Sprouted' }),
  last: quantity('ratio', { min: 0, max: 1000, what: 'Sprouted' }),
})

/** A lot of seed as its label has it. */
export const seedLotSchema = z
  .strictObject({
    /** The number on the label. */
    number: text(60),
    name: text(80),
    supplier: text(80),
    origin: text(80),
    parts: z.array(labelPart).max(8, 'A label of up to 8 grasses is kept.').default([]),
    otherCrop: percent('Other crop'),
    weedSeed: percent('Weed seed'),
    inert: percent('Inert matter'),
    coating: percent('Coating', 90, 'the rest of the bag is seed.'),
    tested: day,
    storage: oneOf(STORAGES, 'a way of keeping it').default('shed'),
    /** The bag it comes in, and what that costs. */
    bag: quantity('mass', { min: 0.05, max: 1000, what: 'A bag' }),
    price: quantity('price', { min: 0, max: 1_000_000, what: 'A price' }),
    test: paperTest.prefault({}),
    notes: text(1000),
  })
  .superRefine((lot, ctx) => {
    const issue = (path: (string | number)[], message: string) =>
      ctx.addIssue({ code: 'custom', path, message })
    const { test } = lot
    for (const key of ['first', 'last'] as const)
      if (test[key] !== null && test.seeds !== null && test[key] > test.seeds)
        issue(
          ['test', key],
          `${showNumber(test[key])} of ${showNumber(test.seeds)} seeds cannot have sprouted. Count again.`,
        )
    if (test.first !== null && test.last !== null && test.last < test.first)
      issue(
        ['test', 'last'],
        `By the last count at least the ${showNumber(test.first)} of the first have sprouted.`,
      )
    const sum = labelSum(lot)
    if (sum !== null && Math.abs(sum - 100) > 0.5)
      issue(
        ['parts'],
        `The label adds up to ${showNumber(sum)} %: pure seed, other crop, weed seed and inert make 100 %. Read it again.`,
      )
  })
export type SeedLot = z.output<typeof seedLotSchema>
export type SeedLotDraft = z.input<typeof seedLotSchema>

/**
 * What a label adds up to, %: pure seed, other crop, weed seed and inert. Coating is counted in
 * where the rest leaves room for it: some labels have it among the inert matter, some apart. Null
 * until pure seed and one of the others is read.
 */
export function labelSum(
  lot: Pick<SeedLot, 'parts' | 'otherCrop' | 'weedSeed' | 'inert' | 'coating'>,
): number | null {
  if (lot.parts.length === 0 || lot.parts.some((p) => p.pure === null)) return null
  if (lot.otherCrop === null && lot.weedSeed === null && lot.inert === null) return null
  const sum =
    lot.parts.reduce((total, p) => total + sure(p.pure), 0) +
    (lot.otherCrop ?? 0) +
    (lot.weedSeed ?? 0) +
    (lot.inert ?? 0)
  const coated = sum + (lot.coating ?? 0)
  return Math.abs(coated - 100) < Math.abs(sum - 100) ? coated : sum
}

/**
 * Whether the coating is counted on the label beside pure seed and the rest, so that purity is of
 * the bag as sold.
 */
export function coatingOnLabel(
  lot: Pick<SeedLot, 'parts' | 'otherCrop' | 'weedSeed' | 'inert' | 'coating'>,
): boolean {
  if (lot.coating === null) return true
  const pure = lot.parts.reduce((total, p) => total + (p.pure ?? 0), 0)
  // Pure seed and coating cannot come to more than the bag; where they do, purity was read of the
  // seed without its coat.
  return pure + lot.coating <= 100.5
}

export const MOVEMENTS = [
  'received',
  'returned',
  'reserved',
  'released',
  'opened',
  'used',
  'written-off',
] as const
export type MovementKind = (typeof MOVEMENTS)[number]
export const MOVEMENT_NAMES: Record<MovementKind, string> = {
  received: 'received',
  returned: 'returned to the shelf',
  reserved: 'reserved',
  released: 'reservation ended',
  opened: 'bag opened',
  used: 'used',
  'written-off': 'written off',
}

/** One movement of a lot. Its id is made where it is written: sent twice, it counts once. */
export const stockMovement = z.strictObject({
  id: z
    .string()
    .regex(
      /^[A-Za-z0-9_.:-]{8,140}$/,
      'A movement goes by an id of 8 to 140 letters, digits and _ . : -.',
    ),
  lot: id,
  kind: oneOf(MOVEMENTS, 'a kind of movement'),
  /** kg, always above zero: the kind says which way it goes. */
  kg: z
    .number({ error: 'A weight is a number of kilograms.' })
    .gt(0, 'A weight is above zero.')
    .max(100_000),
  on: z.iso.date({ error: 'A date is an ISO day like 2027-03-02.' }),
  job: z.string().max(60).nullable().default(null),
  zone: z.string().max(60).nullable().default(null),
  note: text(400),
})
export type StockMovement = z.output<typeof stockMovement>
export type StockMovementDraft = z.input<typeof stockMovement>
