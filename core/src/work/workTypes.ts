import type { Job } from '../entities/job.ts'
import type { Ask } from '../findings/asks.ts'
import type { Finding } from '../findings/finding.ts'
import type { ApproachId, Sowing } from '../reference/lists.ts'
import type { StepKind } from '../reference/operations.ts'
import type { Schools } from '../reference/schools.ts'
import type { Message } from '../rules/message.ts'
import type { Figure } from '../trace/figure.ts'
import type { Trace } from '../trace/trace.ts'
import type { ZoneReadings } from '../walkover/zoneReadings.ts'

/** One operation on one zone: who asks for it, how it is done, and on how much ground. */
export interface ZoneOperation {
  operation: StepKind
  asks: Ask[]
  passes: number
  /** mm, where it matters. */
  depth: number | null
  /** Height of cut, mm. */
  height: number | null
  /** Width of tines, mm. */
  tines: number | null
  tool: string | null
  /** m², or m of edge. */
  ground: Figure
  /** A person switched it on or set it. */
  yours: boolean
}

/** What was asked for and is not planned, and why. */
export interface NotPlanned {
  operation: StepKind
  asks: Ask[]
  reason: Message
  /** A person switched it off; or it cannot be switched on. */
  yours: boolean
  barred: boolean
}

/** The work of one zone. */
export interface ZoneWork {
  r: ZoneReadings
  season: 'cool' | 'warm'
  approach: ApproachId
  sowing: Sowing
  /** In the order of work. */
  operations: ZoneOperation[]
  notPlanned: NotPlanned[]
  /** Ground sown or planted, m²; null where nothing is. */
  sown: Figure | null
  /** % of the zone whose lows are buried in one go and sown as new; null where none are. */
  buried: Figure | number | null
  /** % of the zone that lies bare after blades and rake; null where neither go over it. */
  bareAfter: Figure | null
  /** Nothing is sown there, and more of it lies bare than closes in a season. */
  staysOpen: boolean
  /** Leaf standing when it is dressed, mm. */
  leaf: Figure
}

export const operationOf = (
  work: Pick<ZoneWork, 'operations'>,
  kind: StepKind,
): ZoneOperation | undefined => work.operations.find((o) => o.operation === kind)
export const plans = (work: Pick<ZoneWork, 'operations'>, ...kinds: StepKind[]): boolean =>
  work.operations.some((o) => kinds.includes(o.operation))

export interface WorkBrief {
  r: ZoneReadings
  season: 'cool' | 'warm'
  approach: ApproachId
  findings: readonly Finding[]
  job: Pick<Job, 'aims' | 'dressing' | 'cover' | 'watering' | 'waterer' | 'schools'>
  schools: Schools
  /** Turf over deep lows is lifted and laid back, instead of dressed in lifts. */
  laidBack?: true
  trace: Trace
}
