import { waysOf, type Way } from './approach/ways.ts'
import type { Job } from './entities/job.ts'
import { schoolsOf, type Context } from './pipeline.ts'
import { prescribe } from './prescribe.ts'
import { grassTable } from './reference/firmGrasses.ts'
import { workforceOf } from './reference/firmSettings.ts'
import { onlyKnownGrasses } from './seed/knownGrasses.ts'
import { waitingPeriods } from './schedule/waitingPeriods.ts'
import { Memo } from './trace/memo.ts'
import { Trace } from './trace/trace.ts'

/** Ready-made ways for every zone, by its id, worked beside the plan: what each would take and leave undone. */
export function waysOfJob(entered: Job, { today, firm, station = null, recent = [], memo = new Memo() }: Context): Record<string, Way[]> {
  const grasses = grassTable(firm.grasses)
  const trace = new Trace(firm.values, grasses)
  const { job } = onlyKnownGrasses(entered, grasses)
  const schools = schoolsOf(job, firm)
  const { people } = workforceOf(firm, trace)
  const { zones } = prescribe({ job, firm, schools, today, waits: waitingPeriods(job, today, trace), station, recent, memo, trace })
  return Object.fromEntries(
    zones.map(({ r, season, findings, approach }) => [
      r.id,
      waysOf({ r, season, findings, job, schools, suggested: approach.suggested, chosen: approach.chosen, firmValues: firm.values, people }),
    ]),
  )
}
