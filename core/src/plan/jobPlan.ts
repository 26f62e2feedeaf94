import type { Day } from '../calendar/day.ts'
import type { Ask } from '../findings/asks.ts'
import type { Finding } from '../findings/finding.ts'
import type { Wanted } from '../findings/stillWanted.ts'
import type { FeedPlan } from '../materials/feed.ts'
import type { MaterialLine } from '../materials/materialLine.ts'
import type { MoneyPlan } from './money.ts'
import type { Grass, GrassId } from '../reference/grasses.ts'
import type { ApproachId, Sowing } from '../reference/lists.ts'
import type { StepKind } from '../reference/operations.ts'
import type { Schools } from '../reference/schools.ts'
import type { Message } from '../rules/message.ts'
import type { JudgedBag, Judgement } from '../seed/judgeMix.ts'
import type { MixPart } from '../seed/mix.ts'
import type { SeedUse } from '../seed/seedUse.ts'
import type { ZoneSeed } from '../seed/seedPlan.ts'
import type { Figure, Notice } from '../trace/figure.ts'
import type { FirmValues } from '../trace/trace.ts'
import type { SurveySummary } from '../walkover/surveyNotices.ts'
import type { Follow } from './follow.ts'
import type { LooseRecord, PackagePlan, PlannedStep } from './order.ts'
import type { Prescription } from './prescription.ts'

export interface ZoneSummary {
  id: string
  name: string
  area: string | null
  season: 'cool' | 'warm'
  approach: {
    chosen: ApproachId
    suggested: ApproachId
    overridden: boolean
    why: Message
    figure: string
  }
  /** What is sown, and whether a person decided it. */
  sowing: Sowing
  /**
   * The work of the zone, rung by rung in the order of work: planned, and asked for but not
   * planned.
   */
  rungs: Rung[]
  /** How much lies bare after blades and rake, as a figure; null where neither go over it. */
  bare: { after: string; staysOpen: boolean } | null
  /** The proper sowing that follows a quick cover. */
  later: { seed: ZoneSeed | null; nothing: Message | null } | null
  seed: ZoneSeed | null
  nothing: Message | null
  /** Juvena's mix, whatever is sown. */
  suggested: MixPart[]
  /** Mixes on the shelf, held against it. */
  bags: JudgedBag[]
  /** How a mix that a person chose compares with it. */
  judged: Pick<Judgement, 'loses' | 'verdict'> | null
  dressing: { limit: string; lifts: string; depth: string } | null
}

/** One operation of a zone as the ladder shows it. */
export interface Rung {
  operation: StepKind
  name: Message
  planned: boolean
  /** Who asks and why. */
  asks: Ask[]
  /** Why it is not planned; empty where it is. */
  reason: Message
  /** A person decided it. */
  yours: boolean
  /** It cannot be switched on here. */
  barred: boolean
  passes: number
  /** Heights, depths, passes and tools. */
  how: Message
  /** The tool that was chosen for it; null where it has one way. */
  tool: string | null
  /** Person-hours on this zone. */
  hours: number
  /** What a person may set for it. */
  sets: readonly string[]
}

export interface JobPlan {
  today: Day
  schools: Schools
  /** Seed by lot and zone. */
  seedUse: SeedUse[]
  /** Names of every grass the plan speaks of. */
  grasses: Record<GrassId, Pick<Grass, 'name' | 'short'>>
  /** Every worked value, by id. */
  figures: Record<string, Figure>
  /**
   * Numbers of the trade that the firm had set for itself when this was planned, by "rule.value".
   */
  firmValues: FirmValues
  /** What stops or warns, worst first: a plan that does not fit says so before anything else. */
  notices: Notice[]
  zones: ZoneSummary[]
  survey: SurveySummary
  /** By zone, what else is worth reading for a surer plan. */
  wanted: Record<string, Wanted[]>
  findings: Finding[]
  totalArea: string | null
  /** One mix for all zones, and what each would lose. */
  oneMix: Prescription['oneMix']
  materials: MaterialLine[]
  /** What it costs and is sold for; null until the firm has entered what things cost. */
  money: MoneyPlan | null
  feed: {
    use: FeedPlan['use']
    grade: string
    rate: string
    nitrogen: string
    ceiling: string
    p2o5: string
    k2o: string
    p: string
    k: string
    strip: string
    setting: string | null
    tryNext: Message
    /** With what was given, over the year, on the zone that gets most; null where one dose is all. */
    year: { p2o5: string | null; k2o: string | null }
  } | null
  frost: { median: string; tenth: string; soilNow: string }
  /** Soil at 50 mm by day from today, °C, as far as it is drawn. */
  soilAhead: number[]
  /** Eight years in ten it lies between, by day. */
  soilBand: { low: number[]; high: number[] }
  packages: PackagePlan[]
  /** The figure of what its days are worth; null where nothing is ahead. */
  worth: string | null
  /** Every step by its day, those after sowing too. */
  steps: PlannedStep[]
  /** Pins and ticks of steps that are no longer planned. */
  looseRecords: LooseRecord[]
  /** Diary entries that tick a step off, by step; steps without one are left out. */
  ticks: Record<string, string[]>
  follow: Follow
}
