import type { PlannedStep } from '../plan/order.ts'
import { orderOf, type StepKind } from '../reference/operations.ts'
import { num } from '../trace/figure.ts'

/** Hours of everybody by kind of work, in the order of work. */
export function hoursByKind(
  steps: readonly Pick<PlannedStep, 'kind' | 'hours' | 'people'>[],
): { kind: StepKind; hours: number }[] {
  const by = new Map<StepKind, number>()
  for (const s of steps) by.set(s.kind, (by.get(s.kind) ?? 0) + num(s.hours) * s.people)
  return [...by]
    .map(([kind, hours]) => ({ kind, hours }))
    .sort((a, b) => orderOf(a.kind) - orderOf(b.kind))
}
