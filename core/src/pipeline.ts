import type { Day } from './calendar/day.ts'
import type { DiaryEntry } from './entities/diary.ts'
import { schoolsFor, type Firm } from './entities/firm.ts'
import type { Job } from './entities/job.ts'
import type { Candidate } from './approach/approach.ts'
import type { Outlook } from './climate/station.ts'
import { weatherHolds } from './climate/weatherHolds.ts'
import { follow, type Follow } from './establish/follow.ts'
import type { Finding } from './findings/finding.ts'
import { slopeLines } from './findings/lines.ts'
import type { Wanted } from './findings/stillWanted.ts'
import { materialLines, type MaterialLine } from './materials/lines.ts'
import { prescribe, type Prescription, type ZonePlan } from './prescribe.ts'
import { workforceOf } from './reference/firmSettings.ts'
import type { ApproachId } from './reference/lists.ts'
import type { Schools } from './reference/schools.ts'
import { orderOfWork, stepBrief, type OrderBrief, type PackagePlan, type PlannedStep } from './schedule/orderOfWork.ts'
import type { LooseRecord } from './schedule/stepRecords.ts'
import { waitingPeriods } from './schedule/waitingPeriods.ts'
import type { ZoneSeed } from './seed/seedPlan.ts'
import { num, type Figure, type Notice } from './trace/figure.ts'
import { Memo } from './trace/memo.ts'
import type { Message } from './trace/message.ts'
import { Trace, type FirmValues } from './trace/trace.ts'
import type { SurveySummary } from './walkover/surveyNotices.ts'
import { laterSteps } from './work/steps.ts'

/** Everything a plan depends on besides the job. No clock: `today` is the day at the site. */
export interface Context {
  today: Day
  /** The firm's settings, and the numbers of the trade it has set for itself. */
  firm: Firm
  diary: readonly DiaryEntry[]
  /** Dated weather ahead, where there is any. */
  outlook?: Outlook | null
  /** Kept by whoever plans the same job again and again. */
  memo?: Memo
}

export interface ZoneSummary {
  id: string
  name: string
  area: string | null
  season: 'cool' | 'warm'
  approach: { chosen: ApproachId; suggested: ApproachId; overridden: boolean; why: Message; candidates: Candidate[]; figure: string }
  seed: ZoneSeed | null
  nothing: Message | null
  dressing: { limit: string; lifts: string; depth: string } | null
}

export interface JobPlan {
  today: Day
  schools: Schools
  /** Every worked value, by id. */
  figures: Record<string, Figure>
  /** Numbers of the trade that the firm had set for itself when this was planned, by "rule.value". */
  firmValues: FirmValues
  /** What stops or warns, worst first: a plan that does not fit says so before anything else. */
  notices: Notice[]
  zones: ZoneSummary[]
  survey: SurveySummary
  /** By zone, what else is worth reading for a surer plan. */
  wanted: Record<string, Wanted[]>
  findings: Finding[]
  totalArea: string | null
  materials: MaterialLine[]
  feed: { grade: string; rate: string; nitrogen: string; ceiling: string; p2o5: string; k2o: string; p: string; k: string } | null
  frost: { median: string; tenth: string; soilNow: string }
  /** Soil at 50 mm by day from today, °C, as far as it is drawn. */
  soilAhead: number[]
  packages: PackagePlan[]
  /** Every step by its day, those after sowing too. */
  steps: PlannedStep[]
  /** Pins and ticks of steps that are no longer planned. */
  looseRecords: LooseRecord[]
  follow: Follow
}

/**
 * A job's whole plan: prescribe (what the ground asks for), schedule (days), follow (water, emergence, first mow).
 * Pure: the same job and context give the same plan, in a browser worker, on the server and on the command line.
 */
export function planJob(job: Job, { today, firm, diary, outlook = null, memo = new Memo() }: Context): JobPlan {
  const trace = new Trace(firm.values)
  // A customer who wants no chemicals decides for the job, unless the job's own school says otherwise.
  const schools = schoolsFor(firm, job.aims.includes('no-chemicals') ? { weeds: 'no-chemicals', ...job.schools } : job.schools)
  const workforce = workforceOf(firm, trace)

  const waits = waitingPeriods(job, today, trace)
  const prescription = prescribe({ job, firm, schools, today, waits, memo, trace })
  const brief: Omit<OrderBrief, 'later'> = { job, schools, diary, prescription, waits, today, workforce, trace }
  const laterByPackage = new Map(prescription.packages.map((pack) => [pack.id, laterSteps(pack, stepBrief(brief))]))
  const later = [...laterByPackage].flatMap(([workPackage, needs]) => needs.map(({ kind, zones }) => ({ kind, zones, workPackage })))
  const order = orderOfWork({ ...brief, later })
  const followed = follow({ ...brief, packages: order.packages, records: order.records, laterSteps: laterByPackage })

  const steps = [...order.packages.flatMap((s) => s.steps), ...followed.follow.later].sort((a, b) => a.chosen.localeCompare(b.chosen))
  const sloping = prescription.zones.some((z) => num(z.r.slope) >= trace.value(slopeLines.press))
  const holds = weatherHolds(steps, outlook, sloping, trace)
  return {
    today,
    schools,
    notices: worstFirst([...waits.notices, ...prescription.notices, ...order.notices, ...followed.notices, ...holds]),
    ...summaryOf(prescription, trace),
    packages: order.packages,
    steps,
    looseRecords: order.records.loose(),
    follow: followed.follow,
    figures: trace.figures,
    firmValues: firm.values,
  }
}

/** Days of soil temperature that a plan carries for drawing. */
const SOIL_DRAWN = 120

/** A package that does not fit first, then holds, warnings and notes, each in the order of the stages. */
function worstFirst(notices: readonly Notice[]): Notice[] {
  const weight = (n: Notice) => (n.id.endsWith('.fits') ? 0 : { hold: 1, warn: 2, note: 3 }[n.level])
  return [...notices].sort((a, b) => weight(a) - weight(b))
}

/** What was prescribed, as ids of figures and plain lists. */
function summaryOf(
  p: Prescription,
  trace: Trace,
): Pick<JobPlan, 'zones' | 'survey' | 'wanted' | 'findings' | 'totalArea' | 'materials' | 'feed' | 'frost' | 'soilAhead'> {
  const { survey, wanted, findings, feed, climate } = p
  return {
    zones: p.zones.map((z) => zoneSummary(z, p)),
    survey,
    wanted,
    findings,
    totalArea: p.totalArea?.id ?? null,
    materials: materialLines(p, new Map(p.zones.map((z) => [z.r.id, z.r.areaError])), trace),
    feed: feed && {
      grade: feed.gradeText,
      rate: feed.rate.id,
      nitrogen: feed.nitrogen.id,
      ceiling: feed.ceiling.id,
      p2o5: feed.lays.p2o5.id,
      k2o: feed.lays.k2o.id,
      p: feed.lays.p.id,
      k: feed.lays.k.id,
    },
    frost: { median: climate.frost.id, tenth: climate.frostTenth.id, soilNow: climate.soilNow.id },
    soilAhead: Array.from(climate.soil.subarray(0, SOIL_DRAWN)),
  }
}

function zoneSummary({ r, season, approach, seed, suggestedMix }: ZonePlan, p: Prescription): ZoneSummary {
  const dressing = p.dressing?.zones.find((d) => d.zone === r.id)
  const { chosen, suggested, overridden, why, candidates, figure } = approach
  return {
    id: r.id,
    name: r.name,
    area: r.area?.id ?? null,
    season,
    approach: { chosen, suggested, overridden, why, candidates, figure: figure.id },
    seed,
    nothing: suggestedMix.nothing,
    dressing: dressing ? { limit: dressing.limit.id, lifts: dressing.lifts.id, depth: dressing.depth.id } : null,
  }
}
