import { sure } from '../quantities/sure.ts'
import { distanceToRun } from './shapeAt.ts'
import { sum } from '../quantities/sum.ts'
import { lineWidths } from '../reference/siteValues.ts'
import type { Point, Shape, Drawing } from '../entities/drawing.ts'
import { areaError, margin90 } from './areaError.ts'
import {
  areaOf,
  boxOf,
  centreOf,
  cutAway,
  inside,
  lengthOn,
  joined,
  lengthOf,
  perimeterOf,
  selfCrossing,
  shared,
  type Area,
  type Box,
} from './geometry.ts'

/**
 * One zone as drawn. `net` is what is left of its lawns when beds, paths, ponds and buildings on
 * them are taken off.
 */
export interface DrawnZone {
  zone: string
  net: Area[]
  /** m² on the plan, level. */
  gross: number
  area: number
  perimeter: number
  /** 90 % either way, m². */
  error: number
  by: Shape['by']
  off: { name: string; area: number }[]
  patches: { count: number; area: number }
  worn: number
  lows: { area: number; depth: number | null }
  edges: number
  trenches: ({ id: string; name: string } & Trench)[]
}

export interface Overlap {
  zones: [string, string]
  area: number
  at: Point
}

/** A mark of which only a part lies on lawn: m² of an area, m of a line. */
export interface PartlyOn {
  shape: string
  unit: 'm2' | 'm'
  on: number
  whole: number
}

export interface MeasuredPlan {
  /** Marks off the lawn, or across its edge: the part on it is what counts. */
  marks: PartlyOn[]
  zones: Map<string, DrawnZone>
  overlaps: Overlap[]
  crossings: { shape: string; at: Point }[]
}

/** Overlaps smaller than this are the thickness of a drawn line, m². */
const LINE_THICK = 0.05
/** What is marked on a lawn as an area, and as a line. */
const AREA_MARKS: readonly Shape['kind'][] = ['bare', 'low']
const LINE_MARKS: readonly Shape['kind'][] = ['worn', 'edge', 'trench']
/** A share of a mark this near the whole is the whole, and one this small is none. */
const WHOLE = 0.98
/** What is marked as an area, m²; as a line, m. */
const sizeOf = (s: Shape): number =>
  AREA_MARKS.includes(s.kind) ? areaOf(s.at) : lengthOf(s.at[0]!)

/**
 * Measures what is drawn: each zone's area with its holes off, its error, its patches; where zones
 * overlap; where an outline crosses itself.
 */
export function measurePlan(plan: Pick<Drawing, 'shapes'>): MeasuredPlan {
  const of = (kind: Shape['kind']) => plan.shapes.filter((s) => s.kind === kind)
  const crossings = plan.shapes.flatMap((s) => {
    if (!['lawn', 'bed', 'bare', 'low', 'building'].includes(s.kind)) return []
    const at = s.at.map((ring) => (ring.length <= 400 ? selfCrossing(ring) : null)).find((p) => p)
    return at ? [{ shape: s.id, at }] : []
  })
  const zones = new Map<string, DrawnZone>()
  /** What of each mark lies on the zones measured so far: m², m. */
  const counted = new Map<string, number>()
  const lawns = of('lawn').filter((s) => s.zone)
  const holes = [...of('bed'), ...of('building')]
  const ids = [...new Set(lawns.map((s) => sure(s.zone)))]
  for (const zone of ids) {
    const mine = lawns.filter((s) => s.zone === zone)
    // One plain outline is taken as it is; crossing edges, holes and several parts are put in order
    // first.
    const plain =
      mine.length === 1 &&
      mine[0]!.at.length === 1 &&
      !crossings.some((c) => c.shape === mine[0]!.id)
    const whole = (plain ? [mine[0]!.at] : joined(mine.map((s) => s.at))).filter(
      (area) => areaOf(area) > 1e-6,
    )
    if (whole.length === 0) continue
    const box = sure(boxOf(whole.flatMap((a) => a[0]!)))
    const near = holes.filter((h) => {
      const b = sure(boxOf(h.at[0]!))
      return b.east > box.west && b.west < box.east && b.north > box.south && b.south < box.north
    })
    // Only what really lies on the lawn is cut out: clipping rounds to its own fineness, so it is
    // left alone where it takes nothing off.
    const on = near
      .map((h) => ({ h, area: sum(shared(whole, [h.at]).map(areaOf)) }))
      .filter((o) => o.area > 1e-6)
    const net =
      on.length > 0
        ? cutAway(
            whole,
            on.map((o) => o.h.at),
          )
        : whole
    const gross = sum(whole.map(areaOf))
    // What of a mark lies on this zone, and on no zone before it.
    const marked = (kind: Shape['kind']): Marked[] =>
      of(kind).flatMap((s): Marked[] => {
        if (s.zone !== null && s.zone !== zone) return []
        const size = sizeOf(s)
        const left = size - (counted.get(s.id) ?? 0)
        const here = Math.min(left, partOn(s, size, whole, box))
        if (here <= (1 - WHOLE) * size) return []
        counted.set(s.id, (counted.get(s.id) ?? 0) + here)
        return [{ s, here }]
      })
    const [patches, lows, edges] = [marked('bare'), marked('low'), marked('edge')]
    zones.set(zone, {
      zone,
      net,
      gross,
      // Cutting out never adds, whatever the rounding.
      area: Math.min(gross, sum(net.map(areaOf))),
      perimeter: sum(whole.map(perimeterOf)),
      error: margin90(
        Math.hypot(
          ...mine.map((s) => areaError(s.at, s.by, s.error)),
          ...on.map(({ h }) => areaError(h.at, h.by, h.error)),
        ),
      ),
      by: mine[0]!.by,
      off: on.map((o) => ({ name: o.h.name, area: o.area })),
      patches: { count: patches.length, area: sum(patches.map((m) => m.here)) },
      worn: sum(marked('worn').map((m) => m.here * (m.s.width ?? lineWidths.worn.is))),
      lows: {
        area: sum(lows.map((m) => m.here)),
        depth: lows.length ? Math.max(...lows.map((m) => m.s.depth ?? 0)) || null : null,
      },
      edges: sum(edges.map((m) => m.here)),
      trenches: marked('trench').map(({ s, here }) => ({
        id: s.id,
        name: s.name || 'settled trench',
        ...trenchOf(s),
        length: here,
      })),
    })
  }
  const marks = plan.shapes
    .filter((s) => AREA_MARKS.includes(s.kind) || LINE_MARKS.includes(s.kind))
    .map((s): PartlyOn => ({
      shape: s.id,
      unit: AREA_MARKS.includes(s.kind) ? 'm2' : 'm',
      on: counted.get(s.id) ?? 0,
      whole: sizeOf(s),
    }))
    .filter((m) => m.whole > 0 && m.on < WHOLE * m.whole)
  return { zones, overlaps: overlapsOf([...zones.values()]), crossings, marks }
}

/** What of a mark lies on a zone: m² of an area, m of a line. */
interface Marked {
  s: Shape
  here: number
}

/** How much of a mark lies on a zone: m² of an area, m of a line; the whole where it nearly does. */
function partOn(s: Shape, size: number, whole: readonly Area[], box: Box): number {
  const b = sure(boxOf(s.at.flat()))
  const near =
    b.east >= box.west - ON_THE_EDGE &&
    b.west <= box.east + ON_THE_EDGE &&
    b.north >= box.south - ON_THE_EDGE &&
    b.south <= box.north + ON_THE_EDGE
  if (!near) return 0
  const on = AREA_MARKS.includes(s.kind)
    ? sum(shared(whole, [s.at]).map(areaOf))
    : lengthOn(s.at[0]!, whole, ON_THE_EDGE)
  return on >= WHOLE * size ? size : on
}

/** A settled trench: m, m, mm, and % that its fill will settle, where that was given. */
export interface Trench {
  length: number
  width: number
  depth: number
  settling: number | null
}

export const trenchOf = (s: Pick<Shape, 'at' | 'width' | 'depth' | 'settling'>): Trench => ({
  length: lengthOf(s.at[0]!),
  width: s.width ?? lineWidths.trench.is,
  depth: s.depth ?? 0,
  settling: s.settling,
})

/** Soil a settled trench takes, m³, over-filled by what it will settle. */
export const trenchVolume = ({
  length,
  width,
  depth,
  settling,
}: { [K in keyof Trench]: number }): number =>
  (length * width * depth * (1 + settling / 100)) / 1000

function overlapsOf(zones: readonly DrawnZone[]): Overlap[] {
  const boxes = zones.map((z) => boxOf(z.net.flatMap((a) => a[0]!)))
  const found: Overlap[] = []
  for (let i = 0; i < zones.length; i++)
    for (let j = i + 1; j < zones.length; j++) {
      const [a, b] = [boxes[i], boxes[j]]
      if (
        !a ||
        !b ||
        a.east <= b.west ||
        b.east <= a.west ||
        a.north <= b.south ||
        b.north <= a.south
      )
        continue
      const both = shared(zones[i]!.net, zones[j]!.net)
      const area = sum(both.map(areaOf))
      if (area > LINE_THICK)
        found.push({
          zones: [zones[i]!.zone, zones[j]!.zone],
          area,
          at: centreOf(both.reduce((a, b) => (areaOf(b) > areaOf(a) ? b : a))[0]!),
        })
    }
  return found
}

/** A place that stands for a shape: the middle of an area, halfway along a line. */
export function spotOf(s: { kind: Shape['kind']; at: Point[][] }): Point {
  const run = s.at[0]!
  if (run.length === 1) return run[0]!
  if (['worn', 'edge', 'wall', 'cable', 'pipe', 'trench'].includes(s.kind)) {
    let left = lengthOf(run) / 2
    for (let i = 1; i < run.length; i++) {
      const piece = Math.hypot(run[i]![0] - run[i - 1]![0], run[i]![1] - run[i - 1]![1])
      if (piece >= left && piece > 0) {
        const t = left / piece
        return [
          run[i - 1]![0] + t * (run[i]![0] - run[i - 1]![0]),
          run[i - 1]![1] + t * (run[i]![1] - run[i - 1]![1]),
        ]
      }
      left -= piece
    }
  }
  return centreOf(run)
}

/**
 * A place so near outside an outline is still on its lawn, m: a peg at the edge, a hand's breadth
 * of tape.
 */
const ON_THE_EDGE = 0.3

/** The zone whose lawn a place lies on, or at whose edge; null where it is outside them all. */
export function zoneAt(p: Point, plan: Pick<Drawing, 'shapes'>): string | null {
  const lawns = plan.shapes.filter((s) => s.kind === 'lawn' && s.zone)
  const within = lawns.find((s) => inside(p, s.at))
  if (within) return within.zone
  const [nearest] = lawns
    .map((s) => ({
      zone: s.zone,
      away: Math.min(...s.at.map((ring) => distanceToRun(p, ring, true))),
    }))
    .sort((a, b) => a.away - b.away)
  return nearest && nearest.away <= ON_THE_EDGE ? nearest.zone : null
}
