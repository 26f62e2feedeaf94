import type { OwnGrass } from '../entities/grass.ts'
import { GRASSES, type Grass, type GrassTable, type Range } from '../reference/grasses.ts'

const TABLES = new WeakMap<readonly OwnGrass[], GrassTable>()

/**
 * The table of grasses with the firm's changes laid over it and its own grasses added. Juvena's own
 * row stays in `GRASSES`. The same list gives the same table.
 */
export function grassTable(own: readonly OwnGrass[]): GrassTable {
  if (own.length === 0) return GRASSES
  let table = TABLES.get(own)
  if (!table) {
    const made: Record<string, Grass> = { ...GRASSES }
    // A grass may take its traits from one of the firm's own that stands before it.
    for (const change of own) {
      const from = made[change.from]
      if (from) made[change.id] = changed(from, change)
    }
    TABLES.set(own, (table = made))
  }
  return table
}

const range = (low: number | null, high: number | null, of: Range | null): Range | null => {
  if (!of && (low === null || high === null)) return null
  const [a, b] = [low ?? of![0], high ?? of![1]]
  return a <= b ? [a, b] : [b, a]
}

function changed(from: Grass, c: OwnGrass): Grass {
  const own = c.id !== from.id
  const theta =
    from.thermal && c.daysHigh !== null && from.days
      ? (from.thermal.theta * c.daysHigh) / from.days[1]
      : from.thermal?.theta
  return {
    ...from,
    id: c.id,
    of: own ? (from.of ?? from.id) : from.of,
    name: c.name || (own ? `${from.name}, yours` : from.name),
    short: c.short || (own ? c.name || c.id : from.short),
    newRate: range(c.newLow, c.newHigh, from.newRate),
    overseedRate: range(c.overLow, c.overHigh, from.overseedRate),
    days: range(c.daysLow, c.daysHigh, from.days),
    thermal: from.thermal && { ...from.thermal, theta: theta! },
    seedsPerGram: c.seedsPerGram ?? from.seedsPerGram,
    soilMin: c.soilMin ?? from.soilMin,
    sunLeast: c.sunLeast ?? from.sunLeast,
    sunGood: Math.max(c.sunGood ?? from.sunGood, c.sunLeast ?? from.sunLeast),
    cut: range(c.cutLow, c.cutHigh, from.cut)!,
    ph: range(c.phLow, c.phHigh, from.ph)!,
    leaf: c.leaf ?? from.leaf,
    creeps: c.creeps ?? from.creeps,
    // Some cultivars of a bunch grass do spread.
    spreads: c.creeps === null ? from.spreads : c.creeps > 0,
    wear: c.wear ?? from.wear,
    drought: c.drought ?? from.drought,
    cold: c.cold ?? from.cold,
    heat: c.heat ?? from.heat,
    wet: c.wet ?? from.wet,
    salt: c.salt ?? from.salt,
    thatch: c.thatch ?? from.thatch,
    colour: c.colour ?? from.colour,
  }
}
