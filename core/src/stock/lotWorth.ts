import { addDays, daysBetween, showDay, type Day } from '../calendar/day.ts'
import { coatingOnLabel, STORAGE_NAMES, type SeedLot } from '../entities/stock.ts'
import type { Grass, GrassId, GrassTable } from '../reference/grasses.ts'
import { quantity, say, type Message } from '../rules/message.ts'
import { tradeValues, value } from '../rules/rule.ts'
import { exactInterval, seedsFor } from './binomial.ts'

/** How seed ages, and when it is no longer sown. */
export const lotValues = tradeValues('lot', {
  freshFor: value(12, '1', 'practice', 'A germination test holds for so many months', [3, 36]),
  coolLoss: value(
    3,
    '%',
    'model',
    'Cool and dry, germination falls in a year after that by',
    [0, 30],
  ),
  shedLoss: value(8, '%', 'model', 'In a shed, by', [0, 50]),
  hotLoss: value(20, '%', 'model', 'Hot or damp, by', [0, 80]),
  good: value(
    75,
    '%',
    'practice',
    'Seed is used at its usual rate from this germination',
    [50, 95],
  ),
  least: value(
    50,
    '%',
    'model',
    'Below this germination it is not sown: what comes up is weak and late',
    [20, 80],
  ),
  weeds: value(
    0.3,
    '%',
    'practice',
    'Weed seed from this share is too much for a lawn; none is wanted',
    [0, 5],
  ),
  crop: value(
    1,
    '%',
    'practice',
    'Other crop from this share may stand out as coarse tufts',
    [0, 10],
  ),
  sureTo: value(
    7,
    '%',
    'model',
    'A paper test is sure enough when it tells germination to',
    [2, 20],
  ),
})
export type LotValues = { [K in keyof typeof lotValues]: number }

/** What one grass of a lot is worth on a day. */
export interface PartWorth {
  grass: GrassId
  cultivar: string
  /** % of the bag's weight. */
  pure: number
  /** % that germinates now, and what says so. */
  germination: number
  from: 'paper test' | 'label' | 'label, aged' | 'usual'
  /** Pure live seed, % of the bag's weight. */
  pls: number
  /** For a thousand live seeds; null without a price or a count of seeds. */
  costPerThousand: number | null
}

export interface LotWorth {
  parts: PartWorth[]
  verdict: 'use' | 'use more' | 'do not use'
  why: Message
  /** What else is to be said of the label. */
  notes: Message[]
  /** The paper test, while one is under way or done. */
  test: PaperTest | null
}

export interface PaperTest {
  firstOn: Day
  lastOn: Day
  /** Counted: share of seeds sprouted, %. */
  result: { share: number; final: boolean } | null
  due: 'first' | 'last' | null
}

const USUAL = { purity: 98, germination: 88 }

/** What a lot goes by: its number, or its name where it has none. */
export const lotName = (lot: Pick<SeedLot, 'number' | 'name'>): string => lot.number || lot.name

/**
 * What a lot is worth on a day: the paper test counts before the label, and an old label is taken
 * for less.
 */
export function lotWorth(lot: SeedLot, grasses: GrassTable, today: Day, v: LotValues): LotWorth {
  const months = lot.tested === null ? null : daysBetween(lot.tested, today) / 30.44
  const test = paperTestOf(lot, grasses, today)
  const tested = test?.result?.final ? test.result.share : null
  const bare = coatingOnLabel(lot) ? 1 : 1 - (lot.coating ?? 0) / 100
  const loss = { cool: v.coolLoss, shed: v.shedLoss, hot: v.hotLoss }[lot.storage]
  const years = months === null ? 0 : Math.max(0, months - v.freshFor) / 12
  const perKg = lot.price !== null && lot.bag ? lot.price / lot.bag : null
  const parts = lot.parts.map((p): PartWorth => {
    const pure = (p.pure ?? USUAL.purity / lot.parts.length) * bare
    const label = p.germination ?? USUAL.germination
    const aged = label * Math.pow(1 - loss / 100, years)
    const germination = tested ?? aged
    const pls = (pure * germination) / 100
    const seeds = grasses[p.grass]?.seedsPerGram ?? null
    return {
      grass: p.grass,
      cultivar: p.cultivar,
      pure,
      germination,
      from:
        tested !== null
          ? 'paper test'
          : p.germination === null
            ? 'usual'
            : years > 0
              ? 'label, aged'
              : 'label',
      pls,
      costPerThousand: perKg !== null && seeds && pls > 0 ? perKg / ((seeds * pls) / 100) : null,
    }
  })
  const worst = parts.reduce<PartWorth | null>(
    (w, p) => (w && w.germination <= p.germination ? w : p),
    null,
  )
  const [verdict, why] = verdictOf(lot, worst, v)
  return { parts, verdict, why, notes: notesOn(lot, grasses, months, today, v), test }
}

function verdictOf(
  lot: SeedLot,
  worst: PartWorth | null,
  v: LotValues,
): [LotWorth['verdict'], Message] {
  if (!worst) return ['use more', 'No grass is entered from its label yet.']
  const at = quantity(Math.round(worst.germination), '%')
  if (lot.weedSeed !== null && lot.weedSeed >= v.weeds)
    return [
      'do not use',
      say`${quantity(lot.weedSeed, '%')} weed seed: every handful sows weeds for years.`,
    ]
  if (worst.germination < v.least)
    return ['do not use', say`Only ${at} germinates: what comes up is weak and late.`]
  if (worst.germination < v.good)
    return ['use more', say`${at} germinates, so more of the bag is weighed out.`]
  return [
    'use',
    say`${at} germinates, by ${worst.from === 'usual' ? 'what a usual bag does' : `the ${worst.from}`}.`,
  ]
}

function notesOn(
  lot: SeedLot,
  grasses: GrassTable,
  months: number | null,
  today: Day,
  v: LotValues,
): Message[] {
  const unnamed = lot.parts.filter((p) => p.cultivar.trim() === '')
  return [
    ...(lot.tested !== null && lot.tested > today
      ? [say`Tested on ${showDay(lot.tested)}, which is yet to come. Read the label again.`]
      : []),
    ...(months === null && lot.parts.length > 0 ? ['No test date: its age is not known.'] : []),
    ...(months !== null && months > v.freshFor
      ? [
          say`Tested ${Math.round(months)} months ago, kept ${STORAGE_NAMES[lot.storage]}: count it again on paper.`,
        ]
      : []),
    ...(unnamed.length > 0
      ? [
          say`No cultivar is named for ${unnamed.map((p) => grasses[p.grass]?.short ?? p.grass).join(', ')}: that is the common type.`,
        ]
      : []),
    ...(lot.otherCrop !== null && lot.otherCrop >= v.crop
      ? [say`${quantity(lot.otherCrop, '%')} other crop may stand as coarse tufts.`]
      : []),
    ...(coatingOnLabel(lot)
      ? []
      : ['The purity on this label is of the seed without its coat; the coat is taken off it.']),
  ]
}

/**
 * The days of a paper test, and what it has told so far. Slow and light-hungry seed wants light and
 * warm days.
 */
function paperTestOf(lot: SeedLot, grasses: GrassTable, today: Day): PaperTest | null {
  const { started, seeds, first, last } = lot.test
  if (started === null) return null
  const days = lot.parts
    .flatMap((p) => (grasses[p.grass] ? [grasses[p.grass]!] : []))
    .map((g: Grass) => g.testDays)
  const firstOn = addDays(started, Math.max(1, ...days.map((d) => d[0])))
  const lastOn = addDays(started, Math.max(1, ...days.map((d) => d[1])))
  const counted = last ?? first
  return {
    firstOn,
    lastOn,
    result:
      counted === null
        ? null
        : { share: (100 * counted) / (seeds ?? SEEDS_LAID), final: last !== null },
    due:
      last !== null
        ? null
        : today >= lastOn
          ? 'last'
          : first === null && today >= firstOn
            ? 'first'
            : null,
  }
}
/** Seeds of a paper test where their number was not entered. */
const SEEDS_LAID = 100

/**
 * How sure a paper test is: the exact 95 % interval of what was counted, %, and how many seeds
 * would tell it surely enough. For showing: it takes its time.
 */
export function howSure(
  lot: SeedLot,
  v: LotValues,
): { interval: { low: number; high: number } | null; enough: number } {
  const { seeds, first, last } = lot.test
  const counted = last ?? first
  const laid = seeds ?? SEEDS_LAID
  const interval = counted === null ? null : exactInterval(Math.min(counted, laid), laid)
  return {
    interval: interval && { low: 100 * interval.low, high: 100 * interval.high },
    enough: seedsFor((lot.parts[0]?.germination ?? USUAL.germination) / 100, v.sureTo / 100),
  }
}
