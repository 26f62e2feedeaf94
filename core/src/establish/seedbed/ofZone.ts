import { WANTED_FROM } from '../../climate/sowingLines.ts'
import type { Job } from '../../entities/job.ts'
import type { WaterPlan } from '../../plan/follow.ts'
import type { ZonePlan } from '../../plan/prescription.ts'
import { intake } from '../../reference/materialValues.ts'
import { num } from '../../trace/figure.ts'
import type { Trace } from '../../trace/trace.ts'
import { livingSward } from '../../work/sowing.ts'
import { plans } from '../../work/workTypes.ts'
import { slopeIntake, splitValues } from '../waterRules.ts'
import type { SeedbedGround } from './seedbed.ts'
import { soilWater } from './seedbedValues.ts'

/** From so deep on seed is worked in below the uppermost layer, mm. */
const DEEPER = 5

/** Whether a cover goes over the seed of a zone. */
export const isCovered = ({ work }: ZonePlan, job: Job): boolean =>
  plans(work, 'cover') && job.cover !== 'none'

/** The ground of a zone as its seedbed has it. */
export function groundOf(z: ZonePlan, job: Job, trace: Trace): SeedbedGround {
  const texture = z.r.zone.texture ?? 'loam'
  const slope = slopeIntake(num(z.r.slope))
  // Fine seed lies in the uppermost millimetres, worked in or not.
  const shallow = (z.seed?.mix ?? []).some((m) => m.share >= WANTED_FROM && trace.grass(m.grass).depth < DEEPER) // prettier-ignore
  return {
    water: soilWater(texture, (v) => trace.value(v)),
    intake: trace.value(intake[texture]) * slope,
    stores: trace.value(splitValues.stores) * slope,
    mulch: isCovered(z, job) ? 1 : 0,
    sward: livingSward(z.work.sowing) && z.r.wanted ? num(z.r.wanted) / 100 : 0,
    onSurface: !plans(z.work, 'work-in') || shallow,
  }
}

/**
 * Rate of a zone's water, what reaches where least falls, and the most of a day. `allowed`: hours a
 * day.
 */
export function reachOf(
  water: WaterPlan,
  zone: string,
  allowed: number | null,
): { rate: number; reaches: number; most: number } {
  const minutes = water.tapMinutes ? num(water.tapMinutes) / Math.max(1, water.times.length) : 0
  /** mm a day that the tap carries in the time allowed. */
  const most =
    allowed !== null && minutes > 0 ? (allowed * 60) / (minutes / num(water.dose)) : Infinity
  const sprinkler = water.zones.find((w) => w.zone === zone)?.sprinkler
  if (!sprinkler) return { rate: BY_CAN, reaches: 1, most }
  const rate = num(sprinkler.precipitation)
  const uniformity = num(sprinkler.uniformity)
  const mean = (rate * num(sprinkler.minutes)) / 60
  return { rate, reaches: (mean * uniformity) / num(water.dose), most }
}
/** A can or a hose with a rose lays water down in a moment, mm/h. */
const BY_CAN = 60
