import type { WeatherAtSite } from '@juvena/core/climate/weatherOn'
import type { DiaryEntry } from '@juvena/core/entities/diary'
import type { Firm } from '@juvena/core/entities/firm'
import { readJob } from '@juvena/core/entities/job'
import { planJob } from '@juvena/core/pipeline'
import type { JobPlan } from '@juvena/core/plan/jobPlan'
import { dayWork, type DayJob } from '@juvena/core/present/dayWork'
import { failedRow, seasonRow, type SeasonRow } from '@juvena/core/present/seasonRow'
import type { StockLot } from '@juvena/core/stock/lotsOfJob'
import { seedWanted, type SeedWanted } from '@juvena/core/present/seedToBuy'
import { grassTable } from '@juvena/core/firm/firmGrasses'
import { observationsOf, type Observation } from '@juvena/core/learning/observations'
import { ordersWanted, type OrderWanted } from '@juvena/core/money/ordersOfAll'
import { machinesWanted, type MachineWanted } from '@juvena/core/money/machinesOfAll'
import { Memo } from '@juvena/core/trace/memo'

/**
 * A job to plan, and what its plan is worked from. The diary is as stored: every entry was checked
 * when it was kept.
 */
export interface PlanAsk {
  jobId: string
  name: string
  /** The draft as stored. */
  draft: string
  diary: DiaryEntry[]
  today: string
  firm: Firm
  stock: readonly StockLot[]
  weather: WeatherAtSite
}
/** What the season keeps of a job's plan. */
export interface PlannedJob {
  row: SeasonRow
  /** Its work day by day; null where it could not be planned. */
  work: DayJob | null
  /** The seed it still has to sow. */
  seed: SeedWanted[]
  /** What it still has to order. */
  orders: OrderWanted[]
  /** The firm’s machines it still wants, day by day. */
  machines: MachineWanted[]
  /** What its diary says of the firm’s own numbers. */
  observed: Observation[]
  /** Ids of the rules its plan goes by. */
  rules: string[]
  /** Whether it sows from the shelf, and so hangs on what lies there. */
  fromShelf: boolean
}

/** Pieces of work kept between jobs: those of one place share its year. */
const memo = new Memo(64)

function planOf({
  draft,
  weather,
  ...context
}: PlanAsk): { plan: JobPlan; planned: () => PlannedJob } | null {
  const { job } = readJob(JSON.parse(draft))
  if (!job) return null
  const plan = planJob(job, { ...context, ...weather, memo })
  return {
    plan,
    planned: () => ({
      row: seasonRow(context.jobId, job, plan),
      work: dayWork(context.jobId, job, plan, context.diary),
      seed: seedWanted(context.jobId, job.name, plan),
      orders: ordersWanted(context.jobId, job.name, plan),
      machines: machinesWanted(context.jobId, job, plan, context.firm),
      observed: observationsOf(plan, context.diary, grassTable(context.firm.grasses)),
      rules: [...new Set(Object.values(plan.figures).map((f) => f.rule))],
      fromShelf: job.lots.some((l) => l.stock !== ''),
    }),
  }
}

/** The row of a job that could not be planned, and why. */
export const failedPlan = (jobId: string, name: string, why?: string): PlannedJob => ({
  row: failedRow(jobId, name, why),
  work: null,
  seed: [],
  orders: [],
  machines: [],
  observed: [],
  rules: [],
  fromShelf: false,
})

/** Plans a job for the season, in a thread of its own. */
export const row = (ask: PlanAsk): PlannedJob =>
  planOf(ask)?.planned() ?? failedPlan(ask.jobId, ask.name)
/** The whole plan of a job; null where its draft is no job. */
export const plan = (ask: PlanAsk): JobPlan | null => planOf(ask)?.plan ?? null
