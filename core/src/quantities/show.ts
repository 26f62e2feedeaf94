import { showDay } from '../calendar/day.ts'
import { POUND_PER_1000_SQ_FT, type UnitSystem } from './quantity.ts'

/** Units a figure can carry: always the core's own; what a firm sees is decided here and nowhere else. */
export type Unit =
  | 'm2'
  | 'm'
  | 'mm'
  | 'm3'
  | 'L'
  | 'kg'
  | 't'
  | 'g/m2'
  | 'C'
  | '%'
  | 'h'
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
  | 'date'
  | 'text'
  | '1'

/** How a unit is shown: its sign, how many of the core's own it holds, and what is added after. */
interface ShownUnit {
  unit: string
  per: number
  offset?: number
}

const same = (unit: string): Record<UnitSystem, ShownUnit> => ({ metric: { unit, per: 1 }, us: { unit, per: 1 } })

const SHOWN: Record<Unit, Record<UnitSystem, ShownUnit>> = {
  m2: { metric: { unit: 'm²', per: 1 }, us: { unit: 'ft²', per: 0.09290304 } },
  m: { metric: { unit: 'm', per: 1 }, us: { unit: 'ft', per: 0.3048 } },
  mm: { metric: { unit: 'mm', per: 1 }, us: { unit: 'in', per: 25.4 } },
  m3: { metric: { unit: 'm³', per: 1 }, us: { unit: 'yd³', per: 0.764554857984 } },
  L: { metric: { unit: 'L', per: 1 }, us: { unit: 'gal', per: 3.785411784 } },
  kg: { metric: { unit: 'kg', per: 1 }, us: { unit: 'lb', per: 0.45359237 } },
  t: { metric: { unit: 't', per: 1 }, us: { unit: 'ton', per: 0.90718474 } },
  'g/m2': { metric: { unit: 'g/m²', per: 1 }, us: { unit: 'lb/1,000 ft²', per: POUND_PER_1000_SQ_FT } },
  C: { metric: { unit: '°C', per: 1 }, us: { unit: '°F', per: 5 / 9, offset: 32 } },
  '%': same('%'),
  h: same('h'),
  d: same('days'),
  min: same('min'),
  'L/min': { metric: { unit: 'L/min', per: 1 }, us: { unit: 'gal/min', per: 3.785411784 } },
  'mm/h': { metric: { unit: 'mm/h', per: 1 }, us: { unit: 'in/h', per: 25.4 } },
  kPa: { metric: { unit: 'kPa', per: 1 }, us: { unit: 'psi', per: 6.894757293168361 } },
  '/cm2': { metric: { unit: 'per cm²', per: 1 }, us: { unit: 'per in²', per: 1 / 6.4516 } },
  Cd: { metric: { unit: '°C·d', per: 1 }, us: { unit: '°F·d', per: 5 / 9 } },
  't/m3': { metric: { unit: 't/m³', per: 1 }, us: { unit: 'ton/yd³', per: 0.90718474 / 0.764554857984 } },
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
  date: same(''),
  text: same(''),
  '1': same(''),
}

export interface Interval {
  low: number | string
  high: number | string
}
export type FigureValue = number | string | Interval

export interface Formatted {
  number: string
  unit: string
}

/** A number at the precision work is done to: three figures, no trailing noise, thousands marked. */
export function showNumber(value: number, digits?: number): string {
  if (!Number.isFinite(value)) return '?'
  const size = Math.abs(value)
  const decimals = digits ?? (size >= 100 || size === 0 ? 0 : size >= 10 ? 1 : size >= 1 ? 2 : size >= 0.1 ? 2 : 3)
  const text = value.toFixed(decimals)
  const [whole, part] = (decimals > 0 ? text.replace(/\.?0+$/, '') : text).split('.')
  const grouped = whole!.replace(/\B(?=(\d{3})+(?!\d))/g, ',').replace('-', '−')
  return part ? `${grouped}.${part}` : grouped
}

/** What a figure looks like in the firm's units. */
export function show(value: FigureValue | null | undefined, unit: Unit, system: UnitSystem): Formatted {
  if (value === null || value === undefined) return { number: '—', unit: '' }
  if (typeof value === 'object') {
    const low = show(value.low, unit, system)
    const high = show(value.high, unit, system)
    return { number: low.number === high.number ? low.number : `${low.number} – ${high.number}`, unit: high.unit }
  }
  if (typeof value === 'string') return { number: unit === 'date' ? showDay(value) : value, unit: '' }
  if (unit === 'slope') return { number: value > 0 ? `1 in ${showNumber(100 / value, 100 / value < 10 ? 1 : 0)}` : 'flat', unit: '' }
  if (unit === 'kg' && value > 0 && value < SHOWN.kg[system].per)
    return system === 'metric' ? { number: showNumber(value * 1000), unit: 'g' } : { number: showNumber((16 * value) / SHOWN.kg.us.per), unit: 'oz' }
  const shown = SHOWN[unit][system]
  return { number: showNumber(value / shown.per + (shown.offset ?? 0)), unit: shown.unit }
}

/** The same, as one piece of text: "412 m²". */
export function shown(value: FigureValue | null | undefined, unit: Unit, system: UnitSystem): string {
  const s = show(value, unit, system)
  return s.unit ? `${s.number} ${s.unit}` : s.number
}

/** A number as shown in a system, back in the core's own unit: 68 °F is 20 °C. */
export const fromShown = (number: number, unit: Unit, system: UnitSystem): number => {
  const { per, offset = 0 } = SHOWN[unit][system]
  return (number - offset) * per
}
