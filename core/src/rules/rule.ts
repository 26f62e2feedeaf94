import type { FigureValue, Unit } from '../quantities/show.ts'
import { sum } from '../quantities/sum.ts'
import { usualSource, type EvidenceLevel } from './evidence.ts'
import type { Message } from './message.ts'

export type Stage = 1 | 2 | 3 | 4 | 5 | 6 | 7 | 8

/**
 * A number of the trade: what it is, how far it can be trusted, and within what range a firm may
 * set its own. It stands in one place; rules may share it.
 */
export interface TradeValue {
  /** "rule.name" or "group.name": what a firm's own value is kept by. */
  id: string
  is: number
  unit: Unit
  standing: EvidenceLevel
  says: string
  range: readonly [number, number]
}
export type TradeValues = Record<string, TradeValue>

/** Declares a number of the trade. Its id comes from the rule or group it stands in. */
export const value = (
  is: number,
  unit: Unit,
  standing: EvidenceLevel,
  says: string,
  range: readonly [number, number],
): TradeValue => ({
  id: '',
  is,
  unit,
  standing,
  says,
  range,
})

/** Values that belong together without being one rule's: the lines of light, a table of rates. */
export function tradeValues<const V extends TradeValues>(group: string, values: V): V {
  return Object.fromEntries(
    Object.entries(values).map(([name, v]) => [name, v.id ? v : { ...v, id: `${group}.${name}` }]),
  ) as V
}

/** The numbers of a group as Juvena has them, where no firm is asked. */
export const asDeclared = <V extends TradeValues>(values: V): { [K in keyof V]: number } =>
  Object.fromEntries(Object.entries(values).map(([name, v]) => [name, v.is])) as {
    [K in keyof V]: number
  }

/** The unit of an input; `[]` behind it for a list of them, `?` where there may be none. */
export type InputUnit = Unit | `${Unit}[]` | `${Unit}?`
export type Inputs = Record<string, InputUnit>
type Plain<U> = U extends 'date' | 'text' ? string : number
/** What `compute` receives for an input. */
export type Computed<U> = U extends `${infer B}[]`
  ? Plain<B>[]
  : U extends `${infer B}?`
    ? Plain<B> | null
    : Plain<U>

/** What every declaration that yields a figure says of itself. */
export interface Declaration {
  id: string
  /**
   * The quantity it yields: with the scope it makes the figure's id. Several rules may yield the
   * same quantity by different ways.
   */
  key: string
  stage: Stage
  label: Message
  unit: Unit
  standing: EvidenceLevel
  source: string
  /** In words; {name} is one of its values. */
  says: string
  version: number
  values: TradeValues
}

interface Worked<I extends Inputs, V extends TradeValues> extends Declaration {
  inputs: I
  values: V
}

/**
 * A rule of the trade. `formula` is what is shown and `compute` what is done; a test holds the one
 * against the other, units included, for every rule. In a formula each input carries its unit, so
 * no conversion factor is written: area * rate, in m² and g/m², is kg. A share in % counts as a
 * fraction, a date as a number of days.
 */
export interface Rule<
  I extends Inputs = Inputs,
  V extends TradeValues = TradeValues,
> extends Worked<I, V> {
  formula: string
  compute(
    inputs: { [K in keyof I]: Computed<I[K]> },
    values: { [K in keyof V]: number },
  ): FigureValue
}

/**
 * A rule whose answer comes by a procedure (a search, a simulation, a survey): it names the
 * function that does it, and the test that checks it.
 */
export interface Procedure<
  I extends Inputs = Inputs,
  V extends TradeValues = TradeValues,
> extends Worked<I, V> {
  /** What is done, in words: shown where a formula would be. */
  steps: Message
  by: string
  check: string
}

type Optional = 'key' | 'source' | 'version' | 'values' | 'inputs'
type Spec<T> = Omit<T, Optional> & Partial<Pick<T, Optional & keyof T>>
/** Stands for "none" where a declaration has no inputs or no values. */
type None = Record<never, never>

const complete = <T extends { id: string; standing: EvidenceLevel; values?: TradeValues }>(
  spec: T,
) => ({
  version: 1,
  source: usualSource(spec.standing),
  key: spec.id,
  inputs: {},
  ...spec,
  values: tradeValues(spec.id, spec.values ?? {}),
})

/** Declares a rule that computes by a formula. */
export const rule = <const I extends Inputs = None, const V extends TradeValues = None>(
  spec: Spec<Rule<I, V>>,
): Rule<I, V> => complete(spec) as Rule<I, V>

/** What a rule says and does that adds one figure of each zone up. */
export const allZones = <const U extends Unit>(unit: U) => ({
  unit,
  says: 'All zones together.',
  inputs: { zones: `${unit}[]` as const },
  formula: 'sum(zones)',
  compute: ({ zones }: { zones: readonly number[] }) => sum(zones),
})

/** Declares a rule that computes by a procedure. */
export const procedure = <const I extends Inputs = None, const V extends TradeValues = None>(
  spec: Spec<Procedure<I, V>>,
): Procedure<I, V> => complete(spec) as Procedure<I, V>

/** Something read on site or typed in. `otherwise` is what is assumed until it is. */
export interface Reading extends Declaration {
  otherwise: TradeValue | null
}

interface ReadingSpec {
  key: string
  /** Where several readings stand for one quantity, each has an id of its own. */
  id?: string
  stage: Stage
  label: Message
  unit: Unit
  /** Assumed while nothing is read: value and range. */
  otherwise?: readonly [number, readonly [number, number]]
}

export function reading({
  key,
  id = `reading.${key}`,
  stage,
  label,
  unit,
  otherwise,
}: ReadingSpec): Reading {
  const assumed = otherwise
    ? {
        ...value(otherwise[0], unit, 'assumed', 'What is taken until it is read.', otherwise[1]),
        id: `${id}.otherwise`,
      }
    : null
  return {
    id,
    key,
    stage,
    label,
    unit,
    standing: 'reading',
    source: 'your entry',
    says: 'Read or decided on site and typed in.',
    version: 1,
    otherwise: assumed,
    values: assumed ? { otherwise: assumed } : {},
  }
}

/** A number out of a reference table, or a setting of the firm with the usual value beside it. */
export interface TableEntry extends Declaration {
  from: 'table' | 'setting'
}

export const fromTable = (
  spec: Pick<Declaration, 'key' | 'stage' | 'label' | 'unit' | 'standing'> & {
    source?: string
    says?: string
  },
): TableEntry => ({
  id: `table.${spec.key}`,
  source: usualSource(spec.standing),
  says: 'From the reference table of the trade.',
  version: 1,
  values: {},
  ...spec,
  from: 'table',
})

/** A setting of the firm. `usual` is taken until the firm sets its own. */
export interface Setting extends TableEntry {
  usual: TradeValue
}
export function setting(
  spec: Pick<Declaration, 'key' | 'stage' | 'label'> & { usual: TradeValue },
): Setting {
  const id = `setting.${spec.key}`
  const { usual } = tradeValues(id, { usual: spec.usual })
  return {
    ...fromTable({ ...spec, unit: usual.unit, standing: usual.standing }),
    id,
    source: 'your firm',
    says: 'A setting of your firm. Until you set it, a usual value is taken.',
    values: { usual },
    usual,
    from: 'setting',
  }
}
