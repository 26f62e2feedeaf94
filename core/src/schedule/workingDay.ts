import { dayNumber, dayOf, weekday, type Day } from '../calendar/day.ts'

/** The next day the crew works, on or after a day. */
export function workingDay(day: Day, weekendWork: boolean): Day {
  let d = dayNumber(day)
  while (!weekendWork && (weekday(d) === 0 || weekday(d) === 6)) d++
  return dayOf(d)
}
