import { sum } from '../quantities/sum.ts'
import { operationRates, setUpHours, type StepKind } from '../reference/operations.ts'
import { rule } from '../trace/rule.ts'
import type { Trace } from '../trace/trace.ts'

const says = 'Setting up, and area times passes over what one person does in an hour, shared by those who work on it together.'

export const hoursRules = {
  byArea: rule({
    id: 'work.hours',
    key: 'hours',
    stage: 6,
    label: 'Hours',
    unit: 'h',
    standing: 'model',
    says,
    inputs: { setUp: 'h', zones: 'm2[]', passes: '1', rate: 'm2/h', spreading: 'h', people: '1' },
    formula: '(setUp + sum(zones) * passes / rate + spreading) / people',
    compute: ({ setUp, zones, passes, rate, spreading, people }) => (setUp + (passes * sum(zones)) / rate + spreading) / people,
  }),
  fixed: rule({
    id: 'work.hours-fixed',
    key: 'hours',
    stage: 6,
    label: 'Hours',
    unit: 'h',
    standing: 'model',
    says: 'The same whatever the area, shared by those who work on it together.',
    inputs: { setUp: 'h', people: '1' },
    formula: 'setUp / people',
    compute: ({ setUp, people }) => setUp / people,
  }),
}

/** What one step takes: the inputs of its hours. Areas in m², `spreading` in hours of shovelling; no rate where it does not go by area. */
export interface Effort {
  setUp: number
  zones: number[]
  passes: number
  rate: number | null
  spreading: number
  people: number
}

export const effortOf = (kind: StepKind, zones: number[], passes: number, spreading: number, people: number, trace: Trace): Effort => ({
  setUp: trace.value(setUpHours[kind]),
  zones,
  passes,
  rate: kind in operationRates ? trace.value(operationRates[kind as keyof typeof operationRates]) : null,
  spreading,
  people,
})

export const hoursOf = ({ rate, ...effort }: Effort): number =>
  (rate === null ? hoursRules.fixed.compute(effort, {}) : hoursRules.byArea.compute({ ...effort, rate }, {})) as number
