import { daysOn, YEAR_DAYS } from './yearDay.ts'

/**
 * First or last nights at or below a line, over years: days since the year's turn (its warmest day
 * for the first, its coldest for the last).
 */
export interface FrostDates {
  /** Day of the usual year the count is from. */
  from: number
  /** By year, days since; null in a year that had none. */
  dates: (number | null)[]
}

/**
 * By year, the first night at or below a line, counted from the warmest day of the usual year;
 * `last` gives the last one before the next warmest day.
 * `low` is by day, its first entry on day `begins` of the usual year (365-day years). Years not
 * wholly covered are left out.
 */
export function frostDates(
  low: Float64Array,
  begins: number,
  warmest: number,
  line: number,
  last = false,
): FrostDates {
  const dates: (number | null)[] = []
  const skip = daysOn(begins, warmest)
  for (let at = skip; at + YEAR_DAYS <= low.length; at += YEAR_DAYS) {
    let found: number | null = null
    let missing = 0
    for (let d = 0; d < YEAR_DAYS; d++) {
      const x = low[at + d]!
      if (Number.isNaN(x)) missing++
      else if (x <= line) {
        found = d
        if (!last) break
      }
    }
    if (missing <= MOST_MISSING) dates.push(found)
  }
  return { from: warmest, dates }
}
/** Days of a year that may be missing before the year does not count. */
const MOST_MISSING = 20

export interface FrostOdds {
  /**
   * Days since the count began by which one year in ten, five, nine have had it; null where fewer
   * years ever do.
   */
  tenth: number | null
  median: number | null
  ninetieth: number | null
  /** Years counted, and those without any. */
  years: number
  without: number
}

/** t for 90 % one-sided, by degrees of freedom: Student's table, from memory. */
const T90 = [
  3.078, 1.886, 1.638, 1.533, 1.476, 1.44, 1.415, 1.397, 1.383, 1.372, 1.363, 1.356, 1.35, 1.345,
  1.341, 1.337, 1.333, 1.33, 1.328, 1.325,
]
export const t90 = (degrees: number): number =>
  degrees < 1 ? T90[0]! : (T90[degrees - 1] ?? 1.2816 + 0.9 / degrees)

/** Years from which the odds are read off the dates themselves. */
const MANY = 30

/**
 * Odds of a date. Many years give their own quantiles, those without the event counted as later
 * than any; few years are widened: mean ± t(0.9, n−1)·s·√(1+1/n).
 */
export function frostOdds({ dates }: FrostDates): FrostOdds {
  const had = dates.flatMap((d) => d ?? []).sort((a, b) => a - b)
  const without = dates.length - had.length
  const counted = { years: dates.length, without }
  if (had.length === 0) return { tenth: null, median: null, ninetieth: null, ...counted }
  const share = had.length / dates.length
  if (dates.length >= MANY || had.length < 2) {
    const at = (p: number) =>
      p > share
        ? null
        : had[Math.min(had.length - 1, Math.max(0, Math.round(p * dates.length - 0.5)))]!
    return { tenth: at(0.1), median: at(0.5), ninetieth: at(0.9), ...counted }
  }
  const mean = had.reduce((sum, x) => sum + x, 0) / had.length
  const s = Math.sqrt(had.reduce((sum, x) => sum + (x - mean) ** 2, 0) / (had.length - 1))
  const wide = t90(had.length - 1) * s * Math.sqrt(1 + 1 / had.length)
  const median =
    had.length % 2
      ? had[(had.length - 1) / 2]!
      : (had[had.length / 2 - 1]! + had[had.length / 2]!) / 2
  return {
    tenth: Math.round(mean - wide),
    median: share > 0.5 ? Math.round(median) : null,
    ninetieth: share >= 0.9 ? Math.round(mean + wide) : null,
    ...counted,
  }
}
