import { showDay } from '../calendar/day.ts'
import type { UnitSystem } from '../quantities/quantity.ts'
import { show, showNumber, shown } from '../quantities/show.ts'
import { twin, type Dialect } from '../reference/words.ts'
import type { Message, Part } from '../trace/message.ts'

/** How a reader has things shown. */
export interface Reader {
  units: UnitSystem
  dialect: Dialect
}

/** A message in the reader's units and the firm's own trade words. What a person typed passes through untouched. */
export function render(message: Message, reader: Reader): string {
  const [template, parts] = typeof message === 'string' ? [message, {} as Record<string, Part>] : [message.template, message.parts]
  return template.replace(/\{(\w+)\}/g, (mark, name: string) =>
    Object.hasOwn(parts, name) ? renderPart(parts[name]!, reader) : (twin(name, reader.dialect) ?? mark),
  )
}

function renderPart(part: Part, reader: Reader): string {
  if (typeof part === 'string') return part
  if (typeof part === 'number') return showNumber(part)
  if (Array.isArray(part)) return part.map((m: Message) => render(m, reader)).join(', ')
  if ('day' in part) return showDay(part.day, part.year)
  if ('template' in part) return render(part, reader)
  if ('value' in part) {
    if (typeof part.value !== 'object') return shown(part.value, part.unit, reader.units)
    // Inside a sentence a range is written without spaces: 10–15 mm.
    const [low, high] = [show(part.value.low, part.unit, reader.units), show(part.value.high, part.unit, reader.units)]
    return `${low.number === high.number ? '' : `${low.number}–`}${high.number}${high.unit ? ` ${high.unit}` : ''}`
  }
  return ''
}
