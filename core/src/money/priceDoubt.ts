import type { JobPlan } from '../plan/jobPlan.ts'
import type { MoneyLine } from '../plan/money.ts'
import { sum } from '../quantities/sum.ts'
import { zoneOf } from '../trace/scope.ts'

/** A zone whose area is known with an error. */
export interface MeasuredZone {
  zone: string
  /** m². */
  area: number
  /** 90 % either way, as a share. */
  error: number
}

/**
 * What the error of each zone's area moves its part of the lines by, thousandths. Travel, delivery
 * and machines go by no area; hours are shared out by the area of a step's zones, materials and
 * debris by what each zone takes.
 */
export function doubtByZone(
  lines: readonly MoneyLine[],
  { steps, materials, figures }: Pick<JobPlan, 'steps' | 'materials' | 'figures'>,
  areas: readonly MeasuredZone[],
): number[] {
  const all = areas.map((a) => ({ zone: a.zone, weight: a.area }))
  const weightsOf = ({ id, group }: MoneyLine): { zone: string; weight: number }[] => {
    const of = id.slice(id.indexOf('.') + 1)
    switch (group) {
      case 'labour': {
        const zones = new Set(steps.find((s) => s.id === of)?.zones.map(zoneOf))
        return all.filter((a) => zones.has(a.zone))
      }
      case 'materials':
      case 'disposal':
        return Object.entries(materials.find((m) => m.id === of)?.cells ?? {}).map(
          ([zone, figure]) => ({ zone: zoneOf(zone), weight: Number(figures[figure]?.value ?? 0) }),
        )
      case 'water':
        return all
      default:
        return []
    }
  }
  const moved = new Map<string, number>()
  for (const line of lines) {
    const weights = weightsOf(line)
    const whole = sum(weights.map((w) => w.weight))
    for (const { zone, weight } of whole > 0 ? weights : [])
      moved.set(zone, (moved.get(zone) ?? 0) + (line.money * weight) / whole)
  }
  return areas.flatMap(({ zone, error }) => {
    const by = (moved.get(zone) ?? 0) * error
    return by > 0 ? [by] : []
  })
}
