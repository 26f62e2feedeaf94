import { parseQuantity, type Kind, type UnitSystem } from '../quantities/quantity.ts'
import { fromShown, shown, type Unit } from '../quantities/show.ts'
import type { TradeValue } from '../rules/rule.ts'

/** The kind of quantity a unit is typed as, and how many of it one of that kind's own is. */
const KIND_OF: Partial<Record<Unit, readonly [Kind, number]>> = {
  m2: ['area', 1],
  m: ['length', 1],
  mm: ['depth', 1],
  m3: ['volume', 1],
  L: ['volume', 1000],
  kg: ['mass', 1],
  'g/m2': ['rate', 1],
  C: ['temperature', 1],
  'L/min': ['flow', 1],
  'mm/h': ['precipitation', 1],
  kPa: ['pressure', 1],
  '%': ['percent', 1],
  h: ['hours', 1],
  d: ['days', 1],
  slope: ['slope', 1],
}

export type FirmValueRead = { ok: true; value: number } | { ok: false; sentence: string }

/**
 * A number of the trade as a firm types it, with a unit or without, held against the range in which
 * the rules still hold.
 */
export function readFirmValue(of: TradeValue, typed: string, system: UnitSystem): FirmValueRead {
  const kind = KIND_OF[of.unit]
  const parsed = kind ? parseQuantity(typed, kind[0], system) : plainNumber(typed, of.unit, system)
  if (!parsed.ok) return parsed
  const value = kind ? parsed.value * kind[1] : parsed.value
  const [low, high] = of.range
  if (value >= low && value <= high) return { ok: true, value }
  const say = (x: number) => shown(x, of.unit, system) || String(x)
  return {
    ok: false,
    sentence: `${say(value)} is outside ${say(low)} to ${say(high)}, where this rule still holds. Set a number between them.`,
  }
}

function plainNumber(typed: string, unit: Unit, system: UnitSystem): FirmValueRead {
  const number = Number(typed.trim().replace(',', ''))
  if (typed.trim() === '' || !Number.isFinite(number))
    return {
      ok: false,
      sentence: `“${typed.slice(0, 40)}” is not a number. Write it like ${shown(1, unit, system)}.`,
    }
  return { ok: true, value: fromShown(number, unit, system) }
}
