/**
 * Calendar days as ISO text ("2027-02-22") and as whole day numbers since 1970-01-01. No clock and
 * no time zone: a day is a day.
 */

export type Day = string

const MS_PER_DAY = 86_400_000
const MONTHS = [
  'january',
  'february',
  'march',
  'april',
  'may',
  'june',
  'july',
  'august',
  'september',
  'october',
  'november',
  'december',
]
/** Names of the days of the week, 0 Sunday to 6. */
export const WEEKDAYS = ['Sun', 'Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat']

export const isLeap = (year: number) => (year % 4 === 0 && year % 100 !== 0) || year % 400 === 0
export const daysInMonth = (year: number, month: number) =>
  month === 2 ? (isLeap(year) ? 29 : 28) : [4, 6, 9, 11].includes(month) ? 30 : 31

/** Day number of an ISO day. */
export function dayNumber(day: Day): number {
  let number = numbers.get(day)
  if (number === undefined) {
    number =
      Date.UTC(Number(day.slice(0, 4)), Number(day.slice(5, 7)) - 1, Number(day.slice(8, 10))) /
      MS_PER_DAY
    if (numbers.size < 20_000) numbers.set(day, number)
  }
  return number
}
const numbers = new Map<Day, number>()

const names = new Map<number, Day>()
/** ISO day of a day number. */
export function dayOf(number: number): Day {
  const whole = Math.round(number)
  let name = names.get(whole)
  if (!name) {
    name = new Date(whole * MS_PER_DAY).toISOString().slice(0, 10)
    if (names.size < 20_000) names.set(whole, name)
  }
  return name
}

export const addDays = (day: Day, days: number): Day => dayOf(dayNumber(day) + days)
/** The later of two days; the first where there is no second. */
export const laterDay = (day: Day, other: Day | null): Day =>
  other !== null && other > day ? other : day
export const daysBetween = (from: Day, to: Day): number => dayNumber(to) - dayNumber(from)
/** 0 Sunday … 6 Saturday. */
export const weekday = (number: number): number => (((Math.round(number) + 4) % 7) + 7) % 7

/** Whether a day number is a Saturday or a Sunday. */
export const isWeekend = (number: number): boolean => weekday(number) % 6 === 0

/** The next day that is worked, a day on (1) or back (−1); any day where weekends are. */
export function workingDay(from: Day, by: 1 | -1, weekendWork: boolean): Day {
  let day = dayNumber(from) + by
  while (!weekendWork && isWeekend(day)) day += by
  return dayOf(day)
}

/** Whether a Saturday or a Sunday lies between two day numbers, in either order. */
export function weekendBetween(a: number, b: number): boolean {
  for (let day = Math.min(a, b) + 1; day < Math.max(a, b); day++) if (isWeekend(day)) return true
  return false
}

/** "Tue 2 Mar", with the year when it is asked for. */
export function showDay(day: Day, withYear = false): string {
  const month = MONTHS[Number(day.slice(5, 7)) - 1]!
  const short = month.charAt(0).toUpperCase() + month.slice(1, 3)
  return `${WEEKDAYS[weekday(dayNumber(day))]} ${Number(day.slice(8, 10))} ${short}${withYear ? ` ${day.slice(0, 4)}` : ''}`
}

/** "25 Apr" of a month-day ("04-25"). */
export function showMonthDay(monthDay: string): string {
  return showDay(`2024-${monthDay}`).slice(4)
}

/**
 * First day on or after `from` that falls on the month-day; 29 February is taken as 28 in a common
 * year.
 */
export function nextOn(monthDay: string, from: Day): Day {
  for (let year = Number(from.slice(0, 4)); ; year++) {
    const day = monthDay === '02-29' && !isLeap(year) ? `${year}-02-28` : `${year}-${monthDay}`
    if (day >= from) return day
  }
}

export type ParsedDay = { ok: true; value: string } | { ok: false; sentence: string }

interface Pieces {
  year: number | null
  month: number
  date: number
}

/** The day meant by a part of a month; its end is its last day. */
const PART_OF_MONTH: Record<string, number> = { beginning: 1, start: 1, early: 5, mid: 15, middle: 15, late: 25 } // prettier-ignore

function pieces(text: string): Pieces | null {
  const t = text.trim().toLowerCase()
  let m = /^(\d{4})-(\d{1,2})-(\d{1,2})$/.exec(t)
  if (m) return { year: Number(m[1]), month: Number(m[2]), date: Number(m[3]) }
  m = /^(\d{2})-(\d{2})$/.exec(t)
  if (m) return { year: null, month: Number(m[1]), date: Number(m[2]) }
  const part = /^(?:the\s+)?(beginning|start|early|mid|middle|late|end)(?:[\s-]+of)?[\s-]+([a-z]{3,9})(?:\s+(\d{4}))?$/.exec(t) // prettier-ignore
  if (part) {
    const month = MONTHS.findIndex((name) => name.startsWith(part[2]!)) + 1
    const year = part[3] ? Number(part[3]) : null
    return month === 0
      ? null
      : { year, month, date: PART_OF_MONTH[part[1]!] ?? daysInMonth(year ?? 2027, month) }
  }
  const named =
    /^(?:[a-z]{3,9},?\s+)?(?:(\d{1,2})(?:st|nd|rd|th)?\s+([a-z]{3,9})|([a-z]{3,9})\s+(\d{1,2})(?:st|nd|rd|th)?),?(?:\s+(\d{4}))?$/.exec(
      t,
    )
  if (!named) return null
  const month = MONTHS.findIndex((name) => name.startsWith(named[2] ?? named[3]!)) + 1
  return month > 0
    ? { year: named[5] ? Number(named[5]) : null, month, date: Number(named[1] ?? named[4]) }
    : null
}

function check({ year, month, date }: Pieces, typed: string): string | null {
  if (month < 1 || month > 12)
    return `“${typed}” has no month ${month}. Write a date like 24 Apr 2027 or 2027-04-24.`
  const last = daysInMonth(year ?? 2024, month)
  const name = MONTHS[month - 1]!
  if (date < 1 || date > last)
    return `“${typed}” does not exist: ${name.charAt(0).toUpperCase() + name.slice(1)} ends on ${month === 2 && year === null ? '28 (29 in a leap year)' : last}. Write a day up to that.`
  if (year !== null && (year < 1950 || year > 2150))
    return `“${typed}”: the year must lie between 1950 and 2150.`
  return null
}

const two = (n: number) => String(n).padStart(2, '0')

/** Whether 3/4 is the third of April or the fourth of March. */
export type DayOrder = 'day-first' | 'month-first'

/** A date in numbers alone: "26/2", "3.5.27". The order is the firm's. */
function inNumbers(text: string, order: DayOrder): Pieces | null {
  const m = /^(\d{1,2})[/.-](\d{1,2})(?:[/.-](\d{2}|\d{4}))?\.?$/.exec(text.trim())
  if (!m) return null
  const [first, second] = [Number(m[1]), Number(m[2])]
  const year = m[3] ? Number(m[3]) + (m[3].length === 2 ? 2000 : 0) : null
  return order === 'day-first'
    ? { year, month: second, date: first }
    : { year, month: first, date: second }
}

/**
 * A day told from another: "tomorrow", "thu", "in 2 weeks". A weekday is the next of its name,
 * today's own excepted.
 */
function toldFrom(text: string, today: Day): Day | null {
  const t = text.trim().toLowerCase()
  const named: Record<string, number> = { today: 0, tomorrow: 1, yesterday: -1 }
  if (t in named) return addDays(today, named[t]!)
  const span = /^(?:in\s+|\+)(\d{1,3})\s*(d|days?|w|weeks?)?$/.exec(t)
  if (span) return addDays(today, Number(span[1]) * (span[2]?.startsWith('w') ? 7 : 1))
  const name = /^(?:next\s+)?([a-z]{3,9})$/.exec(t)?.[1]
  const at = name ? LONG_WEEKDAYS.findIndex((day) => day.startsWith(name)) : -1
  if (at < 0) return null
  const ahead = (at - weekday(dayNumber(today)) + 7) % 7
  return addDays(today, ahead === 0 ? 7 : ahead)
}
const LONG_WEEKDAYS = ['sunday', 'monday', 'tuesday', 'wednesday', 'thursday', 'friday', 'saturday']

/**
 * A typed date. Without a year, the year that brings it nearest to `near`. Named months, or ISO; in
 * numbers alone only where the order of day and month is given, for 3/4 could be two days. Beside a
 * `near` day, a day told from it: "tomorrow", "thu", "in 2 weeks".
 */
export function parseDay(typed: string, near?: Day, order?: DayOrder): ParsedDay {
  const shown = typed.slice(0, 40)
  const told = near ? toldFrom(typed, near) : null
  if (told) return { ok: true, value: told }
  const p = pieces(typed) ?? (order ? inNumbers(typed, order) : null)
  const wrong = `“${shown}” is not a date. Write it like 24 Apr 2027 or 2027-04-24.`
  if (!p) return { ok: false, sentence: wrong }
  const problem = check(p, shown)
  if (p.year !== null)
    return problem
      ? { ok: false, sentence: problem }
      : { ok: true, value: `${p.year}-${two(p.month)}-${two(p.date)}` }
  if (!near) return { ok: false, sentence: wrong }
  if (problem) return { ok: false, sentence: problem }
  const year = Number(near.slice(0, 4))
  const candidates = [year - 1, year, year + 1]
    .filter((y) => p.date <= daysInMonth(y, p.month))
    .map((y) => `${y}-${two(p.month)}-${two(p.date)}`)
  candidates.sort((a, b) => Math.abs(daysBetween(near, a)) - Math.abs(daysBetween(near, b)))
  return { ok: true, value: candidates[0]! }
}

/** A typed day of the year without a year ("25 Apr"), as "MM-DD". */
export function parseMonthDay(typed: string): ParsedDay {
  const shown = typed.slice(0, 40)
  const p = pieces(typed)
  if (!p)
    return { ok: false, sentence: `“${shown}” is not a day of the year. Write it like 25 Apr.` }
  const problem = check({ ...p, year: null }, shown)
  return problem
    ? { ok: false, sentence: problem }
    : { ok: true, value: `${two(p.month)}-${two(p.date)}` }
}
