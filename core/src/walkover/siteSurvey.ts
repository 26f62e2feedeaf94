import type { Job, Zone } from '../entities/job.ts'
import { OBSTACLES, type Level, type Point, type SitePlan } from '../entities/drawing.ts'
import { distance } from '../drawing/geometry.ts'
import { fromFrames, fromLooks, type CoverCount } from '../cover/coverCount.ts'
import { measurePlan, zoneAt, type MeasuredPlan } from '../drawing/drawnZones.ts'
import { bestPlane, enough, fallTowards, levelReport, nearestOn, type LevelAim, type LevelReport } from '../levels/levels.ts'
import type { Obstacle } from '../light/obstacles.ts'
import { lightOfZones, type LightSeason, type ZoneLight } from '../light/zoneLight.ts'

/** All that the plan, the counts and the levels of one site come to, by zone. Worked once for a job, kept while its inputs stay. */
export interface SiteSurvey {
  measured: MeasuredPlan
  season: LightSeason
  light: Map<string, ZoneLight>
  /** The same were every what-if tried; null when there is none. */
  lightIf: Map<string, ZoneLight> | null
  levels: Map<string, LevelReport>
  /** Buildings the ground falls towards, by zone: how steeply, %. */
  falls: Map<string, { building: string; name: string; percent: number }[]>
  counts: Map<string, CoverCount>
}

/** Falls gentler than this are level, as near as readings tell, %. */
const LEVEL_WITHIN = 0.3

export function surveySite(job: Job, season: LightSeason): SiteSurvey {
  const { plan } = job
  const measured = remember('plan', [plan.shapes], () => measurePlan(plan))
  const place = job.site.latitude === null ? null : { latitude: job.site.latitude, longitude: job.site.longitude ?? 0 }
  const casts = place && (plan.shapes.some((s) => OBSTACLES.includes(s.kind)) || plan.hills.length > 0) && measured.zones.size > 0
  const asked = plan.shapes.some((s) => s.whatIf !== 'as-is' && !s.agreed)
  const levels = new Map<string, LevelReport>()
  const falls: SiteSurvey['falls'] = new Map()
  const counts: SiteSurvey['counts'] = new Map()
  const readings = plan.levels.length > 0 ? remember('levels', [plan.levels, plan.shapes], () => levelsByZone(job)) : new Map<string, Level[]>()
  for (const zone of job.zones) {
    const own = readings.get(zone.id)
    if (own) {
      const net = measured.zones.get(zone.id)?.net ?? null
      const aim = aimOf(zone, plan, own)
      const report = remember(`level.${zone.id}`, [own, net, aim], () => levelReport(own, net, aim))
      if (report) levels.set(zone.id, report)
      const towards = plan.shapes.flatMap((s) => {
        if (s.kind !== 'building') return []
        const percent = fallTowards(own, s.at)
        return percent !== null && percent > LEVEL_WITHIN ? [{ building: s.id, name: s.name || 'the building', percent }] : []
      })
      if (towards.length > 0) falls.set(zone.id, towards)
    }
    const count = countOf(zone)
    if (count) counts.set(zone.id, count)
  }
  const tilts = casts ? tiltsOf(job, measured, readings) : []
  return {
    measured,
    season,
    light: casts ? lightOfZones(plan, measured, place, season, { tilts }) : new Map(),
    lightIf: casts && asked ? lightOfZones(plan, measured, place, season, { tilts, whatIf: true }) : null,
    levels,
    falls,
    counts,
  }
}

/** The cover of a zone as counted: by looks where there are any, else by frames. */
export const countOf = (zone: Pick<Zone, 'looks' | 'frames'>): CoverCount | null => (zone.looks && fromLooks(zone.looks)) || fromFrames(zone.frames)

/** A fall gentler than this, m a metre, hides no sun worth the counting. */
const LEAST_TILT = 0.01

/** The drawn zones that are known to slope, and which way: by what was read and noted, else by the plane through their levels. */
export function tiltsOf(
  job: Pick<Job, 'zones'>,
  measured: MeasuredPlan,
  readings: ReadonlyMap<string, readonly Level[]>,
): (Obstacle & { form: 'tilt' })[] {
  return job.zones.flatMap((zone) => {
    const areas = measured.zones.get(zone.id)?.net
    if (!areas) return []
    const own = readings.get(zone.id)
    const plane = own && enough(own) ? bestPlane(own) : null
    const [fall, towards] =
      zone.slope !== null && zone.slopeTowards !== null
        ? [zone.slope / 100, zone.slopeTowards]
        : plane
          ? [Math.hypot(plane.east, plane.north) / 1000, (Math.atan2(-plane.east, -plane.north) * 180) / Math.PI]
          : [0, 0]
    return fall < LEAST_TILT ? [] : [{ shape: zone.id, dropsLeaf: false, form: 'tilt' as const, areas, fall, towards }]
  })
}

/**
 * What a zone's surface should become. A chosen fall with no direction given runs away from the building nearest to the readings, or due south where there is
 * none.
 */
export function aimOf(
  zone: Pick<Zone, 'levelAim' | 'fall' | 'fallTowards' | 'smoothOver'>,
  plan: Pick<SitePlan, 'shapes'>,
  readings: readonly Pick<Level, 'x' | 'y'>[],
): LevelAim {
  if (zone.levelAim === 'smooth') return { kind: 'smooth', radius: zone.smoothOver ?? 3 }
  if (zone.levelAim === 'plane') return { kind: 'plane' }
  return { kind: 'fall', percent: zone.fall ?? 1, towards: zone.fallTowards ?? awayFromBuilding(plan, readings) ?? 180 }
}

/** Direction from the nearest building to the middle of the readings, degrees from north through east. */
function awayFromBuilding(plan: Pick<SitePlan, 'shapes'>, readings: readonly Pick<Level, 'x' | 'y'>[]): number | null {
  if (readings.length === 0) return null
  const mean = (of: (r: Pick<Level, 'x' | 'y'>) => number) => readings.reduce((s, r) => s + of(r), 0) / readings.length
  const middle: Point = [mean((r) => r.x), mean((r) => r.y)]
  let best: { from: Point; away: number } | null = null
  for (const s of plan.shapes) {
    if (s.kind !== 'building') continue
    const from = nearestOn(s.at, middle)
    const away = distance(from, middle)
    if (away > 1e-6 && (!best || away < best.away)) best = { from, away }
  }
  if (!best) return null
  const turn = (Math.atan2(middle[0] - best.from[0], middle[1] - best.from[1]) * 180) / Math.PI
  return (turn + 360) % 360
}

/** Level readings by the zone they were given, or else lie on. */
export function levelsByZone(job: Pick<Job, 'plan'>): Map<string, Level[]> {
  const found = new Map<string, Level[]>()
  for (const reading of job.plan.levels) {
    const zone = reading.zone ?? zoneAt([reading.x, reading.y], job.plan)
    if (zone) found.set(zone, [...(found.get(zone) ?? []), reading])
  }
  return found
}

const kept = new Map<string, unknown>()
/** The last answers by their whole input. A plan is worked anew at every edit; most edits leave what is drawn alone. */
function remember<T>(what: string, input: unknown, work: () => T): T {
  const key = what + JSON.stringify(input)
  if (kept.has(key)) return kept.get(key) as T
  const made = work()
  if (kept.size >= 64) kept.delete(kept.keys().next().value!)
  kept.set(key, made)
  return made
}
