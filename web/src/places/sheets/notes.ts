import type { InjectionKey, Ref } from 'vue'
import type { JobPlan } from '@juvena/core/plan/jobPlan'

/** The number of each printed figure's working. */
export const NOTES: InjectionKey<Ref<Map<string, number>>> = Symbol('notes')

/**
 * Every figure the crew's sheet prints, in the order they meet the eye, and those that decide the
 * days.
 */
export function printedFigures(plan: JobPlan): string[] {
  const ids: (string | null | undefined)[] = [plan.totalArea]
  for (const z of plan.zones) ids.push(z.area)
  for (const s of plan.packages) ids.push(s.cutOff.id)
  for (const f of plan.follow.packages)
    ids.push(f.handOver?.id, f.mowBand?.id, f.seedlingsMown?.id, f.presentable?.id)
  for (const step of plan.steps) ids.push(step.day.id, step.hours.id)
  for (const line of plan.materials)
    ids.push(...Object.values(line.cells), line.total, ...line.also)
  for (const z of plan.zones) if (z.seed) ids.push(z.seed.half.id, z.seed.bulk.id)
  if (plan.feed) ids.push(plan.feed.rate)
  const water = plan.follow.water
  if (water) {
    ids.push(
      water.dose.id,
      water.daily.id,
      water.tapMinutes?.id,
      'job.water.growing',
      'job.water.settled',
    )
    for (const z of water.zones)
      ids.push(z.sprinkler?.minutes.id, z.litres.id, z.growing.id, z.settled.id)
  }
  return [...new Set(ids.filter((id): id is string => !!id && id in plan.figures))]
}
