import type { Kind } from '../quantities/quantity.ts'
import type { Unit } from '../quantities/show.ts'

/**
 * The traits of a grass, each once. The type of a grass, what a firm may enter of it, how that is
 * laid over the table, the form and the table in the Yard, and the columns that the handbooks are
 * held against follow from these rows.
 */

export const LEVELS = ['low', 'low-mid', 'mid', 'high'] as const
export type Level = (typeof LEVELS)[number]
export const COLOURS = ['light', 'mid', 'dark'] as const
export type Colour = (typeof COLOURS)[number]
export type Range = readonly [number, number]

/** One number that a firm may enter: its name in the firm's settings, its label, its limits. */
export interface TraitEntry {
  key: string
  label: string
  min: number
  max: number
  /** What is measured, to begin the sentence about a wrong entry: "A rate". */
  what: string
  because?: string
}
interface Measured {
  kind: Kind
  /** The core's own unit of it. */
  unit: Unit
  /** Head of its column. */
  column: string
  /** May be absent: the grass is not sown from seed, or it is not known. */
  optional?: true
  /** Too small for eighths of an inch: told in its own unit to everybody. */
  small?: true
}
interface RangeTrait extends Measured {
  is: 'range'
  low: TraitEntry
  high: TraitEntry
}
interface NumberTrait extends Measured {
  is: 'number'
  entry: TraitEntry
}
interface LevelTrait {
  is: 'level' | 'colour'
  column: string
  label: string
}
type Trait = RangeTrait | NumberTrait | LevelTrait

const rate = { min: 0.1, max: 150, what: 'A rate', because: 'no grass is sown at more. Check the unit.' } // prettier-ignore
const soil = (what: string) => ({ min: 0, max: 45, what })
const cut = (what: string) => ({ min: 2, max: 400, what })
const ph = (what: string) => ({ min: 3, max: 11, what })
const sun = (what: string) => ({ min: 0, max: 12, what })
const nitrogen = { min: 0, max: 60, what: 'Nitrogen in a year' }
const weeks = { min: 1, max: 150, what: 'Weeks to use' }
const part = (what: string) => ({ min: 0, max: 100, what })
const stands = (column: string) => ({ is: 'level', column, label: `Stands ${column}` }) as const

export const TRAITS = {
  /** Bag rates, g/m²; null where it is not sown from seed. */
  newRate: {
    is: 'range', kind: 'rate', unit: 'g/m2', column: 'new', optional: true,
    low: { key: 'newLow', label: 'New, from', ...rate },
    high: { key: 'newHigh', label: 'New, to', ...rate },
  },
  overseedRate: {
    is: 'range', kind: 'rate', unit: 'g/m2', column: 'overseed', optional: true,
    low: { key: 'overLow', label: 'Overseed, from', ...rate },
    high: { key: 'overHigh', label: 'Overseed, to', ...rate },
  },
  /** Days to show in good soil warmth. */
  days: {
    is: 'range', kind: 'days', unit: 'd', column: 'shows', optional: true,
    low: { key: 'daysLow', label: 'Shows, from', min: 1, max: 120, what: 'Days to show' },
    high: { key: 'daysHigh', label: 'Shows, to', min: 1, max: 200, what: 'Days to show' },
  },
  seedsPerGram: {
    is: 'number', kind: 'ratio', unit: '1', column: 'seeds per g', optional: true,
    entry: { key: 'seedsPerGram', label: 'Seeds in a gram', min: 10, max: 50_000, what: 'Seeds in a gram' },
  },
  /** Soil °C: least for sowing, and the good range. */
  soilMin: {
    is: 'number', kind: 'temperature', unit: 'C', column: 'soil least', optional: true,
    entry: { key: 'soilMin', label: 'Least soil', min: 0, max: 30, what: 'Least soil' },
  },
  soilGood: {
    is: 'range', kind: 'temperature', unit: 'C', column: 'soil good',
    low: { key: 'soilGoodLow', label: 'Good soil, from', ...soil('Good soil') },
    high: { key: 'soilGoodHigh', label: 'Good soil, to', ...soil('Good soil') },
  },
  /** Direct sun, h: the least it lives on, and what it is at ease with. */
  sunLeast: {
    is: 'number', kind: 'hours', unit: 'h', column: 'sun least',
    entry: { key: 'sunLeast', label: 'Least sun', ...sun('Least sun') },
  },
  sunGood: {
    is: 'number', kind: 'hours', unit: 'h', column: 'sun at ease',
    entry: { key: 'sunGood', label: 'At ease with', ...sun('Comfortable sun') },
  },
  wear: stands('wear'),
  drought: stands('drought'),
  heat: stands('heat'),
  cold: stands('cold'),
  wet: stands('wet'),
  salt: stands('salt'),
  thatch: { is: 'level', column: 'thatch', label: 'Builds thatch' },
  ph: {
    is: 'range', kind: 'ph', unit: '1', column: 'pH',
    low: { key: 'phLow', label: 'pH, from', ...ph('The lowest pH') },
    high: { key: 'phHigh', label: 'pH, to', ...ph('The highest pH') },
  },
  /** Comfortable height of cut, mm. */
  cut: {
    is: 'range', kind: 'depth', unit: 'mm', column: 'cut',
    low: { key: 'cutLow', label: 'Cut, from', ...cut('The lowest cut') },
    high: { key: 'cutHigh', label: 'Cut, to', ...cut('The highest cut') },
  },
  /** Width of a leaf, mm. */
  leaf: {
    is: 'number', kind: 'depth', unit: 'mm', column: 'leaf', small: true,
    entry: { key: 'leaf', label: 'Leaf', min: 0.3, max: 15, what: 'A leaf' },
  },
  colour: { is: 'colour', column: 'colour', label: 'Colour' },
  /** How fast it closes a gap while it grows, mm a week from one side. Juvena's model. */
  creeps: {
    is: 'number', kind: 'depth', unit: 'mm', column: 'a week', small: true,
    entry: { key: 'creeps', label: 'Spreads in a week', min: 0, max: 80, what: 'Spread in a week' },
  },
  /** Nitrogen in a year, g/m². */
  nitrogen: {
    is: 'range', kind: 'rate', unit: 'g/m2', column: 'N a year', optional: true,
    low: { key: 'nitrogenLow', label: 'N a year, from', ...nitrogen },
    high: { key: 'nitrogenHigh', label: 'N a year, to', ...nitrogen },
  },
  /** Most cover over seed, mm. */
  depth: {
    is: 'number', kind: 'depth', unit: 'mm', column: 'cover over seed',
    entry: { key: 'seedDepth', label: 'Cover over seed', min: 0, max: 30, what: 'Cover over seed' },
  },
  /** Weeks from sowing to a lawn that bears use. */
  weeksToUse: {
    is: 'range', kind: 'ratio', unit: '1', column: 'weeks to use',
    low: { key: 'weeksLow', label: 'Weeks to use, from', ...weeks },
    high: { key: 'weeksHigh', label: 'Weeks to use, to', ...weeks },
  },
  /** Least and most of it in company, % by weight; and most, % of the plants. Juvena's model. */
  share: {
    is: 'range', kind: 'percent', unit: '%', column: '% in a mix',
    low: { key: 'shareLow', label: 'In a mix, from', ...part('A part of a mix') },
    high: { key: 'shareHigh', label: 'In a mix, to', ...part('A part of a mix') },
  },
  mostPlants: {
    is: 'number', kind: 'percent', unit: '%', column: '% of plants',
    entry: { key: 'mostPlants', label: 'Most of the plants', ...part('A part of the plants') },
  },
} as const satisfies Record<string, Trait> // prettier-ignore

type Table = typeof TRAITS
export type TraitId = keyof Table
type Optional<T, V> = T extends { optional: true } ? V | null : V
type ValueOf<T> = T extends { is: 'range' }
  ? Optional<T, Range>
  : T extends { is: 'number' }
    ? Optional<T, number>
    : T extends { is: 'level' }
      ? Level
      : Colour
/** The traits of a grass, with their values. */
export type Traits = { [K in TraitId]: ValueOf<Table[K]> }

type Of<Is extends Trait['is']> = {
  [K in TraitId]: Table[K] extends { is: Is } ? K : never
}[TraitId]
type EntryKey<T> = T extends { low: { key: infer L }; high: { key: infer H } }
  ? L | H
  : T extends { entry: { key: infer K } }
    ? K
    : never
/** A number of a firm's own grass, by its name in the settings. */
export type NumberKey = EntryKey<Table[TraitId]>
/** A degree or colour of a firm's own grass: named like its trait. */
export type LevelKey = Of<'level'>
export type ColourKey = Of<'colour'>
export type ChoiceKey = LevelKey | ColourKey

/** What a firm has entered of a grass. Null leaves what was there. */
export type EnteredTraits = { [K in NumberKey]: number | null } & {
  [K in ChoiceKey]: Traits[K] | null
}

const ids = Object.keys(TRAITS) as TraitId[]
const trait = (id: TraitId): Trait => TRAITS[id]

/** Every number that a firm may enter, in the order of the form. */
export const NUMBER_ENTRIES: readonly (TraitEntry & {
  key: NumberKey
  kind: Kind
  unit: Unit
  /** What the table has for it. */
  of: (grass: Traits) => number | null
})[] = ids.flatMap((id) => {
  const t = trait(id)
  if (t.is !== 'range' && t.is !== 'number') return []
  const { kind, unit } = t
  const made = (entry: TraitEntry, of: (grass: Traits) => number | null) => ({
    ...entry,
    key: entry.key as NumberKey,
    kind,
    unit,
    of,
  })
  if (t.is === 'number') return [made(t.entry, (g) => g[id] as number | null)]
  const end = (at: 0 | 1) => (g: Traits) => (g[id] as Range | null)?.[at] ?? null
  return [made(t.low, end(0)), made(t.high, end(1))]
})

/** Every degree and colour that a firm may choose, in the order of the form. */
export const CHOICE_ENTRIES: readonly {
  key: ChoiceKey
  label: string
  of: readonly Traits[ChoiceKey][]
}[] = ids.flatMap((id) => {
  const t = trait(id)
  if (t.is === 'range' || t.is === 'number') return []
  return [{ key: id as ChoiceKey, label: t.label, of: t.is === 'level' ? LEVELS : COLOURS }]
})

/** A column of the table of grasses: its head, its unit where it has one, and its value. */
export interface TraitColumn {
  id: TraitId
  head: string
  unit: Unit | null
  isNumber: boolean
  small: boolean
  of: (grass: Traits) => Range | number | string | null
}
export const TRAIT_COLUMNS: readonly TraitColumn[] = ids.map((id) => {
  const t = trait(id)
  const measured = t.is === 'range' || t.is === 'number' ? t : null
  return {
    id,
    head: t.column,
    unit: measured && measured.unit !== '1' ? measured.unit : null,
    isNumber: measured !== null,
    small: measured?.small ?? false,
    of: (grass) => grass[id],
  }
})

const laidRange = (low: number | null, high: number | null, of: Range | null): Range | null => {
  const [a, b] = [low ?? of?.[0], high ?? of?.[1]]
  if (a === undefined || b === undefined) return null
  return a <= b ? [a, b] : [b, a]
}

/** The traits of a grass with what a firm has entered laid over them. Ranges are put in order. */
export function laidOver(from: Traits, entered: EnteredTraits): Traits {
  const laid: Partial<Record<TraitId, Traits[TraitId]>> = {}
  for (const id of ids) {
    const t = trait(id)
    const number = (e: TraitEntry) => entered[e.key as NumberKey]
    laid[id] =
      t.is === 'range'
        ? laidRange(number(t.low), number(t.high), from[id] as Range | null)
        : t.is === 'number'
          ? (number(t.entry) ?? from[id])
          : (entered[id as ChoiceKey] ?? from[id])
  }
  return laid as Traits
}
