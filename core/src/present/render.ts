import type { Currency } from '../quantities/money.ts'
import { showDay } from '../calendar/day.ts'
import type { UnitSystem } from '../quantities/quantity.ts'
import { acrossYears, forHand, show, showNumber } from '../quantities/show.ts'
import { twin, type Dialect } from '../reference/words.ts'
import type { Message, Part } from '../rules/message.ts'

/** How a reader has things shown. */
export interface Reader {
  units: UnitSystem
  dialect: Dialect
  /** The firm's money; without sign where it is not told. */
  currency?: Currency
  /** Three figures, as the working shows them, instead of what a hand can do. */
  exact?: boolean
}

/**
 * A message in the reader's units and the firm's own trade words. What a person typed passes
 * through untouched.
 */
export function render(message: Message, reader: Reader): string {
  const [template, parts] =
    typeof message === 'string'
      ? [message, {} as Record<string, Part>]
      : [message.template, message.parts]
  return template.replace(/\{(\w+)\}/g, (mark, name: string) =>
    Object.hasOwn(parts, name)
      ? renderPart(parts[name]!, reader)
      : (twin(name, reader.dialect) ?? mark),
  )
}

function renderPart(part: Part, reader: Reader): string {
  if (typeof part === 'string') return part
  if (typeof part === 'number') return showNumber(part)
  if (Array.isArray(part)) return part.map((m: Message) => render(m, reader)).join(', ')
  if ('day' in part) return showDay(part.day, part.year)
  if ('template' in part) return render(part, reader)
  if ('value' in part) {
    const look = reader.exact ? show : forHand
    if (typeof part.value !== 'object') {
      const { number, unit } = look(part.value, part.unit, reader.units, reader.currency)
      return unit ? `${number} ${unit}` : number
    }
    const years = acrossYears(part.value, part.unit)
    if (years) return years.join('–')
    // Inside a sentence a range is written without spaces: 10–15 mm.
    const [low, high] = [
      look(part.value.low, part.unit, reader.units, reader.currency),
      look(part.value.high, part.unit, reader.units, reader.currency),
    ]
    return `${low.number === high.number ? '' : `${low.number}–`}${high.number}${high.unit ? ` ${high.unit}` : ''}`
  }
  return ''
}
