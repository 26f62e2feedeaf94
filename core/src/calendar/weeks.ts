import { addDays, dayNumber, daysBetween, weekday, type Day } from './day.ts'

/**
 * Weeks of days from one day to another, both counted, Monday first; null before the first day and
 * after the last. No more days than `most`.
 */
export function weeksOf(from: Day, to: Day, most: number): (Day | null)[][] {
  const lead = (weekday(dayNumber(from)) + 6) % 7
  const days = Math.max(0, Math.min(most, daysBetween(from, to) + 1))
  const cells: (Day | null)[] = [
    ...Array<null>(lead).fill(null),
    ...Array.from({ length: days }, (_, i) => addDays(from, i)),
  ]
  while (cells.length % 7) cells.push(null)
  return Array.from({ length: cells.length / 7 }, (_, week) => cells.slice(week * 7, week * 7 + 7))
}
