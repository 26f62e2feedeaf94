import { sure } from '../quantities/sure.ts'
import type { JobDraft, ZoneDraft } from '../entities/job.ts'
import {
  SHAPE_KINDS,
  type MeasuredBy,
  type Point,
  type Ring,
  type ShapeDraft,
  type ShapeKind,
} from '../entities/drawing.ts'
import { areaOf, cutAway, distance, joined, splitAlong, type Area } from './geometry.ts'

/**
 * Changes to what is drawn. Each takes a draft it may change, and gives back what it made, or null
 * when nothing came of it.
 */

const copy = <T>(value: T): T => JSON.parse(JSON.stringify(value)) as T
const free = (used: Iterable<string>, prefix: string): string => {
  const taken = new Set(used)
  let n = 1
  while (taken.has(`${prefix}${n}`)) n++
  return `${prefix}${n}`
}
const shapesOf = (d: JobDraft): ShapeDraft[] => {
  d.drawing ??= {}
  return (d.drawing.shapes ??= [])
}
const lawnsOf = (d: JobDraft, zone: string) =>
  shapesOf(d).filter((s) => s.kind === 'lawn' && s.zone === zone)
const areasOf = (shapes: readonly ShapeDraft[]): Area[] => shapes.map((s) => s.at as Area)
const byId = (d: JobDraft, id: string) => shapesOf(d).find((s) => s.id === id)

/** Adds a zone, named by its number. */
export function addZone(d: JobDraft, like?: Partial<ZoneDraft>): string {
  const zones = (d.zones ??= [])
  const id = free(
    zones.map((z) => z.id),
    'z',
  )
  const n = zones.length + 1
  zones.push({ name: n === 1 ? 'Lawn' : `Lawn ${n}`, ...like, id })
  return id
}

/** Adds a shape. A lawn without a zone makes one; `more` are its readings. */
export function addShape(
  d: JobDraft,
  kind: ShapeKind,
  at: Ring[],
  by: MeasuredBy,
  more: Partial<ShapeDraft> = {},
): string {
  const shapes = shapesOf(d)
  const id = free(
    shapes.map((s) => s.id),
    's',
  )
  const zone =
    kind === 'lawn'
      ? (more.zone ?? addZone(d, more.name ? { name: more.name } : undefined))
      : (more.zone ?? null)
  shapes.push({ ...more, id, kind, at: at.map(toMillimetre), by, zone })
  return id
}

/** Places are kept to a millimetre: nobody measures a lawn closer. */
const toMillimetre = (ring: Ring): Ring =>
  ring.map(([x, y]) => [Math.round(x * 1000) / 1000, Math.round(y * 1000) / 1000])

export function reshape(d: JobDraft, id: string, at: Ring[]): void {
  const shape = byId(d, id)
  if (shape) shape.at = at.map(toMillimetre)
}

export function moveShape(d: JobDraft, id: string, dx: number, dy: number): void {
  const shape = byId(d, id)
  if (shape)
    shape.at = (shape.at as Ring[]).map((ring) =>
      toMillimetre(ring.map(([x, y]) => [x + dx, y + dy])),
    )
}

export function removeShape(d: JobDraft, id: string): void {
  if (d.drawing?.shapes) d.drawing.shapes = d.drawing.shapes.filter((s) => s.id !== id)
}

/**
 * A zone as two: `keep` stays with it, `other` goes to a new one like it. Typed sizes go, as they
 * no longer say anything.
 */
export function splitInto(
  d: JobDraft,
  zone: string,
  keep: readonly Area[],
  other: readonly Area[],
  name = 'second',
): string | null {
  const at = (d.zones ?? []).findIndex((z) => z.id === zone)
  const lawns = lawnsOf(d, zone)
  if (at < 0 || keep.length === 0 || other.length === 0 || lawns.length === 0) return null
  const first = sure(d.zones)[at]!
  Object.assign(first, { area: null, length: null, width: null, deductions: [] })
  const made = addZone(d, { ...copy(first), name: `${first.name ?? 'Lawn'}, ${name}`.slice(0, 80) })
  const by = (lawns[0]!.by ?? 'tape') as MeasuredBy
  const error = lawns[0]!.error ?? null
  for (const lawn of lawns) removeShape(d, lawn.id)
  for (const area of keep) addShape(d, 'lawn', area, by, { zone, error })
  for (const area of other) addShape(d, 'lawn', area, by, { zone: made, error })
  return made
}

/** Cuts a zone in two along the line through two places. The larger part keeps the zone's name. */
export function splitZone(d: JobDraft, zone: string, from: Point, to: Point): string | null {
  const [left, right] = splitAlong(areasOf(lawnsOf(d, zone)), from, to)
  const size = (list: readonly Area[]) => list.reduce((s, a) => s + areaOf(a), 0)
  return size(left) >= size(right)
    ? splitInto(d, zone, left, right)
    : splitInto(d, zone, right, left)
}

/**
 * Two zones as one: the first keeps its readings, and what was counted in the second is counted in
 * it.
 */
export function mergeZones(d: JobDraft, zone: string, other: string): boolean {
  const [mine, theirs] = [lawnsOf(d, zone), lawnsOf(d, other)]
  if (zone === other || mine.length === 0 || theirs.length === 0) return false
  const whole = joined(areasOf([...mine, ...theirs]))
  const by = (mine[0]!.by ?? 'tape') as MeasuredBy
  for (const lawn of [...mine, ...theirs]) removeShape(d, lawn.id)
  for (const area of whole) addShape(d, 'lawn', area, by, { zone })
  for (const shape of shapesOf(d)) if (shape.zone === other) shape.zone = zone
  for (const level of d.drawing?.levels ?? []) if (level.zone === other) level.zone = zone
  d.zones = sure(d.zones).filter((z) => z.id !== other)
  const kept = d.zones.find((z) => z.id === zone)
  if (kept) Object.assign(kept, { area: null, length: null, width: null, deductions: [] })
  return true
}

/** Takes off one zone what another covers too. */
export function cutOverlap(d: JobDraft, keep: string, cut: string): boolean {
  const lawns = lawnsOf(d, cut)
  const left = cutAway(areasOf(lawns), areasOf(lawnsOf(d, keep)))
  if (lawns.length === 0 || left.length === 0) return false
  const by = (lawns[0]!.by ?? 'tape') as MeasuredBy
  for (const lawn of lawns) removeShape(d, lawn.id)
  for (const area of left) addShape(d, 'lawn', area, by, { zone: cut })
  return true
}

/** Where a new typed shape is laid: east of all that is drawn, with a stride between. */
export function freeGround(shapes: readonly ShapeDraft[]): Point {
  const all = shapes.flatMap((s) => (s.at as Ring[]).flat())
  if (all.length === 0) return [0, 0]
  return [
    Math.ceil(Math.max(...all.map((p) => p[0])) + 2),
    Math.floor(Math.min(...all.map((p) => p[1]))),
  ]
}

/**
 * The plan's picture given its scale: two places on it that are so many metres apart. It is
 * stretched about the first, and what was drawn over it goes with it.
 */
export function scalePicture(d: JobDraft, a: Point, b: Point, metres: number): boolean {
  const picture = d.drawing?.picture
  const now = distance(a, b)
  if (!picture || !(now > 0) || !(metres > 0)) return false
  const k = metres / now
  const stretch = ([x, y]: Point): Point => [a[0] + (x - a[0]) * k, a[1] + (y - a[1]) * k]
  if (!picture.scaled)
    for (const shape of shapesOf(d))
      if (shape.by === 'traced')
        shape.at = (shape.at as Ring[]).map((r) => toMillimetre(r.map(stretch)))
  const [x, y] = stretch([picture.x ?? 0, picture.y ?? 0])
  Object.assign(picture, { metresPerPixel: picture.metresPerPixel * k, x, y, scaled: true })
  return true
}

/**
 * Turns the picture, and what was traced on it, so that the line from one place to another points
 * north.
 */
export function turnNorth(d: JobDraft, from: Point, to: Point): boolean {
  const picture = d.drawing?.picture
  if (!picture || distance(from, to) === 0) return false
  const turn = Math.PI / 2 - Math.atan2(to[1] - from[1], to[0] - from[0])
  const [c, s] = [Math.cos(turn), Math.sin(turn)]
  const [w, h] = [picture.width * picture.metresPerPixel, picture.height * picture.metresPerPixel]
  const [mx, my] = [(picture.x ?? 0) + w / 2, (picture.y ?? 0) + h / 2]
  for (const shape of shapesOf(d))
    if (shape.by === 'traced')
      shape.at = (shape.at as Ring[]).map((r) =>
        toMillimetre(
          r.map(([x, y]): Point => [
            mx + c * (x - mx) - s * (y - my),
            my + s * (x - mx) + c * (y - my),
          ]),
        ),
      )
  picture.turned = (((picture.turned ?? 0) + (turn * 180) / Math.PI + 540) % 360) - 180
  return true
}

/** The words for a shape: its own name, else its kind. */
export const shapeName = (s: Pick<ShapeDraft, 'name' | 'kind'>): string =>
  s.name || SHAPE_KINDS[s.kind as ShapeKind].name
