import type { Point, Ring, Shape } from '../entities/drawing.ts'
import { widened, type Area } from '../drawing/geometry.ts'

/**
 * What stands in the sun's way. A block is a footprint drawn straight up; a crown is an ellipsoid
 * standing on its clear stem. Metres above the lawn. A tilt is sloping ground itself: it shades its
 * own areas while the sun stands behind it. `fall` is m a metre towards a compass direction,
 * degrees.
 */
export type Obstacle = { shape: string; dropsLeaf: boolean } & (
  | { form: 'block'; footprint: Area; height: number }
  | { form: 'crown'; at: Point; radius: number; middle: number; half: number }
  | { form: 'tilt'; areas: readonly Area[]; fall: number; towards: number }
)

/** Heights taken where none was read, m. Juvena's assumption, said beside the shape. */
export const USUAL_OBSTACLE = {
  building: { height: 5 },
  wall: { height: 1.8, width: 0.3 },
  tree: { height: 8, crown: 5 },
} as const

/**
 * Share of direct sun a leaf-dropping crown lets through, in full leaf and bare. Juvena's model;
 * books give bare crowns 0.4 to 0.7.
 */
export const CROWN_TRANSMITTANCE = { leaf: 0.15, bare: 0.6 }

/**
 * How the obstacles stand: as drawn, with what is agreed done; or, where `whatIf` is set, with
 * every what-if tried as well.
 */
export function obstaclesOf(shapes: readonly Shape[], { whatIf }: { whatIf: boolean }): Obstacle[] {
  return shapes.flatMap((s): Obstacle[] => {
    const changed = s.whatIf !== 'as-is' && (whatIf || s.agreed)
    if (changed && s.whatIf === 'gone') return []
    const cut = changed && s.whatIf === 'cut' ? s.cutTo : null
    if (s.kind === 'building')
      return [
        {
          shape: s.id,
          dropsLeaf: false,
          form: 'block',
          footprint: s.at,
          height: s.height ?? USUAL_OBSTACLE.building.height,
        },
      ]
    if (s.kind === 'wall') {
      const height = Math.min(s.height ?? USUAL_OBSTACLE.wall.height, cut ?? Infinity)
      return widened(s.at[0]!, s.width ?? USUAL_OBSTACLE.wall.width).map((footprint) => ({
        shape: s.id,
        dropsLeaf: s.dropsLeaf,
        form: 'block' as const,
        footprint,
        height,
      }))
    }
    if (s.kind !== 'tree') return []
    const height = s.height ?? USUAL_OBSTACLE.tree.height
    const stem = Math.min(Math.max(s.stem ?? height / 4, cut ?? 0), height * 0.95)
    const at = s.at[0]![0]!
    const trunk = Math.max(0.1, height * 0.03) / 2
    const around: Ring = [
      [at[0] - trunk, at[1] - trunk],
      [at[0] + trunk, at[1] - trunk],
      [at[0] + trunk, at[1] + trunk],
      [at[0] - trunk, at[1] + trunk],
    ]
    return [
      ...(stem > 0
        ? [
            {
              shape: s.id,
              dropsLeaf: false,
              form: 'block' as const,
              footprint: [around],
              height: stem,
            },
          ]
        : []),
      {
        shape: s.id,
        dropsLeaf: s.dropsLeaf,
        form: 'crown',
        at,
        radius: (s.crown ?? USUAL_OBSTACLE.tree.crown) / 2,
        middle: (height + stem) / 2,
        half: (height - stem) / 2,
      },
    ]
  })
}

/**
 * Share of direct sun that a leaf-dropping crown lets through on a day of the year (1 to 366): full
 * leaf in its summer half, bare in winter, a month's change between. South of the equator half a
 * year later. Juvena's model.
 */
export function crownTransmittance(dayOfYear: number, latitude: number): number {
  const d = (dayOfYear + (latitude < 0 ? 182.6 : 0)) % 365.25
  // Leaf opens from mid-April to mid-May and falls from mid-October to mid-November, northern days.
  const leaf = Math.min(1, Math.max(0, Math.min((d - 105) / 30, (318 - d) / 30)))
  return CROWN_TRANSMITTANCE.bare * (1 - leaf) + CROWN_TRANSMITTANCE.leaf * leaf
}

/**
 * The outline of a crown's shadow, for drawing: an ellipse of 40 places. Along the sun √(r² +
 * (half·k)²), across it r; k is shadow length a metre of height.
 */
function crownShadow(o: Obstacle & { form: 'crown' }, dx: number, dy: number): Area {
  const k = Math.hypot(dx, dy)
  const [ux, uy] = k > 0 ? [dx / k, dy / k] : [1, 0]
  const along = Math.hypot(o.radius, o.half * k)
  const [cx, cy] = [o.at[0] + dx * o.middle, o.at[1] + dy * o.middle]
  return [
    Array.from({ length: 40 }, (_, i): Point => {
      const [c, s] = [Math.cos((Math.PI * i) / 20) * along, Math.sin((Math.PI * i) / 20) * o.radius]
      return [cx + ux * c - uy * s, cy + uy * c + ux * s]
    }),
  ]
}

/**
 * Whether the sun stands behind sloping ground: it lights a plane falling p towards b while
 * tan(altitude) > −p·cos(azimuth − b).
 */
export const isBehind = (
  o: Obstacle & { form: 'tilt' },
  sun: { azimuth: number; altitude: number },
): boolean =>
  Math.tan((sun.altitude * Math.PI) / 180) <=
  -o.fall * Math.cos(((sun.azimuth - o.towards) * Math.PI) / 180)

/**
 * Where a shadow falls for a metre of height, m east and north, with the sun at so many degrees.
 */
export function shadowStep(sun: { azimuth: number; altitude: number }): Point {
  const k = 1 / Math.tan((sun.altitude * Math.PI) / 180)
  const a = (sun.azimuth * Math.PI) / 180
  return [-Math.sin(a) * k, -Math.cos(a) * k]
}

/**
 * The shadows on level ground at one moment, as areas that may overlap. Nothing while the sun is
 * down.
 */
export function shadowsAt(
  obstacles: readonly Obstacle[],
  sun: { azimuth: number; altitude: number },
): Area[] {
  if (sun.altitude <= 0.5) return []
  const [dx, dy] = shadowStep(sun)
  return obstacles.flatMap((o): Area[] => {
    if (o.form === 'crown') return [crownShadow(o, dx, dy)]
    if (o.form === 'tilt') return isBehind(o, sun) ? [...o.areas] : []
    const [sx, sy] = [dx * o.height, dy * o.height]
    const outer = o.footprint[0]!
    return [
      o.footprint,
      ...outer.map((a, i): Area => {
        const b = outer[(i + 1) % outer.length]!
        return [[a, b, [b[0] + sx, b[1] + sy], [a[0] + sx, a[1] + sy]]]
      }),
    ]
  })
}
