import type { Day } from '../calendar/day.ts'
import type { DiaryEntry } from '../entities/diary.ts'
import type { Firm } from '../entities/firm.ts'
import type { Job } from '../entities/job.ts'
import type { Workforce } from '../firm/firmSettings.ts'
import type { StepRef } from '../plan/order.ts'
import type { Prescription } from '../plan/prescription.ts'
import type { Schools } from '../reference/schools.ts'
import type { Trace } from '../trace/trace.ts'
import type { WaitingPeriods } from '../work/waitingPeriods.ts'

export interface OrderBrief {
  job: Job
  /** When the law allows no nitrogen. */
  bans: Firm['nitrogenBans']
  schools: Schools
  diary: readonly DiaryEntry[]
  prescription: Prescription
  waits: WaitingPeriods
  today: Day
  workforce: Workforce
  /** The kinds that follow the seed, so that their pins and ticks are known too. */
  later: readonly StepRef[]
  trace: Trace
}
