import type { Coordinate } from 'ol/coordinate'
import { sure } from '@juvena/core/quantities/sure'
import type { FeatureLike } from 'ol/Feature'
import { LineString, MultiPoint, Point as OlPoint, Polygon, type Geometry } from 'ol/geom'
import { Circle as CircleStyle, Fill, RegularShape, Stroke, Style, Text } from 'ol/style'
import {
  SHAPE_KINDS,
  type Point,
  type ShapeDraft,
  type ShapeKind,
} from '@juvena/core/entities/drawing'
import { parseQuantity } from '@juvena/core/quantities/quantity'
import { areaOf, boxOf, lengthOf } from '@juvena/core/drawing/geometry'
import { spotOf } from '@juvena/core/drawing/drawnZones'
import { USUAL_OBSTACLE } from '@juvena/core/light/obstacles'

export type Overlay = 'none' | 'light' | 'levels' | 'cover' | 'below'
export const OVERLAYS: { id: Overlay; name: string }[] = [
  { id: 'light', name: 'Light' },
  { id: 'levels', name: 'Levels' },
  { id: 'cover', name: 'Cover' },
  { id: 'below', name: 'Below ground' },
]

const INK = '#1d2a22'
const SOFT = '#56614f'
const MOSS = '#3c6b3a'
const CLAY = '#a4491f'
const WATER = '#1f6384'
const HOLD = '#8c1d2c'
const SHEET = '#fffdf7'
const FACE = "'Atkinson Hyperlegible', sans-serif"

/** A reading in metres, whatever it was typed as; the usual where none was. */
export const metres = (typed: string | number | null | undefined, usual: number): number => {
  if (typeof typed === 'number') return typed
  const parsed = typed ? parseQuantity(typed, 'length') : null
  return parsed?.ok ? parsed.value : usual
}

export interface Drawn {
  shape: ShapeDraft
  label: string
  sub: string
  /** The name stands at the shape's foot, because its middle is wanted for something else. */
  foot?: boolean
  chosen: boolean
  /** Wanted cover of a lawn, %, where it is known. */
  wanted: number | null
  /** A what-if that is being tried takes the shape away or cuts it. */
  tried: boolean
}

const written = (text: string, bold: boolean, colour = INK, size = 13, offsetY = 0) =>
  new Text({
    text,
    font: `${bold ? 'bold ' : ''}${size}px ${FACE}`,
    fill: new Fill({ color: colour }),
    stroke: new Stroke({ color: 'rgba(255,253,247,0.85)', width: 3 }),
    overflow: true,
    offsetY,
  })
/** A name over its size: one text, so that neither is left without the other. */
const titled = (
  label: string,
  sub: string,
  bold: boolean,
  colour = INK,
  size = 13,
  offsetY = 0,
) => {
  const t = written(label, bold, colour, size, offsetY)
  if (sub)
    t.setText([label, `${bold ? 'bold ' : ''}${size}px ${FACE}`, '\n', '', sub, `12px ${FACE}`])
  return t
}
/** Written along a line, beside it. */
const alongLine = (text: string) => {
  const t = written(text, false, INK, 12.5, -12)
  t.setPlacement('line')
  t.setOverflow(true)
  return t
}
const line = (color: string, width: number, dash?: number[]) =>
  new Stroke({ color, width, lineDash: dash, lineCap: 'butt' })

const BELOW: readonly ShapeKind[] = ['cable', 'pipe', 'head', 'tap']
const AREAS: Partial<Record<ShapeKind, { fill: string; stroke: Stroke }>> = {
  bed: { fill: 'rgba(236,228,207,0.95)', stroke: line(SOFT, 1.25) },
  building: { fill: 'rgba(207,195,174,0.96)', stroke: line(INK, 1.25) },
  bare: { fill: 'rgba(242,224,210,0.7)', stroke: line(CLAY, 1.75, [5, 3]) },
  low: { fill: 'rgba(163,194,207,0.55)', stroke: line(WATER, 1.5, [2, 3]) },
}
const LINES: Partial<Record<ShapeKind, Stroke>> = {
  worn: line(CLAY, 3, [8, 4]),
  edge: line('#b27a00', 4, [2, 2]),
  cable: line(HOLD, 2, [9, 3, 2, 3]),
  pipe: line(WATER, 2, [9, 4]),
  trench: line(HOLD, 2, [2, 3]),
}

/** From bare earth to full grass; paper where nobody counted. */
function coverColour(wanted: number | null): string {
  if (wanted === null) return 'rgba(245,241,230,0.9)'
  const mix = (bare: number, full: number) => Math.round(bare + ((full - bare) * wanted) / 100)
  return `rgba(${mix(206, 126)},${mix(178, 164)},${mix(142, 98)},0.85)`
}

/** How one shape is drawn, for the overlay in force. */
export function stylesOf(
  { shape, label, sub, foot, wanted, chosen, tried }: Drawn,
  overlay: Overlay,
  geometry: Geometry,
): Style[] {
  const kind = shape.kind as ShapeKind
  const dim = overlay === 'below' && !BELOW.includes(kind) && kind !== 'lawn' && kind !== 'building'
  const styles: Style[] = []
  const widthHere = chosen ? 4 : 2.5
  const at = shape.at as Point[][]
  const [x, y] = spotOf({ kind, at })
  const named = (text: string, bold = false, colour = INK, size = 13, offsetY = 0) =>
    styles.push(
      new Style({
        geometry: new OlPoint([x, y]),
        text: written(text, bold, colour, size, offsetY),
        zIndex: 20,
      }),
    )

  if (kind === 'lawn') {
    styles.push(
      new Style({
        fill: new Fill({
          color:
            overlay === 'light' || overlay === 'levels'
              ? 'rgba(0,0,0,0.001)'
              : overlay === 'cover'
                ? coverColour(wanted)
                : 'rgba(221,231,214,0.85)',
        }),
        stroke: line(chosen ? MOSS : INK, widthHere),
        zIndex: 1,
      }),
    )
    // A strip too narrow for its name bears it at its foot.
    const box = sure(boxOf(at[0]!))
    const under = foot || box.east - box.west < 0.3 * (box.north - box.south)
    const text = titled(label, sub, true, INK, 14, under ? (sub ? 19 : 11) : 0)
    styles.push(
      new Style({
        geometry: new OlPoint(under ? [(box.west + box.east) / 2, box.south] : [x, y]),
        text,
        zIndex: 20,
      }),
    )
  } else if (kind in AREAS) {
    const { fill, stroke } = AREAS[kind]!
    styles.push(
      new Style({
        fill: new Fill({ color: dim ? 'rgba(245,241,230,0.6)' : fill }),
        stroke: chosen ? line(INK, 3, stroke.getLineDash() ?? undefined) : stroke,
        zIndex: kind === 'bare' || kind === 'low' ? 4 : 2,
      }),
    )
    styles.push(
      new Style({
        geometry: new OlPoint([x, y]),
        text: titled(label, sub, false, kind === 'bare' ? CLAY : INK, 12.5),
        zIndex: 20,
      }),
    )
  } else if (kind === 'wall') {
    const thick = metres(shape.width, USUAL_OBSTACLE.wall.width)
    const green = thick >= 0.5
    const run = at[0]!
    styles.push(
      new Style({
        geometry: new LineString(run),
        renderer: (pixels, state) => {
          const places = pixels as Coordinate[]
          const context = state.context
          context.beginPath()
          places.forEach((p, i) =>
            i === 0 ? context.moveTo(p[0]!, p[1]!) : context.lineTo(p[0]!, p[1]!),
          )
          context.lineWidth =
            Math.max(3 * state.pixelRatio, (thick / state.resolution) * state.pixelRatio) +
            (chosen ? 4 : 2)
          context.strokeStyle = INK
          context.stroke()
          context.lineWidth -= chosen ? 4 : 2
          context.strokeStyle = tried ? '#f2e0d2' : green ? '#8aa66a' : '#b5ab97'
          context.stroke()
        },
        zIndex: 5,
      }),
      new Style({ geometry: new LineString(run), stroke: line('rgba(0,0,0,0.01)', 12), zIndex: 5 }),
    )
    styles.push(
      new Style({
        geometry: new LineString(run),
        text: alongLine([label, sub].filter(Boolean).join(' ')),
        zIndex: 20,
      }),
    )
  } else if (kind === 'tree') {
    const radius = metres(shape.crown, USUAL_OBSTACLE.tree.crown) / 2
    const [cx, cy] = (geometry instanceof OlPoint ? geometry.getCoordinates() : at[0]![0]!) as Point
    const ring = Array.from({ length: 48 }, (_, i) => [
      cx + radius * Math.cos((Math.PI * i) / 24),
      cy + radius * Math.sin((Math.PI * i) / 24),
    ])
    const dashes = shape.dropsLeaf ? [5, 4] : undefined
    styles.push(
      new Style({
        geometry: new Polygon([[...ring, ring[0]!]]),
        fill: new Fill({
          color: tried
            ? 'rgba(242,224,210,0.35)'
            : shape.dropsLeaf
              ? 'rgba(150,180,120,0.35)'
              : 'rgba(60,107,58,0.4)',
        }),
        stroke: line(chosen ? INK : MOSS, chosen ? 3 : 1.5, tried ? [2, 4] : dashes),
        zIndex: 6,
      }),
      new Style({
        geometry: new OlPoint([cx, cy]),
        image: new CircleStyle({
          declutterMode: 'none',
          radius: 5,
          fill: new Fill({ color: INK }),
        }),
        zIndex: 7,
      }),
    )
    styles.push(
      new Style({
        geometry: new OlPoint([cx, cy - radius]),
        text: written([label, sub].filter(Boolean).join(' '), false, INK, 12.5, 10),
        zIndex: 20,
      }),
    )
  } else if (kind === 'tap' || kind === 'head') {
    styles.push(
      new Style({
        geometry: geometry instanceof OlPoint ? geometry : new OlPoint([x, y]),
        image:
          kind === 'tap'
            ? new RegularShape({
                declutterMode: 'none',
                points: 3,
                radius: chosen ? 11 : 9,
                fill: new Fill({ color: WATER }),
                stroke: line(SHEET, 1.5),
              })
            : new CircleStyle({
                declutterMode: 'none',
                radius: chosen ? 8 : 6,
                stroke: line(WATER, 2.5),
                fill: new Fill({ color: SHEET }),
              }),
        zIndex: 9,
      }),
    )
    if (overlay === 'below' || chosen)
      named([label, sub].filter(Boolean).join(' '), false, WATER, 12.5, 16)
  } else {
    const stroke = LINES[kind]!
    styles.push(
      new Style({ stroke: line('rgba(255,253,247,0.8)', sure(stroke.getWidth()) + 3), zIndex: 7 }),
      new Style({
        stroke: chosen
          ? line(INK, sure(stroke.getWidth()) + 1.5, stroke.getLineDash() ?? undefined)
          : dim
            ? line('#a89f88', 1.5)
            : stroke,
        zIndex: 8,
      }),
    )
    if (overlay === 'below' || chosen || kind === 'worn' || kind === 'trench')
      named(
        [label, sub].filter(Boolean).join(' '),
        false,
        kind === 'cable' || kind === 'trench' ? HOLD : kind === 'pipe' ? WATER : CLAY,
        12.5,
        12,
      )
  }
  if (chosen && SHAPE_KINDS[kind].draws !== 'spot') {
    const places =
      geometry instanceof Polygon
        ? geometry.getCoordinates().flatMap((r) => r.slice(0, -1))
        : geometry instanceof LineString
          ? geometry.getCoordinates()
          : []
    if (places.length <= 80)
      styles.push(
        new Style({
          geometry: new MultiPoint(places),
          image: new RegularShape({
            declutterMode: 'none',
            points: 4,
            angle: Math.PI / 4,
            radius: 6,
            fill: new Fill({ color: SHEET }),
            stroke: line(INK, 1.5),
          }),
          zIndex: 15,
        }),
      )
  }
  return styles
}

/** Lengths written along the edges of what is being drawn or is chosen. */
export function edgeLabels(
  geometry: Geometry,
  say: (metres: number) => string,
  most = 24,
): Style[] {
  const runs =
    geometry instanceof Polygon
      ? geometry.getCoordinates()
      : geometry instanceof LineString
        ? [geometry.getCoordinates()]
        : []
  return runs.flatMap((run) =>
    run.length - 1 > most
      ? []
      : run.slice(1).map((to, i) => {
          const from = run[i]!
          const length = Math.hypot(to[0]! - from[0]!, to[1]! - from[1]!)
          return new Style({
            geometry: new OlPoint([(from[0]! + to[0]!) / 2, (from[1]! + to[1]!) / 2]),
            text: length > 0.05 ? written(say(length), true, WATER, 12) : undefined,
            zIndex: 30,
          })
        }),
  )
}

/** Area and edge of a polygon under the hand. */
export function sizeLabel(
  geometry: Polygon,
  say: { length: (m: number) => string; area: (m2: number) => string },
): Style {
  const rings = geometry.getCoordinates().map((r) => r.slice(0, -1) as Point[])
  return new Style({
    geometry: geometry.getInteriorPoint(),
    text: written(
      `${say.area(areaOf(rings))}, edge ${say.length(lengthOf(rings[0]!, true))}`,
      true,
      CLAY,
      13,
      -26,
    ),
    zIndex: 31,
  })
}

/** What is being drawn: its line, and its size so far. */
export function sketchStyles(
  feature: FeatureLike,
  say: { length: (m: number) => string; area: (m2: number) => string },
): Style[] {
  const geometry = feature.getGeometry() as Geometry | undefined
  if (!geometry) return []
  const styles = [
    new Style({
      stroke: line(CLAY, 2.5),
      fill: new Fill({ color: 'rgba(242,224,210,0.5)' }),
      image: new CircleStyle({
        radius: 6,
        stroke: line(CLAY, 2.5),
        fill: new Fill({ color: SHEET }),
      }),
    }),
  ]
  if (geometry instanceof Polygon && geometry.getCoordinates()[0]!.length > 3)
    styles.push(sizeLabel(geometry, say))
  if (!(geometry instanceof OlPoint)) styles.push(...edgeLabels(geometry, say.length))
  return styles
}
