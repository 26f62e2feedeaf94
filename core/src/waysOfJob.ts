import { waysOf, type Way } from './approach/ways.ts'
import type { Job } from './entities/job.ts'
import { jobAsPlanned } from './prescribe/jobAsPlanned.ts'
import { schoolsOf } from './firm/schoolsOf.ts'
import type { Context } from './plan/context.ts'
import { prescribe } from './prescribe/prescribe.ts'
import { planDressing, type DressingPlan } from './materials/dressing.ts'
import { hoursOnZone } from './schedule/zoneHours.ts'
import type { ZoneWork } from './work/workTypes.ts'
import type { Trace } from './trace/trace.ts'
import { recountsOf } from './schedule/recounts.ts'
import { workforceOf } from './firm/firmSettings.ts'
import { waitingPeriods } from './work/waitingPeriods.ts'
import { Memo } from './trace/memo.ts'

/**
 * Ready-made ways for every zone, by its id, worked beside the plan: what each would take and leave
 * undone.
 */
export function waysOfJob(
  entered: Job,
  { today, firm, diary, station = null, recent = [], stock = [], memo = new Memo() }: Context,
): Record<string, Way[]> {
  const { job, shelf, trace } = jobAsPlanned(entered, { firm, stock, today, diary })
  const schools = schoolsOf(job, firm)
  const { people } = workforceOf(firm, trace)
  const { zones } = prescribe({
    job,
    firm,
    schools,
    today,
    waits: waitingPeriods(job, today, trace),
    station,
    recent,
    shelf,
    recounts: recountsOf(diary),
    memo,
    trace,
  })
  const soils = new Map<ZoneWork, DressingPlan | null>()
  const soilOf = (work: ZoneWork, own: Trace): DressingPlan | null => {
    const known = soils.get(work)
    if (known !== undefined) return known
    const soil = planDressing({ job, firm, schools, works: [work], trace: own })
    soils.set(work, soil)
    return soil
  }
  return Object.fromEntries(
    zones.map(({ r, season, findings, approach }) => [
      r.id,
      waysOf({
        r,
        season,
        findings,
        job,
        schools,
        suggested: approach.suggested,
        chosen: approach.chosen,
        firmValues: firm.values,
        people,
        hoursOf: (work, operation, own) =>
          hoursOnZone(work.r.id, operation, soilOf(work, own), 1, own),
      }),
    ]),
  )
}
