import type { ZoneApproach } from '../approach/approach.ts'
import type { SiteClimate } from '../climate/siteClimate.ts'
import type { Finding } from '../findings/finding.ts'
import type { Wanted } from '../findings/stillWanted.ts'
import type { Materials } from '../materials/lines.ts'
import type { JudgedBag, Judgement } from '../seed/judgeMix.ts'
import type { Mix } from '../seed/mix.ts'
import type { OneMix } from '../seed/oneMix.ts'
import type { ZoneSeed } from '../seed/seedPlan.ts'
import type { Figure, Notice } from '../trace/figure.ts'
import type { SurveySummary } from '../walkover/surveyNotices.ts'
import type { ZoneReadings } from '../walkover/zoneReadings.ts'
import type { WorkPackage } from '../work/workPackages.ts'
import type { ZoneWork } from '../work/workTypes.ts'

export interface ZonePlan {
  r: ZoneReadings
  season: 'cool' | 'warm'
  approach: ZoneApproach
  suggestedMix: Mix
  /** What is to be said of a mix that a person chose. */
  judged: Judgement | null
  /** Mixes that lie on the shelf, each held against Juvena's for this zone. */
  bags: JudgedBag[]
  seed: ZoneSeed | null
  work: ZoneWork
  /** The proper sowing that follows a quick cover, where ground is held over. */
  later: { work: ZoneWork; mix: Mix; seed: ZoneSeed | null } | null
  findings: Finding[]
  notices: Notice[]
}

export interface Prescription extends Materials {
  climate: SiteClimate
  zones: ZonePlan[]
  survey: SurveySummary
  /** By zone, what else is worth reading. */
  wanted: Record<string, Wanted[]>
  findings: Finding[]
  totalArea: Figure | null
  packages: WorkPackage[]
  /** One mix for all zones that Juvena chose a mix for. */
  oneMix: OneMix | null
  notices: Notice[]
}
