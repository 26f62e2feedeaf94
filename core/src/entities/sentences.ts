import { z } from 'zod'

const KINDS: Record<string, string> = {
  string: 'text',
  number: 'a number',
  int: 'a whole number',
  boolean: 'yes or no',
  array: 'a list',
  object: 'an object with named parts',
  null: 'nothing',
  undefined: 'nothing',
}
const kind = (name: unknown): string => KINDS[String(name)] ?? String(name)
/** What a value is, in words; an object is never asked what it is. */
export const given = (value: unknown): string =>
  value === null || value === undefined
    ? 'nothing'
    : Array.isArray(value)
      ? 'a list'
      : kind(typeof value)
const listed = (values: readonly unknown[]): string =>
  values.slice(0, 12).map(String).join(', ') + (values.length > 12 ? '…' : '')

/** What is said of a value that a schema has no sentence of its own for. */
export const sentenceOf: z.core.$ZodErrorMap = (issue) => {
  switch (issue.code) {
    case 'invalid_type':
      return `This has to be ${kind(issue.expected)}; ${given(issue.input)} was given.`
    case 'invalid_value':
      return `This has to be ${issue.values.length === 1 ? '' : 'one of these: '}${listed(issue.values)}.`
    case 'unrecognized_keys':
      return `${issue.keys.map((k) => `“${k.slice(0, 40)}”`).join(', ')} ${issue.keys.length === 1 ? 'is' : 'are'} not known here.`
    case 'too_big':
      return `This is too much: at most ${String(issue.maximum)}${issue.origin === 'string' ? ' characters' : ''}.`
    case 'too_small':
      return `This is too little: at least ${String(issue.minimum)}${issue.origin === 'string' ? ' characters' : ''}.`
    case 'invalid_format':
      return issue.format === 'date'
        ? 'A day is written like 2027-03-02.'
        : 'This is not written as it has to be.'
    default:
      return 'This could not be understood.'
  }
}
z.config({ customError: sentenceOf })
