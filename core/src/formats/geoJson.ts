import { sure } from '../quantities/sure.ts'
import {
  SHAPE_KINDS,
  type Point,
  type Ring,
  type ShapeDraft,
  type ShapeKind,
} from '../entities/drawing.ts'
import { areaOf, boxOf, distance, signedArea } from '../drawing/geometry.ts'
import { projectionError, toEarth, toPlan, type Origin } from '../drawing/localMetres.ts'

/**
 * GeoJSON, RFC 7946: positions are longitude and latitude on WGS 84, outsides run anticlockwise and
 * holes clockwise, rings close.
 */

interface Geometry {
  type: string
  coordinates?: unknown
  geometries?: unknown
}
interface Feature {
  type: 'Feature'
  properties: Record<string, unknown> | null
  geometry: Geometry | null
}
export interface FeatureCollection {
  type: 'FeatureCollection'
  features: Feature[]
}

/** Seven decimals of a degree are a centimetre. */
const place = (p: Point, origin: Origin) => toEarth(p, origin).map((d) => Math.round(d * 1e7) / 1e7)

/** The plan as a feature collection; each shape says what it is. */
export function toGeoJson(shapes: readonly ShapeDraft[], origin: Origin): FeatureCollection {
  const ring = (r: Ring, outside: boolean) => {
    const run = signedArea(r) > 0 === outside ? r : [...r].reverse()
    const places = run.map((p) => place(p, origin))
    return [...places, places[0]!]
  }
  return {
    type: 'FeatureCollection',
    features: shapes.map((s) => {
      const draws = SHAPE_KINDS[s.kind as ShapeKind].draws
      const at = s.at as Ring[]
      const { at: _at, ...said } = s
      const properties = Object.fromEntries(
        Object.entries(said).filter(([, v]) => v !== null && v !== undefined && v !== ''),
      )
      const geometry =
        draws === 'area'
          ? { type: 'Polygon', coordinates: at.map((r, i) => ring(r, i === 0)) }
          : draws === 'line'
            ? { type: 'LineString', coordinates: at[0]!.map((p) => place(p, origin)) }
            : { type: 'Point', coordinates: place(at[0]![0]!, origin) }
      return { type: 'Feature', properties, geometry }
    }),
  }
}

export interface TakenIn {
  shapes: { kind: ShapeKind; name: string; at: Ring[]; said: Record<string, unknown> }[]
  origin: Origin
  /** Most that a length on the plan is out by being laid flat, m in 100 m. */
  errorIn100: number
  /** Things left out, and why. */
  left: string[]
}
export type GeoJsonRead = ({ ok: true } & TakenIn) | { ok: false; sentence: string }

const MOST_PLACES = 20_000
const MOST_SHAPES = 1000
/** A walk whose ends lie this near, m, has come round: it is an outline. */
const COMES_ROUND = 10
/** A site is no larger than this across, m: beyond it a file is of something else. */
const MOST_ACROSS = 10_000

const wrong = (sentence: string): GeoJsonRead => ({ ok: false, sentence })

/**
 * Reads outlines from GeoJSON (already parsed). Areas become lawns unless they say what they are;
 * lines that come round become lawns, other lines worn lines, spots trees: what each is can be
 * changed on the plan. `origin` is where the plan already lies, or null for the middle of the file.
 */
export function fromGeoJson(value: unknown, origin: Origin | null): GeoJsonRead {
  if (typeof value !== 'object' || value === null || !('type' in value))
    return wrong(
      'This is not GeoJSON: an object with a “type”, such as FeatureCollection, is wanted.',
    )
  const top = value as { type: unknown; features?: unknown; crs?: unknown }
  const features: Feature[] =
    top.type === 'FeatureCollection' && Array.isArray(top.features)
      ? (top.features as Feature[])
      : top.type === 'Feature'
        ? [value as Feature]
        : typeof top.type === 'string' &&
            /^(Multi)?(Point|LineString|Polygon)$|^GeometryCollection$/.test(top.type)
          ? [{ type: 'Feature', properties: null, geometry: value as Geometry }]
          : []
  if (features.length === 0)
    return wrong(
      'There are no outlines in this file. A GeoJSON file with at least one feature is wanted.',
    )
  const found: {
    kind: 'area' | 'line' | 'spot'
    rings: [number, number][][]
    properties: Record<string, unknown>
  }[] = []
  const left: string[] = []
  let places = 0
  const pair = (c: unknown): [number, number] | null =>
    Array.isArray(c) &&
    Number.isFinite(c[0]) &&
    Number.isFinite(c[1]) &&
    Math.abs(c[0] as number) <= 180 &&
    Math.abs(c[1] as number) <= 85
      ? [c[0] as number, c[1] as number]
      : null
  const run = (list: unknown): [number, number][] | null => {
    if (!Array.isArray(list)) return null
    places += list.length
    const pairs = list.map(pair)
    return pairs.every((p) => p !== null) ? pairs : null
  }
  const take = (
    g: Geometry | null | undefined,
    properties: Record<string, unknown>,
    depth = 0,
  ): void => {
    if (!g || typeof g !== 'object' || depth > 5) return
    const c = g.coordinates
    const bad = () =>
      void left.push(`A ${g.type} has places that are not longitude and latitude in degrees.`)
    const polygon = (rings: unknown) => {
      const runs = Array.isArray(rings) ? rings.map(run) : []
      if (runs.length === 0 || runs.some((r) => r === null)) return bad()
      const open = (runs as [number, number][][]).map((r) =>
        r.length > 1 && r[0]![0] === r.at(-1)![0] && r[0]![1] === r.at(-1)![1] ? r.slice(0, -1) : r,
      )
      if (open.some((r) => r.length < 3))
        return void left.push('An outline has fewer than three places.')
      found.push({ kind: 'area', rings: open, properties })
    }
    const line = (list: unknown) => {
      const r = run(list)
      if (!r) return bad()
      if (r.length < 2) return void left.push('A line has fewer than two places.')
      found.push({ kind: 'line', rings: [r], properties })
    }
    const spot = (list: unknown) => {
      const p = pair(list)
      if (!p) return bad()
      places++
      found.push({ kind: 'spot', rings: [[p]], properties })
    }
    const each = (of: (part: unknown) => void) => (Array.isArray(c) ? c.forEach(of) : bad())
    if (g.type === 'Polygon') polygon(c)
    else if (g.type === 'MultiPolygon') each(polygon)
    else if (g.type === 'LineString') line(c)
    else if (g.type === 'MultiLineString') each(line)
    else if (g.type === 'Point') spot(c)
    else if (g.type === 'MultiPoint') each(spot)
    else if (g.type === 'GeometryCollection' && Array.isArray(g.geometries))
      for (const part of g.geometries as Geometry[]) take(part, properties, depth + 1)
    else left.push(`A geometry of type “${String(g.type).slice(0, 30)}” is not known here.`)
  }
  for (const f of features) {
    if (typeof f !== 'object' || f === null) continue
    take(f.geometry, typeof f.properties === 'object' && f.properties !== null ? f.properties : {})
    if (places > MOST_PLACES || found.length > MOST_SHAPES)
      return wrong(
        `This file holds more than ${MOST_PLACES} places or ${MOST_SHAPES} outlines: too much for one site. Remove what is not the lawn, or simplify it.`,
      )
  }
  if (found.length === 0) return wrong(left[0] ?? 'There are no outlines in this file.')
  const all = found.flatMap((f) => f.rings.flat())
  const middle = sure(boxOf(all))
  const from = origin ?? {
    latitude: (middle.south + middle.north) / 2,
    longitude: (middle.west + middle.east) / 2,
  }
  const flat = all.map((p) => toPlan(p, from))
  const away = flat.reduce((most, p) => Math.max(most, Math.hypot(...p)), 0)
  if (away > MOST_ACROSS)
    return wrong(
      origin
        ? `These outlines lie ${Math.round(away / 1000)} km from this plan. Check that it is the right site, or begin a new plan with them.`
        : `This file reaches ${Math.round((2 * away) / 1000)} km across: too much for one site. Check that the places are longitude, then latitude.`,
    )
  const shapes = found.flatMap((f): TakenIn['shapes'] => {
    let at = f.rings.map((r) => r.map((p) => toPlan(p, from)))
    const said = f.properties
    const asked =
      typeof said.kind === 'string' && said.kind in SHAPE_KINDS ? (said.kind as ShapeKind) : null
    const comesRound =
      f.kind === 'line' &&
      !asked &&
      at[0]!.length > 3 &&
      distance(at[0]![0]!, at[0]!.at(-1)!) <= COMES_ROUND
    if (comesRound && distance(at[0]![0]!, at[0]!.at(-1)!) < 1) at = [at[0]!.slice(0, -1)]
    const draws = comesRound ? 'area' : f.kind
    const kind =
      asked && SHAPE_KINDS[asked].draws === draws
        ? asked
        : draws === 'area'
          ? 'lawn'
          : draws === 'line'
            ? 'worn'
            : 'tree'
    if (draws === 'area' && areaOf(at) < 1e-4) {
      left.push('An outline encloses no ground.')
      return []
    }
    const name = typeof said.name === 'string' ? said.name.slice(0, 80) : ''
    return [{ kind, name, at: at.map(thinned), said }]
  })
  return { ok: true, shapes, origin: from, errorIn100: 100 * projectionError(away, from), left }
}

/**
 * No more than 2,000 places to a ring: every so many, which on a line so dense is within what it
 * was measured to.
 */
const thinned = (ring: Ring): Ring => {
  const step = Math.ceil(ring.length / 2000)
  return step === 1 ? ring : ring.filter((_, i) => i % step === 0)
}
