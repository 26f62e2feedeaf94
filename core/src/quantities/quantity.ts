import { sure } from './sure.ts'
/**
 * What a person types for a quantity, and what it means in the core's one set of units.
 * Each kind has a small closed grammar: a number ("12", "4,435", "3/4", "1 1/2", "1.2e3") and a
 * unit of that kind.
 */

import { THOUSANDTHS } from './money.ts'

export type UnitSystem = 'metric' | 'us'

export type Kind =
  | 'area'
  | 'length'
  | 'depth'
  | 'volume'
  | 'mass'
  | 'rate'
  | 'temperature'
  | 'flow'
  | 'precipitation'
  | 'pressure'
  | 'percent'
  | 'hours'
  | 'days'
  | 'ph'
  | 'slope'
  | 'ratio'
  | 'liquid'
  | 'price'

interface KindOfQuantity {
  /** How the kind is spoken of in a sentence: "an area". */
  name: string
  /** The unit every value of this kind has inside the core. */
  inside: string
  /** Spellings (lower case, no spaces) and what one of them is worth inside. */
  units: Record<string, number>
  /** What one of it as a person says it is worth inside; 1 where not given. */
  insidePer?: number
  /** The unit a bare number is taken to be in, by system. */
  bare: Record<UnitSystem, string>
  example: Record<UnitSystem, string>
}

const FOOT = 0.3048
const POUND = 0.45359237
const US_GALLON_L = 3.785411784
const IMPERIAL_GALLON_L = 4.54609

const US_FLUID_OUNCE_ML = (US_GALLON_L * 1000) / 128
const IMPERIAL_FLUID_OUNCE_ML = (IMPERIAL_GALLON_L * 1000) / 160

/** A volume of mL on the areas that labels speak of, in mL/m². */
const overArea = (ml: number, ...names: string[]): Record<string, number> =>
  Object.fromEntries(
    names.flatMap((n) => [
      ...['1000sqft', '1,000sqft', '1000ft2', '1,000ft2'].map((a): [string, number] => [`${n}/${a}`, ml / (1000 * FOOT * FOOT)]), // prettier-ignore
      ...['acre', 'ac'].map((a): [string, number] => [`${n}/${a}`, ml / (43560 * FOOT * FOOT)]),
      ...['sqyd', 'yd2'].map((a): [string, number] => [`${n}/${a}`, ml / (9 * FOOT * FOOT)]),
    ]),
  )

function spell(value: number, ...names: string[]): Record<string, number> {
  return Object.fromEntries(names.map((name) => [name, value]))
}

const lengthsInMetres = {
  ...spell(1, 'm', 'metre', 'metres', 'meter', 'meters'),
  ...spell(0.01, 'cm'),
  ...spell(0.001, 'mm', 'millimetre', 'millimetres', 'millimeter', 'millimeters'),
  ...spell(1000, 'km'),
  ...spell(FOOT, 'ft', 'foot', 'feet', "'", '′'),
  ...spell(FOOT / 12, 'in', 'inch', 'inches', '"', '″'),
  ...spell(FOOT * 3, 'yd', 'yard', 'yards'),
}

/** lb/1,000 ft² in g/m². */
export const POUND_PER_1000_SQ_FT = (POUND * 1000) / (1000 * FOOT * FOOT)

/**
 * Conversion factors: NIST SP 811, appendix B; the foot, pound and gallons are exact by definition.
 */
export const KINDS: Record<Kind, KindOfQuantity> = {
  area: {
    name: 'an area',
    inside: 'm²',
    units: {
      ...spell(1, 'm2', 'sqm', 'squaremetres', 'squaremeters', 'squaremetre', 'squaremeter'),
      ...spell(1e-4, 'cm2'),
      ...spell(FOOT ** 2, 'ft2', 'sqft', 'squarefeet', 'squarefoot'),
      ...spell((FOOT * 3) ** 2, 'yd2', 'sqyd', 'squareyards', 'squareyard'),
      ...spell(43560 * FOOT ** 2, 'acre', 'acres', 'ac'),
      ...spell(1e4, 'ha', 'hectare', 'hectares'),
    },
    bare: { metric: 'm²', us: 'ft²' },
    example: { metric: '412 m²', us: '4,435 sq ft' },
  },
  length: {
    name: 'a length',
    inside: 'm',
    units: lengthsInMetres,
    bare: { metric: 'm', us: 'ft' },
    example: { metric: '18.5 m', us: '60 ft 6 in' },
  },
  depth: {
    name: 'a depth or height',
    inside: 'mm',
    units: Object.fromEntries(
      Object.entries(lengthsInMetres).map(([name, metres]) => [name, metres * 1000]),
    ),
    bare: { metric: 'mm', us: 'in' },
    example: { metric: '20 mm', us: '3/4 in' },
  },
  volume: {
    name: 'a volume',
    inside: 'm³',
    units: {
      ...spell(1, 'm3', 'cum', 'cubicmetres', 'cubicmeters'),
      ...spell(1e-3, 'l', 'litre', 'litres', 'liter', 'liters'),
      ...spell((FOOT * 3) ** 3, 'yd3', 'cuyd', 'cubicyards', 'cubicyard'),
      ...spell(FOOT ** 3, 'ft3', 'cuft', 'cubicfeet', 'cubicfoot'),
      ...spell(US_GALLON_L / 1000, 'gal', 'usgal', 'gallon', 'gallons'),
      ...spell(IMPERIAL_GALLON_L / 1000, 'impgal', 'imperialgallons', 'imperialgallon'),
    },
    bare: { metric: 'm³', us: 'yd³' },
    example: { metric: '1.5 m³', us: '2 cu yd' },
  },
  mass: {
    name: 'a weight',
    inside: 'kg',
    units: {
      ...spell(1, 'kg'),
      ...spell(1e-3, 'g'),
      ...spell(1000, 't', 'tonne', 'tonnes'),
      ...spell(POUND, 'lb', 'lbs', 'pound', 'pounds'),
      ...spell(POUND / 16, 'oz', 'ounce', 'ounces'),
      ...spell(POUND * 2000, 'ton', 'tons', 'shortton'),
    },
    bare: { metric: 'kg', us: 'lb' },
    example: { metric: '8.5 kg', us: '20 lb' },
  },
  rate: {
    name: 'a rate (weight on an area)',
    inside: 'g/m²',
    units: {
      ...spell(1, 'g/m2', 'g/sqm'),
      ...spell(1000, 'kg/m2'),
      ...spell(10, 'kg/100m2'),
      ...spell(0.1, 'kg/ha'),
      ...spell(
        POUND_PER_1000_SQ_FT,
        'lb/1000sqft',
        'lb/1,000sqft',
        'lb/1000ft2',
        'lb/1,000ft2',
        'lbs/1000sqft',
        'lbs/1000ft2',
      ),
      ...spell((POUND * 1000) / (43560 * FOOT ** 2), 'lb/acre', 'lb/ac', 'lbs/acre'),
      ...spell((POUND * 1000) / 16 / (FOOT * 3) ** 2, 'oz/sqyd', 'oz/yd2'),
      ...spell((POUND * 1000) / 16 / FOOT ** 2, 'oz/sqft', 'oz/ft2'),
    },
    bare: { metric: 'g/m²', us: 'lb/1000 sq ft' },
    example: { metric: '25 g/m²', us: '5 lb/1000 sq ft' },
  },
  temperature: {
    name: 'a temperature',
    inside: '°C',
    units: spell(1, 'c', '°c', 'f', '°f', 'degc', 'degf'),
    bare: { metric: '°C', us: '°F' },
    example: { metric: '17.5 °C', us: '64 °F' },
  },
  flow: {
    name: 'a flow of water',
    inside: 'L/min',
    units: {
      ...spell(1, 'l/min', 'lpm'),
      ...spell(60, 'l/s'),
      ...spell(1 / 60, 'l/h'),
      ...spell(1000 / 60, 'm3/h'),
      ...spell(US_GALLON_L, 'gal/min', 'gpm'),
      ...spell(IMPERIAL_GALLON_L, 'impgal/min'),
    },
    bare: { metric: 'L/min', us: 'gal/min' },
    example: { metric: '20 L/min', us: '5 gal/min' },
  },
  precipitation: {
    name: 'a precipitation rate',
    inside: 'mm/h',
    units: { ...spell(1, 'mm/h', 'mm/hr'), ...spell(10, 'cm/h'), ...spell(25.4, 'in/h', 'in/hr') },
    bare: { metric: 'mm/h', us: 'in/h' },
    example: { metric: '12 mm/h', us: '0.5 in/h' },
  },
  pressure: {
    name: 'a pressure',
    inside: 'kPa',
    units: {
      ...spell(1, 'kpa'),
      ...spell(1000, 'mpa'),
      ...spell(100, 'bar'),
      ...spell((POUND * 9.80665) / (FOOT / 12) ** 2 / 1000, 'psi', 'lb/in2', 'lb/sqin'),
    },
    bare: { metric: 'kPa', us: 'psi' },
    example: { metric: '1800 kPa', us: '260 psi' },
  },
  percent: {
    name: 'a percentage',
    inside: '%',
    units: spell(1, '%', 'percent', 'pc'),
    bare: { metric: '%', us: '%' },
    example: { metric: '40 %', us: '40 %' },
  },
  hours: {
    name: 'a time in hours',
    inside: 'h',
    units: {
      ...spell(1, 'h', 'hr', 'hrs', 'hour', 'hours'),
      ...spell(1 / 60, 'min', 'mins', 'minutes'),
    },
    bare: { metric: 'h', us: 'h' },
    example: { metric: '5.5 h', us: '5.5 h' },
  },
  days: {
    name: 'a number of days',
    inside: 'd',
    units: { ...spell(1, 'd', 'day', 'days'), ...spell(7, 'wk', 'week', 'weeks') },
    bare: { metric: 'days', us: 'days' },
    example: { metric: '28 days', us: '4 weeks' },
  },
  ph: {
    name: 'a pH',
    inside: '',
    units: spell(1, 'ph'),
    bare: { metric: '', us: '' },
    example: { metric: '6.2', us: '6.2' },
  },
  ratio: {
    name: 'a number',
    inside: '',
    units: {},
    bare: { metric: '', us: '' },
    example: { metric: '0.7', us: '0.7' },
  },
  liquid: {
    name: 'a rate of a liquid (volume on an area)',
    inside: 'mL/m²',
    units: {
      ...spell(1, 'ml/m2', 'ml/sqm'),
      ...spell(0.01, 'ml/100m2'),
      ...spell(10, 'l/100m2'),
      ...spell(0.1, 'l/ha'),
      ...spell(0.0001, 'ml/ha'),
      ...spell(1000, 'l/m2'),
      ...overArea(US_FLUID_OUNCE_ML, 'floz', 'usfloz'),
      ...overArea(16 * US_FLUID_OUNCE_ML, 'pt', 'pint', 'pints', 'uspt'),
      ...overArea(32 * US_FLUID_OUNCE_ML, 'qt', 'quart', 'quarts', 'usqt'),
      ...overArea(1000 * US_GALLON_L, 'gal', 'gallon', 'gallons', 'usgal'),
      ...overArea(IMPERIAL_FLUID_OUNCE_ML, 'impfloz'),
      ...overArea(20 * IMPERIAL_FLUID_OUNCE_ML, 'imppt', 'imppint'),
      ...overArea(1000 * IMPERIAL_GALLON_L, 'impgal'),
    },
    bare: { metric: 'mL/m²', us: 'fl oz/1000 sq ft' },
    example: { metric: '5 L/ha or 40 mL/100 m²', us: '1.5 fl oz/1000 sq ft or 3 pt/acre' },
  },
  price: {
    name: 'a price',
    inside: '',
    insidePer: THOUSANDTHS,
    units: {},
    bare: { metric: '', us: '' },
    example: { metric: '168 or 12.50', us: '168 or 12.50' },
  },
  slope: {
    name: 'a slope',
    inside: '%',
    units: spell(1, '%', 'percent', 'deg', '°', 'degrees'),
    bare: { metric: '%', us: '%' },
    example: { metric: '1 in 10, 10 % or 6 deg', us: '1 in 10, 10 % or 6 deg' },
  },
}

export type Parsed = { ok: true; value: number; text: string } | { ok: false; sentence: string }

const VULGAR: Record<string, string> = {
  '½': '1/2',
  '¼': '1/4',
  '¾': '3/4',
  '⅓': '1/3',
  '⅔': '2/3',
  '⅛': '1/8',
  '⅜': '3/8',
  '⅝': '5/8',
  '⅞': '7/8',
}
const NUMBER =
  /^\s*([+\-−]?)\s*(?:(\d+)\s+(\d+)\s*\/\s*(\d+)|(\d+)\s*\/\s*(\d+)|(\d{1,3}(?:,\d{3})+(?:\.\d+)?|\d*\.?\d+(?:e[+-]?\d{1,3})?))/i

/**
 * Takes one number off the front of a text. Returns the number and the rest, or nothing when there
 * is none.
 */
function takeNumber(text: string): { value: number; rest: string } | null {
  const m = NUMBER.exec(text)
  if (!m) return null
  const rest = text.slice(m[0].length)
  if (/^[.,]?\d/.test(rest) || rest.startsWith('/')) return null
  const [, sign, whole, top, bottom, num, den, plain] = m
  const value = whole
    ? Number(whole) + Number(top) / Number(bottom)
    : num
      ? Number(num) / Number(den)
      : Number(sure(plain).replaceAll(',', ''))
  return { value: sign === '-' || sign === '−' ? -value : value, rest }
}

const tidyUnit = (text: string) =>
  text
    .toLowerCase()
    .replaceAll('²', '2')
    .replaceAll('³', '3')
    .replace(/\s*\bper\b\s*/g, '/')

const SPELLINGS = [
  ...new Set(Object.values(KINDS).flatMap((kind) => Object.keys(kind.units))),
].sort((a, b) => b.length - a.length)

/**
 * Takes the longest known unit off the front of a tidied text; spaces and dots inside a unit do not
 * matter.
 */
function takeUnit(text: string): { unit: string; rest: string } | null {
  const squeezed = text.replace(/[\s.^]+/g, '')
  for (const unit of SPELLINGS) {
    if (
      !squeezed.startsWith(unit) ||
      /^[a-z]/.test(squeezed.slice(unit.length)) ||
      (/[a-z]$/.test(unit) && /^\//.test(squeezed.slice(unit.length)))
    )
      continue
    let seen = 0
    let at = 0
    while (seen < unit.length) if (!/[\s.^]/.test(text[at++]!)) seen++
    return { unit, rest: text.slice(at) }
  }
  return null
}

function kindOfUnit(unit: string): Kind | undefined {
  return (Object.keys(KINDS) as Kind[]).find((kind) => unit in KINDS[kind].units)
}

/**
 * A decimal comma as a point: 12,5 and 1.234,5. A comma before three digits marks thousands, as in
 * 4,435.
 */
const withPoint = (text: string): string =>
  text
    .replace(
      /(?<![\d.,])(\d{1,3}(?:\.\d{3})+),(\d+)(?![\d,.])/g,
      (_, whole: string, part: string) => `${whole.replaceAll('.', '')}.${part}`,
    )
    .replace(/(?<![\d.,])(\d+),(\d{1,2}|\d{4,})(?![\d,.])/g, '$1.$2')

/**
 * An area by its two sides: "8 x 15", "26 ft by 40 ft". A side without a unit has that of the
 * other.
 */
function bySides(text: string, system: UnitSystem): Parsed | null {
  const m = /^(.+?)\s*(?:x|×|\bby\b|\*)\s*(.+)$/i.exec(text)
  if (!m) return null
  const unit = /[a-z'"′″]+\.?$/i.exec(m[2]!)?.[0] ?? ''
  const side = (typed: string) => parseQuantity(typed, 'length', system)
  const one = side(/[a-z'"′″]\.?$/i.test(m[1]!) ? m[1]! : `${m[1]!} ${unit}`)
  const two = side(m[2]!)
  return one.ok && two.ok
    ? { ok: true, value: one.value * two.value, text: `${one.text} x ${two.text}` }
    : null
}

/**
 * A rate as a bag says what it covers: "10 kg per 400 m²", "50 lb covers 12,500 sq ft".
 */
function asCoverage(text: string, system: UnitSystem): Parsed | null {
  const m = /^(.+?)\s*(?:\/|\bper\b|\bon\b|\bover\b|\bfor\b|\bcovers\b)\s*(\d.*)$/i.exec(text)
  if (!m) return null
  const [bag, ground] = [parseQuantity(m[1]!, 'mass', system), parseQuantity(m[2]!, 'area', system)]
  return bag.ok && ground.ok && ground.value > 0
    ? { ok: true, value: (bag.value * 1000) / ground.value, text: `${bag.text} on ${ground.text}` }
    : null
}

/** A flow by a vessel and a watch: "10 L in 40 s", "2 gal / 35 s". */
function byBucket(text: string, system: UnitSystem): Parsed | null {
  const m = /^(?:an?\s+)?(.+?)\s*(?:buckets?|cans?)?\s*(?:\bin\b|\/)\s*(\d+(?:\.\d+)?)\s*(s|secs?|seconds?|min|mins|minutes?)$/i.exec(text) // prettier-ignore
  if (!m) return null
  const volume = parseQuantity(m[1]!, 'volume', system)
  const minutes = Number(m[2]) / (m[3]!.toLowerCase().startsWith('s') ? 60 : 1)
  return volume.ok && minutes > 0
    ? { ok: true, value: (volume.value * 1000) / minutes, text }
    : null
}

/** A number and its unit, or a number alone, at one end of a range. */
const RANGE = /^(\d+(?:\.\d+)?)\s*([^\d\s–—-]*)\s*(?:-|–|—|\bto\b)\s*(\d+(?:\.\d+)?)\s*(.*)$/i
/**
 * A range as its middle: "45-50", "4–6 mm", "4 mm to 6 mm". An end without a unit has that of the
 * other.
 */
function middleOf(text: string, kind: Kind, system: UnitSystem): Parsed | null {
  const m = RANGE.exec(text)
  if (!m || /^\s*\//.test(m[4]!)) return null
  const [low, high] = [
    parseQuantity(`${m[1]} ${m[2] || m[4]!}`, kind, system),
    parseQuantity(`${m[3]} ${m[4] || m[2]!}`, kind, system),
  ]
  return low.ok && high.ok && low.value < high.value
    ? { ok: true, value: (low.value + high.value) / 2, text: high.text === `${m[3]} ${m[4] || m[2]!}`.trim() ? text : `${text} ${KINDS[kind].bare[system]}`.trim() } // prettier-ignore
    : null
}

/** Signs and letters of money round a price: "$12.50", "12.50 NZ$", "EUR 9". */
const MONEY_MARK =
  /^(?:[a-z]{0,3}\p{Sc}|[a-z]{3})?\s*([^a-z\p{Sc}]+?)\s*(?:[a-z]{0,3}\p{Sc}|[a-z]{3})?$/iu

/** A price in thousandths, whatever money it is marked with: the firm has one currency. */
function priceOf(text: string, wrong: (why: string) => Parsed): Parsed {
  const bare = MONEY_MARK.exec(text.trim())?.[1]
  const number = bare === undefined ? null : takeNumber(bare)
  if (!number || number.rest.trim() !== '' || !Number.isFinite(number.value))
    return wrong('is not a price.')
  return { ok: true, value: Math.round(number.value * THOUSANDTHS), text }
}

/**
 * Reads a typed quantity. `system` decides only what a bare number means.
 * Returns the value inside the core, with the text completed by its unit; or one sentence saying
 * what is wrong and what would be right.
 */
export function parseQuantity(typed: string, kind: Kind, system: UnitSystem = 'metric'): Parsed {
  const k = KINDS[kind]
  const likeThis = k.example[system]
  let text = typed.trim().slice(0, 200)
  for (const [mark, fraction] of Object.entries(VULGAR))
    text = text.replace(new RegExp(`(\\d)?${mark}`), (_, d) => (d ? `${d} ` : '') + fraction)
  // 3-1/2 is three and a half.
  text = withPoint(text).replace(/(\d)-(?=\d+\/\d)/g, '$1 ')
  const shown = typed.length > 40 ? typed.slice(0, 40) + '…' : typed
  const wrong = (why: string): Parsed =>
    (kind === 'rate' ? asCoverage(text, system) : null) ?? {
      ok: false,
      sentence: `“${shown}” ${why} Write ${k.name} like ${likeThis}.`,
    }
  if (kind === 'slope') {
    const m = /^(\d+(?:\.\d+)?)\s*(?:in|:|\/)\s*(\d+(?:\.\d+)?)$/i.exec(text)
    if (m && Number(m[2]) > 0) return { ok: true, value: (100 * Number(m[1])) / Number(m[2]), text }
    if (/^(flat|level)$/i.test(text)) return { ok: true, value: 0, text }
  }
  if (kind === 'price') return priceOf(text, wrong)
  if (kind === 'area') {
    const sides = bySides(text, system)
    if (sides) return sides
  }
  if (kind === 'flow') {
    const bucket = byBucket(text, system)
    if (bucket) return bucket
  }
  const range = middleOf(text, kind, system)
  if (range) return range
  let rest = tidyUnit(text)
  let total = 0
  let feet = false
  let bare = false
  for (let terms = 0; rest.trim() !== ''; terms++) {
    const number = takeNumber(rest)
    if (!number || !Number.isFinite(number.value)) return wrong(`is not ${k.name}.`)
    if (terms > 0 && kind !== 'length' && kind !== 'depth' && kind !== 'mass')
      return wrong('has more than one number in it.')
    if (number.rest.trim() === '') {
      // 6' 4 is six feet four inches.
      if (terms > 0 && feet)
        return { ok: true, value: total + toInside(number.value, 'in', kind), text: `${text} in` }
      if (terms > 0) return wrong('has a number without a unit.')
      bare = true
      total = toInside(number.value, tidyUnit(k.bare[system]).replaceAll(' ', ''), kind)
      break
    }
    const taken = takeUnit(number.rest)
    if (!taken) return wrong('has a unit that is not known here.')
    if (!(taken.unit in k.units))
      return wrong(`is ${KINDS[sure(kindOfUnit(taken.unit))].name}; ${k.name} is wanted.`)
    total += toInside(number.value, taken.unit, kind)
    feet = kind === 'length' && KINDS.length.units[taken.unit] === FOOT
    rest = taken.rest
  }
  if (text === '') return wrong('is empty.')
  return {
    ok: true,
    value: total,
    text: bare && k.bare[system] ? `${text} ${k.bare[system]}` : text,
  }
}

function toInside(value: number, unit: string, kind: Kind): number {
  if (kind === 'temperature') return unit.includes('f') ? ((value - 32) * 5) / 9 : value
  if (kind === 'slope')
    return unit === '%' || unit === 'percent' ? value : 100 * Math.tan((value * Math.PI) / 180)
  return value * (KINDS[kind].units[unit] ?? 1)
}
