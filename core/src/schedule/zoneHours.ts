import type { DressingPlan } from '../materials/dressing.ts'
import type { StepKind } from '../reference/operations.ts'
import { operationValues } from '../reference/operationValues.ts'
import { num } from '../trace/figure.ts'
import type { Trace } from '../trace/trace.ts'
import { effortOf, hoursOf } from '../work/hours.ts'
import type { ZoneOperation } from '../work/workTypes.ts'

/** Hours of moving what is spread on some zones in one lift: by shovel and barrow, or by machine. */
export function spreadingHours(
  kind: StepKind,
  zones: readonly string[],
  byMachine: boolean,
  dressing: DressingPlan | null,
  trace: Trace,
): number {
  const cubic = (dressing?.parts ?? [])
    .filter((p) => p.step === kind && zones.includes(p.zone))
    .reduce((sum, p) => sum + num(p.order) / p.lifts, 0)
  if (cubic === 0) return 0
  return cubic / trace.value(byMachine ? operationValues.machine : operationValues.shovel)
}

/**
 * Hours that an operation takes on one zone by itself, soil and later lifts with it: what a way, or a
 * rung of it, is told to take.
 */
export function hoursOnZone(
  zone: string,
  operation: ZoneOperation,
  dressing: DressingPlan | null,
  people: number,
  trace: Trace,
): number {
  const kind = operation.operation
  const soil = spreadingHours(kind, [zone], operation.tool === 'machine', dressing, trace)
  const once = hoursOf(effortOf(kind, [operation], soil, people, trace))
  const lifts =
    kind === 'dress'
      ? Math.max(1, ...(dressing?.parts ?? []).filter((p) => p.step === kind && p.zone === zone).map((p) => p.lifts)) // prettier-ignore
      : 1
  const again = () => hoursOf(effortOf('dress-again', [operation], soil, people, trace))
  return lifts > 1 ? once + (lifts - 1) * again() : once
}
