import type { Day } from '../calendar/day.ts'
import type { FigureValue, Unit } from '../quantities/show.ts'

/** A value that is put into the reader's units when the message is shown. */
export interface Quantity {
  value: FigureValue
  unit: Unit
}
export type Part =
  string | number | Quantity | { day: Day; year?: boolean } | Message | readonly Message[]

/**
 * A sentence not yet in anyone's units or dialect: `{name}` in the template is a part of that name,
 * or else one of the trade's twin words ({scarify}). A plain string is a template without parts.
 * What a person typed only ever travels as a part, so it is never searched for quantities or words.
 */
export type Message = string | { template: string; parts: Record<string, Part> }

type Given = Part | { value: FigureValue; unit: Unit }

/**
 * Tag for a message: say`${quantity(6, 'mm')} on ${zone.name}`. A figure may stand where a quantity
 * does.
 */
export function say(strings: TemplateStringsArray, ...given: Given[]): Message {
  const parts: Record<string, Part> = {}
  for (let i = 0; i < given.length; i++) {
    const part = given[i]!
    parts[i] =
      typeof part === 'object' && 'unit' in part ? { value: part.value, unit: part.unit } : part
  }
  let template = TEMPLATES.get(strings)
  if (template === undefined)
    TEMPLATES.set(
      strings,
      (template = strings.reduce((text, piece, i) => `${text}{${i - 1}}${piece}`)),
    )
  return { template, parts }
}
const TEMPLATES = new WeakMap<TemplateStringsArray, string>()

export const quantity = (value: FigureValue, unit: Unit): Quantity => ({ value, unit })
export const onDay = (day: Day, year = false): Part => ({ day, year })
/** A text a person typed, or a name out of a table, as a message of its own. */
export const verbatim = (text: string): Message => ({ template: '{0}', parts: { 0: text } })
export const isEmpty = (message: Message): boolean =>
  (typeof message === 'string' ? message : message.template) === ''
/**
 * A text of Juvena's own whose marked words ({scarify}) are the firm's, so that it may stand as a
 * part of another message.
 */
export const words = (template: string): Message => ({ template, parts: {} })
/** Messages one after another, with something between. Empty ones are left out. */
export function joined(
  messages: readonly (Message | null | false | undefined | '')[],
  between = ' ',
): Message {
  const kept = messages.filter((m): m is Message => !!m && !isEmpty(m))
  return {
    template: kept.map((_, i) => `{${i}}`).join(between),
    parts: Object.fromEntries(kept.map((m, i) => [i, typeof m === 'string' ? words(m) : m])),
  }
}

/** Names that a sentence lists one by one; of more it says “the others”. */
export const MOST_NAMED = 8
