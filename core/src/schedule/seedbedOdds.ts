import type { DayOdds } from '../climate/sowingOdds.ts'
import { slopeLines } from '../findings/lines.ts'
import { tradeValues, value } from '../rules/rule.ts'
import { contactOf } from '../seed/rates.ts'
import { seedRules } from '../seed/seedRules.ts'
import { num } from '../trace/figure.ts'
import type { Trace } from '../trace/trace.ts'
import { isSown } from '../work/sowing.ts'
import { type ZoneWork, plans } from '../work/workTypes.ts'

const lost = (is: number, says: string) => value(is, '%', 'model', says, [0, 80])

/** What the bed itself costs a sowing, whatever the weather. */
export const seedbedValues = tradeValues('seedbed', {
  washes: lost(12, 'Of sowings on a slope that is not covered, rain carries off'),
  bank: lost(30, 'Of those on a bank that is not covered'),
  heldBank: lost(6, 'Of those on a bank under a cover'),
  unfed: lost(4, 'Of sowings that get no feed, seedlings grow too slowly'),
  closed: lost(30, 'Of sowings on ground that nothing opens, seed never touches soil in'),
})

/** What feeds seedlings: a starter with the seed, or one held until they are mown. */
const FEEDS = ['feed', 'feed-later'] as const

/**
 * Share of sowings that the bed loses, %: by slope and cover, by whether it is fed, and by how much of the seed touches
 * soil: nothing where the ground is both scarified and cored, or better, all that closed ground
 * loses where nothing opens it, and in between by the seed that becomes plants. Of several zones the
 * worst.
 */
export function seedbedLoses(zones: readonly ZoneWork[], trace: Trace): number {
  const v = trace.values(seedbedValues)
  const line = trace.values(slopeLines)
  const { thrown, twice } = trace.values(seedRules.contact.values)
  return Math.max(
    0,
    ...zones
      .filter((z) => isSown(z.sowing))
      .map((z) => {
        const slope = num(z.r.slope)
        const covered = plans(z, 'cover')
        const moves =
          slope >= line.bank
            ? covered
              ? v.heldBank
              : v.bank
            : slope >= line.press && !covered
              ? v.washes
              : 0
        const short = (twice - contactOf(z, trace)) / (twice - thrown)
        const untouched = v.closed * Math.max(0, Math.min(1, short))
        const hungry = FEEDS.some((kind) => plans(z, kind)) ? 0 : v.unfed
        return 100 - (100 - moves) * (1 - untouched / 100) * (1 - hungry / 100)
      }),
  )
}

/** Odds of the weather alone, less what the bed loses of the years that would succeed. */
export function inBed(odds: DayOdds, loses: number): DayOdds {
  if (loses === 0) return odds
  const kept = 1 - loses / 100
  const succeed = Math.round(odds.succeed * kept)
  return {
    ...odds,
    succeed,
    inTime: Math.min(succeed, Math.round(odds.inTime * kept)),
    fails: { ...odds.fails, bed: odds.fails.bed + odds.succeed - succeed },
  }
}
