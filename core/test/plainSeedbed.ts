import {
  DEEP,
  runsOfDay,
  STEPS,
  type Programme,
  type SeedbedGround,
  type SeedbedWeather,
} from '../src/establish/seedbed/seedbed.ts'
import type { SeedbedValues } from '../src/establish/seedbed/seedbedValues.ts'

/**
 * The same model written plainly: lists of layers, one small step after another, nothing kept for
 * speed. Only the water of the soil.
 */
export function plainSeedbed(
  w: SeedbedWeather,
  g: SeedbedGround,
  programme: Programme,
  v: SeedbedValues,
): number[] {
  const hour = 24 / STEPS
  const { capacity, wilting } = g.water
  const air = wilting / 2
  const layers = DEEP.map((deep, i) => ({
    deep,
    hold: capacity * deep,
    dry: air * deep,
    water: i === 0 ? (programme.runs.length > 0 ? capacity : (capacity + air) / 2) * deep : (wilting + (v.starts / 100) * (capacity - wilting)) * deep, // prettier-ignore
  }))
  const wetness = (l: (typeof layers)[number]) => (l.water - l.dry) / (l.hold - l.dry)
  let pond = 0
  const top: number[] = []
  for (let day = 0; day < w.days; day++)
    for (let step = 0; step < STEPS; step++) {
      const at = day * STEPS + step
      const first = day * programme.runs.length
      pond += w.rain[at]! + (programme.on(day) ? runsOfDay(programme, first)[step]! : 0)
      const into = Math.min(pond, g.intake * hour)
      layers[0]!.water += into
      pond = Math.min(g.stores, pond - into)
      layers.forEach((l, i) => {
        const goes = Math.min(Math.max(0, l.water - l.hold), g.intake * hour)
        l.water -= goes
        if (layers[i + 1]) layers[i + 1]!.water += goes
      })
      const kc = v.bare * (1 - (v.mulch / 100) * g.mulch) * (1 - (v.shade / 100) * g.sward)
      const uses = (l: (typeof layers)[number], most: number) => {
        l.water -= Math.min(most * Math.min(1, 2 * wetness(l)), l.water - l.dry)
      }
      uses(layers[0]!, kc * w.et0[at]!)
      const roots = layers.slice(2)
      const deep = roots.reduce((sum, l) => sum + l.deep, 0)
      for (const l of roots) uses(l, (g.sward * w.et0[at]! * l.deep) / deep)
      layers.slice(1).forEach((lower, i) => {
        const upper = layers[i]!
        const more = wetness(lower) - wetness(upper)
        if (more <= 0) return
        const apart = (upper.deep + lower.deep) / 2
        const rises = v.rise * hour * more * wetness(lower) ** 2 * (20 / apart)
        lower.water -= rises
        upper.water += rises
      })
      top.push(layers[0]!.water + layers[1]!.water)
    }
  return top
}
