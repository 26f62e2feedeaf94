/** A grass in a mix: its share of the weight and of the plants, %. */
export interface PlantShare {
  weight: number
  plants: number
}

/**
 * Shares of the weight, %, that give wanted shares of the plants: w ∝ p ÷ (seeds in a gram × pure
 * live seed). What a gram of each grass gives is read off the mix as it stands, where it has both
 * shares; a grass with no weight keeps none. Makes 100 in tenths.
 */
export function weightsForPlants(now: readonly PlantShare[], wanted: readonly number[]): number[] {
  const raw = now.map(({ weight, plants }, i) =>
    weight > 0 && plants > 0 ? (wanted[i]! * weight) / plants : 0,
  )
  const sum = raw.reduce((a, b) => a + b, 0)
  if (!(sum > 0)) return now.map((n) => n.weight)
  const tenths = raw.map((w) => Math.round((1000 * w) / sum))
  // What rounding left over goes to the largest.
  const largest = tenths.indexOf(Math.max(...tenths))
  tenths[largest]! += 1000 - tenths.reduce((a, b) => a + b, 0)
  return tenths.map((t) => t / 10)
}
