import { quantity, type Message } from '../trace/message.ts'
import type { TradeValue } from '../trace/rule.ts'
import type { Trace } from '../trace/trace.ts'
import { handTools } from './handTools.ts'
import type { Operation } from './operation.ts'
import { operationValues } from './operationValues.ts'
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

export const isStepKind = (id: string): id is StepKind => id in PLACES

/** Numbers of all operations as the rule book lists them, by the operation or the tool. */
export const operationRates: Readonly<Record<string, TradeValue>> = {
  ...Object.fromEntries(OPERATION_LIST.flatMap((o) => (o.rate ? [[o.id, o.rate]] : []))),
  ...handTools,
}
export const setUpHours: Readonly<Record<StepKind, TradeValue>> = byId((o) => o.setUp)

const wordsOf = (template: string, trace: Trace): Message => {
  const v = trace.values(operationValues)
  return {
    template,
    parts: {
      sprayWait: quantity(v.sprayWait, 'd'),
      preEmergence: quantity(v.preEmergence, 'd'),
      uncut: quantity(v.uncut, 'd'),
      recheck: quantity(v.recheck, 'd'),
      pests: quantity(v.pests, 'd'),
      sheet: quantity(v.sheet, 'd'),
      spikeDepth: quantity(v.spikeDepth, 'mm'),
      dampen: quantity({ low: v.dampenLeast, high: v.dampenMost }, 'rain'),
      coreDepth: quantity({ low: v.coreLeast, high: v.coreMost }, 'mm'),
    },
  }
}

/** What an operation is for, with the firm's numbers in it. */
export const operationWhy = (kind: StepKind, trace: Trace): Message =>
  wordsOf(OPERATIONS[kind].why, trace)

/** The ground and weather an operation wants, with the firm's numbers in it. */
export const operationWants = (kind: StepKind, trace: Trace): Message => {
  const { wants } = OPERATIONS[kind]
  return typeof wants === 'string' ? wordsOf(wants, trace) : wants
}

/** The name of an operation where something is sown, or where nothing is. */
export const operationName = (kind: StepKind, sown: boolean): Message =>
  sown ? OPERATIONS[kind].name : (OPERATIONS[kind].unsown ?? OPERATIONS[kind].name)
