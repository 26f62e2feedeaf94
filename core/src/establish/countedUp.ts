import { dayNumber, type Day } from '../calendar/day.ts'
import { soilOn, type SoilByDay } from '../climate/soilTemperature.ts'
import { sum } from '../quantities/sum.ts'
import { procedure, tradeValues, value } from '../rules/rule.ts'
import { plantCountValues } from './plantCount.ts'

export const paceValues = tradeValues('pace', {
  spread: value(20, '%', 'model', 'Seed comes sooner or later than its table, one time in three by more than', [5, 60]), // prettier-ignore
  strays: value(0.1, '%', 'model', 'Of the plants expected, strays are counted before any seed is up', [0.001, 5]), // prettier-ignore
})

export const paceRules = {
  pace: procedure({
    id: 'emergence.pace',
    key: 'pace',
    stage: 7,
    label: 'Warmth it takes, times its table',
    unit: '1',
    standing: 'model',
    says: 'From seedlings counted in frames: of all paces around that of the table (one time in three off by more than {spread}) those that explain the counts, and how many plants there are in the end, count for more. Over 1 it comes later than its table.',
    values: { ...paceValues, ...plantCountValues },
    inputs: { expected: '/cm2', counted: '1', sown: 'date' },
    steps:
      'a grid of paces, each weighed by its prior × the chance of the counts: Poisson in the plants that are up by then, their density a Gamma around what was expected',
    by: 'establish/countedUp: paceOf',
    check: 'countedUp.test.ts',
  }),
}

/** Of the seed that is up in the end, the share by warmth in units of its half: first, half, last. */
export const shareUp = (
  warmth: number,
  { first, last }: { first: number; last: number },
): number =>
  warmth < first
    ? 0
    : warmth < 1
      ? 0.1 + (0.4 * (warmth - first)) / (1 - first)
      : Math.min(1, 0.5 + (0.5 * (warmth - 1)) / (last - 1))

/** A count of a day: plants in all frames together, their ground in cm², and the warmth by grass. */
export interface CountOfDay {
  plants: number
  ground: number
  /** Warmth so far over that which brings up half, and the grass’s share of the plants, 0 to 1. */
  grasses: readonly { warmth: number; share: number }[]
}

export interface Pace {
  /** Warmth it takes, times that of the table, and between what nine times in ten. */
  pace: number
  low: number
  high: number
}

const STEPS = 121
/** The grid reaches so many times the spread either way. */
const REACH = 3

/**
 * How much more or less warmth a sowing takes than its table, from counts: posterior mean over a grid
 * of paces, the density of plants (Gamma of shape `prior` around `expected`, per cm²) integrated out.
 */
export function paceOf(
  counts: readonly CountOfDay[],
  expected: number,
  { spread, prior, strays, first, last }: { spread: number; prior: number; strays: number; first: number; last: number }, // prettier-ignore
): Pace {
  const sigma = Math.log(1 + spread / 100)
  const paces = Array.from({ length: STEPS }, (_, i) => Math.exp(sigma * REACH * ((2 * i) / (STEPS - 1) - 1))) // prettier-ignore
  const all = sum(counts.map((c) => c.plants))
  const logs = paces.map((pace) => {
    const up = counts.map((c) =>
      Math.max(
        strays / 100,
        sum(c.grasses.map((g) => g.share * shareUp(g.warmth / pace, { first, last }))),
      ),
    )
    const seen = sum(counts.map((c, i) => c.ground * up[i]!))
    return (
      -0.5 * (Math.log(pace) / sigma) ** 2 +
      sum(counts.map((c, i) => c.plants * Math.log(up[i]!))) -
      (prior + all) * Math.log(prior / expected + seen)
    )
  })
  const top = Math.max(...logs)
  const weights = logs.map((l) => Math.exp(l - top))
  const total = sum(weights)
  const below = (share: number) => {
    let so = 0
    for (let i = 0; i < STEPS; i++) if ((so += weights[i]! / total) >= share) return paces[i]!
    return paces.at(-1)!
  }
  return {
    pace: Math.exp(sum(paces.map((p, i) => (weights[i]! / total) * Math.log(p)))),
    low: below(0.05),
    high: below(0.95),
  }
}

/** Warmth over a base from a day up to the end of another, °C·d. */
export function warmthBetween(base: number, from: Day, to: Day, known: SoilByDay): number {
  let total = 0
  for (let day = dayNumber(from); day <= dayNumber(to); day++)
    total += Math.max(0, soilOn(known, day) - base)
  return total
}
