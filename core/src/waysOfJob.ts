import { waysOf, type Way } from './approach/ways.ts'
import type { Job } from './entities/job.ts'
import type { Context } from './plan/context.ts'
import { prescribed } from './prescribed.ts'
import { planDressing, type DressingPlan } from './materials/dressing.ts'
import { hoursOnZone } from './schedule/zoneHours.ts'
import type { ZoneWork } from './work/workTypes.ts'
import type { Trace } from './trace/trace.ts'

/**
 * Ready-made ways for every zone, by its id, worked beside the plan: what each would take and leave
 * undone.
 */
export function waysOfJob(entered: Job, context: Context): Record<string, Way[]> {
  const { firm } = context
  const { job, schools, workforce, prescription } = prescribed(entered, context)
  const dayHours = workforce.people * workforce.hoursPerDay
  const { zones } = prescription
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
        dayHours,
        hoursOf: (work, operation, own) =>
          hoursOnZone(work.r.id, operation, soilOf(work, own), 1, own),
      }),
    ]),
  )
}
