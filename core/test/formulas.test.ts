import { existsSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import fc from 'fast-check'
import { all, create, type Unit as MathUnit } from 'mathjs'
import { describe, expect, it } from 'vitest'
import { dayNumber, dayOf } from '../src/calendar/day.ts'
import { namedFormula } from '../src/present/formulaText.ts'
import type { Unit } from '../src/quantities/show.ts'
import { DECLARATIONS, isProcedure, isRule, RULES } from '../src/ruleBook.ts'
import type { Rule } from '../src/rules/rule.ts'

/**
 * The working cannot lie: every formula shown is parsed by mathjs and evaluated with units, and
 * what `compute` does has to come to the same, over random inputs and over values as a firm may
 * change them. Because units travel with the inputs, a formula whose units do not fit throws.
 */
const math = create(all!, { relTol: 1e-12, absTol: 0 })
math.createUnit('celsiusstep')
math.createUnit('coin')
/** What mathjs calls a unit; nothing where a value is a plain number, a share or a text. */
const MATH: Partial<Record<Unit, string>> = {
  m2: 'm^2', m: 'm', mm: 'mm', rain: 'mm', 'work-h': 'hour', m3: 'm^3', L: 'L', 'loose-L': 'L', kg: 'kg', t: 'tonne', 'g/m2': 'g/m^2', 'mL/m2': 'mL/m^2', C: 'celsiusstep', h: 'hour', d: 'day', min: 'minute',
  'L/min': 'L/minute', 'mm/h': 'mm/hour', kPa: 'kPa', '/cm2': 'cm^-2', Cd: 'celsiusstep day', 't/m3': 'tonne/m^3', 'm2/h': 'm^2/hour',
  'm3/h': 'm^3/hour', 'm/h': 'm/hour', 'mm/d': 'mm/day', '/g': 'g^-1', wk: 'week', s: 'second', years: 'year', date: 'day',
  money: 'coin', 'money/kg': 'coin/kg', 'money/h': 'coin/hour', 'money/d': 'coin/day', 'money/m3': 'coin/m^3', 'money/m2': 'coin/m^2',
} // prettier-ignore
const SHARES: readonly Unit[] = ['%', 'slope']

type Worth = number | string | MathUnit
const worth = (value: number | string, unit: Unit): Worth =>
  unit === 'text'
    ? value
    : SHARES.includes(unit)
      ? Number(value) / 100
      : MATH[unit]
        ? math.unit(unit === 'date' ? dayNumber(value as string) : Number(value), MATH[unit])
        : Number(value)
const back = (result: unknown, unit: Unit): number | string => {
  if (unit === 'text') return result as string
  if (SHARES.includes(unit)) return Number(result) * 100
  if (!MATH[unit]) return typeof result === 'number' ? result : Number.NaN
  const inUnit = (result as MathUnit).toNumber(MATH[unit])
  return unit === 'date' ? dayOf(inUnit) : inUnit
}

const fold = (list: readonly Worth[], by: (a: never, b: never) => unknown): Worth =>
  list.reduce((a, b) => by(a as never, b as never) as Worth)
const less = (a: Worth, b: Worth) => math.smaller(a as never, b as never) as unknown as boolean
const smallest = (...list: Worth[]) => list.reduce((a, b) => (less(b, a) ? b : a))
const greatest = (...list: Worth[]) => list.reduce((a, b) => (less(a, b) ? b : a))
const onWhole = (round: (x: number) => number) => (x: Worth) =>
  typeof x === 'number' ? round(x) : math.unit(round((x as MathUnit).toNumber('day')), 'day')
const FUNCTIONS = {
  min: smallest,
  max: greatest,
  least: (list: Worth[]) => smallest(...list),
  latest: (list: Worth[]) => greatest(...list),
  most: (list: Worth[]) => greatest(...list),
  sum: (list: Worth[]) => fold(list, math.add),
  mean: (list: Worth[]) => math.divide(fold(list, math.add) as never, list.length),
  dot: (...lists: Worth[][]) => fold(lists[0]!.map((_, i) => fold(lists.map((l) => l[i]!), math.multiply)), math.add),
  hypot: (list: MathUnit[]) => math.unit(Math.hypot(...list.map((u) => u.toNumber('m^2'))), 'm^2'),
  ceil: onWhole(Math.ceil),
  round: onWhole(Math.round),
  same: (a: string, b: string) => a === b,
} // prettier-ignore

const RANGES: Partial<Record<Unit, [number, number]>> = {
  '%': [1, 95],
  slope: [0, 60],
  '1': [1, 9],
  C: [0, 35],
  h: [0, 20],
  'work-h': [0, 20],
  kPa: [0, 3000],
}
/** A number to six figures: finer than any entry, coarser than rounding errors. */
const sixFigures = (min: number, max: number) =>
  fc
    .double({ min, max, noNaN: true })
    .map((x) => Math.min(max, Math.max(min, Number(x.toPrecision(6)))))

/** A random input of a kind; texts are those the formula asks about, and one it does not. */
function anyInput(kind: string, formula: string): fc.Arbitrary<unknown> {
  const unit = kind.replace(/\[\]$|\?$/, '') as Unit
  const texts = [...formula.matchAll(/same\(\w+, "([^"]*)"\)/g)].map((m) => m[1]!)
  const [min, max] = RANGES[unit] ?? [0.5, 200]
  const one: fc.Arbitrary<number | string> =
    unit === 'text'
      ? fc.constantFrom('something else', ...texts)
      : unit === 'date'
        ? fc.integer({ min: 20_000, max: 21_500 }).map(dayOf)
        : sixFigures(min, max)
  return kind.endsWith('[]') ? fc.array(one, { minLength: 3, maxLength: 3 }) : one
}

const rules = [...RULES.values()].filter(isRule)
const symbols = (formula: string) =>
  [...formula.replace(/"[^"]*"/g, '').matchAll(/[A-Za-z_]\w*/g)].map((m) => m[0])

describe('the formula shown is the computation done', () => {
  it.each(rules.map((r) => [r.id, r] as const))('%s', (_, rule: Rule) => {
    const parsed = math.parse(rule.formula).compile()
    const inputs = fc.record(
      Object.fromEntries(
        Object.entries(rule.inputs).map(([name, kind]) => [name, anyInput(kind, rule.formula)]),
      ),
    )
    const values = fc.record(
      Object.fromEntries(
        Object.entries(rule.values).map(([name, v]) => [name, sixFigures(v.range[0], v.range[1])]),
      ),
    )
    const holds = (given: Record<string, unknown>, own: Record<string, number>) => {
      const scope: Record<string, unknown> = { ...FUNCTIONS }
      for (const [name, kind] of Object.entries(rule.inputs)) {
        const unit = kind.replace(/\[\]$|\?$/, '') as Unit
        scope[name] = Array.isArray(given[name])
          ? given[name].map((x) => worth(x as number, unit))
          : worth(given[name] as number, unit)
      }
      for (const [name, v] of Object.entries(rule.values)) scope[name] = worth(own[name]!, v.unit)
      const shown = back(parsed.evaluate(scope), rule.unit)
      const done = rule.compute(given as never, own)
      if (typeof shown === 'string') expect(done).toBe(shown)
      else
        expect(Math.abs(shown - (done as number))).toBeLessThanOrEqual(
          1e-9 * Math.max(1, Math.abs(shown)),
        )
    }
    const declared = Object.fromEntries(
      Object.entries(rule.values).map(([name, v]) => [name, v.is]),
    )
    fc.assert(
      fc.property(inputs, (given) => holds(given, declared)),
      { numRuns: 200 },
    )
    // Dates count in whole days, so a firm's own days are whole too.
    const own = values.map((v) =>
      rule.unit === 'date'
        ? Object.fromEntries(Object.entries(v).map(([k, x]) => [k, Math.round(x)]))
        : v,
    )
    fc.assert(fc.property(inputs, own, holds), { numRuns: 100 })
  })
  it('names nothing it does not have, and has nothing it does not name', () => {
    for (const rule of rules) {
      const used = symbols(rule.formula)
      const known = [
        ...Object.keys(rule.inputs),
        ...Object.keys(rule.values),
        ...Object.keys(FUNCTIONS),
        'sqrt',
      ]
      expect(
        used.filter((name) => !known.includes(name)),
        rule.id,
      ).toEqual([])
      for (const name of Object.keys(rule.inputs))
        expect(used, `${rule.id}: ${name}`).toContain(name)
      for (const name of Object.keys(rule.values))
        expect(used.includes(name) || rule.says.includes(`{${name}}`), `${rule.id}: ${name}`).toBe(
          true,
        )
    }
  })
  it('reads as words: nothing of the program’s own signs is left', () => {
    for (const rule of rules)
      expect(namedFormula(rule), rule.id).not.toMatch(/[?*"]|undefined|\bsame\(/)
    expect(namedFormula(RULES.get('dressing.limit') as Rule)).toBe(
      'least of (most, leaf ÷ leaf parts)',
    )
    expect(namedFormula(RULES.get('finding.thatch') as Rule)).toBe(
      'deep mat where thatch > deep + same; else matted where thatch > fine + same; else fine',
    )
    expect(namedFormula(RULES.get('survey.sloped') as Rule)).toBe('plan × √(1 + slope²)')
    expect(namedFormula(RULES.get('dressing.barrows') as Rule)).toBe('rounded up (volume ÷ barrow)')
  })
})

describe('a rule that works by a procedure', () => {
  it('names a function that is there, and a test that is there', () => {
    for (const rule of [...RULES.values()].filter(isProcedure)) {
      const [file, name] = rule.by.split(': ')
      const path = join(import.meta.dirname, '../src', `${file}.ts`)
      expect(existsSync(path), rule.by).toBe(true)
      expect(readFileSync(path, 'utf8'), rule.by).toMatch(new RegExp(`(function|const) ${name}\\b`))
      expect(existsSync(join(import.meta.dirname, rule.check.split(',')[0]!)), rule.check).toBe(
        true,
      )
    }
  })
})

describe('every declaration', () => {
  it('says what it is in words, with a source, and its values hold within their own range', () => {
    for (const d of DECLARATIONS.values()) {
      expect(d.says.length, d.id).toBeGreaterThan(8)
      expect(d.source.length, d.id).toBeGreaterThan(3)
      for (const mark of d.says.matchAll(/\{(\w+)\}/g))
        if (!/^(scarif|core|topdress|scalp|rake|autumn)/i.test(mark[1]!))
          expect(Object.keys(d.values), `${d.id}: ${mark[1]}`).toContain(mark[1])
      for (const v of Object.values(d.values)) {
        expect(v.id, d.id).not.toBe('')
        expect(v.is >= v.range[0] && v.is <= v.range[1], v.id).toBe(true)
      }
    }
  })
})
