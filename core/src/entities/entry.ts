import { given } from './sentences.ts'
import { z } from 'zod'
import { KINDS, parseQuantity, type Kind } from '../quantities/quantity.ts'
import { parseDay, parseMonthDay, type ParsedDay } from '../calendar/day.ts'
import { showNumber } from '../quantities/show.ts'

/**
 * Schemas for what a person enters. The input side is a draft: a number in the core's own unit, or
 * text as typed with its unit ("3/4 in"). The output side is the value in the core's unit, or null
 * where nothing was entered.
 */
interface Bounds {
  min: number
  max: number
  /** What is measured, to begin the sentence: "An area". */
  what: string
  /** Why it stops there, when that is not obvious. */
  because?: string
}

export function quantity(kind: Kind, { min, max, what, because }: Bounds) {
  return z
    .union([z.number(), z.string().max(200)], {
      error: `${what} is a number or a text with a unit, like “${KINDS[kind].example.metric}”.`,
    })
    .nullable()
    .default(null)
    .transform((entered, ctx): number | null => {
      if (entered === null || entered === '') return null
      const { inside, insidePer = 1 } = KINDS[kind]
      // A number is told as a person says it; only money is counted otherwise inside.
      let value = typeof entered === 'number' ? entered * insidePer : entered
      if (typeof value === 'string') {
        const parsed = parseQuantity(value, kind)
        if (!parsed.ok) {
          ctx.addIssue({ code: 'custom', message: parsed.sentence })
          return z.NEVER
        }
        value = parsed.value
      }
      if (!(value >= min * insidePer && value <= max * insidePer)) {
        const n = (x: number) => `${showNumber(x)}${inside ? ` ${inside}` : ''}`
        ctx.addIssue({
          code: 'custom',
          message: `${what} of ${n(value / insidePer)} is outside ${n(min)} to ${n(max)}${because ? `: ${because}` : '.'}`,
        })
        return z.NEVER
      }
      return value
    })
}

const typedDay = (parse: (typed: string) => ParsedDay) =>
  z
    .string()
    .max(60)
    .nullable()
    .default(null)
    .transform((entered, ctx): string | null => {
      if (entered === null || entered.trim() === '') return null
      const parsed = parse(entered)
      if (parsed.ok) return parsed.value
      ctx.addIssue({ code: 'custom', message: parsed.sentence })
      return z.NEVER
    })

/** A date with its year, as an ISO day. */
export const day = typedDay((typed) => parseDay(typed))
/** A day of the year, as "MM-DD". */
export const monthDay = typedDay(parseMonthDay)

/** A product's grade as typed, "16-20-8": % N, % P₂O₅, % K₂O. */
export interface Grade {
  n: number
  p2o5: number
  k2o: number
}

export const grade = z
  .string()
  .max(60)
  .nullable()
  .default(null)
  .transform((entered, ctx): Grade | null => {
    if (entered === null || entered.trim() === '') return null
    const m = /^\s*(\d+(?:\.\d+)?)\s*[-–:]\s*(\d+(?:\.\d+)?)\s*[-–:]\s*(\d+(?:\.\d+)?)\s*$/.exec(
      entered,
    )
    const wrong = (message: string) => {
      ctx.addIssue({ code: 'custom', message })
      return z.NEVER
    }
    if (!m)
      return wrong(
        `“${entered.slice(0, 40)}” is not a grade. Write N-P₂O₅-K₂O from the bag, like 16-20-8.`,
      )
    const [n, p2o5, k2o] = [Number(m[1]), Number(m[2]), Number(m[3])]
    if (n + p2o5 + k2o > 100)
      return wrong(
        `A grade of ${entered} adds up to more than 100 %. Read the bag again, like 16-20-8.`,
      )
    if (n === 0)
      return wrong(
        `A grade of ${entered} holds no nitrogen, so no amount of it feeds a seedbed. Choose a starter with some, like 16-20-8.`,
      )
    return { n, p2o5, k2o }
  })

/** A grade as it is written on the bag; '' while none is typed, null where no feed is meant. */
export const gradeName = z
  .string()
  .max(60)
  .nullable()
  .default(null)
  .transform((entered, ctx): string | null => {
    const read = grade.safeParse(entered)
    if (!read.success) {
      ctx.addIssue({ code: 'custom', message: read.error.issues[0]?.message ?? 'Not a grade.' })
      return z.NEVER
    }
    return read.data ? gradeTextOf(read.data) : entered === null ? null : ''
  })

export const gradeTextOf = ({ n, p2o5, k2o }: Grade): string => `${n}-${p2o5}-${k2o}`

export const text = (max: number) =>
  z.string().max(max, `Too long: up to ${max} characters are kept here.`).default('')

const shown = (value: unknown): string =>
  typeof value === 'object' ? given(value) : `“${String(value).slice(0, 40)}”`

export function oneOf<const T extends readonly [string, ...string[]]>(values: T, what: string) {
  return z.enum(values, {
    error: (issue) => `${shown(issue.input)} is not ${what}. Choose one of: ${values.join(', ')}.`,
  })
}

/** What a bag says to put down, g/m² of product, or what it covers. */
export const bagRate = quantity('rate', {
  min: 1,
  max: 250,
  what: 'The rate on the bag',
  because: 'more buries turf. Is it for another area?',
})
