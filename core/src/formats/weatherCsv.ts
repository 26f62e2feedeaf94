import { addDays, dayNumber, daysInMonth, type Day } from '../calendar/day.ts'
import { daylight, extraterrestrial, fromSunshine } from '../climate/sunEnergy.ts'
import type { WeatherDay } from '../climate/weatherSeries.ts'

/**
 * Daily weather from a table of text (CSV already split into cells). Columns, units and the order
 * of dates are guessed from the heading and the values; a person may correct each. Nothing is
 * believed that cannot be: it is left out and listed, with its line.
 */
export const WEATHER_COLUMNS = [
  'date',
  'low',
  'high',
  'rain',
  'wind',
  'humidity',
  'radiation',
  'soil',
] as const
export type WeatherColumn = (typeof WEATHER_COLUMNS)[number]

export const DATE_ORDERS = ['ymd', 'dmy', 'mdy'] as const
export type DateOrder = (typeof DATE_ORDERS)[number]

/** Units a column may stand in; the first is the core's own. */
export const COLUMN_UNITS = {
  low: ['C', 'F'],
  high: ['C', 'F'],
  soil: ['C', 'F'],
  rain: ['mm', 'in', 'cm'],
  wind: ['km/h', 'mph', 'm/s', 'knots'],
  humidity: ['%'],
  radiation: ['MJ/m2', 'W/m2', 'kWh/m2', 'sun hours'],
} as const satisfies Record<Exclude<WeatherColumn, 'date'>, readonly string[]>
export type ColumnUnit = (typeof COLUMN_UNITS)[keyof typeof COLUMN_UNITS][number]

export interface WeatherMapping {
  /** Whether the first row is a heading. */
  heading: boolean
  dates: DateOrder
  /** By what it means, the column's index and unit. */
  columns: Partial<Record<WeatherColumn, { index: number; unit: ColumnUnit | null }>>
}

const HEADINGS: readonly (readonly [WeatherColumn, RegExp])[] = [
  ['date', /^(date|day|datum|time|dato|fecha|data)\b|date/i],
  ['soil', /soil|ground temp|50 ?mm temp/i],
  ['low', /t\W?min|min\w*\W*t|\bmin|low|tn\b/i],
  ['high', /t\W?max|max\w*\W*t|\bmax|high|tx\b/i],
  ['rain', /rain|prec|ppt|prcp|rr\b/i],
  ['wind', /wind|wspd/i],
  ['humidity', /humid|\brh\b/i],
  ['radiation', /rad|solar|sun/i],
]

const UNIT_SIGNS: readonly (readonly [ColumnUnit, RegExp])[] = [
  ['F', /°\s*f\b|\bdeg\w*\s*f\b|\bf\)|fahrenheit|\bf$|\(f\)/i],
  ['in', /\binch|\bin\b|"|_in$/i],
  ['cm', /\bcm\b/i],
  ['mph', /mph|mi\/h/i],
  ['m/s', /m\/s|mps|ms-1/i],
  ['knots', /knot|\bkt/i],
  ['W/m2', /w\/m/i],
  ['kWh/m2', /kwh/i],
  ['sun hours', /sunshine|sun.*\bh|hours/i],
]

const isNumber = (cell: string) => numberOf(cell) !== null

/** A number as typed, with a decimal point or comma; null for none. */
export function numberOf(cell: string): number | null {
  const t = cell.trim().replace(/\u2212/g, '-')
  if (!/^[-+]?(\d+([.,]\d*)?|[.,]\d+)(e[-+]?\d+)?$/i.test(t)) return null
  const x = Number(t.replace(',', '.'))
  return Number.isFinite(x) ? x : null
}

/** What stands for "not read": blanks, words, and numbers no weather has. */
const isMissing = (cell: string) =>
  /^(|-+|na|n\/a|nan|null|none|m|\*+|tr?ace|t)$/i.test(cell.trim())
const isSentinel = (x: number) => x <= -90 || x >= 900

const MONTHS = ['jan', 'feb', 'mar', 'apr', 'may', 'jun', 'jul', 'aug', 'sep', 'oct', 'nov', 'dec']

/**
 * Three numbers of a date in the order written, or null. Months may be named; a time behind it is
 * passed over.
 */
function dateParts(cell: string): { parts: [number, number, number]; named: boolean } | null {
  const t = cell.trim().replace(/[T ]\d{1,2}:\d{2}.*$/, '')
  const run = /^(\d{4})(\d{2})(\d{2})$/.exec(t)
  if (run) return { parts: [Number(run[1]), Number(run[2]), Number(run[3])], named: false }
  const m = /^(\d{1,4})[-/. ](\d{1,2}|[A-Za-z]{3,9})[-/. ,]+(\d{1,4})$/.exec(t)
  if (!m) return null
  const month = /^[A-Za-z]/.test(m[2]!) ? MONTHS.indexOf(m[2]!.slice(0, 3).toLowerCase()) + 1 : null
  if (month === 0) return null
  return { parts: [Number(m[1]), month ?? Number(m[2]), Number(m[3])], named: month !== null }
}

const fullYear = (y: number) => (y >= 100 ? y : y < 60 ? 2000 + y : 1900 + y)

/** A date of the table as an ISO day; null where there is no such day. */
export function dateOf(cell: string, order: DateOrder): Day | null {
  const found = dateParts(cell)
  if (!found) return null
  const [a, b, c] = found.parts
  const yearFirst = a > 31 || order === 'ymd'
  const [y, m, d] = yearFirst ? [a, b, c] : order === 'mdy' && !found.named ? [c, a, b] : [c, b, a]
  const year = fullYear(y)
  if (m < 1 || m > 12 || d < 1 || d > daysInMonth(year, m) || year < 1850 || year > 2150)
    return null
  return `${year}-${String(m).padStart(2, '0')}-${String(d).padStart(2, '0')}`
}

/**
 * The order of a column's dates: by the first part that can only be a day. `usual` where none
 * tells.
 */
export function orderOf(cells: readonly string[], usual: DateOrder): DateOrder {
  let [first, second] = [0, 0]
  for (const cell of cells) {
    const found = dateParts(cell)
    if (!found) continue
    if (found.parts[0] > 31) return 'ymd'
    first = Math.max(first, found.parts[0])
    second = Math.max(second, found.parts[1])
  }
  return first > 12 ? 'dmy' : second > 12 ? 'mdy' : usual
}

/** What a table seems to hold: a first guess, to be shown and corrected. */
export function guessMapping(
  rows: readonly (readonly string[])[],
  usual: DateOrder,
): WeatherMapping {
  const first = rows[0] ?? []
  const heading =
    first.length > 0 && !first.some((cell) => isNumber(cell) || dateParts(cell) !== null)
  const body = rows.slice(heading ? 1 : 0, SAMPLE)
  const cells = (i: number) => body.map((r) => r[i] ?? '')
  const columns: WeatherMapping['columns'] = {}
  const width = Math.max(0, ...rows.slice(0, SAMPLE).map((r) => r.length))
  const taken = new Set<number>()
  const take = (what: WeatherColumn, index: number) => {
    columns[what] = {
      index,
      unit:
        what === 'date' ? null : unitOf(what, heading ? (first[index] ?? '') : '', cells(index)),
    }
    taken.add(index)
  }
  if (heading)
    for (const [what, pattern] of HEADINGS) {
      const index = first.findIndex(
        (cell, i) => !taken.has(i) && pattern.test(cell.trim().replace(/_/g, ' ')),
      )
      if (index >= 0) take(what, index)
    }
  if (!columns.date) {
    const index = Array.from({ length: width }, (_, i) => i).find(
      (i) => !taken.has(i) && share(cells(i), (c) => dateParts(c) !== null) > 0.8,
    )
    if (index !== undefined) take('date', index)
  }
  if (!heading && columns.date) {
    // No heading: the usual order is minimum, maximum, rain; the smaller of the two is the minimum.
    const numeric = Array.from({ length: width }, (_, i) => i).filter(
      (i) => !taken.has(i) && share(cells(i), (c) => isNumber(c) || isMissing(c)) > 0.8,
    )
    const mean = (i: number) => meanOf(cells(i))
    const [a, b, c] = numeric
    if (a !== undefined && b !== undefined) {
      take('low', mean(a) <= mean(b) ? a : b)
      take('high', mean(a) <= mean(b) ? b : a)
    }
    if (c !== undefined) take('rain', c)
  }
  return {
    heading,
    dates: columns.date ? orderOf(cells(columns.date.index), usual) : usual,
    columns,
  }
}

const SAMPLE = 800
const share = (cells: readonly string[], test: (cell: string) => boolean) =>
  cells.length === 0 ? 0 : cells.filter(test).length / cells.length
const values = (cells: readonly string[]) =>
  cells.flatMap((c) => numberOf(c) ?? []).filter((x) => !isSentinel(x))
function meanOf(cells: readonly string[]): number {
  const list = values(cells)
  return list.reduce((sum, x) => sum + x, 0) / Math.max(1, list.length)
}

/** The value that so large a share of a list lies under; no single wrong one moves it far. */
function quantile(list: readonly number[], share: number): number {
  const sorted = [...list].sort((a, b) => a - b)
  return sorted[Math.floor(share * (sorted.length - 1))] ?? -99
}

/** A column's unit by its heading, else by its values: nine in ten over 50 are no °C. */
function unitOf(
  what: Exclude<WeatherColumn, 'date'>,
  heading: string,
  cells: readonly string[],
): ColumnUnit {
  const units: readonly ColumnUnit[] = COLUMN_UNITS[what]
  const signed = UNIT_SIGNS.find(
    ([unit, sign]) => units.includes(unit) && sign.test(heading.replace(/_/g, ' ')),
  )?.[0]
  if (signed) return signed
  const list = values(cells)
  if (units.includes('F') && !/°\s*c|\bc\)|celsius/i.test(heading) && quantile(list, 0.9) > 50)
    return 'F'
  if (what === 'radiation' && Math.max(...list, 0) > 60) return 'W/m2'
  return units[0]!
}

const CONVERT: Record<ColumnUnit, (x: number) => number> = {
  C: (x) => x,
  F: (x) => ((x - 32) * 5) / 9,
  mm: (x) => x,
  in: (x) => x * 25.4,
  cm: (x) => x * 10,
  'km/h': (x) => x,
  mph: (x) => x * 1.609344,
  'm/s': (x) => x * 3.6,
  knots: (x) => x * 1.852,
  '%': (x) => x,
  'MJ/m2': (x) => x,
  'W/m2': (x) => x * 0.0864,
  'kWh/m2': (x) => x * 3.6,
  'sun hours': (x) => x,
}

/** What is believed of each reading, in the core's units. */
const BELIEVED: Record<Exclude<WeatherColumn, 'date'>, readonly [number, number, string]> = {
  low: [-60, 45, '°C'],
  high: [-50, 60, '°C'],
  soil: [-20, 50, '°C'],
  rain: [0, 800, 'mm'],
  wind: [0, 250, 'km/h'],
  humidity: [0, 100, '%'],
  radiation: [0, 50, 'MJ/m²'],
}

export interface WeatherReport {
  rows: number
  days: number
  from: Day | null
  to: Day | null
  /** Days between the first and the last that are not there, in spans. */
  gaps: { from: Day; to: Day; days: number }[]
  gapDays: number
  /** Days given twice with other numbers: the last one stands. */
  duplicates: number
  /** Readings left out, by line, and why. */
  suspects: { line: number; says: string }[]
  suspectCount: number
  /** Rows that hold no day. */
  noDate: number
}

export interface WeatherTable {
  days: WeatherDay[]
  report: WeatherReport
}

const SHOWN_SUSPECTS = 50
const READ = ['low', 'high', 'rain', 'wind', 'humidity', 'radiation', 'soil'] as const

/** Reads a table by a mapping. `latitude` turns hours of sunshine into radiation. */
export function readWeather(
  rows: readonly (readonly string[])[],
  mapping: WeatherMapping,
  latitude: number,
): WeatherTable {
  const byDay = new Map<Day, WeatherDay>()
  const suspects: WeatherReport['suspects'] = []
  let [suspectCount, duplicates, noDate] = [0, 0, 0]
  const suspect = (line: number, says: string) => {
    suspectCount++
    if (suspects.length < SHOWN_SUSPECTS) suspects.push({ line, says })
  }
  const body = rows.slice(mapping.heading ? 1 : 0)
  body.forEach((row, i) => {
    const line = i + (mapping.heading ? 2 : 1)
    if (row.every((cell) => cell.trim() === '')) return
    const written = row[mapping.columns.date?.index ?? -1] ?? ''
    const day = dateOf(written, mapping.dates)
    if (!day) {
      noDate++
      return suspect(line, `“${written.slice(0, 30)}” is no day.`)
    }
    const read: WeatherDay = {
      day,
      low: null,
      high: null,
      rain: null,
      wind: null,
      humidity: null,
      radiation: null,
      soil: null,
    }
    for (const what of READ) {
      const column = mapping.columns[what]
      if (!column) continue
      const cell = row[column.index] ?? ''
      if (isMissing(cell)) {
        // A trace of rain is none that counts.
        if (what === 'rain' && /^t/i.test(cell.trim())) read.rain = 0
        continue
      }
      const x = numberOf(cell)
      if (x === null) {
        suspect(line, `${what}: “${cell.slice(0, 30)}” is no number.`)
        continue
      }
      if (isSentinel(x)) continue
      const converted =
        column.unit === 'sun hours'
          ? sunHours(x, latitude, day)
          : CONVERT[column.unit ?? COLUMN_UNITS[what][0]](x)
      const [least, most, unit] = BELIEVED[what]
      if (converted < least || converted > most) {
        suspect(line, `${what}: ${Math.round(converted * 10) / 10} ${unit} is not believed.`)
        continue
      }
      read[what] = Math.round(converted * 100) / 100
    }
    if (read.low !== null && read.high !== null && read.low > read.high) {
      suspect(
        line,
        `The minimum, ${read.low} °C, lies above the maximum, ${read.high} °C: both are left out.`,
      )
      read.low = read.high = null
    }
    const known = byDay.get(day)
    if (known && JSON.stringify(known) !== JSON.stringify(read)) duplicates++
    byDay.set(day, read)
  })
  const days = [...byDay.values()].sort((a, b) => a.day.localeCompare(b.day))
  const gaps: WeatherReport['gaps'] = []
  for (let i = 1; i < days.length; i++) {
    const between = dayNumber(days[i]!.day) - dayNumber(days[i - 1]!.day) - 1
    if (between > 0)
      gaps.push({
        from: addDays(days[i - 1]!.day, 1),
        to: addDays(days[i]!.day, -1),
        days: between,
      })
  }
  return {
    days,
    report: {
      rows: body.length,
      days: days.length,
      from: days[0]?.day ?? null,
      to: days.at(-1)?.day ?? null,
      gaps,
      gapDays: gaps.reduce((sum, g) => sum + g.days, 0),
      duplicates,
      suspects,
      suspectCount,
      noDate,
    },
  }
}

function sunHours(hours: number, latitude: number, day: Day): number {
  const inYear = dayNumber(day) - dayNumber(`${day.slice(0, 4)}-01-01`) + 1
  return fromSunshine(hours, extraterrestrial(latitude, inYear), daylight(latitude, inYear))
}
