import type { Day } from '../calendar/day.ts'
import type { GrassId, GrassTable } from '../reference/grasses.ts'
import type { StockLot } from './lotsOfJob.ts'
import { lotName, lotWorth, type LotValues } from './lotWorth.ts'

/** A lot as the choice of a mix sees it: what it holds, what it is worth, what it costs. */
export interface BagOnShelf {
  /** The lot. */
  id: string
  number: string
  /** Its grasses by their share of the seed in it, %; they make 100. */
  parts: { grass: GrassId; share: number; matchesHybrid: boolean }[]
  /** The price of a kilogram; 0 where not known. */
  cost: number
}

/** Lots that may be sown and of which there is some left. */
export function seedOnShelf(
  stock: readonly StockLot[],
  grasses: GrassTable,
  today: Day,
  values: LotValues,
): BagOnShelf[] {
  return stock.flatMap(({ id, lot, shelf }): BagOnShelf[] => {
    const worth = lotWorth(lot, grasses, today, values)
    const known = worth.parts.filter((p) => p.grass in grasses)
    const pure = known.reduce((sum, p) => sum + p.pure, 0)
    if (
      worth.verdict === 'do not use' ||
      shelf.held <= 0 ||
      known.length < worth.parts.length ||
      pure <= 0
    )
      return []
    return [
      {
        id,
        number: lotName(lot),
        parts: known.map((p) => ({
          grass: p.grass,
          share: (100 * p.pure) / pure,
          matchesHybrid: lot.parts.some((l) => l.grass === p.grass && l.matchesHybrid === true),
        })),
        cost: lot.price !== null && lot.bag ? lot.price / lot.bag : 0,
      },
    ]
  })
}
