import { expose } from 'comlink'
import type { Firm } from '@juvena/core/entities/firm'
import type { DiaryEntry } from '@juvena/core/entities/diary'
import { readJob, type JobDraft } from '@juvena/core/entities/job'
import type { Problem } from '@juvena/core/entities/problem'
import { planJob } from '@juvena/core/pipeline'
import type { JobPlan } from '@juvena/core/plan/jobPlan'
import type { StockLot } from '@juvena/core/stock/lotsOfJob'
import { Memo } from '@juvena/core/trace/memo'
import { waysOfJob } from '@juvena/core/waysOfJob'
import type { Way } from '@juvena/core/approach/ways'
import type { WeatherAtSite } from '@juvena/core/climate/weatherOn'
import { rungsWorth, type RungWorth } from '@juvena/core/rungsWorth'
import { jobWays, plannedWays, type JobWay, type PlannedWays } from '@juvena/core/plannedWays'
import type { ApproachId } from '@juvena/core/reference/lists'
import { withChanges, type Changes } from './changes.ts'

export interface Planned {
  plan: JobPlan | null
  problems: Problem[]
}
/** What a plan is worked from beside its draft. */
export interface Setting extends WeatherAtSite {
  today: string
  firm: Firm
  diary: DiaryEntry[]
  /** The firm's seed, and which of its jobs this is. */
  stock: StockLot[]
  jobId: string
}
export interface PlanChanges {
  draft: Changes<JobDraft>
  setting: Changes<Setting>
}

let draft: JobDraft = {}
let setting = {} as Setting
const memo = new Memo()
/** The ready-made ways last asked for, by zone. */
let ways: Record<string, Way[]> = {}

/**
 * Keeps a draft and plans it, off the page's thread. It is told only what changed since the last
 * call; the first call of a page tells everything.
 */
const planner = {
  plan(changes: PlanChanges): Planned {
    draft = withChanges(draft, changes.draft)
    setting = withChanges(setting, changes.setting)
    const { job, problems } = readJob(draft)
    return { plan: job ? planJob(job, { ...setting, memo }) : null, problems }
  },
  /** The ready-made ways for the draft last planned, by zone. */
  ways(): Record<string, Way[]> {
    const { job } = readJob(draft)
    return (ways = job ? waysOfJob(job, { ...setting, memo }) : {})
  },
  /** The ways of one zone last asked for, each planned whole. */
  plannedWays(zone: string, chosen: ApproachId): PlannedWays | null {
    const { job } = readJob(draft)
    if (!job) return null
    return plannedWays(job, { ...setting, memo }, zone, ways[zone] ?? [], chosen)
  },
  /** The ways of the whole job, each planned; `chosen` by zone. */
  jobWays(chosen: Record<string, ApproachId>): JobWay[] {
    const { job } = readJob(draft)
    return job ? jobWays(job, { ...setting, memo }, ways, chosen) : []
  },
  /**
   * What each rung of a zone adds to the price and to the odds. An edit is planned between two of
   * them, and ends it: what it found so far is of a draft that is gone.
   */
  async rungsWorth(zone: string): Promise<RungWorth[]> {
    const mine = draft
    const { job } = readJob(mine)
    const found: RungWorth[] = []
    for (const worth of job ? rungsWorth(job, { ...setting, memo }, zone) : []) {
      found.push(worth)
      await new Promise((go) => setTimeout(go))
      if (draft !== mine) return []
    }
    return found
  },
}
export type Planner = typeof planner
expose(planner)
