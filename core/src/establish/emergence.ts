import { addDays, dayNumber, dayOf, laterDay, type Day } from '../calendar/day.ts'
import { soilOn, type SoilByDay } from '../climate/soilTemperature.ts'
import type { Grass } from '../reference/grasses.ts'
import { procedure, rule, tradeValues, value } from '../rules/rule.ts'

/** How far the first tenth and the last lie from the half, in warmth. */
export const emergenceValues = tradeValues('emergence', {
  first: value(
    0.7,
    '1',
    'model',
    'A tenth is up at this share of the warmth that brings up half',
    [0.3, 1],
  ),
  last: value(1.5, '1', 'model', 'The last is up at', [1, 3]),
})

export const patienceValues = tradeValues('patience', {
  warm: value(28, 'd', 'practice', 'Warm grasses are not judged before', [10, 60]),
})

export const emergenceRules = {
  band: procedure({
    id: 'emergence.band',
    key: 'up',
    stage: 7,
    label: 'Shows',
    unit: 'date',
    standing: 'model',
    says: 'Warmth above a base adds up day by day while the seedbed stays moist; a tenth is up at {first} of the sum, the last at {last}.',
    values: emergenceValues,
    inputs: { sown: 'date', soil: 'C', warmth: 'Cd', base: 'C', pace: '1?' },
    steps:
      'from sowing, the first days on which Σ(soil − base) reaches those shares of the grass’s sum',
    by: 'establish/emergence: emergence',
    check: 'seed.test.ts',
  }),
  judge: procedure({
    id: 'emergence.judge',
    key: 'judge',
    stage: 7,
    label: 'Do not judge it before',
    unit: 'date',
    standing: 'practice',
    says: 'A bare bed is normal until the slowest wanted grass has had its days: the last of its table, {warm} for warm grasses; in cold soil until the last of it should show. Then seed is dug up and looked at.',
    values: patienceValues,
    inputs: { sown: 'date', last: 'date' },
    steps: 'the later of sowing + the grass’s days, and the day its last shows',
    by: 'establish/emergence: judgedFrom',
    check: 'follow.test.ts',
  }),
  slowest: rule({
    id: 'emergence.slowest',
    key: 'hand-over',
    stage: 7,
    label: 'Keep the surface moist until',
    unit: 'date',
    standing: 'model',
    says: 'The slowest wanted grass decides how long the surface is kept moist.',
    inputs: { last: 'date[]' },
    formula: 'latest(last)',
    compute: ({ last }) => [...last].sort().at(-1)!,
  }),
}

export interface Emergence {
  first: Day
  half: Day
  last: Day
}

/**
 * Days a grass shows by, from sowing, in the soil there is, °C by day. Thermal time as in the
 * reference table; Juvena's model. Null when the grass has no seed or the warmth never adds up as
 * far as the soil is known.
 */
export function emergence(
  { thermal }: Pick<Grass, 'thermal'>,
  sown: Day,
  known: SoilByDay,
  shares: { first: number; last: number },
): Emergence | null {
  if (!thermal) return null
  const first = dayNumber(sown)
  const start = dayNumber(known.start)
  const end = Math.min(first, start) + known.soil.length
  const marks = [shares.first, 1, shares.last].map((share) => share * thermal.theta)
  const found: Day[] = []
  let sum = 0
  for (let day = first; day < end && found.length < 3; day++) {
    sum += Math.max(0, soilOn(known, day) - thermal.base)
    while (found.length < 3 && sum >= marks[found.length]!) found.push(dayOf(day + 1))
  }
  return found.length === 3 ? { first: found[0]!, half: found[1]!, last: found[2]! } : null
}

/**
 * From which day a sowing may be judged: the last day of the slowest grass’s table after sowing, or
 * the day its last shows in the soil there is, whichever is later. Common practice.
 */
export const judgedFrom = (
  sown: Day,
  grasses: readonly { of: Pick<Grass, 'season' | 'days'>; last: Day }[],
  warm: number,
): Day =>
  grasses.reduce((judged, { of, last }) => {
    const days = Math.max(of.days?.[1] ?? 0, of.season === 'warm' ? warm : 0)
    return laterDay(judged, laterDay(addDays(sown, days), last))
  }, sown)
