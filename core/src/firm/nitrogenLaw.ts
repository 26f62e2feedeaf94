import { dayNumber, dayOf, type Day } from '../calendar/day.ts'
import type { Firm } from '../entities/firm.ts'

type Bans = Firm['nitrogenBans']

/** The dates between which the law of a place allows no nitrogen on a day; null on any other. */
export const nitrogenBanOn = (bans: Bans, day: Day): { from: string; to: string } | null => {
  const on = day.slice(5)
  for (const { from, to } of bans)
    if (from !== null && to !== null)
      if (from <= to ? from <= on && on <= to : on >= from || on <= to) return { from, to }
  return null
}

/** The first day from one on that the law allows nitrogen; null where it never does. */
export function nitrogenFrom(bans: Bans, day: Day): Day | null {
  if (bans.length === 0) return day
  const start = dayNumber(day)
  for (let i = 0; i < 366; i++) {
    const on = dayOf(start + i)
    if (!nitrogenBanOn(bans, on)) return on
  }
  return null
}
