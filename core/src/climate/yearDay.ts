import { dayNumber, isLeap, type Day } from '../calendar/day.ts'

/** Days of a usual year: 29 February counts as the 28th. */
export const YEAR_DAYS = 365
/** Day of the usual year on which each month begins, 0–364. */
export const MONTH_STARTS = [0, 31, 59, 90, 120, 151, 181, 212, 243, 273, 304, 334, 365] as const
export const MONTH_LENGTHS = [31, 28, 31, 30, 31, 30, 31, 31, 30, 31, 30, 31] as const

/** Days of the usual year from one of its days on to another, 0 to 364. */
export const daysOn = (from: number, to: number): number => (to - from + 2 * YEAR_DAYS) % YEAR_DAYS

/** Day of the usual year, 0 for 1 January to 364, of a day number. */
export function yearDay(number: number): number {
  let year = Math.floor(1970 + number / 365.2425)
  if (firstOf(year) > number) year--
  else if (firstOf(year + 1) <= number) year++
  const since = number - firstOf(year)
  return isLeap(year) && since >= 59 ? since - 1 : since
}

/** Day number of the first day of a year of the Gregorian calendar. */
function firstOf(year: number): number {
  const past = year - 1
  const leaps = Math.floor(past / 4) - Math.floor(past / 100) + Math.floor(past / 400)
  return past * YEAR_DAYS + leaps - DAYS_BEFORE_1970
}
/** Days from the first day of year 1 to that of 1970. */
const DAYS_BEFORE_1970 = 719_162

/** Days of the usual year by day, from a first day on. */
export function yearDays(start: number, days: number): Uint16Array {
  const list = new Uint16Array(days)
  for (let i = 0; i < days; i++) list[i] = yearDay(start + i)
  return list
}

/** "MM-DD" of a day of the usual year. */
export function monthDayOf(day: number): string {
  const d = ((Math.round(day) % YEAR_DAYS) + YEAR_DAYS) % YEAR_DAYS
  const month = MONTH_STARTS.findIndex((from, m) => d >= from && d < MONTH_STARTS[m + 1]!)
  return `${String(month + 1).padStart(2, '0')}-${String(d - MONTH_STARTS[month]! + 1).padStart(2, '0')}`
}

/** Day of the usual year of "MM-DD". */
export const ofMonthDay = (monthDay: string): number =>
  yearDay(dayNumber(`2027-${monthDay === '02-29' ? '02-28' : monthDay}` as Day))

/** Month, 0–11, of a day of the usual year. */
export const monthOf = (day: number): number => MONTHS[day]!
const MONTHS = Uint8Array.from({ length: YEAR_DAYS }, (_, d) =>
  MONTH_STARTS.findIndex((from, m) => d >= from && d < MONTH_STARTS[m + 1]!),
)

/**
 * A daily curve through twelve monthly means: four waves, so that each month keeps its mean to
 * about a hundredth.
 */
export function dailyCurve(monthly: readonly number[]): Float64Array {
  const curve = new Float64Array(YEAR_DAYS)
  const step = Math.PI / 6
  const mean = monthly.reduce((sum, x) => sum + x, 0) / 12
  const waves = [1, 2, 3, 4].map((k) => {
    let [a, b] = [0, 0]
    monthly.forEach((x, m) => {
      a += (x * Math.cos(k * step * (m + 0.5))) / 6
      b += (x * Math.sin(k * step * (m + 0.5))) / 6
    })
    // Averaging over a month flattens a wave by so much.
    const flattened = Math.sin((k * Math.PI) / 12) / ((k * Math.PI) / 12)
    return { k, a: a / flattened, b: b / flattened }
  })
  for (let d = 0; d < YEAR_DAYS; d++) {
    // Months are taken as twelfths of a year.
    const m = monthOf(d)
    const at = step * (m + (d - MONTH_STARTS[m]! + 0.5) / MONTH_LENGTHS[m]!)
    curve[d] =
      mean +
      waves.reduce((sum, { k, a, b }) => sum + a * Math.cos(k * at) + b * Math.sin(k * at), 0)
  }
  return curve
}
