import type { Job } from './entities/job.ts'
import { schoolsOf } from './firm/schoolsOf.ts'
import { workforceOf } from './firm/firmSettings.ts'
import type { Context } from './plan/context.ts'
import { jobAsPlanned } from './prescribe/jobAsPlanned.ts'
import { prescribe } from './prescribe/prescribe.ts'
import { recountsOf } from './schedule/recounts.ts'
import { sownDays } from './schedule/sownDays.ts'
import { Memo } from './trace/memo.ts'
import { waitingPeriods } from './work/waitingPeriods.ts'

/**
 * What the ground of a job asks for, with all it is worked from: the first part of a plan, and of
 * whatever is worked beside one.
 */
export function prescribed(
  entered: Job,
  { today, firm, diary, station = null, recent = [], stock = [], memo = new Memo() }: Context,
) {
  const { job, shelf, notices, trace } = jobAsPlanned(entered, { firm, stock, today, diary })
  const schools = schoolsOf(job, firm)
  const workforce = workforceOf(firm, trace)
  const waits = waitingPeriods(job, today, trace)
  const prescription = prescribe({
    job,
    firm,
    schools,
    today,
    waits,
    station,
    recent,
    shelf,
    recounts: recountsOf(diary),
    sown: sownDays(diary),
    memo,
    trace,
  })
  return { job, notices, trace, schools, workforce, waits, prescription }
}
