import { max, min } from 'd3-array'
import { dayNumber, type Day } from '../calendar/day.ts'
import type { Follow } from '../plan/follow.ts'
import type { LightSeason } from '../light/zoneLight.ts'

/**
 * The weeks in which seedlings need their light: from the first sowing to the last day a first mow
 * is expected; null where nothing is sown.
 */
export function sowingWeeks({ packages }: Follow): LightSeason | null {
  const sown = packages.filter((p) => p.plants)
  const mown = sown.flatMap(({ mowBand }) =>
    mowBand && typeof mowBand.value === 'object' ? [String(mowBand.value.high)] : [],
  )
  const from: Day | undefined = min(sown, (p) => p.sown)
  const to: Day | undefined = max(mown)
  return from === undefined || to === undefined
    ? null
    : { from: dayNumber(from), to: dayNumber(to) }
}
