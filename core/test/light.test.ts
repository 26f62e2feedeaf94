import { Body, Equator, Horizon, Observer } from 'astronomy-engine'
import { describe, expect, it } from 'vitest'
import {
  castLight,
  daysFor,
  hillAt,
  lightMap,
  sunThroughDay,
  type LightInput,
} from '../src/light/lightMap.ts'
import {
  crownTransmittance,
  obstaclesOf,
  shadowsAt,
  CROWN_TRANSMITTANCE,
  type Obstacle,
} from '../src/light/obstacles.ts'
import { sunAt } from '../src/light/sun.ts'
import { areaOf, boxOf } from '../src/drawing/geometry.ts'
import { cellsIn, gridOver, isMixed, splitByLight } from '../src/light/zoneLight.ts'
import { shapeSchema } from '../src/entities/drawing.ts'
import { naiveHours } from './naiveLight.ts'

const day = (iso: string) => Date.parse(`${iso}T00:00:00Z`) / 86_400_000
const wall = (ring: [number, number][], height: number): Obstacle => ({
  shape: 'w',
  dropsLeaf: false,
  form: 'block',
  footprint: [ring],
  height,
})
const box = (x: number, y: number, w: number, h: number): [number, number][] => [
  [x, y],
  [x + w, y],
  [x + w, y + h],
  [x, y + h],
]
const input = (change: Partial<LightInput>): LightInput => ({
  latitude: -44.2,
  longitude: 170.1,
  obstacles: [],
  hills: [],
  grid: { west: 0, south: 0, cell: 0.5, columns: 40, rows: 40 },
  days: [day('2027-03-21')],
  stepMinutes: 15,
  ...change,
})
const cellAt = (i: LightInput, x: number, y: number) =>
  Math.floor((y - i.grid.south) / i.grid.cell) * i.grid.columns +
  Math.floor((x - i.grid.west) / i.grid.cell)

describe('the sun’s place', () => {
  // Worked example of the solar-position report of NREL (Reda & Andreas, TP-560-34302), from
  // memory.
  it('agrees with the published worked example', () => {
    const sun = sunAt(Date.UTC(2003, 9, 17, 19, 30, 30), 39.742476, -105.1786, {
      pressure: 820,
      celsius: 11,
    })
    expect(90 - sun.altitude).toBeCloseTo(50.111, 2)
    expect(sun.azimuth).toBeCloseTo(194.34, 2)
  })

  it.each([-66, -44.2, 0, 35, 60])(
    'keeps within 0.01° of astronomy-engine through a year at latitude %d, both lifted by the air',
    (latitude) => {
      const here = new Observer(latitude, 170.1, 0)
      let worst = 0
      for (let d = 0; d < 366; d += 2)
        for (let h = 0; h < 24; h += 1.5) {
          const instant = Date.UTC(2027, 0, 1 + d) + h * 3_600_000
          const at = Equator(Body.Sun, new Date(instant), here, true, true)
          const theirs = Horizon(new Date(instant), here, at.ra, at.dec, 'normal')
          if (theirs.altitude < 0) continue
          const ours = sunAt(instant, latitude, 170.1)
          const turn =
            Math.abs(((ours.azimuth - theirs.azimuth + 540) % 360) - 180) *
            Math.cos((theirs.altitude * Math.PI) / 180)
          worst = Math.max(worst, Math.abs(ours.altitude - theirs.altitude), turn)
        }
      expect(worst).toBeLessThan(0.01)
      expect(worst).toBeGreaterThan(0)
    },
  )

  it('mirrors the hemispheres: half a year apart the noon sun stands as high, on the other side', () => {
    const noon = (latitude: number, iso: string) =>
      sunThroughDay(day(iso), latitude, 0, 15, []).reduce((a, b) =>
        b.altitude > a.altitude ? b : a,
      )
    const [north, south] = [noon(44.2, '2027-06-21'), noon(-44.2, '2027-12-22')]
    expect(north.altitude).toBeCloseTo(south.altitude, 1)
    expect(Math.abs(north.azimuth - 180)).toBeLessThan(5)
    expect(Math.min(south.azimuth, 360 - south.azimuth)).toBeLessThan(5)
  })
})

describe('shadows', () => {
  it('of a wall end as far off as height over the tangent of the sun’s altitude', () => {
    const [shadow] = [shadowsAt([wall(box(0, 0, 10, 0.2), 2)], { azimuth: 180, altitude: 30 })]
    expect(boxOf(shadow!.flat(2))!.north).toBeCloseTo(0.2 + 2 / Math.tan(Math.PI / 6), 9)
    expect(boxOf(shadow!.flat(2))!.south).toBeCloseTo(0, 9)
  })

  it('of a crown is an ellipse √(r² + (half·cot)²) by r, its middle thrown height × cot off', () => {
    const crown: Obstacle = {
      shape: 't',
      dropsLeaf: false,
      form: 'crown',
      at: [0, 0],
      radius: 3,
      middle: 6,
      half: 4,
    }
    const [shadow] = shadowsAt([crown], { azimuth: 270, altitude: 45 })
    const b = boxOf(shadow!.flat())!
    expect([b.east, b.west].map((x) => Math.round(x * 1000) / 1000)).toEqual([11, 1])
    expect(b.north).toBeCloseTo(3, 6)
    expect(areaOf(shadow!)).toBeCloseTo(Math.PI * 5 * 3, 0)
  })

  // Trigonometry: on the equator at the equinox the sun crosses in the plane of east, zenith and
  // west.
  it('of a pole at the equinox sweeps due west to due east on the equator, and lies along a straight line at 44° south', () => {
    const tip = (latitude: number, sun: { azimuth: number; altitude: number }) => {
      const b = shadowsAt([wall(box(-0.005, -0.005, 0.01, 0.01), 1)], sun).flat(2)
      return latitude === 0
        ? boxOf(b)!
        : b.reduce((far, p) => (Math.hypot(p[0]!, p[1]!) > Math.hypot(far[0]!, far[1]!) ? p : far))
    }
    for (const sun of sunThroughDay(day('2027-03-21'), 0, 0, 60, [])) {
      const b = tip(0, sun) as { north: number; south: number }
      expect(Math.max(Math.abs(b.north), Math.abs(b.south))).toBeLessThan(0.12)
    }
    const line = sunThroughDay(day('2027-03-21'), -44.2, 0, 60, []).map(
      (sun) => (tip(-44.2, sun) as number[])[1]!,
    )
    // Its distance from the pole is 1 m × tan(latitude) all day; the shadow falls south.
    for (const y of line) expect(y).toBeCloseTo(-Math.tan((44.2 * Math.PI) / 180), 0)
  })

  it('of what is cut, gone or agreed follow what is asked', () => {
    const tree = shapeSchema.parse({
      id: 't',
      kind: 'tree',
      at: [[[0, 0]]],
      height: 8,
      crown: 5,
      stem: 2,
      whatIf: 'gone',
    })
    expect(obstaclesOf([tree], { whatIf: false })).toHaveLength(2)
    expect(obstaclesOf([tree], { whatIf: true })).toHaveLength(0)
    expect(obstaclesOf([{ ...tree, agreed: true }], { whatIf: false })).toHaveLength(0)
    const lifted = obstaclesOf([{ ...tree, whatIf: 'cut', cutTo: 5 }], { whatIf: true }).find(
      (o) => o.form === 'crown',
    )
    expect(lifted).toMatchObject({ middle: 6.5, half: 1.5 })
  })
})

describe('the light map', () => {
  const obstacles: Obstacle[] = [
    wall(box(3, 12, 8, 3), 5),
    {
      shape: 'l',
      dropsLeaf: false,
      form: 'block',
      height: 3,
      footprint: [
        [
          [14, 2],
          [18, 2],
          [18, 8],
          [16, 8],
          [16, 4],
          [14, 4],
        ],
      ],
    },
    { shape: 't', dropsLeaf: false, form: 'crown', at: [6, 5], radius: 2, middle: 4, half: 2 },
    { shape: 'd', dropsLeaf: true, form: 'crown', at: [9, 6], radius: 2.5, middle: 5, half: 3 },
    { shape: 'e', dropsLeaf: true, form: 'crown', at: [10, 8], radius: 2, middle: 4, half: 2 },
  ]
  it('agrees with a ray cast at each cell, one obstacle at a time', () => {
    const i = input({
      obstacles: [
        ...obstacles,
        {
          shape: 'bank',
          dropsLeaf: false,
          form: 'tilt',
          areas: [[box(2, 1, 9, 17)]],
          fall: 0.3,
          towards: 200,
        },
      ],
      days: daysFor(day('2027-03-02'), day('2027-05-10'), 4),
      hills: [
        { bearing: 0, height: 5 },
        { bearing: 180, height: 12 },
      ],
    })
    const map = lightMap(i)
    const cells = Array.from({ length: 160 }, (_, k) => k * 10 + (k % 7))
    const rays = naiveHours(i, cells)
    const off = cells.map((c, k) => Math.abs(map.hours[c]! - rays[k]!))
    // A cell on the very edge of a shadow may fall either way: a step now and then, never a drift.
    expect(off.filter((o) => o > 0.02).length).toBeLessThan(cells.length * 0.02)
    expect(Math.max(...off)).toBeLessThan(0.3)
    expect(new Set(rays.map((h) => Math.round(h))).size).toBeGreaterThan(3)
  })

  it('gives open ground its whole day, the same everywhere, and nothing to ground walled in', () => {
    const open = lightMap(input({}))
    // Equinox: 12 h of day, less what the sun spends under 3° at 44° (3 ÷ cos 44° ÷ 15 h each end)
    // and gains by refraction. From first principles.
    expect(open.open).toBeCloseTo(12 - (2 * 3) / Math.cos((44.2 * Math.PI) / 180) / 15, 0)
    expect(Math.min(...open.hours)).toBe(Math.max(...open.hours))
    const pit = input({
      obstacles: [
        wall(box(0, 0, 20, 1), 200),
        wall(box(0, 19, 20, 1), 200),
        wall(box(0, 0, 1, 20), 200),
        wall(box(19, 0, 1, 20), 200),
      ],
    })
    expect(lightMap(pit).hours[cellAt(pit, 10, 10)]).toBeLessThan(1)
  })

  it('puts shade on the far side of a wall from the sun: south of it in the south, north of it in the north', () => {
    for (const [latitude, shady] of [
      [-44.2, 9],
      [44.2, 11.5],
    ] as const) {
      const i = input({ latitude, longitude: 0, obstacles: [wall(box(0, 10, 20, 0.5), 2)] })
      const { hours } = lightMap(i)
      const [south, north] = [hours[cellAt(i, 10, 9)]!, hours[cellAt(i, 10, 11.5)]!]
      expect(shady === 9 ? south < north - 3 : north < south - 3).toBe(true)
    }
  })

  it('takes from sloping ground the sun behind it: 1 in 1 to the west on the equator waits for the sun to stand at 45°, at nine by the sun', () => {
    const tilt = (fall: number, towards: number): Obstacle => ({
      shape: 'z',
      dropsLeaf: false,
      form: 'tilt',
      areas: [[box(0, 0, 10, 20)]],
      fall,
      towards,
    })
    const at = (latitude: number, fall: number, towards: number, on = '2027-03-21') => {
      const i = input({
        latitude,
        longitude: 0,
        stepMinutes: 1,
        obstacles: [tilt(fall, towards)],
        days: [day(on)],
      })
      const { hours, open } = lightMap(i)
      return { on: hours[cellAt(i, 5, 10)]!, beside: hours[cellAt(i, 15, 10)]!, open }
    }
    const west = at(0, 1, 270)
    // From 9:00 until the sun is seen 3° up: twelve minutes before six, and one later for the air.
    // Trigonometry.
    expect(Math.abs(west.on - (9 - 12 / 60 + 1 / 60))).toBeLessThan(0.03)
    expect(west.beside).toBeCloseTo(west.open, 4)
    expect(at(0, 1, 90).on).toBeCloseTo(west.on, 1)
    expect(at(-44.2, 0, 180).on).toBeCloseTo(at(-44.2, 0, 180).open, 4)
    // Away from the noon sun is south in the south and north in the north; half a year apart they
    // lose as much.
    const [south, north] = [at(-44.2, 0.2, 180, '2027-06-21'), at(44.2, 0.2, 0, '2027-12-22')]
    expect(south.on).toBeLessThan(south.open - 1)
    expect(south.on).toBeCloseTo(north.on, 1)
    expect(at(-44.2, 0.2, 0, '2027-06-21').on).toBeCloseTo(south.open, 4)
  })
  it('the hill line runs straight between its directions, round the compass', () => {
    const hills = [
      { bearing: 270, height: 20 },
      { bearing: 90, height: 10 },
    ]
    const heights = [0, 45, 90, 180, 270, 315, 359.999].map((b) => hillAt(b, hills))
    expect(heights.map((h) => Number(h.toFixed(3)))).toEqual([15, 12.5, 10, 15, 20, 17.5, 15])
    expect(hillAt(200, [{ bearing: 30, height: 7 }])).toBe(7)
    expect(hillAt(200, [])).toBe(0)
  })
  it('cells lie in an area when their middles do, edge to edge of the grid', () => {
    const grid = { west: 0, south: 0, cell: 1, columns: 4, rows: 3 }
    const square = (x0: number, y0: number, x1: number, y1: number): [number, number][][] => [
      [
        [x0, y0],
        [x1, y0],
        [x1, y1],
        [x0, y1],
      ],
    ]
    expect(cellsIn([square(-9, -9, 9, 9)], grid)).toEqual(Array.from({ length: 12 }, (_, i) => i))
    expect(cellsIn([square(0.6, 0, 2.4, 1)], grid)).toEqual([1])
    expect(cellsIn([square(0.4, 1.4, 2.6, 2.6)], grid)).toEqual([4, 5, 6, 8, 9, 10])
  })
  it('takes an hour of hill off the day as the hill stands: none below it, all of the west when it is a cliff', () => {
    expect(
      hillAt(350, [
        { bearing: 340, height: 10 },
        { bearing: 20, height: 30 },
      ]),
    ).toBeCloseTo(15)
    const cliff = [0, 1, 179, 180, 181, 359].map((bearing) => ({
      bearing,
      height: bearing > 180 ? 89 : 0,
    }))
    const half = lightMap(input({ hills: cliff.map((h) => ({ ...h, bearing: h.bearing })) })).open
    expect(half).toBeCloseTo(lightMap(input({})).open / 2, 0)
  })

  it('lets through a share by season: bare in July and in leaf in January in the south, the other way in the north', () => {
    expect([crownTransmittance(200, -44), crownTransmittance(15, -44)]).toEqual([
      CROWN_TRANSMITTANCE.bare,
      CROWN_TRANSMITTANCE.leaf,
    ])
    expect([crownTransmittance(200, 44), crownTransmittance(15, 44)]).toEqual([
      CROWN_TRANSMITTANCE.leaf,
      CROWN_TRANSMITTANCE.bare,
    ])
    const crown: Obstacle = {
      shape: 't',
      dropsLeaf: true,
      form: 'crown',
      at: [10, 10],
      radius: 8,
      middle: 9,
      half: 8,
    }
    const sun = (iso: string) => {
      const i = input({ obstacles: [crown], days: [day(iso)] })
      const m = lightMap(i)
      return m.hours[cellAt(i, 10, 10)]! / m.open
    }
    expect(sun('2027-07-10')).toBeGreaterThan(sun('2027-01-10') + 0.2)
  })

  it('tells how far it is, and can be stopped', () => {
    const cast = castLight(input({ days: daysFor(day('2027-03-02'), day('2027-05-10'), 5) }))
    expect([cast.next().value, cast.next().value]).toEqual([0.2, 0.4])
    expect(cast.return(undefined as never).done).toBe(true)
  })

  it('offers a zone of two lights as two, along the line, and leaves an even one whole', () => {
    const lawn = [[box(0, 0, 20, 20)]]
    const i = input({ obstacles: [wall(box(-0.5, 20, 21, 0.5), 9)] })
    const split = splitByLight(lawn, lightMap(i))!
    const size = (list: typeof lawn) => list.reduce((s, a) => s + areaOf(a), 0)
    expect(size(split.shade) + size(split.sun)).toBeCloseTo(400, 3)
    // The wall stands to the north, so the shade lies along it, and the cut runs with the wall.
    expect(boxOf(split.shade.flat(2))!.north).toBeCloseTo(20, 6)
    expect(boxOf(split.shade.flat(2))!.south).toBeGreaterThan(2)
    expect(Math.abs(split.to[1] - split.from[1])).toBeLessThan(0.2)
    expect(splitByLight(lawn, lightMap(input({})))).toBeNull()
    expect(
      isMixed({ low: 2.9, median: 5, high: 4.1, cells: 9 }) &&
        !isMixed({ low: 3.1, median: 5, high: 8, cells: 9 }),
    ).toBe(true)
    expect(gridOver([], 0.25, 100)).toBeNull()
  })
})

describe('an outline that crosses a row more than 512 times', () => {
  // A comb of 400 teeth, each a metre wide and a metre apart: a row crosses 800 edges.
  const TEETH = 400
  const teeth = Array.from({ length: TEETH }, (_, i): [number, number][] => [
    [2 * i, 10],
    [2 * i + 1, 10],
    [2 * i + 1, 1],
    [2 * i + 2, 1],
  ]).flat()
  const comb = wall([[0, 0], ...teeth, [2 * TEETH, 0]], 0.01)
  const ground = input({
    obstacles: [comb],
    grid: { west: 0, south: 0, cell: 0.5, columns: 4 * TEETH, rows: 24 },
    stepMinutes: 120,
  })
  it('shades its last teeth as its first, and nothing between them', () => {
    const { hours } = lightMap(ground)
    for (const tooth of [3, 250, 260, 300, TEETH - 4]) {
      const at = (x: number) => hours[cellAt(ground, 2 * tooth + x, 5.2)]!
      expect(at(0.7), `tooth ${tooth}`).toBe(0)
      expect(at(1.7), `gap ${tooth}`).toBeGreaterThan(5)
    }
  })
})
