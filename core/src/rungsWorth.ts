import { blankOperation, type Job } from './entities/job.ts'
import { planJob } from './pipeline.ts'
import type { Context } from './plan/context.ts'
import type { JobPlan } from './plan/jobPlan.ts'
import { OPERATIONS, type StepKind } from './reference/operations.ts'
import { num } from './trace/figure.ts'
import { Memo } from './trace/memo.ts'
import { zoneOf } from './trace/scope.ts'

/** What one rung of a zone adds: with it less without it. */
export interface RungWorth {
  operation: StepKind
  /** To the price of the job, in thousandths; null where nobody entered prices. */
  price: number | null
  /** To the years in a hundred in which the sowing takes; null where nothing is sown, or it fits only one of the two. */
  odds: number | null
}

/** Years in a hundred in which what is sown on a zone takes; null where nothing is. */
function oddsOf(plan: JobPlan, zone: string): number | null {
  const own = plan.packages.filter((p) => p.plants && p.zones.some((z) => zoneOf(z) === zone))
  const known = own.flatMap((p) => p.choices.filter((c) => c.taken).flatMap((c) => (c.odds ? [num(c.odds)] : []))) // prettier-ignore
  return known.length === 0 ? null : Math.min(...known)
}

/**
 * What each rung of a zone that a person can switch adds to the price of the job and to the odds of
 * its sowing: the whole job planned with it and without it, everything else as it is. One at a time,
 * so that whoever asks can stop.
 */
export function* rungsWorth(job: Job, context: Context, zone: string): Generator<RungWorth> {
  const memo = context.memo ?? new Memo()
  const planned = (draft: Job) => planJob(draft, { ...context, memo })
  const base = planned(job)
  // On the day of the plan: what the rung itself does, not what another day would.
  const sow = base.steps.find((s) => s.kind === 'sow' && s.state !== 'done' && s.zones.some((z) => z === zone)) // prettier-ignore
  const pins = sow ? { ...job.pins, [`sow/${zone}`]: sow.chosen } : job.pins
  const priceOf = (plan: JobPlan) => plan.money?.price.money ?? null
  for (const { operation, planned: on, barred, asks } of base.zones.find((z) => z.id === zone)
    ?.rungs ?? []) {
    if (barred || OPERATIONS[operation].along || (!on && asks.length === 0)) continue
    const zones = job.zones.map((z) =>
      z.id === zone
        ? { ...z, operations: { ...z.operations, [operation]: { ...blankOperation, ...z.operations[operation], on: !on } } } // prettier-ignore
        : z,
    )
    const other = planned({ ...job, zones, pins })
    const differ = (a: number | null, b: number | null) =>
      a === null || b === null ? null : (on ? 1 : -1) * (a - b)
    yield {
      operation,
      price: differ(priceOf(base), priceOf(other)),
      odds: differ(oddsOf(base, zone), oddsOf(other, zone)),
    }
  }
}
