import { dayNumber, dayOf, isWeekend, type Day } from '../calendar/day.ts'

/** The next day the crew works, on or after a day. */
export function workingDay(day: Day, weekendWork: boolean): Day {
  let d = dayNumber(day)
  while (!weekendWork && isWeekend(d)) d++
  return dayOf(d)
}
