import type { Firm } from '@juvena/core/entities/firm'
import { dueSoon, ordersOfAll } from '@juvena/core/money/ordersOfAll'
import { ordersWantedOfAll, type OfAllJobs } from '../store/overAllJobs.ts'

export interface OrdersAsk {
  folder: string
  firm: Firm
  today: string
  /** The jobs to order for; null for those that want something soon. */
  jobs: readonly string[] | null
}

/** What some jobs still have to order, bought once; and every job that has something to order, chosen or not. */
export function ordersOfJobs({ folder, firm, today, jobs }: OrdersAsk): OfAllJobs {
  const { wanted, damaged } = ordersWantedOfAll(folder)
  const names = new Map(wanted.map((w) => [w.job, w.name]))
  const chosen = jobs ?? dueSoon(wanted, today)
  return {
    text: JSON.stringify({
      orders: ordersOfAll(
        wanted.filter((w) => chosen.includes(w.job)),
        firm,
        today,
      ),
      jobs: [...names].map(([id, name]) => ({ id, name, chosen: chosen.includes(id) })),
    }),
    damaged,
  }
}
