import { OPERATIONS, type StepKind } from '../reference/operations.ts'
import { operationValues } from '../reference/operationValues.ts'
import { quantity, type Message } from '../rules/message.ts'
import type { Trace } from '../trace/trace.ts'

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
