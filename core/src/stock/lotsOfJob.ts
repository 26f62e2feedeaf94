import type { Job } from '../entities/job.ts'
import type { SeedLot } from '../entities/stock.ts'
import type { Day } from '../calendar/day.ts'
import type { GrassTable } from '../reference/grasses.ts'
import type { Notice } from '../trace/figure.ts'
import { say } from '../rules/message.ts'
import { figureId, lotScope } from '../trace/scope.ts'
import type { Trace } from '../trace/trace.ts'
import { lotName, lotValues, lotWorth } from './lotWorth.ts'
import type { OnShelf } from './shelf.ts'

/** A lot of the firm's, and what is left of it. */
export interface StockLot {
  id: string
  lot: SeedLot
  shelf: OnShelf
}

/**
 * A job's lots with those that come from the shelf as they stand there today: purity and
 * germination of the label, an old label taken for less, a paper test before both. What speaks
 * against a lot is said.
 */
export function lotsOfJob(
  job: Job,
  stock: readonly StockLot[],
  grasses: GrassTable,
  today: Day,
  trace: Trace,
): { job: Job; notices: Notice[] } {
  if (job.lots.every((l) => l.stock === '')) return { job, notices: [] }
  const byId = new Map(stock.map((s) => [s.id, s]))
  const values = trace.values(lotValues)
  const notices: Notice[] = []
  const lots = job.lots.map((own) => {
    if (own.stock === '') return own
    const about = { id: figureId(lotScope(own.id), 'shelf'), stage: 4 } as const
    const found = byId.get(own.stock)
    const worth = found && lotWorth(found.lot, grasses, today, values)
    const part = worth?.parts.find((p) => p.grass === own.grass)
    if (!found || !worth || !part) {
      notices.push({
        ...about,
        level: 'warn',
        title: say`Lot ${own.name || own.stock} is not on the shelf.`,
        says: 'A usual bag is taken in its place. Choose another lot under Seed.',
      })
      return own
    }
    const number = lotName(found.lot)
    if (worth.verdict === 'do not use')
      notices.push({
        ...about,
        level: 'hold',
        title: say`Do not sow lot ${number}.`,
        says: say`${worth.why} Choose another lot.`,
      })
    return {
      ...own,
      name: number,
      purity: part.pure,
      germination: Math.max(1, part.germination),
      amount: own.amount ?? null,
    }
  })
  return { job: { ...job, lots }, notices }
}

/**
 * More wanted of a lot than is free on the shelf: said, with how much. `wanted` is kg by lot of the
 * job.
 */
export function shortOnShelf(
  job: Job,
  jobId: string | null,
  stock: readonly StockLot[],
  wanted: ReadonlyMap<string, number>,
): Notice[] {
  const byId = new Map(stock.map((s) => [s.id, s]))
  return job.lots.flatMap((own): Notice[] => {
    const found = byId.get(own.stock)
    const need = wanted.get(own.id) ?? 0
    if (!found || need <= 0) return []
    const mine =
      jobId === null ? 0 : (found.shelf.forJobs[jobId] ?? 0) + usedFor(found.shelf, jobId)
    const there = Math.max(0, found.shelf.free) + mine
    if (need <= there + 1e-9) return []
    const number = lotName(found.lot)
    return [
      {
        id: figureId(lotScope(own.id), 'short'),
        stage: 5,
        level: 'warn',
        title: say`Lot ${number} does not reach.`,
        says: say`${{ value: need, unit: 'kg' as const }} is wanted and ${{ value: there, unit: 'kg' as const }} is free on the shelf. Buy the rest, or take a second lot.`,
      },
    ]
  })
}

const usedFor = (shelf: OnShelf, jobId: string): number =>
  Object.entries(shelf.usedIn).reduce(
    (sum, [place, kg]) => sum + (place.startsWith(`${jobId}/`) ? kg : 0),
    0,
  )
