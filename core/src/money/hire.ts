import { dayNumber, weekday, type Day } from '../calendar/day.ts'
import { HALF_DAY_HOURS } from '../entities/prices.ts'

/** What hiring a machine costs, in thousandths; null where it is not let so. */
export interface HirePrices {
  half: number | null
  day: number | null
  weekend: number | null
}
export interface Hire {
  halves: number
  days: number
  weekends: number
  cost: number
}

/**
 * Jobs a year from which owning a machine is cheaper than hiring one for each: its price spread
 * over the years it lasts, over what hiring comes to for a job. Null where one of them is not known.
 */
export function buyFrom(
  { buy, keeps }: { buy: number | null; keeps: number | null },
  hireForJob: number | null,
): number | null {
  return buy && keeps && hireForJob ? Math.ceil(buy / keeps / hireForJob) : null
}

/**
 * The cheapest half days, days and weekends that cover the days on which a machine is used, with
 * its hours on each. Null where no price covers them. Exact: worked from the last day back.
 */
export function hireFor(
  used: readonly { day: Day; hours: number }[],
  { half, day, weekend }: HirePrices,
): Hire | null {
  const days = [...used].sort((a, b) => a.day.localeCompare(b.day))
  const none: Hire = { halves: 0, days: 0, weekends: 0, cost: 0 }
  const from: (Hire | null)[] = [...days.map(() => null), none]
  for (let i = days.length - 1; i >= 0; i--) {
    const { day: on, hours } = days[i]!
    const options: (Hire | null)[] = []
    const after = from[i + 1]!
    const add = (base: Hire | null, cost: number | null, more: Partial<Hire>) =>
      options.push(base && cost !== null ? { ...base, ...more, cost: base.cost + cost } : null)
    if (after) {
      if (hours <= HALF_DAY_HOURS) add(after, half, { halves: after.halves + 1 })
      else if (day === null && half !== null) add(after, 2 * half, { halves: after.halves + 2 })
      add(after, day, { days: after.days + 1 })
      add(after, weekday(dayNumber(on)) % 6 === 0 ? weekend : null, { weekends: after.weekends + 1 }) // prettier-ignore
    }
    const next = days[i + 1]
    const both = from[i + 2]
    if (both && next && weekday(dayNumber(on)) === 6 && dayNumber(next.day) === dayNumber(on) + 1)
      add(both, weekend, { weekends: both.weekends + 1 })
    from[i] = options.reduce<Hire | null>((a, b) => (b && (!a || b.cost < a.cost) ? b : a), null)
  }
  return from[0] ?? null
}
