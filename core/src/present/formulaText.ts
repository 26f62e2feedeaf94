import { shown } from '../quantities/show.ts'
import type { Figure, InputRef } from '../trace/figure.ts'
import type { Rule } from '../rules/rule.ts'
import { valueInForce, type FirmValues } from '../trace/trace.ts'
import type { Reader } from './render.ts'

/** Shows what stands behind a name in a formula. */
type Named = (name: string) => string | null

const TOKEN = /"[^"]*"|[A-Za-z_][A-Za-z0-9_]*|\d+(?:\.\d+)?|[<>]=|[-+*/^?:(),<>=]/g
const SIGNS: Record<string, string> = {
  '*': '×',
  '/': '÷',
  '-': '−',
  '>=': '≥',
  '<=': '≤',
  '^': '^',
}
const FUNCTIONS: Record<string, string> = {
  min: 'least of ',
  max: 'greatest of ',
  least: 'least of ',
  latest: 'latest of ',
  most: 'most of ',
  sum: 'sum of ',
  dot: 'sum of products of ',
  mean: 'mean of ',
  hypot: 'root of the sum of squares of ',
  sqrt: '√',
  ceil: 'rounded up ',
  round: 'rounded ',
}
/** A tiny number in a formula keeps a rounding error from tipping it; nobody needs to see it. */
const HAIR = /\s*-\s*0\.0{6,}1|max\(0\.0{3,}1,\s*([^()]*)\)/g

/**
 * A formula as a person reads it: names replaced by what stands behind them, a ? b : c as "b where
 * a; else c".
 */
export function formulaText(formula: string, named: Named): string {
  const text = formula
    .replace(HAIR, (_, kept?: string) => (kept === undefined ? '' : `(${kept})`))
    .replace(/same\((\w+), ("[^"]*")\)/g, '$1 = $2')
  return choice(text, named)
}

function choice(text: string, named: Named): string {
  const at = topLevel(text, '?')
  if (at < 0) return plain(text, named)
  const rest = text.slice(at + 1)
  const otherwise = topLevel(rest, ':')
  return `${choice(rest.slice(0, otherwise).trim(), named)} where ${plain(text.slice(0, at).trim(), named)}; else ${choice(rest.slice(otherwise + 1).trim(), named)}`
}

/**
 * The test that decided a choice, with what stands behind its names; null where the formula is no
 * choice.
 */
export function decidingTest(formula: string, outcome: string, named: Named): string | null {
  let rest = formula
  let last: string | null = null
  for (let at = topLevel(rest, '?'); at >= 0; at = topLevel(rest, '?')) {
    last = rest.slice(0, at).trim()
    const after = rest.slice(at + 1)
    const otherwise = topLevel(after, ':')
    if (after.slice(0, otherwise).trim() === `"${outcome}"`) return testText(last, named)
    rest = after.slice(otherwise + 1)
  }
  return last && testText(negated(last), named)
}

const testText = (test: string, named: Named): string => {
  const same = /^same\((\w+), "/.exec(test)
  return same ? (named(same[1]!) ?? same[1]!) : plain(test, named)
}

const OPPOSITE: Record<string, string> = { '>=': '<', '<=': '>', '>': '<=', '<': '>=' }
const negated = (test: string): string => test.replace(/[<>]=?/, (sign) => OPPOSITE[sign]!)

/**
 * Index of a sign outside brackets and quotes, and outside choices nested in it; −1 where there is
 * none.
 */
function topLevel(text: string, sign: '?' | ':'): number {
  let [depth, nested, quoted] = [0, 0, false]
  for (const [i, c] of [...text].entries()) {
    if (c === '"') quoted = !quoted
    if (quoted) continue
    if (c === '(') depth++
    if (c === ')') depth--
    if (depth > 0) continue
    if (c === sign && nested === 0) return i
    if (c === '?') nested++
    if (c === ':') nested--
  }
  return -1
}

function plain(text: string, named: Named): string {
  const tokens = text.match(TOKEN) ?? []
  let out = ''
  tokens.forEach((token, i) => {
    const next = tokens[i + 1]
    const before = tokens[i - 1]
    if (token.startsWith('"')) out += token.slice(1, -1)
    else if (next === '(' && token in FUNCTIONS) out += FUNCTIONS[token]
    else if (/^[A-Za-z_]/.test(token)) out += token === 'or' ? ' or ' : (named(token) ?? token)
    else if (token === '(' && before !== undefined && before in FUNCTIONS) out += '('
    else if (token === ',') out += ', '
    else if (token === '^' && next === '2') out += '²'
    else if (token === '2' && before === '^') return
    else if (token === '(' || token === ')' || /^\d/.test(token)) out += token
    else if (token === '=' || token in SIGNS || '+<>'.includes(token))
      out += ` ${SIGNS[token] ?? token} `
  })
  return out.replace(/ {2,}/g, ' ').trim()
}

/** "heightOfCut" as "height of cut". */
export const spaced = (name: string): string =>
  name.replace(/([A-Z])/g, (_, c: string) => ` ${c.toLowerCase()}`)

const LISTED = 6
const isList = (ref: InputRef): ref is readonly string[] => Array.isArray(ref)

/** What stands behind a figure's input. */
function inputText(
  ref: InputRef,
  figures: Readonly<Record<string, Figure>>,
  { units, currency }: Reader,
): string {
  const one = (id: string) =>
    figures[id] ? shown(figures[id].value, figures[id].unit, units, currency) : '—'
  const listed = (texts: readonly string[]) =>
    texts.length === 0
      ? '—'
      : texts.length > LISTED
        ? `${texts.slice(0, LISTED).join(', ')} …`
        : texts.join(', ')
  if (typeof ref === 'string') return one(ref)
  if (isList(ref)) return listed(ref.map(one))
  return 'value' in ref
    ? shown(ref.value, ref.unit, units, currency)
    : listed(ref.values.map((v) => shown(v, ref.unit, units, currency)))
}

/** What stands behind the names of a rule's formula, for one figure. */
export const namesOf =
  (
    by: Rule,
    figure: Figure,
    figures: Readonly<Record<string, Figure>>,
    firmValues: FirmValues,
    reader: Reader,
  ): Named =>
  (name) => {
    const ref = figure.inputs[name]
    if (ref !== undefined) return inputText(ref, figures, reader)
    const value = by.values[name]
    return value
      ? shown(valueInForce(value, firmValues), value.unit, reader.units, reader.currency)
      : null
  }

/** A rule's formula with its names. */
export const namedFormula = (by: Rule): string =>
  formulaText(by.formula, (name) => (name in by.inputs || name in by.values ? spaced(name) : null))
