import { addDays, daysBetween, type Day } from '../calendar/day.ts'
import { activeEntries, type DiaryEntry } from '../entities/diary.ts'

/** Water of one day as it was logged. */
export interface WateredDay {
  day: Day
  watered: boolean
  /** mm by a gauge; null where as planned. */
  mm: number | null
}

/**
 * The days of a diary on which water was logged, given or not, by day, up to `today`. “Four of seven
 * days” is spread evenly over the seven; of two entries for a day the later written one counts.
 * What was logged of no zone is of the whole job.
 */
export function wateredDays(
  diary: readonly DiaryEntry[],
  zone: string,
  today: Day,
): Map<Day, WateredDay> {
  const log = new Map<Day, WateredDay>()
  for (const e of activeEntries(diary)) {
    if (!e.watered || e.date > today || (e.zone !== null && e.zone !== zone)) continue
    const { of, days, mm } = e.watered
    for (let i = 1; i <= of; i++) {
      const day = addDays(e.date, i - of)
      const watered = Math.floor((i * days) / of) > Math.floor(((i - 1) * days) / of)
      log.set(day, { day, watered, mm: watered ? mm : 0 })
    }
  }
  return log
}

/** Of the days from sowing on, those that were logged and those that were watered. */
export function logSince(
  log: ReadonlyMap<Day, WateredDay>,
  sown: Day,
  today: Day,
): { logged: number; watered: number; of: number } {
  const days = [...log.values()].filter((d) => d.day >= sown && d.day <= today)
  return {
    logged: days.length,
    watered: days.filter((d) => d.watered).length,
    of: daysBetween(sown, today) + 1,
  }
}
