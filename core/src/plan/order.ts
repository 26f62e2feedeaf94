import type { PackageId, StepId, ZoneId } from '../rules/id.ts'
import type { StepState } from './stepState.ts'
import type { SeasonName, DayState, HoldReason, Reason } from '../climate/dayReasons.ts'
import type { Day } from '../calendar/day.ts'
import type { CautionId } from '../reference/cautions.ts'
import type { GrassId } from '../reference/grasses.ts'
import type { ApproachId } from '../reference/lists.ts'
import type { StepKind } from '../reference/operations.ts'
import type { Figure } from '../trace/figure.ts'
import type { Message } from '../rules/message.ts'
import type { PackageKind } from '../work/workPackages.ts'

/** The first day that something allows a step, and what that is. */
export interface Held {
  until: Day
  why: HoldReason
}

export interface PlannedStep {
  id: StepId
  workPackage: PackageId
  kind: StepKind
  /** Which of several repeats it is: the third lift, the second mow. */
  part?: number
  name: Message
  why: Message
  zones: ZoneId[]
  hours: Figure
  /** People who share it. */
  people: number
  passes: number
  span: number
  earliest: Day | null
  latest: Day | null
  chosen: Day
  day: Figure
  precondition: Message
  /** What it waits for, whatever the season; null where nothing holds it still. */
  holds: Held | null
  /** Heights, depths, passes and tools, by zone where they differ. */
  how: Message
  state: StepState
  /** What is decided there; nothing where it is no look. */
  look?: StepLook
  cautions: CautionId[]
}

/** A look: what is counted or seen, and what each answer leads to. */
export interface StepLook {
  counts: 'cover' | 'seen'
  asks: Message
  /** When it is a yes, and what is done then. */
  yes: { when: Message; says: Message }
  no: { when: Message; says: Message }
  /** As recorded; null while nobody has looked. */
  answer: 'yes' | 'no' | null
}

export interface WindowSpan {
  from: Day
  to: Day
  state: DayState
  reason: Reason
}

export interface PackagePlan {
  id: PackageId
  kind: PackageKind
  season: 'cool' | 'warm'
  zones: ZoneId[]
  fits: boolean
  cutOff: Figure
  /** Days the cut-off lies before the frost. */
  lead: number
  window: WindowSpan[]
  /** The same for each grass of a mix that is wanted for itself; none where it is one. */
  byGrass: GrassWindow[]
  /** The next honest sowings, one of them taken; none where nothing is sown. */
  choices: SowingChoice[]
  sowDay: Day
  /** What its day is worth and what others would be; null where its day is behind. */
  worth: PieceWorth | null
  /** The step that its days hang on. */
  anchor: StepKind
  /** Whether anything is sown, set or laid. */
  plants: boolean
  /** What is only better and was given up: for the season, a pin or the visits asked for. */
  givenUp: Message[]
  /** Days on site up to the sowing, or up to what its days hang on. */
  visits: number
  /** First what cannot be done and why, then what can. Empty when it fits. */
  verdict: Message
  options: Option[]
  steps: PlannedStep[]
}

/** When one grass of a mix could be sown, and until when. */
export interface GrassWindow {
  grass: GrassId
  window: WindowSpan[]
  cutOff: Day
}

/** What a day is worth for a piece of work, 1 to 100; 0 where it is shut. */
export interface WorthOfDay {
  day: Day
  worth: number
}

/** The worth of the day of a piece of work, and of others beside it. */
export interface PieceWorth {
  figure: Figure
  /** What it is made of, in words. */
  parts: Message[]
  /** One and two weeks sooner and later. */
  around: WorthOfDay[]
  /** The day that another season would take. */
  seasons: WorthOfDay[]
  /** By week from today. */
  weeks: number[]
}

/** A way out where a sowing does not fit. */
export interface Option {
  title: Message
  says: Message
  take: WayOut
}

/** What a person decides by taking a way out: another day, another approach, or other mixes. */
export type WayOut =
  | { sowOn: Day }
  | { approach: ApproachId; zones: string[] }
  | { mixes: { zone: string; mix: { grass: GrassId; share: number }[] }[] }

/** One honest sowing: the season, its day, what it is worth and what it costs. */
export interface SowingChoice {
  season: SeasonName
  day: Day
  state: DayState
  reason: Message
  /** Years in a hundred that succeed; none where nothing is known of the grass. */
  odds: Figure | null
  /**
   * Years in a hundred in which it is right by the customer's date; none where no date is named.
   */
  inTime: Figure | null
  /** What fails the other years. */
  costs: Message
  taken: boolean
  /** Why it cannot be taken: its steps and waits leave no day in it; null where it can. */
  bars: Message | null
}

/** A planned step, as far as records are matched to it. */
export interface StepRef {
  kind: StepKind
  part?: number
  zones: readonly string[]
  workPackage: string
}

/** A pin or a tick that belongs to no step of the plan any more. */
export interface LooseRecord {
  kind: StepKind
  zones: ZoneId[]
  pin: { key: string; day: Day } | null
  tick: { entry: string; day: Day } | null
}
