import { expose, transfer } from 'comlink'
import { readJob, type JobDraft } from '@juvena/core/entities/job'
import { measurePlan } from '@juvena/core/drawing/drawnZones'
import { castLight, daysFor, type Grid, type LightMap } from '@juvena/core/light/lightMap'
import { levelSurface } from '@juvena/core/levels/levels'
import { obstaclesOf } from '@juvena/core/light/obstacles'
import { aimOf, levelsByZone, tiltsOf } from '@juvena/core/walkover/siteSurvey'
import {
  cellsIn,
  gridOver,
  hillsOf,
  lightOfZones,
  splitByLight,
  spreadOver,
  type LightSeason,
  type LightSplit,
  type ZoneLight,
} from '@juvena/core/light/zoneLight'

/** Values over the cells of a grid; NaN where there is nothing to show. */
export interface Raster {
  grid: Grid
  values: Float32Array
}
export interface CastLight extends Raster {
  zones: Record<string, ZoneLight>
  splits: Record<string, LightSplit>
  fine: boolean
}
export interface LightAsk {
  season: { from: number; to: number }
  whatIf: boolean
  fine: boolean
}

const FINE_CELL = 0.25
const FINE_MOST = 1_200_000
const ROUGH_MOST = 4_000
/** Longest the worker goes without looking up, ms: then progress is told and a stop is heard. */
const SLICE = 60

let running = 0
const plain = (draft: JobDraft) => readJob(draft).job

/** Median sun of each zone over each of some seasons, from few days and a coarse grid. */
function quickLight(draft: JobDraft, seasons: readonly LightSeason[]): Map<string, number[]> {
  const found = new Map<string, number[]>()
  const job = plain(draft)
  if (!job || job.site.latitude === null) return found
  const place = { latitude: job.site.latitude, longitude: job.site.longitude ?? 0 }
  const measured = measurePlan(job.drawing)
  const tilts = tiltsOf(job, measured, levelsByZone(job.drawing))
  for (const season of seasons)
    for (const [id, light] of lightOfZones(job.drawing, measured, place, season, { tilts }))
      found.set(id, [...(found.get(id) ?? []), light.median])
  return found
}

/** The slow stages of the survey, off the page's thread. */
const surveyor = {
  /**
   * Sun hours over all lawns. Tells the share done; null when stopped by `stop`, by a later call,
   * or when there is nothing to cast.
   */
  async light(
    draft: JobDraft,
    { season, whatIf, fine }: LightAsk,
    progress: (share: number) => void,
  ): Promise<CastLight | null> {
    const mine = ++running
    const job = plain(draft)
    if (!job || job.site.latitude === null) return null
    const measured = measurePlan(job.drawing)
    const areas = [...measured.zones.values()].flatMap((z) => z.net)
    const grid = gridOver(areas, FINE_CELL, fine ? FINE_MOST : ROUGH_MOST)
    if (!grid) return null
    const cast = castLight({
      latitude: job.site.latitude,
      longitude: job.site.longitude ?? 0,
      obstacles: [
        ...obstaclesOf(job.drawing.shapes, { whatIf }),
        ...tiltsOf(job, measured, levelsByZone(job.drawing)),
      ],
      hills: hillsOf(job.drawing),
      grid,
      days: daysFor(season.from, season.to, fine ? 70 : 4),
      stepMinutes: fine ? 15 : 60,
    })
    let map: LightMap
    let since = performance.now()
    for (;;) {
      const step = cast.next()
      if (step.done) {
        map = step.value
        break
      }
      if (performance.now() - since > SLICE) {
        progress(step.value)
        await new Promise((go) => setTimeout(go))
        if (mine !== running) return null
        since = performance.now()
      }
    }
    const zones: Record<string, ZoneLight> = {}
    const splits: Record<string, LightSplit> = {}
    for (const [id, zone] of measured.zones) {
      const spread = spreadOver(zone.net, map)
      if (spread) zones[id] = spread
      const split = fine ? splitByLight(zone.net, map) : null
      if (split) splits[id] = split
    }
    const values = new Float32Array(map.hours.length).fill(NaN)
    for (const at of cellsIn(areas, grid)) values[at] = map.hours[at]!
    return transfer({ grid, values, zones, splits, fine }, [values.buffer])
  },

  stop(): void {
    running++
  },

  /** Median sun of each zone over some weeks, quickly. */
  over(draft: JobDraft, season: LightSeason): Record<string, number> {
    return Object.fromEntries(
      [...quickLight(draft, [season])].map(([id, hours]) => [id, hours[0]!]),
    )
  },

  /** Median sun of each zone in each month of a year, quickly. */
  months(draft: JobDraft, year: number): Record<string, number[]> {
    const middles = Array.from({ length: 12 }, (_, month) => Date.UTC(year, month, 15) / 86_400_000)
    return Object.fromEntries(
      quickLight(
        draft,
        middles.map((day) => ({ from: day, to: day })),
      ),
    )
  },

  /** High and low of every zone that has levels, mm from its aim. */
  levels(draft: JobDraft): Raster[] {
    const job = plain(draft)
    if (!job) return []
    const measured = measurePlan(job.drawing)
    const rasters: Raster[] = []
    for (const [id, readings] of levelsByZone(job.drawing)) {
      const zone = job.zones.find((z) => z.id === id)
      const surface =
        zone &&
        levelSurface(
          readings,
          measured.zones.get(id)?.net ?? null,
          aimOf(zone, job.drawing, readings),
        )
      if (surface) rasters.push({ grid: surface.grid, values: surface.deviation })
    }
    return rasters
  },
}
export type Surveyor = typeof surveyor
expose(surveyor)
