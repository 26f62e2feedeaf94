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
  byTools: rule({
    ...hours,
    id: 'work.hours-tools',
    says: 'Setting up, and the ground of each zone times its own passes over what one person does in an hour with the tool it is worked with, shared by those who work on it together.',
    inputs: {
      setUp: 'h',
      zones: 'm2[]',
      passes: '1[]',
      rates: 'm2/h[]',
      spreading: 'h',
      people: '1',
    },
    formula: '(setUp + sum(zones .* passes ./ rates) + spreading) / people',
    compute: ({ setUp, zones, passes, rates, spreading, people }) =>
      (setUp +
        sum(zones.map((zone, i) => (zone * (passes[i] ?? 1)) / (rates[i] ?? 1))) +
        spreading) /
      people,
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
  /** What each ground goes at, where they are worked with tools of different rates; else null. */
  rates: number[] | null
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
): Effort => {
  const rates = zones.map((z) => rateOf(kind, z.tool, trace))
  const [rate = rateOf(kind, null, trace)] = rates
  return {
    setUp: trace.value(OPERATIONS[kind].setUp),
    grounds: zones.map((z) => z.ground),
    passes: zones.map((z) => z.passes),
    by: OPERATIONS[kind].by,
    rate,
    rates: rates.every((r) => r === rate) ? null : rates,
    spreading,
    people,
  }
}

export function hoursOf(effort: Effort): number {
  const { by, setUp, grounds, passes, rate, rates, spreading, people } = effort
  const zones = grounds.map(num)
  if (by === 'nothing') return hoursRules.fixed.compute({ setUp, people }, {}) as number
  if (by === 'length')
    return hoursRules.byLength.compute({ setUp, lengths: zones, rate, people }, {}) as number
  if (rates)
    return hoursRules.byTools.compute({ setUp, zones, passes, rates, spreading, people }, {}) as number // prettier-ignore
  return hoursRules.byArea.compute({ setUp, zones, passes, rate, spreading, people }, {}) as number
}
