import type { StepKind } from '../reference/operations.ts'
import type { Message } from '../rules/message.ts'

/** Who asks for an operation. */
export type AskedBy = 'finding' | 'drawing' | 'aim' | 'sowing' | 'school' | 'work' | 'way' | 'you'

/**
 * How strongly: `must` and `should` are planned unless something stands in the way; `may` is
 * offered.
 */
export type Strength = 'must' | 'should' | 'may'

/** An operation asked for, by whom and why. */
export interface Ask {
  operation: StepKind
  by: AskedBy
  /** The finding, shape or aim that asks: "thatch". */
  source: string
  strength: Strength
  why: Message
  passes?: number
  /** mm. */
  depth?: number
}

/**
 * An operation that must not be done here (`hard`), or that is not worth doing unless a person
 * decides so.
 */
export interface Forbid {
  operation: StepKind
  hard: boolean
  why: Message
}
