import { addDays, dayNumber, type Day } from '../calendar/day.ts'
import type { Emergence } from './emergence.ts'
import { rule } from '../trace/figure.ts'
import type { Schools } from '../reference/schools.ts'

export const mowRules = {
  inchOver: rule('mow.inch-over', 'Mow when the grass stands an inch above the cut; only for cuts of 50 mm and more.', '{0} + 25 mm', 'practice'),
  oneThird: rule('mow.one-third', 'Mow at one and a half times the cut, so that a third comes off.', '1.5 × {0}', 'practice'),
  swardBand: rule(
    'mow.sward-band',
    'An overseeded sward grows on from its cut-down: keep mowing, weekly and lightly, on dry ground, once seedlings show.',
    '({0} − leaf left) ÷ growth, not before seedlings show',
    'model',
  ),
  band: rule('mow.band', 'From the main grass showing, at its usual growth in this warmth.', 'days showing + {0} ÷ growth', 'model'),
}

export const INCH_OVER_LEAST = 50

/** The school that applies: inch-over is refused under 50 mm, where it would take half the leaf. */
export const mowSchool = (school: Schools['firstMow'], cut: number): Schools['firstMow'] =>
  school === 'inch-over' && cut < INCH_OVER_LEAST ? 'one-third' : school

/** Height of grass at the first mow, mm, for a height of cut in mm. */
export const firstMowHeight = (school: Schools['firstMow'], cut: number): number => (school === 'inch-over' ? cut + 25 : 1.5 * cut)

/** Share of full growth at a temperature, 0–1. Gelernter & Stowell 2005, from memory: optimum 20 °C, σ 5.5 cool; 31, 7 warm. */
export function growthPotential(celsius: number, season: 'cool' | 'warm'): number {
  const [best, sigma] = season === 'cool' ? [20, 5.5] : [31, 7]
  return Math.exp(-0.5 * ((celsius - best) / sigma) ** 2)
}

/** Leaf growth of seedlings in full warmth, mm a day. Juvena's model. */
const FULL_GROWTH = 3.2

/**
 * When the grass should stand at a height: a band of days. New ground grows from its seedlings;
 * an overseeded sward from the leaf its cut-down left (`sward`), but is not mown before seedlings show.
 */
export function mowBand(
  up: Emergence,
  height: number,
  season: 'cool' | 'warm',
  soil: Float64Array,
  start: Day,
  sward: { sown: Day; leaf: number } | null = null,
): { low: Day; high: Day } {
  const reach = (from: Day, rate: number, standing = 0): Day => {
    let stood = standing
    let day = 0
    const offset = dayNumber(from) - dayNumber(start)
    while (stood < height && day < 150) {
      const t = soil[Math.min(soil.length - 1, Math.max(0, offset + day))]!
      stood += rate * Math.max(0.15, growthPotential(t, season))
      day++
    }
    return addDays(from, day)
  }
  if (sward) {
    const low = reach(sward.sown, FULL_GROWTH * 1.2, sward.leaf)
    const high = reach(sward.sown, FULL_GROWTH * 0.7, sward.leaf)
    return { low: low > up.first ? low : up.first, high: high > up.half ? high : up.half }
  }
  return { low: reach(up.first, FULL_GROWTH * 1.2), high: reach(up.last, FULL_GROWTH * 0.8) }
}
