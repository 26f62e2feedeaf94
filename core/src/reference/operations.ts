import type { TradeValue } from '../rules/rule.ts'
import { handTools } from './handTools.ts'
import type { Operation } from './operation.ts'
import { OPERATION_LIST } from './operations/list.ts'

export type StepKind = (typeof OPERATION_LIST)[number]['id']

/** Every operation, in the order of work. */
export const STEP_KINDS: readonly StepKind[] = OPERATION_LIST.map((o) => o.id)

const byId = <T>(of: (operation: Operation & { id: StepKind }) => T) =>
  Object.fromEntries(OPERATION_LIST.map((o) => [o.id, of(o)])) as Record<StepKind, T>

export const OPERATIONS: Readonly<Record<StepKind, Operation>> = byId((o) => o)

const PLACES = byId((o) => STEP_KINDS.indexOf(o.id))
/** Place of an operation in the order of work. */
export const orderOf = (kind: StepKind): number => PLACES[kind]

/** The operations that something is true of, in the order of work. */
export const kindsThat = (holds: (operation: Operation) => unknown): readonly StepKind[] =>
  STEP_KINDS.filter((kind) => holds(OPERATIONS[kind]))

export const isStepKind = (id: string): id is StepKind => Object.hasOwn(PLACES, id)

/** Numbers of all operations as the rule book lists them, by the operation or the tool. */
export const operationRates: Readonly<Record<string, TradeValue>> = {
  ...Object.fromEntries(OPERATION_LIST.flatMap((o) => (o.rate ? [[o.id, o.rate]] : []))),
  ...handTools,
}
export const setUpHours: Readonly<Record<StepKind, TradeValue>> = byId((o) => o.setUp)
