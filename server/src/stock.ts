import { seedLotSchema } from '@juvena/core/entities/stock'
import type { StockLot } from '@juvena/core/stock/lotsOfJob'
import { shelfOf, type OnShelf } from '@juvena/core/stock/shelf'
import type { StockStore, StoredLot } from './store/stockStore.ts'

/** A lot as stored, with what is left of it. */
export type ShownLot = StoredLot & { shelf: OnShelf }

/** The firm's lots with their shelves, worked again only when a lot or a movement changed. */
export function stockOnShelf(store: StockStore) {
  let last: { version: string; lots: ShownLot[] } | null = null
  const shown = async (): Promise<{ version: string; lots: ShownLot[] }> => {
    const version = await store.version()
    if (last?.version === version) return last
    const [lots, movements] = await Promise.all([store.list(), store.movements()])
    last = {
      version,
      lots: lots.map((lot) => ({ ...lot, shelf: shelfOf(movements.get(lot.id) ?? []) })),
    }
    return last
  }
  return {
    shown,
    /** What plans go by: every lot whose label can be read. */
    async forPlans(): Promise<{ version: string; stock: StockLot[] }> {
      const { version, lots } = await shown()
      const stock = lots.flatMap(({ id, draft, shelf }) => {
        const read = seedLotSchema.safeParse(draft)
        return read.success ? [{ id, lot: read.data, shelf }] : []
      })
      return { version, stock }
    },
  }
}
export type Stock = ReturnType<typeof stockOnShelf>
