import { daysBetween, type Day } from '../calendar/day.ts'
import type { PieceWorth, WorthOfDay } from '../plan/order.ts'
import { num } from '../trace/figure.ts'

/** Another day for a piece of work: by how many points of a hundred it is worth more or less. */
export interface OtherDay {
  day: Day
  /** Points, or null where the day is shut. */
  differs: number | null
}

/** Seasons nearer than this to a day that is told anyway, in days, are not told again. */
const APART = 21

/** What the days round the one that is taken would cost, then those of other seasons. */
export function otherDays(worth: PieceWorth): OtherDay[] {
  const taken = num(worth.figure)
  const differs = ({ day, worth: is }: WorthOfDay): OtherDay => ({
    day,
    differs: is === 0 ? null : is - taken,
  })
  const round = worth.around.map(differs)
  const far = worth.seasons.filter((s) =>
    worth.around.every((a) => Math.abs(daysBetween(a.day, s.day)) >= APART),
  )
  return [...round, ...far.map(differs)]
}

/** "−11", "+2", "±0" or "shut". */
export const differsText = (differs: number | null): string =>
  differs === null ? 'shut' : `${differs > 0 ? '+' : differs < 0 ? '−' : '±'}${Math.abs(differs)}`
