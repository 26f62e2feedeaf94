import { addDays, daysBetween, showDay } from '@juvena/core/calendar/day'

/** Nine weeks a column each, then two months a column. */
const WEEKS = 9
const LATER = 5
const TWO_MONTHS = 61
const COLUMNS = WEEKS + LATER
/** Days that the line shows. */
export const LINE_DAYS = WEEKS * 7 + LATER * TWO_MONTHS

/** Where a day lies on a line that begins at `from`, 0 to 1. */
export function placeOf(from: string, day: string): number {
  const d = Math.min(LINE_DAYS, Math.max(0, daysBetween(from, day)))
  return (d < WEEKS * 7 ? d / 7 : WEEKS + (d - WEEKS * 7) / TWO_MONTHS) / COLUMNS
}

/** The day at a place of the line, 0 to 1. */
export function dayAtPlace(from: string, place: number): string {
  const column = Math.max(0, Math.min(1, place)) * COLUMNS
  const d = column < WEEKS ? column * 7 : WEEKS * 7 + (column - WEEKS) * TWO_MONTHS
  return addDays(from, Math.min(LINE_DAYS - 1, Math.floor(d)))
}

/** The heads of its columns: the day of the month, the month where it begins. */
export const headsOf = (from: string): { day: string; text: string }[] => [
  ...Array.from({ length: WEEKS }, (_, w) => addDays(from, 7 * w)).map((day, i) => ({
    day,
    // Beside the first day there is no room for the second.
    text:
      i === 1
        ? ''
        : i === 0 || Number(day.slice(8)) <= 7
          ? showDay(day).slice(4)
          : String(Number(day.slice(8))),
  })),
  ...Array.from({ length: LATER }, (_, m) => addDays(from, WEEKS * 7 + m * TWO_MONTHS)).map(
    (day) => ({ day, text: showDay(day).slice(4).replace(/^\d+ /, '') }),
  ),
]
