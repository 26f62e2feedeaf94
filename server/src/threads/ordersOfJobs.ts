import type { Firm } from '@juvena/core/entities/firm'
import { ordersOfAll } from '@juvena/core/money/ordersOfAll'
import { ordersWantedOfAll } from '../store/overAllJobs.ts'
import type { SeedOfAll } from './seedOfAll.ts'

export interface OrdersAsk {
  folder: string
  firm: Firm
  today: string
  /** The jobs to order for; null for all of them. */
  jobs: readonly string[] | null
}

/** What some jobs still have to order, bought once; and every job that has something to order. */
export function ordersOfJobs({ folder, firm, today, jobs }: OrdersAsk): SeedOfAll {
  const { wanted, damaged } = ordersWantedOfAll(folder)
  const names = new Map(wanted.map((w) => [w.job, w.name]))
  const chosen = jobs === null ? wanted : wanted.filter((w) => jobs.includes(w.job))
  return {
    text: JSON.stringify({
      orders: ordersOfAll(chosen, firm, today),
      jobs: [...names].map(([id, name]) => ({ id, name })),
    }),
    damaged,
  }
}
