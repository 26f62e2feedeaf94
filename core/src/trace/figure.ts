import type { Day } from '../calendar/day.ts'
import type { FigureId, StepId, ZoneId } from '../rules/id.ts'
import type { FigureValue, Unit } from '../quantities/show.ts'
import type { EvidenceLevel } from '../rules/evidence.ts'
import type { Message } from '../rules/message.ts'
import type { Stage } from '../rules/rule.ts'

/**
 * An input of a figure: another figure, a list of them, or a value that is no figure itself (out of
 * a table, a count).
 */
export type InputRef =
  | string
  | readonly string[]
  | { value: FigureValue | null; unit: Unit }
  | { values: readonly (number | string)[]; unit: Unit }

export interface Override {
  /** What the plan would have said. */
  instead: FigureValue
  unit: Unit
}

/**
 * Where a value comes from: typed in, assumed in its place, a firm's setting, a table, or worked by
 * a rule.
 */
export type Origin = 'typed' | 'assumed' | 'setting' | 'table' | 'worked'

/**
 * One value of a plan, in the core's units or ISO. `inputs` are named as the rule names them;
 * figures among them lie in the same table.
 */
export interface Figure {
  id: FigureId
  /** Id of the rule or reading that yields it. */
  rule: string
  origin: Origin
  label: Message
  value: FigureValue
  unit: Unit
  inputs: Record<string, InputRef>
  standing: EvidenceLevel
  stage: Stage
  zone?: string
  /** "choice:school", when a school decided it. */
  school?: string
  override?: Override
  /** What would change it, in words. */
  change?: Message
}

export const num = (figure: Figure): number => figure.value as number

/** First and last day of a figure that is a day or a span of days; null where it is neither. */
export function daysOf(figure: Figure | null): { low: Day; high: Day } | null {
  const value = figure?.value
  if (value === undefined || typeof value === 'number') return null
  return typeof value === 'string'
    ? { low: value, high: value }
    : { low: String(value.low), high: String(value.high) }
}

/**
 * Work that does not fit; a season passed over; a marginal day; what is only better and was given
 * up; more visits than asked for; a pin against the plan; ground left out of a tick; weather; a
 * place whose climate is a guess; a weekend between blades and cores; pests that are still active; a
 * wait that a label may shorten.
 */
export type NoticeKind =
  | 'does-not-fit'
  | 'season-passed'
  | 'surer-later'
  | 'marginal'
  | 'given-up'
  | 'stood'
  | 'visits'
  | 'pin'
  | 'part-ticked'
  | 'weather'
  | 'guess'
  | 'weekend'
  | 'live-pests'
  | 'label'

/** A sentence on the plan that stops or warns: what is wrong, why it matters, what to do. */
export interface Notice {
  id: string
  stage: Stage
  zone?: ZoneId
  level: 'hold' | 'warn' | 'note'
  /** What it is about, where somebody switches on that. */
  kind?: NoticeKind
  /** The step it speaks of. */
  step?: StepId
  title: Message
  says: Message
  figure?: FigureId
  /** A step and the day it would better be moved to. */
  move?: { kind: string; zones: readonly ZoneId[]; part?: number; day: string }
}

/** Ids of the figures among a figure's inputs, in order. */
export const figureInputs = (figure: Figure): string[] =>
  Object.values(figure.inputs).flatMap((ref) =>
    typeof ref === 'string' ? [ref] : Array.isArray(ref) ? (ref as string[]) : [],
  )
