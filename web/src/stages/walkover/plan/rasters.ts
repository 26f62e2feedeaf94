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

/** Millimetres from the aim: low in blue, true in paper, proud in clay. */
export const LEVEL_SCALE: Scale = {
  unit: 'mm from the aim',
  steps: [
    { from: -Infinity, colour: '#1f4a66', says: '25 low' },
    { from: -25, colour: '#4f7f9b', says: '15' },
    { from: -15, colour: '#a3c2cf', says: '5' },
    { from: -5, colour: '#f3eedd', says: 'true' },
    { from: 5, colour: '#e3b795', says: '5' },
    { from: 15, colour: '#c07a4d', says: '15' },
    { from: 25, colour: '#8f4419', says: '25 proud' },
  ],
}

/** A raster as a small picture, one pixel a cell, north up; clear where there is nothing. */
export function pictureOf({ grid, values }: Raster, scale: Scale): HTMLCanvasElement {
  const canvas = document.createElement('canvas')
  canvas.width = grid.columns
  canvas.height = grid.rows
  const context = canvas.getContext('2d')!
  const image = context.createImageData(grid.columns, grid.rows)
  const colours = scale.steps.map((s) => [1, 3, 5].map((i) => parseInt(s.colour.slice(i, i + 2), 16)))
  for (let row = 0; row < grid.rows; row++)
    for (let c = 0; c < grid.columns; c++) {
      const value = values[row * grid.columns + c]!
      if (Number.isNaN(value)) continue
      let step = 0
      while (step + 1 < scale.steps.length && value >= scale.steps[step + 1]!.from) step++
      const at = ((grid.rows - 1 - row) * grid.columns + c) * 4
      const [r, g, b] = colours[step]!
      image.data[at] = r!
      image.data[at + 1] = g!
      image.data[at + 2] = b!
      image.data[at + 3] = 235
    }
  context.putImageData(image, 0, 0)
  return canvas
}
