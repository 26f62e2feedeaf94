import { addDays, dayNumber, daysBetween, type Day } from './calendar/day.ts'
import { yearDay } from './climate/yearDay.ts'
import { oddsValues } from './climate/sowingOdds.ts'
import { isWatered, type Job } from './entities/job.ts'
import { emergenceValues } from './establish/emergence.ts'
import {
  driestByDay,
  missesOf,
  outcomeOf,
  searchProgrammes,
  type FoundProgramme,
  type Outcome,
  type Tried,
} from './establish/seedbed/programmes.ts'
import { programmeOf, type Programme } from './establish/seedbed/seedbed.ts'
import { groundOf, reachOf } from './establish/seedbed/ofZone.ts'
import { seedbedModel } from './establish/seedbed/seedbedValues.ts'
import { seedbedYears } from './establish/seedbed/years.ts'
import { dayIsWatered, readRestriction } from './establish/restrictions.ts'
import { planJob } from './pipeline.ts'
import type { Context } from './plan/context.ts'
import { prescribed } from './prescribed.ts'
import type { GrassId } from './reference/grasses.ts'
import { num } from './trace/figure.ts'
import { Memo } from './trace/memo.ts'

/** The seedbed of one sowing: what its seed meets with under the plan's water, and under others. */
export interface SeedbedOfPackage {
  workPackage: string
  sown: Day
  /** The zone that dries fastest: what holds there holds elsewhere. */
  zone: string
  /** Its soil is not known: loam is taken. */
  assumed: boolean
  grasses: GrassId[]
  /** Nobody waters. */
  nothing: Outcome
  /**
   * As planned: times, mm of each run, what comes of it with some runs forgotten, and where no run is
   * forgotten; null where nothing can be put on.
   */
  planned: { times: string[]; mm: number; outcome: Outcome; kept: Outcome } | null
  /** The tap cannot carry what is planned in the time allowed: `planned` is what it carries. */
  short: boolean
  /** Whether anybody is sure to water. */
  watered: boolean
  /** The moisture its driest moment leaves the seed, by day, as planned with no run forgotten, or without water. */
  driest: { low: number; usual: number; high: number }[]
  found: FoundProgramme[]
  /** Years in a hundred that are wanted. */
  wanted: number
  /** Runs that are forgotten, %. */
  forgotten: number
  /** Moisture under which seed does not swell, and under which it dries, 0 to 1. */
  lines: { moist: number; dry: number }
}

/** How far the search is, 0 to 1; true ends it. */
export type TellSeedbed = (so: SeedbedOfPackage, done: number) => boolean

/**
 * The seedbed of each sowing of a job that is still to come up, worked beside its plan: slow, so
 * never inside it. Told again and again while it is searched.
 */
export function seedbedOfJob(
  entered: Job,
  context: Context,
  tell: TellSeedbed = () => false,
): SeedbedOfPackage[] {
  const { today, memo = new Memo() } = context
  const plan = planJob(entered, { ...context, memo })
  const { water } = plan.follow
  if (!water) return []
  const { job, trace, prescription } = prescribed(entered, { ...context, memo })
  const values = { ...trace.values(seedbedModel), ...trace.values(emergenceValues) }
  const place = prescription.climate.years.place
  const days = Math.round(trace.value(oddsValues.longest))
  return plan.follow.packages.flatMap((p): SeedbedOfPackage[] => {
    const order = plan.packages.find((o) => o.id === p.workPackage)
    const over = p.handOver ? (p.handOver.value as Day) < today : false
    const grasses = p.up.map((u) => u.grass)
    const zones = prescription.zones.filter((z) => order?.zones.some((id) => id === z.r.id) && z.seed) // prettier-ignore
    if (!p.plants || over || grasses.length === 0 || zones.length === 0) return []
    const years = seedbedYears(place, prescription.climate.latitude, yearDay(dayNumber(p.sown)), days, values.falls) // prettier-ignore
    const thermal = grasses.flatMap((g) => trace.grass(g).thermal ?? [])
    const on = (day: number) => dayIsWatered(water.days, addDays(p.sown, day), day)
    const grounds = zones.map((z) => {
      const tried: Tried = { years, ground: groundOf(z, job, trace), grasses: thermal, values }
      const nothing = outcomeOf(tried, null)
      return { z, tried, nothing }
    })
    // What dries fastest without water dries fastest with it.
    const { z, tried, nothing } = grounds.sort(
      (a, b) => a.nothing.up - b.nothing.up || a.z.r.id.localeCompare(b.z.r.id),
    )[0]!
    const { rate, reaches, most } = reachOf(water, z.r.id, job.site.waterMinutes)
    const wanted = num(water.dose)
    const mm = Math.min(wanted, most / Math.max(1, water.times.length))
    const planned = (misses: number): Programme | null =>
      water.times.length > 0 ? programmeOf(water.times, mm * reaches, rate, on, misses) : null
    const [programme, never] = [planned(missesOf(values)), planned(0)]
    const so: SeedbedOfPackage = {
      workPackage: p.workPackage,
      sown: p.sown,
      zone: z.r.id,
      assumed: z.r.zone.texture === null,
      grasses: grasses.filter((g) => trace.grass(g).thermal),
      nothing,
      planned: programme && {
        times: water.times,
        mm,
        outcome: outcomeOf(tried, programme),
        kept: outcomeOf(tried, never),
      },
      short: mm < wanted - 0.05,
      watered: isWatered(job),
      driest: driestByDay(tried, never, daysShown(p.sown, p.handOver?.value as Day)),
      found: [],
      wanted: values.wanted,
      forgotten: values.missed,
      lines: { moist: values.moist / 100, dry: values.dry / 100 },
    }
    if (tell(so, 0)) return [so]
    const found = searchProgrammes({
      ...tried,
      restriction: readRestriction(job.site.restrictions),
      on,
      rate,
      reaches,
      most,
      tell: (found, done) => tell({ ...so, found: [...found] }, done),
    })
    return [{ ...so, found }]
  })
}

/** Days of the seedbed that are drawn: a little past the day the last is up. */
const daysShown = (sown: Day, handOver: Day | undefined): number =>
  handOver ? Math.max(7, daysBetween(sown, handOver) + 4) : 28
