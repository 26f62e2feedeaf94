import type { Job, Zone } from '../model/job.ts'
import { OBSTACLES, type Level } from '../model/sitePlan.ts'
import { fromFrames, fromLooks, type CoverCount } from './coverCount.ts'
import { measurePlan, zoneAt, type MeasuredPlan } from './drawnZones.ts'
import { fallTowards, levelReport, type LevelAim, type LevelReport } from './levels.ts'
import { lightOfZones, type LightSeason, type ZoneLight } from './zoneLight.ts'

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
      const aim = aimOf(zone)
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
  return {
    measured,
    season,
    light: casts ? lightOfZones(plan, measured, place, season) : new Map(),
    lightIf: casts && asked ? lightOfZones(plan, measured, place, season, true) : null,
    levels,
    falls,
    counts,
  }
}

/** The cover of a zone as counted: by looks where there are any, else by frames. */
export const countOf = (zone: Pick<Zone, 'looks' | 'frames'>): CoverCount | null => (zone.looks && fromLooks(zone.looks)) || fromFrames(zone.frames)

/** What a zone's surface should become. */
export const aimOf = (zone: Pick<Zone, 'levelAim' | 'fall' | 'fallTowards' | 'smoothOver'>): LevelAim =>
  zone.levelAim === 'fall'
    ? { kind: 'fall', percent: zone.fall ?? 1, towards: zone.fallTowards ?? 180 }
    : zone.levelAim === 'smooth'
      ? { kind: 'smooth', radius: zone.smoothOver ?? 3 }
      : { kind: 'plane' }

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
