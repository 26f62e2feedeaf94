import { sure } from '@juvena/core/quantities/sure'
import ImageLayer from 'ol/layer/Image'
import type { Projection } from 'ol/proj'
import ImageCanvas from 'ol/source/ImageCanvas'
import type { Drawing } from '@juvena/core/entities/drawing'
import type { Area } from '@juvena/core/drawing/geometry'
import type { Grid } from '@juvena/core/light/lightMap'

/** The part of the plan in view, m, and the metres of a pixel. */
interface View {
  west: number
  south: number
  east: number
  north: number
  resolution: number
}
type Paint = (context: CanvasRenderingContext2D, view: View) => void

/**
 * A layer painted by hand: `paint` gets a context in which one unit is one metre, east and north.
 */
export function painted(projection: Projection, paint: Paint) {
  const source = new ImageCanvas({
    projection,
    ratio: 1.3,
    canvasFunction(extent, resolution, pixelRatio, size) {
      const canvas = document.createElement('canvas')
      canvas.width = Math.round(size[0]!)
      canvas.height = Math.round(size[1]!)
      const context = sure(canvas.getContext('2d'))
      const k = pixelRatio / resolution
      context.setTransform(k, 0, 0, -k, -extent[0]! * k, extent[3]! * k)
      paint(context, {
        west: extent[0]!,
        south: extent[1]!,
        east: extent[2]!,
        north: extent[3]!,
        resolution,
      })
      return canvas
    },
  })
  return { source, layer: new ImageLayer({ source }) }
}

/**
 * The plan's zero: typed places and levels are told from here, x to the east and y to the north.
 */
function paintZero(context: CanvasRenderingContext2D, step: number, pixel: number) {
  context.strokeStyle = context.fillStyle = '#8a7f63'
  context.lineWidth = 1.5 * pixel
  context.beginPath()
  context.moveTo(step, 0)
  context.lineTo(0, 0)
  context.lineTo(0, step)
  context.stroke()
  context.save()
  context.scale(pixel, -pixel)
  context.font = '12px "Atkinson Hyperlegible", sans-serif'
  context.fillText('0', -10, 13)
  context.fillText('x', step / pixel + 3, 4)
  context.fillText('y', -3, -step / pixel - 4)
  context.restore()
}

/** The grid of metres and the plan's zero. */
export const paintGrid: Paint = (context, box) => {
  const step = [0.5, 1, 2, 5, 10, 20, 50, 100, 500].find((s) => s / box.resolution >= 34) ?? 1000
  context.lineWidth = box.resolution
  context.strokeStyle = '#e8e0cb'
  context.beginPath()
  for (let x = Math.floor(box.west / step) * step; x <= box.east; x += step) {
    context.moveTo(x, box.south)
    context.lineTo(x, box.north)
  }
  for (let y = Math.floor(box.south / step) * step; y <= box.north; y += step) {
    context.moveTo(box.west, y)
    context.lineTo(box.east, y)
  }
  context.stroke()
  paintZero(context, step, box.resolution)
}

/** The picture traced over, where it lies. */
export function paintPicture(
  context: CanvasRenderingContext2D,
  bitmap: HTMLImageElement,
  p: NonNullable<Drawing['picture']>,
) {
  const [w, h] = [p.width * p.metresPerPixel, p.height * p.metresPerPixel]
  context.save()
  context.translate(p.x + w / 2, p.y + h / 2)
  context.rotate((p.turned * Math.PI) / 180)
  context.scale(1, -1)
  context.globalAlpha = 0.85
  context.drawImage(bitmap, -w / 2, -h / 2, w, h)
  context.restore()
}

/** A raster with the ground it is shown on. */
export interface ClippedRaster {
  canvas: HTMLCanvasElement
  grid: Grid
  clip: readonly Area[]
}
export function paintRasters(context: CanvasRenderingContext2D, rasters: readonly ClippedRaster[]) {
  context.imageSmoothingEnabled = false
  for (const { canvas, grid, clip } of rasters) {
    context.save()
    context.beginPath()
    for (const area of clip)
      for (const ring of area) {
        ring.forEach(([x, y], i) => (i === 0 ? context.moveTo(x, y) : context.lineTo(x, y)))
        context.closePath()
      }
    context.clip('evenodd')
    const [w, h] = [grid.columns * grid.cell, grid.rows * grid.cell]
    context.translate(grid.west, grid.south + h)
    context.scale(1, -1)
    context.drawImage(canvas, 0, 0, w, h)
    context.restore()
  }
}
