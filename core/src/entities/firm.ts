import type { Currency } from '../quantities/money.ts'
import { z } from 'zod'
import { DEFAULT_SCHOOLS, SCHOOL_CHOICES, type Schools } from '../reference/schools.ts'
import { grassId, ownGrassSchema } from './grass.ts'
import { pricesSchema } from './prices.ts'
import { uniqueIds } from './uniqueIds.ts'
import { grade, gradeName, monthDay, oneOf, quantity, text } from './entry.ts'

export const firmSchema = z.strictObject({
  name: text(120),
  address: text(200),
  phone: text(60),
  units: oneOf(['metric', 'us'], 'a system of units').default('metric'),
  /** Which twin of each trade word is shown. */
  dialect: oneOf(['dethatch', 'scarify'], 'a dialect').default('scarify'),
  crew: quantity('ratio', {
    min: 1,
    max: 60,
    what: 'Crew',
    because: 'count the people who work on one job.',
  }),
  hoursPerDay: quantity('hours', { min: 1, max: 16, what: 'A working day' }),
  weekendWork: z.boolean().default(false),
  feedGrade: grade,
  /** Its money: the sign before a sum, and the decimals of the smallest coin. */
  currency: text(4),
  coinDecimals: z.literal([0, 2, 3]).default(2),
  /** Seed bags it buys, and what one costs. */
  seedBags: uniqueIds(
    z
      .array(
        z.strictObject({
          id: text(40),
          size: quantity('mass', { min: 0.05, max: 1000, what: 'A bag' }),
          price: quantity('price', { min: 0, max: 1_000_000, what: 'A price' }),
        }),
      )
      .max(12),
    'bags',
  ).default([]),
  /** What work and materials cost it, and how it makes a price of that. */
  prices: pricesSchema.prefault({}),
  /** The spreader: the strip it covers evenly, and the length of a test strip. */
  swath: quantity('length', { min: 0.2, max: 20, what: 'A swath' }),
  strip: quantity('length', { min: 1, max: 100, what: 'A test strip' }),
  /** What the scale reads to, and what a hand holds of seed. */
  scaleStep: quantity('mass', { min: 0.0005, max: 1, what: 'A step of the scale' }),
  handful: quantity('mass', { min: 0.001, max: 0.5, what: 'A handful' }),
  /** Settings of the spreader that were tried: what came out on the test strip. */
  calibrations: uniqueIds(
    z
      .array(
        z.strictObject({
          id: text(40),
          /** The grass, or the mix's leading grass. */
          grass: grassId,
          /** The grade of the feed that was spread, as on its bag; null where it was seed. */
          feed: gradeName,
          setting: quantity('ratio', { min: 0, max: 1000, what: 'A setting' }),
          grams: quantity('mass', { min: 0.001, max: 100, what: 'A catch' }),
          swath: quantity('length', { min: 0.2, max: 20, what: 'A swath' }),
          strip: quantity('length', { min: 1, max: 100, what: 'A test strip' }),
        }),
      )
      .max(200),
    'calibrations',
  ).default([]),
  reserve: quantity('percent', { min: 0, max: 50, what: 'Seed kept back' }),
  settling: quantity('percent', { min: 0, max: 60, what: 'Settling of fills' }),
  oversize: quantity('percent', { min: 0, max: 60, what: 'Oversize raked off' }),
  barrow: quantity('volume', { min: 0.03, max: 0.3, what: 'A barrow' }),
  phosphorusLaw: oneOf(
    ['none', 'with-test', 'new-seed-only', 'barred'],
    'a rule on phosphorus',
  ).default('none'),
  /** Days of the year on which local law allows no nitrogen, the last one with them. */
  nitrogenBans: uniqueIds(
    z.array(z.strictObject({ id: text(40), from: monthDay, to: monthDay })).max(6),
    'dates',
  ).default([]),
  schools: z
    .partialRecord(
      z.enum(Object.keys(SCHOOL_CHOICES) as [keyof typeof SCHOOL_CHOICES]),
      z.string().max(40),
    )
    .default({}),
  /** Numbers of the trade the firm has set for itself, by "rule.value". */
  values: z.record(z.string().max(120), z.number({ error: 'A value is a number.' })).default({}),
  /** Grasses the firm has changed or added. */
  grasses: uniqueIds(z.array(ownGrassSchema).max(100), 'grasses').default([]),
  /** Single-letter keys on or off. */
  letterKeys: z.boolean().default(true),
  paper: oneOf(['a4', 'letter'], 'a paper size').default('a4'),
})
export type Firm = z.output<typeof firmSchema>
export type FirmDraft = z.input<typeof firmSchema>

/** The school in force for a choice: the job's own, else the firm's, else the house default. */
export function schoolsFor(
  firm: Pick<Firm, 'schools'>,
  own: Partial<Record<string, string>>,
): Schools {
  const chosen: Schools = { ...DEFAULT_SCHOOLS }
  for (const source of [firm.schools, own])
    for (const [choice, school] of Object.entries(source ?? {}))
      if (
        school &&
        choice in SCHOOL_CHOICES &&
        school in SCHOOL_CHOICES[choice as keyof Schools].schools
      )
        Object.assign(chosen, { [choice]: school })
  return chosen
}

export const defaultFirm = (): Firm => firmSchema.parse({})

/** How a firm's money is written. */
export const currencyOf = ({
  currency,
  coinDecimals,
}: Pick<Firm, 'currency' | 'coinDecimals'>): Currency => ({
  sign: currency,
  decimals: coinDecimals,
})
