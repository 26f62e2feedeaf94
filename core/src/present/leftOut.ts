import type { Rung } from '../plan/jobPlan.ts'

/** What is asked for and not planned; what is only offered does not count. */
export const leftOut = (rungs: readonly Rung[]): Rung[] =>
  rungs.filter((r) => !r.planned && r.asks.some((a) => a.strength !== 'may'))
