import { showDay } from '../calendar/day.ts'
import { NO_CURRENCY, showMoney, type Currency } from './money.ts'
import { markThousands } from './thousands.ts'
import { POUND_PER_1000_SQ_FT, type UnitSystem } from './quantity.ts'

/**
 * Units a figure can carry: always the core's own; what a firm sees is decided here and nowhere
 * else.
 */
export type Unit =
  | 'm2'
  | 'm'
  | 'mm'
  /** Rain and watering, mm of water: never told in eighths of an inch. */
  | 'rain'
  | 'm3'
  | 'L'
  /** Loose material in litres: cubic feet, where liquids go by the gallon. */
  | 'loose-L'
  | 'kg'
  | 't'
  | 'g/m2'
  | 'mL/m2'
  | 'C'
  | '%'
  | 'h'
  /** Hours of work, told to the quarter. */
  | 'work-h'
  | 'd'
  | 'min'
  | 'L/min'
  | 'mm/h'
  | 'kPa'
  | '/cm2'
  | 'Cd'
  | 't/m3'
  | 'slope'
  | 'm2/h'
  | 'm3/h'
  | 'm/h'
  | 'mm/d'
  | 'km/h'
  | '/g'
  | 'wk'
  | 's'
  | 'years'
  | 'deg'
  /** Money in thousandths of the firm's currency, and prices by what they are for. */
  | 'money'
  | 'money/kg'
  | 'money/h'
  | 'money/d'
  | 'money/m3'
  | 'money/m2'
  | 'date'
  | 'text'
  | '1'

/** How a unit is shown: its sign, how many of the core's own it holds, and what is added after. */
interface ShownUnit {
  unit: string
  per: number
  offset?: number
}

const same = (unit: string): Record<UnitSystem, ShownUnit> => ({
  metric: { unit, per: 1 },
  us: { unit, per: 1 },
})

const SHOWN: Record<Unit, Record<UnitSystem, ShownUnit>> = {
  m2: { metric: { unit: 'm²', per: 1 }, us: { unit: 'ft²', per: 0.09290304 } },
  m: { metric: { unit: 'm', per: 1 }, us: { unit: 'ft', per: 0.3048 } },
  mm: { metric: { unit: 'mm', per: 1 }, us: { unit: 'in', per: 25.4 } },
  rain: { metric: { unit: 'mm', per: 1 }, us: { unit: 'in', per: 25.4 } },
  m3: { metric: { unit: 'm³', per: 1 }, us: { unit: 'yd³', per: 0.764554857984 } },
  L: { metric: { unit: 'L', per: 1 }, us: { unit: 'gal', per: 3.785411784 } },
  'loose-L': { metric: { unit: 'L', per: 1 }, us: { unit: 'ft³', per: 1000 * 0.3048 ** 3 } },
  kg: { metric: { unit: 'kg', per: 1 }, us: { unit: 'lb', per: 0.45359237 } },
  t: { metric: { unit: 't', per: 1 }, us: { unit: 'ton', per: 0.90718474 } },
  'g/m2': {
    metric: { unit: 'g/m²', per: 1 },
    us: { unit: 'lb/1,000 ft²', per: POUND_PER_1000_SQ_FT },
  },
  'mL/m2': {
    metric: { unit: 'mL/m²', per: 1 },
    us: { unit: 'fl oz/1,000 ft²', per: 3785.411784 / 128 / 92.90304 },
  },
  C: { metric: { unit: '°C', per: 1 }, us: { unit: '°F', per: 5 / 9, offset: 32 } },
  '%': same('%'),
  h: same('h'),
  'work-h': same('h'),
  d: same('days'),
  min: same('min'),
  'L/min': { metric: { unit: 'L/min', per: 1 }, us: { unit: 'gal/min', per: 3.785411784 } },
  'mm/h': { metric: { unit: 'mm/h', per: 1 }, us: { unit: 'in/h', per: 25.4 } },
  kPa: { metric: { unit: 'kPa', per: 1 }, us: { unit: 'psi', per: 6.894757293168361 } },
  '/cm2': { metric: { unit: 'per cm²', per: 1 }, us: { unit: 'per in²', per: 1 / 6.4516 } },
  Cd: { metric: { unit: '°C·d', per: 1 }, us: { unit: '°F·d', per: 5 / 9 } },
  't/m3': {
    metric: { unit: 't/m³', per: 1 },
    us: { unit: 'ton/yd³', per: 0.90718474 / 0.764554857984 },
  },
  slope: same('%'),
  'm2/h': { metric: { unit: 'm²/h', per: 1 }, us: { unit: 'ft²/h', per: 0.09290304 } },
  'm3/h': { metric: { unit: 'm³/h', per: 1 }, us: { unit: 'yd³/h', per: 0.764554857984 } },
  'm/h': { metric: { unit: 'm/h', per: 1 }, us: { unit: 'ft/h', per: 0.3048 } },
  'mm/d': { metric: { unit: 'mm a day', per: 1 }, us: { unit: 'in a day', per: 25.4 } },
  'km/h': { metric: { unit: 'km/h', per: 1 }, us: { unit: 'mph', per: 1.609344 } },
  '/g': { metric: { unit: 'per g', per: 1 }, us: { unit: 'per lb', per: 1 / 453.59237 } },
  wk: same('weeks'),
  s: same('s'),
  years: same('years'),
  deg: same('°'),
  money: same(''),
  'money/kg': { metric: { unit: 'a kg', per: 1 }, us: { unit: 'a lb', per: 1 / 0.45359237 } },
  'money/h': same('an hour'),
  'money/d': same('a day'),
  'money/m3': {
    metric: { unit: 'a m³', per: 1 },
    us: { unit: 'a yd³', per: 1 / 0.764554857984 },
  },
  'money/m2': { metric: { unit: 'a m²', per: 1 }, us: { unit: 'a ft²', per: 1 / 0.09290304 } },
  date: same(''),
  text: same(''),
  '1': same(''),
}

const isMoney = (unit: Unit): boolean => unit.startsWith('money')

export interface Interval {
  low: number | string
  high: number | string
}
export type FigureValue = number | string | Interval

export interface Formatted {
  number: string
  unit: string
}

/**
 * A number at the precision work is done to: three figures, no trailing noise, thousands marked.
 */
export function showNumber(value: number, digits?: number): string {
  if (!Number.isFinite(value)) return '?'
  const size = Math.abs(value)
  const decimals =
    digits ?? (size >= 100 || size === 0 ? 0 : size >= 10 ? 1 : size >= 1 ? 2 : size >= 0.1 ? 2 : 3)
  const text = value.toFixed(decimals)
  const plain = decimals > 0 ? text.replace(/\.?0+$/, '') : text
  return markThousands(plain).replace('-', '−')
}

/** What a figure looks like in the firm's units. */
export function show(
  value: FigureValue | null | undefined,
  unit: Unit,
  system: UnitSystem,
  currency: Currency = NO_CURRENCY,
): Formatted {
  if (value === null || value === undefined) return { number: '—', unit: '' }
  if (typeof value === 'object') {
    const low = show(value.low, unit, system, currency)
    const high = show(value.high, unit, system, currency)
    return {
      number: low.number === high.number ? low.number : `${low.number} – ${high.number}`,
      unit: high.unit,
    }
  }
  if (typeof value === 'string')
    return { number: unit === 'date' ? showDay(value) : value, unit: '' }
  if (unit === 'slope')
    return {
      number: value > 0 ? `1 in ${showNumber(100 / value, 100 / value < 10 ? 1 : 0)}` : 'flat',
      unit: '',
    }
  if (unit === 'kg' && value > 0 && value < SHOWN.kg[system].per)
    return system === 'metric'
      ? { number: showNumber(value * 1000), unit: 'g' }
      : { number: showNumber((16 * value) / SHOWN.kg.us.per), unit: 'oz' }
  const shown = SHOWN[unit][system]
  if (isMoney(unit)) return { number: showMoney(value / shown.per, currency), unit: shown.unit }
  const number = showNumber(value / shown.per + (shown.offset ?? 0))
  return { number, unit: (number === '1' && ONE[unit]) || shown.unit }
}
/** Units that are words, of one. */
const ONE: Partial<Record<Unit, string>> = { d: 'day', wk: 'week', years: 'year' }

/** The same, as one piece of text: "412 m²". */
export function shown(
  value: FigureValue | null | undefined,
  unit: Unit,
  system: UnitSystem,
  currency: Currency = NO_CURRENCY,
): string {
  const s = show(value, unit, system, currency)
  return s.unit ? `${s.number} ${s.unit}` : s.number
}

const FOOT_3 = 0.3048 ** 3
const EIGHTHS = ['', '⅛', '¼', '⅜', '½', '⅝', '¾', '⅞']
/** Nothing that is measured is smaller. */
const LEAST_SHOWN = 1e-9
/** Figures that count, rounded off: 3,128 to 3,100. */
const figures = (value: number, count: number): string => {
  const size = Math.abs(value)
  if (size < LEAST_SHOWN) return '0'
  const step = 10 ** (Math.floor(Math.log10(size)) - count + 1)
  return showNumber(
    Math.round(value / step) * step,
    Math.max(0, -Math.floor(Math.log10(step) + 1e-9)),
  )
}
const toStep = (value: number, step: number, decimals: number): string =>
  showNumber(Math.round(value / step) * step, decimals)
/** Eighths of an inch, as they stand on a rule. */
function inches(value: number): string {
  const eighths = Math.round(Math.abs(value) * 8)
  if (eighths === 0) return showNumber(value, 2)
  const whole = Math.floor(eighths / 8)
  return `${value < 0 ? '−' : ''}${whole || ''}${EIGHTHS[eighths % 8]}`
}
/** Quarter hours; less than half an hour in minutes. */
function quarters(hours: number): Formatted {
  const count = Math.round(hours * 4)
  if (count < 2) return { number: hours <= 0 ? '0' : hours < 0.125 ? '5' : '15', unit: 'min' }
  const whole = Math.floor(count / 4)
  return { number: `${whole || ''}${EIGHTHS[2 * (count % 4)]}`, unit: 'h' }
}
const small = (value: number, from: number): string =>
  showNumber(value, Math.abs(value) >= from ? 0 : 1)

/**
 * How a person does it: seed to 10 g, soil to a tenth of a cubic metre, hours to the quarter. Null
 * where three figures will do.
 */
function roundedForHand(value: number, unit: Unit, system: UnitSystem): Formatted | null {
  const us = system === 'us'
  const { unit: sign, per, offset = 0 } = SHOWN[unit][system]
  const x = value / per + offset
  const told = (number: string): Formatted => ({ number, unit: sign })
  switch (unit) {
    case 'work-h':
      return quarters(value)
    case 'min':
      return told(value > 0 ? showNumber(Math.max(1, Math.round(value))) : '0')
    case 'h':
      return told(showNumber(x, 1))
    case 'm2':
      return told(small(x, 10))
    case 'm':
      return told(small(x, 100))
    case 'mm':
      return told(us ? inches(x) : small(x, 10))
    case 'rain':
      return told(us ? showNumber(x, 2) : small(x, 10))
    case '%':
      return told(small(x, 1))
    case 'C':
      return told(us ? showNumber(x, 0) : showNumber(x, 1))
    case 'L':
      return told(figures(x, 2))
    case 'loose-L':
      // A yard holds 27 feet: from two of them on it is told in yards.
      return us && x >= 54 ? { number: showNumber(x / 27, 1), unit: 'yd³' } : told(figures(x, 2))
    case 'L/min':
      return told(figures(x, 2))
    case 'mm/h':
      return told(showNumber(x, us ? 2 : 1))
    case 'g/m2':
      return told(us ? showNumber(x, x >= 1 ? 1 : 2) : small(x, 10))
    case '/cm2':
      return told(showNumber(x, x >= 10 ? 0 : x >= 0.1 ? 1 : 2))
    case 'm3':
      if (x >= 0.095) return told(showNumber(x, x >= 100 ? 0 : 1))
      return us
        ? { number: showNumber(value / FOOT_3, 1), unit: 'ft³' }
        : { number: figures(value * 1000, 2), unit: 'L' }
    case 't':
      if (x >= 0.95) return told(showNumber(x, 1))
      return us
        ? { number: figures(x * 2000, 2), unit: 'lb' }
        : { number: figures(value * 1000, 2), unit: 'kg' }
    case 'kg':
      if (us)
        return x < 1
          ? { number: toStep(16 * x, x < 0.25 ? 0.5 : 1, 1), unit: 'oz' }
          : told(showNumber(x, x >= 20 ? 0 : 1))
      if (value === 0) return told('0')
      if (value < 0.0995)
        return { number: showNumber(value * 1000, value < 0.0095 ? 1 : 0), unit: 'g' }
      if (value < 0.995) return { number: toStep(value * 1000, 10, 0), unit: 'g' }
      return told(
        value < 9.975 ? toStep(value, 0.05, 2) : showNumber(value, value >= 99.95 ? 0 : 1),
      )
    default:
      return null
  }
}

/** Both ends of a band of days that lie in two years, each with its year; null where they do not. */
export const acrossYears = (
  { low, high }: { low: string | number; high: string | number },
  unit: Unit,
): [string, string] | null =>
  unit === 'date' && String(low).slice(0, 4) !== String(high).slice(0, 4)
    ? [showDay(String(low), true), showDay(String(high), true)]
    : null

/**
 * What a figure looks like on a screen or a sheet that somebody works from. The working shows three
 * figures instead.
 */
export function forHand(
  value: FigureValue | null | undefined,
  unit: Unit,
  system: UnitSystem,
  currency: Currency = NO_CURRENCY,
): Formatted {
  if (typeof value === 'object' && value !== null) {
    const years = acrossYears(value, unit)
    if (years) return { number: years.join(' – '), unit: '' }
    const [low, high] = [
      forHand(value.low, unit, system, currency),
      forHand(value.high, unit, system, currency),
    ]
    if (low.unit !== high.unit) return show(value, unit, system, currency)
    return {
      number: low.number === high.number ? low.number : `${low.number} – ${high.number}`,
      unit: high.unit,
    }
  }
  return (
    (typeof value === 'number' && Number.isFinite(value) && roundedForHand(value, unit, system)) ||
    show(value, unit, system, currency)
  )
}

/** The same, as one piece of text: "4.3 kg". */
export function toldForHand(
  value: FigureValue | null | undefined,
  unit: Unit,
  system: UnitSystem,
  currency: Currency = NO_CURRENCY,
): string {
  const s = forHand(value, unit, system, currency)
  return s.unit ? `${s.number} ${s.unit}` : s.number
}

/** A number with its doubt, to one figure of the doubt: 212 ± 2. */
export function withDoubt(
  value: number,
  doubt: number,
  unit: Unit,
  system: UnitSystem,
): { number: string; doubt: string; unit: string } {
  const { unit: sign, per } = SHOWN[unit][system]
  const [x, d] = [value / per, doubt / per]
  if (!(d > 0)) return { ...forHand(value, unit, system), doubt: '0' }
  const step = 10 ** Math.floor(Math.log10(d))
  const decimals = Math.max(0, -Math.floor(Math.log10(step) + 1e-9))
  return { number: toStep(x, step, decimals), doubt: toStep(d, step, decimals), unit: sign }
}

/** A number as shown in a system, back in the core's own unit: 68 °F is 20 °C. */
export const fromShown = (number: number, unit: Unit, system: UnitSystem): number => {
  const { per, offset = 0 } = SHOWN[unit][system]
  return (number - offset) * per
}
