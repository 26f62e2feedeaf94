import { addDays, dayNumber, type Day } from '../calendar/day.ts'
import { soilOn, type SoilByDay } from '../climate/soilTemperature.ts'
import {
  growthPotential,
  growthSource,
  growthValues,
  type GrowthValues,
} from '../climate/growth.ts'
import type { Schools } from '../reference/schools.ts'
import { procedure, rule, tradeValues, value } from '../rules/rule.ts'
import type { Emergence } from './emergence.ts'

export const mowValues = tradeValues('mow', {
  inch: value(25, 'mm', 'practice', 'Inch-over mows above the cut by', [10, 50]),
  inchFrom: value(50, 'mm', 'practice', 'Inch-over is only for cuts of', [25, 100]),
  times: value(1.5, '1', 'practice', 'One-third mows at the cut times', [1.1, 2]),
  lightly: value(
    1.25,
    '1',
    'practice',
    'A living sward is kept mown, lightly: at the cut times',
    [1.05, 1.5],
  ),
})

const height = {
  key: 'mow.height',
  stage: 8,
  label: 'First mow when it stands',
  unit: 'mm',
  standing: 'practice',
} as const
const band = {
  key: 'mow.band',
  stage: 8,
  label: 'First mow expected',
  unit: 'date',
  standing: 'model',
  check: 'seedbed.test.ts',
} as const

export const mowRules = {
  inchOver: rule({
    ...height,
    id: 'mow.inch-over',
    says: 'Mow when the grass stands {inch} above the cut; only for cuts of {inchFrom} and more.',
    values: { inch: mowValues.inch, inchFrom: mowValues.inchFrom },
    inputs: { cut: 'mm' },
    formula: 'cut + inch',
    compute: ({ cut }, { inch }) => cut + inch,
  }),
  oneThird: rule({
    ...height,
    id: 'mow.one-third',
    says: 'Mow at {times} times the cut, so that a third comes off.',
    values: { times: mowValues.times },
    inputs: { cut: 'mm' },
    formula: 'times * cut',
    compute: ({ cut }, { times }) => times * cut,
  }),
  goesOn: rule({
    ...height,
    id: 'mow.goes-on',
    label: 'Mowing goes on when it stands',
    says: 'What stands is kept mown while the seed comes up, weekly and lightly: at {lightly} times the cut.',
    values: { lightly: mowValues.lightly },
    inputs: { cut: 'mm' },
    formula: 'lightly * cut',
    compute: ({ cut }, { lightly }) => lightly * cut,
  }),
  swardBand: procedure({
    ...band,
    id: 'mow.sward-band',
    source: growthSource,
    says: 'An overseeded sward grows on from its cut-down: keep mowing, weekly and lightly, on dry ground, once seedlings show; never in dormancy.',
    values: growthValues,
    inputs: { height: 'mm', leaf: 'mm', sown: 'date' },
    steps: '(height − leaf left) ÷ growth, not before seedlings show',
    by: 'establish/firstMow: mowBand',
  }),
  seedlings: procedure({
    ...band,
    key: 'mow.seedlings',
    label: 'Seedlings mown',
    id: 'mow.seedlings',
    source: growthSource,
    says: 'The sward is mown on; its seedlings are mown when they stand as high. Until then everybody keeps off.',
    values: growthValues,
    inputs: { height: 'mm', shows: 'date?' },
    steps: 'days showing + height ÷ growth',
    by: 'establish/firstMow: mowBand',
  }),
  band: procedure({
    ...band,
    id: 'mow.band',
    source: growthSource,
    says: 'From the quick grass that leads showing, at its usual growth in this warmth; never in dormancy.',
    values: growthValues,
    inputs: { height: 'mm', shows: 'date?' },
    steps: 'days showing + height ÷ growth',
    by: 'establish/firstMow: mowBand',
  }),
}

/**
 * The school that applies: inch-over is refused under `inchFrom` mm, where it would take half the
 * leaf.
 */
export const mowSchool = (
  school: Schools['firstMow'],
  cut: number,
  inchFrom: number,
): Schools['firstMow'] => (school === 'inch-over' && cut < inchFrom ? 'one-third' : school)

export interface Growing extends SoilByDay {
  /** Height to reach, mm. */
  height: number
  season: 'cool' | 'warm'
  /**
   * A living sward: the day it was sown and the leaf, mm, that its cut-down left. Null on new
   * ground.
   */
  sward: { sown: Day; leaf: number } | null
}

/** Longest a first mow is looked for, days. */
const LONGEST = 150

/**
 * When the grass should stand at a height: a band of days. New ground grows from its seedlings;
 * an overseeded sward from the leaf its cut-down left, but is not mown before seedlings show.
 */
export function mowBand(
  up: Emergence,
  { height: wanted, season, sward, ...known }: Growing,
  v: GrowthValues,
): { low: Day; high: Day } {
  const reach = (from: Day, percent: number, standing = 0): Day => {
    let stands = standing
    let day = 0
    const first = dayNumber(from)
    while (stands < wanted && day < LONGEST) {
      const celsius = soilOn(known, first + day)
      stands += v.full * (percent / 100) * Math.max(v.least, growthPotential(celsius, season, v))
      day++
    }
    return addDays(from, day)
  }
  if (!sward) return { low: reach(up.first, v.fast), high: reach(up.half, v.slowSeedlings) }
  const low = reach(sward.sown, v.fast, sward.leaf)
  const high = reach(sward.sown, v.slowSward, sward.leaf)
  return { low: low > up.first ? low : up.first, high: high > up.half ? high : up.half }
}
