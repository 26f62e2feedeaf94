import { addDays, nextOn, type Day } from '../calendar/day.ts'
import type { Schools } from '../reference/schools.ts'
import { quantity, say } from '../trace/message.ts'
import { procedure, reading, rule, tradeValues, value } from '../trace/rule.ts'

const firstFrost = (odds: string) => say`First ${quantity(-2, 'C')} night, ${odds}`

export const frostValues = tradeValues('frost', {
  spread: value(15, 'd', 'model', 'Spread of first-frost dates about their median, until years of a station are fed in', [3, 40]),
})

/** Standard deviations below the mean that one year in ten lies. */
const ONE_IN_TEN = 1.2816

/** The median date of the first killing frost, next time it comes round: the firm's entry. */
export const frostReading = reading({ key: 'frost', stage: 6, label: firstFrost('even odds'), unit: 'date' })

export const frostRules = {
  none: procedure({
    id: 'frost.none',
    key: 'frost',
    stage: 6,
    label: firstFrost('even odds'),
    unit: 'date',
    standing: 'assumed',
    says: 'No frost date given: Juvena goes by latitude until you give the median date of the first killing frost.',
    inputs: { latitude: 'deg' },
    steps: 'by latitude',
    by: 'climate/frost: usualFrost',
    check: 'window.test.ts',
  }),
  tenth: rule({
    id: 'frost.one-in-ten',
    key: 'frost-tenth',
    stage: 6,
    label: firstFrost('1 in 10'),
    unit: 'date',
    standing: 'model',
    says: 'The date one year in ten has frozen by: the median less 1.28 spreads of {spread}.',
    values: frostValues,
    inputs: { median: 'date' },
    formula: 'median - round(1.2816 * spread)',
    compute: ({ median }, { spread }) => oneInTen(median, spread),
  }),
}

/** Day by which one year in ten has had its first killing frost. `spread` in days. */
export const oneInTen = (median: Day, spread: number): Day => addDays(median, -Math.round(ONE_IN_TEN * spread))

/** The frost that a cut-off counts back from, the next on or after a day: at even odds, or one year in ten. */
export function countedFrost(monthDay: string, from: Day, school: Schools['cutOff'], spread: number): Day {
  const median = nextOn(monthDay, from)
  return school === 'safe' ? oneInTen(median, spread) : median
}

/** Where no frost date is known. From about 12 October at 50° to 15 December at 25°, half a year on in the south. Juvena's model. */
export function usualFrost(latitude: number): string {
  const lat = Math.min(60, Math.max(22, Math.abs(latitude)))
  const north = addDays('2026-10-12', Math.round((50 - lat) * 2.6))
  return (latitude < 0 ? addDays(north, -182) : north).slice(5)
}
