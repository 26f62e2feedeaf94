import { z } from 'zod'
import { oneOf, quantity, text } from './entry.ts'
import { uniqueIds } from './uniqueIds.ts'

/** A place on the plan, metres east and north of its origin. */
export type Point = [x: number, y: number]
export type Ring = Point[]

/**
 * What a shape on the plan can be. There is no shape without a meaning. `draws` is how it lies on
 * the ground.
 */
export const SHAPE_KINDS = {
  lawn: { name: 'lawn', draws: 'area' },
  bed: { name: 'bed, path or pond', draws: 'area' },
  bare: { name: 'bare patch', draws: 'area' },
  low: { name: 'low spot', draws: 'area' },
  worn: { name: 'worn line', draws: 'line' },
  edge: { name: 'edge to renew', draws: 'line' },
  building: { name: 'building', draws: 'area' },
  wall: { name: 'wall, fence or hedge', draws: 'line' },
  tree: { name: 'tree', draws: 'spot' },
  tap: { name: 'tap', draws: 'spot' },
  head: { name: 'sprinkler head', draws: 'spot' },
  cable: { name: 'cable or wire', draws: 'line' },
  pipe: { name: 'pipe or drain', draws: 'line' },
  trench: { name: 'settled trench', draws: 'line' },
} as const
export type ShapeKind = keyof typeof SHAPE_KINDS
export const SHAPE_KIND_IDS = Object.keys(SHAPE_KINDS) as [ShapeKind, ...ShapeKind[]]
export const OBSTACLES: readonly ShapeKind[] = ['building', 'wall', 'tree']

export const MEASURED_BY = ['tape', 'pacing', 'phone', 'traced', 'imported'] as const
export type MeasuredBy = (typeof MEASURED_BY)[number]
export const MEASURED_BY_NAMES: Record<MeasuredBy, string> = {
  tape: 'tape or wheel',
  pacing: 'pacing',
  phone: 'phone position',
  traced: 'traced over a picture',
  imported: 'taken from a file',
}

const coordinate = z
  .number({ error: 'A place on the plan is a number of metres.' })
  .min(-20_000, 'A place on the plan lies within 20 km of its origin.')
  .max(20_000, 'A place on the plan lies within 20 km of its origin.')
export const point = z.tuple([coordinate, coordinate])

export const shapeSchema = z
  .strictObject({
    id: z.string().regex(/^[A-Za-z0-9_-]{1,40}$/, 'An id is 1 to 40 letters, digits, _ or -.'),
    kind: oneOf(SHAPE_KIND_IDS, 'a kind of shape'),
    /** The zone a lawn belongs to, or the zone a shape's amount is counted in. */
    zone: z.string().max(40).nullable().default(null),
    name: text(80),
    /**
     * Rings of an area (the first outside, the rest holes), one run of a line, or one spot. Not
     * closed: the last place joins the first.
     */
    at: z.array(z.array(point).min(1).max(2000)).min(1).max(50),
    by: oneOf(MEASURED_BY, 'a way of measuring').default('tape'),
    /** Stated error of a place, where the phone or the file gives one. */
    error: quantity('length', { min: 0, max: 100, what: 'An error of position' }),
    height: quantity('length', { min: 0.1, max: 150, what: 'A height' }),
    width: quantity('length', { min: 0.02, max: 100, what: 'A width' }),
    crown: quantity('length', { min: 0.2, max: 60, what: 'A crown width' }),
    stem: quantity('length', { min: 0, max: 60, what: 'A clear stem' }),
    /** Drops its leaf in its winter; otherwise evergreen. */
    dropsLeaf: z.boolean().default(false),
    /**
     * What is asked of an obstacle: nothing, taken away, or cut: a wall or hedge down to `cutTo`, a
     * tree's stem cleared up to it.
     */
    whatIf: oneOf(['as-is', 'gone', 'cut'], 'a what-if').default('as-is'),
    cutTo: quantity('length', { min: 0, max: 150, what: 'A height cut to' }),
    /** It is agreed and will be done: the plan counts on it. */
    agreed: z.boolean().default(false),
    depth: quantity('depth', { min: 0, max: 3000, what: 'A depth' }),
    settling: quantity('percent', { min: 0, max: 60, what: 'Settling' }),
    flow: quantity('flow', { min: 0.1, max: 5000, what: 'A flow' }),
  })
  .superRefine((s, ctx) => {
    const draws = SHAPE_KINDS[s.kind].draws
    const wants = draws === 'area' ? 3 : draws === 'line' ? 2 : 1
    if (s.at.some((run) => run.length < wants))
      ctx.addIssue({
        code: 'custom',
        path: ['at'],
        message: `A ${SHAPE_KINDS[s.kind].name} takes at least ${wants} places; this one has fewer. Draw it again.`,
      })
  })
export type Shape = z.output<typeof shapeSchema>
export type ShapeDraft = z.input<typeof shapeSchema>

/**
 * A height read by string line, laser or phone: metres on the plan, millimetres above (+) or below
 * (−) the mark.
 */
export const levelSchema = z.strictObject({
  zone: z.string().max(40).nullable().default(null),
  x: coordinate,
  y: coordinate,
  mm: z.number({ error: 'A height is a number of millimetres.' }).min(-20_000).max(20_000),
})
export type Level = z.output<typeof levelSchema>

export const drawingSchema = z
  .strictObject({
    shapes: uniqueIds(z.array(shapeSchema).max(2000), 'shapes').default([]),
    levels: z.array(levelSchema).max(5000).default([]),
    /**
     * A picture to trace over: where its lower left corner lies, its scale in metres a pixel, and
     * degrees it is turned anticlockwise so that north is up.
     */
    picture: z
      .strictObject({
        photo: z.string().max(60),
        width: z.number().int().min(1).max(20_000),
        height: z.number().int().min(1).max(20_000),
        metresPerPixel: z.number().min(1e-4).max(100),
        turned: z.number().min(-360).max(360).default(0),
        x: coordinate.default(0),
        y: coordinate.default(0),
        /** False until a known length has been shown on it. */
        scaled: z.boolean().default(false),
      })
      .nullable()
      .default(null),
    /** Where the plan's origin lies, when it came from a file or a phone. */
    origin: z
      .strictObject({
        latitude: z.number().min(-85).max(85),
        longitude: z.number().min(-180).max(180),
      })
      .nullable()
      .default(null),
    /**
     * The hill line: how high the land stands, degrees, by compass direction, degrees from north
     * through east.
     */
    hills: z
      .array(
        z.strictObject({
          bearing: quantity('ratio', {
            min: 0,
            max: 360,
            what: 'A compass direction',
            because: 'north is 0, east 90.',
          }),
          height: quantity('ratio', {
            min: 0,
            max: 80,
            what: 'A hill',
            because: 'it is read in degrees above level.',
          }),
        }),
      )
      .max(72)
      .default([]),
  })
  .prefault({})
export type Drawing = z.output<typeof drawingSchema>
