import { sure } from '@juvena/core/quantities/sure'
import type { UnitSystem } from '@juvena/core/quantities/quantity'
import type { Raster } from '../../../workers/survey.worker.ts'

/** Colour by value, as steps: each colour holds from its `from` up to the next. */
export interface Scale {
  unit: string
  steps: { from: number; colour: string; says: string }[]
}

/** Hours of sun, from slate in shade to straw in the open. */
export const LIGHT_SCALE: Scale = {
  unit: 'h a day',
  steps: [
    { from: -Infinity, colour: '#2b4257', says: 'under 2' },
    { from: 2, colour: '#4a6270', says: '2' },
    { from: 3, colour: '#6d7c72', says: '3' },
    { from: 4, colour: '#948f6a', says: '4' },
    { from: 5, colour: '#b8a566', says: '5' },
    { from: 6, colour: '#d6bd69', says: '6' },
    { from: 7, colour: '#ebd27c', says: '7' },
    { from: 8, colour: '#f5e6ad', says: '8 and up' },
  ],
}

const LEVEL_COLOURS = ['#1f4a66', '#4f7f9b', '#a3c2cf', '#f3eedd', '#e3b795', '#c07a4d', '#8f4419']

/**
 * Distance from the aim in the firm's own round numbers: low in blue, true in paper, proud in clay.
 */
export function levelScale(system: UnitSystem): Scale {
  const [unit, per, lines] =
    system === 'us' ? (['in', 25.4, [0.2, 0.6, 1]] as const) : (['mm', 1, [5, 15, 25]] as const)
  const [small, mid, large] = lines
  const from = [-Infinity, -large, -mid, -small, small, mid, large]
  const says = [
    `${large} low`,
    `${mid}`,
    `${small}`,
    'true',
    `${small}`,
    `${mid}`,
    `${large} proud`,
  ]
  return {
    unit: `${unit} from the aim`,
    steps: LEVEL_COLOURS.map((colour, i) => ({ from: from[i]! * per, colour, says: says[i]! })),
  }
}

/** A raster as a small picture, one pixel a cell, north up; clear where there is nothing. */
export function pictureOf({ grid, values }: Raster, scale: Scale): HTMLCanvasElement {
  const canvas = document.createElement('canvas')
  canvas.width = grid.columns
  canvas.height = grid.rows
  const context = sure(canvas.getContext('2d'))
  const image = context.createImageData(grid.columns, grid.rows)
  const colours = scale.steps.map((s) =>
    [1, 3, 5].map((i) => parseInt(s.colour.slice(i, i + 2), 16)),
  )
  for (let row = 0; row < grid.rows; row++)
    for (let c = 0; c < grid.columns; c++) {
      const value = values[row * grid.columns + c]!
      if (Number.isNaN(value)) continue
      let step = 0
      while (step + 1 < scale.steps.length && value >= scale.steps[step + 1]!.from) step++
      const at = ((grid.rows - 1 - row) * grid.columns + c) * 4
      const [r, g, b] = colours[step]!
      image.data[at] = sure(r)
      image.data[at + 1] = sure(g)
      image.data[at + 2] = sure(b)
      image.data[at + 3] = 235
    }
  context.putImageData(image, 0, 0)
  return canvas
}
