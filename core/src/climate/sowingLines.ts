import { addDays } from '../calendar/day.ts'
import type { Grass, GrassId } from '../reference/grasses.ts'
import { procedure, rule, tradeValues, value, type TradeValue } from '../rules/rule.ts'
import type { Trace } from '../trace/trace.ts'
import { oddsValues, type SownGrass } from './sowingOdds.ts'

/** Soil at 50 mm, and air, that open and shut the sowing window. */
export const windowValues = tradeValues('window', {
  coolFrom: value(10, 'C', 'practice', 'Cool grasses are sown well from', [4, 15]),
  coolTo: value(22, 'C', 'practice', 'and up to', [16, 30]),
  coolMost: value(25, 'C', 'model', 'Cool grasses are marginal up to', [18, 35]),
  coolLeast: value(
    7,
    'C',
    'practice',
    'Least soil for a cool grass whose own is not known',
    [2, 12],
  ),
  warmFrom: value(21, 'C', 'practice', 'Warm grasses are sown well from', [15, 30]),
  warmLeast: value(
    18,
    'C',
    'practice',
    'Least soil for a warm grass whose own is not known',
    [10, 25],
  ),
  warmDays: value(27, 'C', 'practice', 'and in days of', [20, 35]),
  warmUntil: value(
    30,
    'd',
    'practice',
    'Warm grass is sown until midsummer, and so long after the warmest day',
    [0, 90],
  ),
  coverFrom: value(7, 'C', 'model', 'A quick cover is sown well from', [2, 15]),
  coverLeast: value(5, 'C', 'practice', 'A quick cover is marginal from', [0, 12]),
  hotAhead: value(
    2,
    'd',
    'model',
    'Cool grass is shut while so many hot days are expected in four weeks',
    [0.5, 14],
  ),
  squeezed: value(
    28,
    'd',
    'model',
    'but marginal in the last so many before the last day to sow, with a waterer',
    [0, 60],
  ),
  warmAir: value(
    28,
    'C',
    'model',
    'Autumn is marginal while the usual day is warmer than',
    [22, 34],
  ),
  coolSummer: value(
    27,
    'C',
    'practice',
    'High summer is shut where the year’s warmest usual day is',
    [22, 34],
  ),
  freshSummer: value(
    21,
    'C',
    'model',
    'There is no high summer where the year’s warmest usual day is cooler than',
    [15, 26],
  ),
  beforeWarmest: value(45, 'd', 'model', 'High summer begins before the warmest day by', [10, 90]),
  afterWarmest: value(21, 'd', 'model', 'and ends after it by', [0, 60]),
  winterGreenNight: value(
    14,
    'C',
    'model',
    'Grass for winter green is sown once nights are usually',
    [8, 20],
  ),
  winterGreenFrost: value(21, 'd', 'model', 'and until so long before killing frost', [0, 60]),
  pastRule: value(
    14,
    'd',
    'model',
    'Over a living sward quick grass is marginal after its last day for',
    [0, 42],
  ),
  dormant: value(4, 'C', 'practice', 'Seed that is to lie dormant is sown in soil under', [0, 8]),
})

/** Days before killing frost that sowing ends. */
export const leadValues = tradeValues('lead', {
  cool: value(42, 'd', 'practice', 'Cool-season sowing ends before killing frost by', [14, 90]),
  bluegrass: value(56, 'd', 'model', 'Bluegrass, the slowest, by', [14, 120]),
  warm: value(90, 'd', 'practice', 'Warm-season sowing ends before first frost by', [30, 150]),
  winterGreen: windowValues.winterGreenFrost,
  cover: value(0, 'd', 'model', 'A quick cover of annual ryegrass by', [0, 60]),
})

const cutOff = (id: string, lead: TradeValue, says: string) =>
  rule({
    id: `window.${id}`,
    key: 'cut-off',
    stage: 6,
    label: 'Last day to sow',
    unit: 'date',
    standing: lead.standing,
    says,
    values: { lead },
    inputs: { frost: 'date' },
    formula: 'frost - lead',
    compute: ({ frost }, v) => addDays(frost, -v.lead),
  })

export const windowRules = {
  cool: cutOff(
    'cool-cut-off',
    leadValues.cool,
    'Cool-season sowing ends {lead} before killing frost.',
  ),
  bluegrass: cutOff(
    'bluegrass-cut-off',
    leadValues.bluegrass,
    'Bluegrass, the slowest, ends {lead} before killing frost.',
  ),
  winterGreen: cutOff(
    'winter-green-cut-off',
    leadValues.winterGreen,
    'Grass for winter green is sown until {lead} before killing frost: it only has to come up.',
  ),
  warm: cutOff(
    'warm-cut-off',
    leadValues.warm,
    'Warm-season sowing ends {lead} before first frost.',
  ),
  cover: cutOff(
    'cover-cut-off',
    leadValues.cover,
    'A quick cover of annual ryegrass may be sown up to the frost itself, less {lead}.',
  ),
  growth: procedure({
    id: 'window.growth-cut-off',
    key: 'cut-off',
    stage: 6,
    label: 'Last day to sow',
    unit: 'date',
    standing: 'model',
    says: 'Seedlings want {growth} over {growthBase}, once they are up, before killing frost.',
    values: { growth: oddsValues.growth, growthBase: oddsValues.growthBase },
    inputs: { frost: 'date' },
    steps:
      'the last day from which the usual warmth, after seed is up, still reaches that sum by the frost',
    by: 'climate/sowingWindow: lastByGrowth',
    check: 'window.test.ts',
  }),
  seldom: procedure({
    id: 'window.seldom-cut-off',
    key: 'cut-off',
    stage: 6,
    label: 'Last day to sow',
    unit: 'date',
    standing: 'model',
    says: 'Killing frost comes seldom here, so the season ends with its coldest day.',
    inputs: { frost: 'date' },
    steps: 'the usual coldest day of the season',
    by: 'climate/sowingWindow: lastDayOf',
    check: 'window.test.ts',
  }),
  soil: procedure({
    id: 'window.soil',
    key: 'window',
    stage: 6,
    label: 'Sowing window',
    unit: 'text',
    standing: 'practice',
    says: 'Cool grasses sow from {coolFrom} to {coolTo} soil once the heat is past, up to the last day before frost; spring is marginal, with honest odds, and ends where the heat comes before seedlings stand it. Warm grasses want their least, {warmFrom} and days of {warmDays} for the best.',
    values: windowValues,
    inputs: { soil: 'C', cutOff: 'date' },
    steps: 'soil, usual days, hot days ahead and frost, by day, against the lines',
    by: 'climate/sowingWindow: sowingWindow',
    check: 'window.test.ts',
  }),
}

/** Which cut-off a grass or a mix goes by. */
export type Lead = keyof typeof leadValues

/**
 * What decides how long before killing frost a grass has to be sown. Nurse grasses wait for nobody.
 */
export function leadOf(grass: Grass): Lead {
  if (grass.season === 'warm') return 'warm'
  if (grass.passing) return 'cover'
  return grass.thermal && grass.thermal.theta >= SLOW ? 'bluegrass' : 'cool'
}
/**
 * Cool grasses whose seed wants this much warmth are as slow as bluegrass, °C·d. Juvena's model.
 */
const SLOW = 200

/**
 * Grasses that are sown into cold soil to come up in spring: common practice for fescue and
 * bluegrass.
 */
export const liesDormant = (grass: Grass): boolean =>
  grass.season === 'cool' && (grass.fine || (grass.spreads && !grass.passing))

/** Grasses of this share or more are wanted for themselves, % by weight. Juvena's model. */
export const WANTED_FROM = 10

/** The lead of a mix is that of its slowest wanted grass. */
export function mixLead(parts: readonly { grass: GrassId; share: number }[], trace: Trace): Lead {
  const leads = parts.filter((p) => p.share >= WANTED_FROM).map((p) => leadOf(trace.grass(p.grass)))
  return leads.reduce<Lead>(
    (slowest, lead) =>
      trace.value(leadValues[lead]) > trace.value(leadValues[slowest]) ? lead : slowest,
    'cover',
  )
}

/** What the odds of a grass are tried with; null where it is not sown from seed. */
export function sownGrass(grass: Grass, trace: Trace, leads = true): SownGrass | null {
  const { thermal, season, soilMin, days, weeksToUse } = grass
  return (
    thermal && {
      season,
      thermal,
      least: soilMin ?? 0,
      lead: trace.value(leadValues[leadOf(grass)]),
      showing: days ? (days[0] + days[1]) / 2 : 0,
      toUse: [weeksToUse[0] * 7, weeksToUse[1] * 7],
      leads,
    }
  )
}
