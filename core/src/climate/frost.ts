import { addDays, type Day } from '../calendar/day.ts'
import { quantity, say } from '../rules/message.ts'
import { procedure, reading, rule, tradeValues, value } from '../rules/rule.ts'

const firstFrost = (odds: string) => say`First ${quantity(-2, 'C')} night, ${odds}`

export const frostValues = tradeValues('frost', {
  spread: value(
    15,
    'd',
    'model',
    'Spread of first-frost dates about their median, where no years of a station are on record',
    [3, 40],
  ),
})

/** What people remember is the first white frost: ground frost at +2 or +3 °C on the screen. */
export const whiteFrostValues = tradeValues('white-frost', {
  later: value(
    14,
    'd',
    'model',
    'The first −2 °C night comes after the first white frost on the grass by',
    [3, 45],
  ),
})

/** The first −2 °C night, "MM-DD", from the first white frost of most autumns. */
export const killingFromWhite = (white: string, later: number): string =>
  addDays(`2027-${white}`, later).slice(5)

/** Standard deviations below the mean that one year in ten lies. */
const ONE_IN_TEN = 1.2816

/** The median date of the first killing frost, next time it comes round: the firm's entry. */
export const frostReading = reading({
  key: 'frost',
  stage: 6,
  label: firstFrost('even odds'),
  unit: 'date',
})

const median = {
  key: 'frost',
  stage: 6,
  label: firstFrost('even odds'),
  unit: 'date',
  inputs: { latitude: 'deg' },
} as const
const tenth = {
  key: 'frost-tenth',
  stage: 6,
  label: firstFrost('1 in 10'),
  unit: 'date',
  inputs: { median: 'date' },
} as const

export const frostRules = {
  assumed: procedure({
    ...median,
    id: 'frost.none',
    standing: 'assumed',
    says: 'No frost date given and no station on record: half of the years of Juvena’s rough climate for this latitude have had a −2 °C night by then.',
    steps: 'a hundred simulated years, each with its first −2 °C night after the warmest day',
    by: 'climate/frostOdds: frostOdds',
    check: 'frostOdds.test.ts',
  }),
  recorded: procedure({
    ...median,
    id: 'frost.recorded',
    standing: 'calculation',
    says: 'Half of the years on the station’s record have had a −2 °C night by then.',
    steps: 'each year’s first −2 °C night after the warmest day, and the middle of them',
    by: 'climate/frostOdds: frostOdds',
    check: 'frostOdds.test.ts',
  }),
  seldom: procedure({
    ...median,
    id: 'frost.seldom',
    standing: 'model',
    says: 'Fewer than half of the years have a −2 °C night at all: the coldest day of the year is taken, and no frost ends sowing.',
    steps: 'the coldest day of the usual year',
    by: 'climate/siteClimate: siteClimate',
    check: 'frostOdds.test.ts',
  }),
  tenth: rule({
    ...tenth,
    id: 'frost.one-in-ten',
    standing: 'model',
    says: 'The date one year in ten has frozen by: the median less 1.28 spreads of {spread}.',
    values: frostValues,
    formula: 'median - round(1.2816 * spread)',
    compute: ({ median }, { spread }) => oneInTen(median, spread),
  }),
  tenthOfYears: procedure({
    ...tenth,
    id: 'frost.one-in-ten-of-years',
    standing: 'model',
    says: 'One year in ten has had its first −2 °C night by then. Few years on record are widened: mean − t(0.9, n − 1) · s · √(1 + 1/n).',
    steps: 'the first −2 °C nights of the years, as far before their median as one in ten lies',
    by: 'climate/frostOdds: frostOdds',
    check: 'frostOdds.test.ts',
  }),
}

/** Day by which one year in ten has had its first killing frost. `spread` in days. */
export const oneInTen = (median: Day, spread: number): Day =>
  addDays(median, -Math.round(ONE_IN_TEN * spread))
/** Days that one in ten lies before the median, for a spread in days. */
export const daysToTenth = (spread: number): number => Math.round(ONE_IN_TEN * spread)
