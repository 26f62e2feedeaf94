import type { Job, Zone } from '../entities/job.ts'
import { OBSTACLES, type Level, type Point, type Drawing } from '../entities/drawing.ts'
import { versionOf, type Memo, type Versioned } from '../trace/memo.ts'
import { distance, type Area } from '../drawing/geometry.ts'
import { fromQuadrats, fromPointCounts, type CoverCount } from '../cover/coverCount.ts'
import { measurePlan, zoneAt, type MeasuredPlan } from '../drawing/drawnZones.ts'
import {
  bestPlane,
  enough,
  fallTowards,
  levelReport,
  nearestOn,
  type LevelAim,
  type LevelReport,
} from '../levels/levels.ts'
import type { Obstacle } from '../light/obstacles.ts'
import { surveyLines } from './surveyRules.ts'
import {
  lightOfZones,
  type LightPlace,
  type LightSeason,
  type ZoneLight,
} from '../light/zoneLight.ts'

/** All that the drawing, the counts and the levels of one site come to, by zone. */
export interface SiteSurvey extends Versioned {
  measured: MeasuredPlan
  season: LightSeason
  light: Map<string, ZoneLight>
  /** The same were every what-if tried; null when there is none. */
  lightIf: Map<string, ZoneLight> | null
  levels: Map<string, LevelReport & Versioned>
  /** Buildings the ground falls towards, by zone: how steeply, %. */
  falls: Map<string, { building: string; name: string; percent: number }[]>
  counts: Map<string, CoverCount>
  /** Level readings that belong to no zone. */
  outside: Level[]
}

/** Lines of the survey that a firm may have set for itself. */
export interface SurveyValues {
  /** Least depth of a dip, mm. */
  dip: number
  /** Falls gentler than this are level, %. */
  levelWithin: number
  /** Falls gentler than this hide no sun worth counting, %. */
  leastTilt: number
}

/** Surveys one site. Slow pieces are taken from `memo` while what they depend on stays. */
export function surveySite(
  job: Job,
  season: LightSeason,
  values: SurveyValues,
  memo: Memo,
): SiteSurvey {
  const { drawing } = job
  const { shapes } = drawing
  const measured = memo.recall('drawing', { shapes }, measurePlan)
  const { byZone: readings, outside } =
    drawing.levels.length > 0
      ? memo.recall('levels', { levels: drawing.levels, shapes }, placeLevels)
      : NO_LEVELS
  const levels: SiteSurvey['levels'] = new Map()
  const falls: SiteSurvey['falls'] = new Map()
  const counts: SiteSurvey['counts'] = new Map()
  for (const zone of job.zones) {
    const own = readings.get(zone.id)
    if (own) {
      const net = measured.zones.get(zone.id)?.net ?? null
      const aim = aimOf(zone, drawing, own)
      const inputs = { own, net, aim, dip: values.dip }
      const report = memo.recall(`levels:${zone.id}`, inputs, reportLevels)
      if (report) levels.set(zone.id, { ...report, version: versionOf(inputs) })
      const towards = buildingsBelow(drawing, own, values.levelWithin)
      if (towards.length > 0) falls.set(zone.id, towards)
    }
    const count = countOf(zone)
    if (count) counts.set(zone.id, count)
  }
  const { tilts, ...light } = lightOf(job, measured, readings, season, values.leastTilt, memo)
  const { latitude, longitude } = job.site
  const { hills } = drawing
  return {
    // What a zone notes of itself (its counts, its aim) comes with the zone.
    version: versionOf({
      shapes,
      levels: drawing.levels,
      hills,
      latitude,
      longitude,
      season,
      values,
      tilts,
    }),
    measured,
    season,
    ...light,
    levels,
    falls,
    counts,
    outside,
  }
}

/** Buildings the readings fall towards by more than `within` %. */
const buildingsBelow = (drawing: Drawing, readings: readonly Level[], within: number) =>
  drawing.shapes.flatMap((s) => {
    if (s.kind !== 'building') return []
    const percent = fallTowards(readings, s.at)
    return percent !== null && percent > within
      ? [{ building: s.id, name: s.name || 'the building', percent }]
      : []
  })

function lightOf(
  job: Job,
  measured: MeasuredPlan,
  readings: ReadonlyMap<string, readonly Level[]>,
  season: LightSeason,
  leastTilt: number,
  memo: Memo,
): Pick<SiteSurvey, 'light' | 'lightIf'> & { tilts: readonly Obstacle[] } {
  const { drawing, site } = job
  const place =
    site.latitude === null ? null : { latitude: site.latitude, longitude: site.longitude ?? 0 }
  const casts = drawing.shapes.some((s) => OBSTACLES.includes(s.kind)) || drawing.hills.length > 0
  if (!place || !casts || measured.zones.size === 0)
    return { light: new Map(), lightIf: null, tilts: [] }
  const tilts = tiltsOf(job, measured, readings, leastTilt)
  const { shapes, hills } = drawing
  const cast = (whatIf: boolean) =>
    memo.recall(
      whatIf ? 'light-if' : 'light',
      { shapes, hills, place, season, tilts, whatIf },
      castLight,
    )
  const asked = drawing.shapes.some((s) => s.whatIf !== 'as-is' && !s.agreed)
  return { light: cast(false), lightIf: asked ? cast(true) : null, tilts }
}

/** The cover of a zone as counted: by looks where there are any, else by frames. */
export const countOf = (zone: Pick<Zone, 'pointCounts' | 'quadrats'>): CoverCount | null =>
  (zone.pointCounts && fromPointCounts(zone.pointCounts)) || fromQuadrats(zone.quadrats)

/**
 * The drawn zones known to slope by `leastTilt` % or more, and which way: by what was read and
 * noted, else by the plane through their levels.
 */
export function tiltsOf(
  job: Pick<Job, 'zones'>,
  measured: MeasuredPlan,
  readings: ReadonlyMap<string, readonly Level[]>,
  leastTilt: number = surveyLines.leastTilt.is,
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
          ? [
              Math.hypot(plane.east, plane.north) / 1000,
              (Math.atan2(-plane.east, -plane.north) * 180) / Math.PI,
            ]
          : [0, 0]
    return fall < leastTilt / 100
      ? []
      : [{ shape: zone.id, dropsLeaf: false, form: 'tilt' as const, areas, fall, towards }]
  })
}

/**
 * What a zone's surface should become. A chosen fall with no direction given runs away from the
 * building nearest to the readings, or due south where there is none.
 */
export function aimOf(
  zone: Pick<Zone, 'levelAim' | 'fall' | 'fallTowards' | 'smoothOver'>,
  drawing: Pick<Drawing, 'shapes'>,
  readings: readonly Pick<Level, 'x' | 'y'>[],
): LevelAim {
  if (zone.levelAim === 'smooth') return { kind: 'smooth', radius: zone.smoothOver ?? 3 }
  if (zone.levelAim === 'plane') return { kind: 'plane' }
  return {
    kind: 'fall',
    percent: zone.fall ?? 1,
    towards: zone.fallTowards ?? awayFromBuilding(drawing, readings) ?? 180,
  }
}

/**
 * Direction from the nearest building to the middle of the readings, degrees from north through
 * east.
 */
function awayFromBuilding(
  drawing: Pick<Drawing, 'shapes'>,
  readings: readonly Pick<Level, 'x' | 'y'>[],
): number | null {
  if (readings.length === 0) return null
  const mean = (of: (r: Pick<Level, 'x' | 'y'>) => number) =>
    readings.reduce((s, r) => s + of(r), 0) / readings.length
  const middle: Point = [mean((r) => r.x), mean((r) => r.y)]
  let best: { from: Point; away: number } | null = null
  for (const s of drawing.shapes) {
    if (s.kind !== 'building') continue
    const from = nearestOn(s.at, middle)
    const away = distance(from, middle)
    if (away > 1e-6 && (!best || away < best.away)) best = { from, away }
  }
  if (!best) return null
  const turn = (Math.atan2(middle[0] - best.from[0], middle[1] - best.from[1]) * 180) / Math.PI
  return (turn + 360) % 360
}

type LevelInputs = Pick<Drawing, 'levels' | 'shapes'>

/** Level readings by the zone they were given, or else lie on. */
export function levelsByZone({ levels, shapes }: LevelInputs): Map<string, Level[]> {
  const found = new Map<string, Level[]>()
  for (const reading of levels) {
    const zone = reading.zone ?? zoneAt([reading.x, reading.y], { shapes })
    if (zone) found.set(zone, [...(found.get(zone) ?? []), reading])
  }
  return found
}

interface PlacedLevels {
  byZone: ReadonlyMap<string, Level[]>
  /** Readings that belong to no zone: outside every lawn that is drawn. */
  outside: Level[]
}
const NO_LEVELS: PlacedLevels = { byZone: new Map(), outside: [] }

const placeLevels = ({ levels, shapes }: LevelInputs): PlacedLevels => ({
  byZone: levelsByZone({ levels, shapes }),
  outside: levels.filter((l) => l.zone === null && zoneAt([l.x, l.y], { shapes }) === null),
})

interface ReportInputs {
  own: readonly Level[]
  net: readonly Area[] | null
  aim: LevelAim
  /** Least depth of a dip, mm. */
  dip: number
}
const reportLevels = ({ own, net, aim, dip }: ReportInputs): LevelReport | null =>
  levelReport(own, net, aim, dip)

interface LightInputs extends Pick<Drawing, 'shapes' | 'hills'> {
  place: LightPlace
  season: LightSeason
  tilts: readonly Obstacle[]
  whatIf: boolean
}
const castLight = ({ shapes, hills, place, season, tilts, whatIf }: LightInputs) =>
  lightOfZones({ shapes, hills }, measurePlan({ shapes }), place, season, { tilts, whatIf })
