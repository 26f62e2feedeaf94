import type { Box } from './geometry.ts'

const SCALES = [20, 25, 50, 100, 125, 200, 250, 500, 1000, 2000, 2500, 5000, 10_000, 20_000]

/** The largest usual scale, as its denominator, at which a box of ground (m) fits on paper (mm). */
export function scaleFor(box: Box, paper: { width: number; height: number }): number {
  const fits = (n: number) =>
    ((box.east - box.west) * 1000) / n <= paper.width &&
    ((box.north - box.south) * 1000) / n <= paper.height
  return SCALES.find(fits) ?? SCALES.at(-1)!
}
