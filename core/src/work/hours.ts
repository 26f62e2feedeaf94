import { dot, sum } from '../quantities/sum.ts'
import { OPERATIONS, type StepKind } from '../reference/operations.ts'
import { num, type Figure } from '../trace/figure.ts'
import { rule } from '../rules/rule.ts'
import type { Trace } from '../trace/trace.ts'
import type { ZoneOperation } from './workTypes.ts'

const says =
  'Setting up, and the ground of each zone times its own passes over what one person does in an hour, shared by those who work on it together.'
const hours = { key: 'hours', stage: 6, label: 'Hours', unit: 'work-h', standing: 'model' } as const

export const hoursRules = {
  byArea: rule({
    ...hours,
    id: 'work.hours',
    says,
    inputs: { setUp: 'h', zones: 'm2[]', passes: '1[]', rate: 'm2/h', spreading: 'h', people: '1' },
    formula: '(setUp + dot(zones, passes) / rate + spreading) / people',
    compute: ({ setUp, zones, passes, rate, spreading, people }) =>
      (setUp + dot(zones, passes) / rate + spreading) / people,
  }),
  byLength: rule({
    ...hours,
    id: 'work.hours-edge',
    says: 'Setting up, and the length over what one person does in an hour, shared by those who work on it together.',
    inputs: { setUp: 'h', lengths: 'm[]', rate: 'm/h', people: '1' },
    formula: '(setUp + sum(lengths) / rate) / people',
    compute: ({ setUp, lengths, rate, people }) => (setUp + sum(lengths) / rate) / people,
  }),
  fixed: rule({
    ...hours,
    id: 'work.hours-fixed',
    says: 'The same whatever the area, shared by those who work on it together.',
    inputs: { setUp: 'h', people: '1' },
    formula: 'setUp / people',
    compute: ({ setUp, people }) => setUp / people,
  }),
}

/**
 * What one step takes: the inputs of its hours. Grounds in m² (m along an edge), `spreading` in
 * hours of shovelling.
 */
export interface Effort {
  setUp: number
  grounds: Figure[]
  passes: number[]
  by: 'area' | 'length' | 'nothing'
  rate: number
  spreading: number
  people: number
}

/** The rate a step goes at: that of the tool chosen for it, or its usual one; none by nothing. */
function rateOf(kind: StepKind, tool: string | null, trace: Trace): number {
  const { rate, tools } = OPERATIONS[kind]
  const of = (tool && tools?.[tool]?.rate) || rate
  return of ? trace.value(of) : 1
}

export const effortOf = (
  kind: StepKind,
  zones: readonly Pick<ZoneOperation, 'ground' | 'passes' | 'tool'>[],
  spreading: number,
  people: number,
  trace: Trace,
): Effort => ({
  setUp: trace.value(OPERATIONS[kind].setUp),
  grounds: zones.map((z) => z.ground),
  passes: zones.map((z) => z.passes),
  by: OPERATIONS[kind].by,
  rate: rateOf(kind, zones.find((z) => z.tool)?.tool ?? null, trace),
  spreading,
  people,
})

export function hoursOf({ by, setUp, grounds, passes, rate, spreading, people }: Effort): number {
  const zones = grounds.map(num)
  if (by === 'nothing') return hoursRules.fixed.compute({ setUp, people }, {}) as number
  if (by === 'length')
    return hoursRules.byLength.compute({ setUp, lengths: zones, rate, people }, {}) as number
  return hoursRules.byArea.compute({ setUp, zones, passes, rate, spreading, people }, {}) as number
}
