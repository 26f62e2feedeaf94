import type { JobDraft } from '@juvena/core/entities/job'
import type { Point } from '@juvena/core/entities/drawing'

type Drawing = NonNullable<JobDraft['drawing']>
const box = (west: number, south: number, east: number, north: number): Point[] => [
  [west, south],
  [east, south],
  [east, north],
  [west, north],
]
const round = (x: number, y: number, radius: number, places = 40): Point[] =>
  Array.from({ length: places }, (_, i): Point => [
    Math.round((x + radius * Math.cos((2 * Math.PI * i) / places)) * 1000) / 1000,
    Math.round((y + radius * Math.sin((2 * Math.PI * i) / places)) * 1000) / 1000,
  ])

/**
 * Heights over the lower lawn by string line, mm from the peg at its gate: true at both ends, sunk
 * along the old drain.
 */
const LEVELS: [x: number, mm: [number, number, number, number]][] = [
  [0.6, [0, -2, -3, -4]],
  [4.6, [-5, -12, -19, -9]],
  [8.4, [-14, -24, -31, -6]],
  [12.2, [-3, -9, -4, 2]],
  [16, [3, 4, 2, 6]],
  [19.9, [4, 3, 5, 6]],
]
const NORTHINGS = [-9, -6.4, -3.8, -1.4]

/**
 * The guesthouse, invented: a house to the north, a hedge along the west, a lime to the east, and a
 * drain that has sunk.
 */
export const guesthouseDrawing: Drawing = {
  shapes: [
    {
      id: 's1',
      kind: 'lawn',
      zone: 'terrace',
      by: 'tape',
      at: [
        [
          [0, 1],
          [12, 1],
          [12, -0.5],
          [20, -0.5],
          [20, 11],
          [0, 11],
        ],
      ],
    },
    { id: 's2', kind: 'lawn', zone: 'lower', by: 'tape', at: [box(0, -9.6, 20.5, -1.2)] },
    { id: 's3', kind: 'lawn', zone: 'hedge', by: 'tape', at: [box(-2.8, -9.6, -0.7, 10.4)] },
    { id: 's4', kind: 'bed', name: 'round bed', at: [round(17, -5.2, 1.622)] },
    { id: 's5', kind: 'building', name: 'house', height: '3.4 m', at: [box(0, 13.6, 20, 18.4)] },
    {
      id: 's6',
      kind: 'wall',
      name: 'hedge',
      height: '4.8 m',
      width: '0.9 m',
      at: [
        [
          [-3.5, -9.6],
          [-3.5, 12],
        ],
      ],
      whatIf: 'cut',
      cutTo: '2 m',
    },
    {
      id: 's7',
      kind: 'tree',
      name: 'lime tree',
      height: '9 m',
      crown: '5.6 m',
      stem: '2.2 m',
      dropsLeaf: true,
      at: [[[24.4, -4.4]]],
    },
    { id: 's8', kind: 'bare', name: 'bare', at: [round(4.4, 4.6, 0.82, 16)] },
    {
      id: 's9',
      kind: 'cable',
      name: 'step lights',
      depth: '300 mm',
      at: [
        [
          [20.6, 12.6],
          [20.6, 2],
          [12.4, -0.8],
        ],
      ],
    },
    { id: 's10', kind: 'tap', name: 'tap', flow: '22 L/min', at: [[[20.6, 13.2]]] },
    { id: 's11', kind: 'head', name: 'head', at: [[[10.2, -1.6]]] },
    {
      id: 's12',
      kind: 'worn',
      name: 'to the gate',
      width: '0.7 m',
      at: [
        [
          [13.5, 0.2],
          [17.5, 4.5],
          [18.6, 10.8],
        ],
      ],
    },
  ],
  levels: LEVELS.flatMap(([x, heights]) =>
    heights.map((mm, i) => ({ zone: null, x, y: NORTHINGS[i]!, mm })),
  ),
  hills: [
    { bearing: 270, height: 6 },
    { bearing: 300, height: 12 },
    { bearing: 330, height: 4 },
    { bearing: 90, height: 3 },
  ],
}
