import type { OwnGrass } from '../entities/grass.ts'
import { GRASSES, type Grass, type GrassTable } from '../reference/grasses.ts'
import { laidOver } from '../reference/grassTraits.ts'

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

function changed(from: Grass, c: OwnGrass): Grass {
  const own = c.id !== from.id
  const traits = laidOver(from, c)
  const slower = c.daysHigh !== null && from.days ? c.daysHigh / from.days[1] : 1
  return {
    ...from,
    ...traits,
    id: c.id,
    of: own ? (from.of ?? from.id) : from.of,
    name: c.name || (own ? `${from.name}, yours` : from.name),
    short: c.short || (own ? c.name || c.id : from.short),
    thermal: from.thermal && { ...from.thermal, theta: from.thermal.theta * slower },
    sunGood: Math.max(traits.sunGood, traits.sunLeast),
    matchesHybrid: c.matchesHybrid ?? from.matchesHybrid,
    // Some cultivars of a bunch grass do spread.
    spreads: c.creeps === null ? from.spreads : c.creeps > 0,
  }
}
