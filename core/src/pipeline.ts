import type { DiaryEntry } from './entities/diary.ts'
import type { Firm } from './entities/firm.ts'
import { schoolsFor } from './entities/firm.ts'
import type { Job } from './entities/job.ts'
import { addDays, type Day } from './calendar/day.ts'
import type { Candidate } from './approach/approach.ts'
import type { Finding } from './findings/findings.ts'
import type { Wanted } from './findings/stillWanted.ts'
import { follow, type Follow } from './establish/follow.ts'
import { materialLines, type MaterialLine } from './materials/lines.ts'
import { prescribe } from './prescribe.ts'
import type { ApproachId } from './reference/lists.ts'
import type { ZoneSeed } from './seed/seedPlan.ts'
import type { SurveySummary } from './walkover/surveyNotices.ts'
import { orderOfWork, type PlannedStep, type StrandPlan } from './schedule/orderOfWork.ts'
import { waitsOf } from './schedule/waitingPeriods.ts'
import type { Outlook } from './climate/station.ts'
import { Workings, num, type Figure, type Notice } from './trace/figure.ts'
import type { Schools } from './reference/schools.ts'

/** Everything a plan depends on besides the job. No clock: `today` is the day at the site. */
export interface Context {
  today: Day
  firm: Firm
  diary: readonly DiaryEntry[]
  outlook?: Outlook | null
}

export interface ZoneSummary {
  id: string
  name: string
  area: string | null
  season: 'cool' | 'warm'
  approach: { chosen: ApproachId; suggested: ApproachId; overridden: boolean; why: string; candidates: Candidate[]; figure: string }
  seed: ZoneSeed | null
  nothing: string | null
  dressing: { limit: string; lifts: string; depth: string } | null
}

export interface JobPlan {
  today: Day
  schools: Schools
  /** Every worked value, by id. */
  figures: Record<string, Figure>
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
  strands: StrandPlan[]
  /** Every step by its day, those after sowing too. */
  steps: PlannedStep[]
  follow: Follow
}

/**
 * A job's whole plan: prescribe (what the ground asks for), schedule (days), follow (water, emergence, first mow).
 * Pure: the same job and context give the same plan, in a browser worker, on the server and on the command line.
 */
export function planJob(job: Job, context: Context): JobPlan {
  const { firm, today, diary } = context
  const w = new Workings()
  const notices: Notice[] = []
  // A customer who wants no chemicals decides for the job, unless the job's own school says otherwise.
  const schools = schoolsFor(firm, job.aims.includes('no-chemicals') ? { weeds: 'no-chemicals', ...job.schools } : job.schools)

  const waits = waitsOf(job, today, w, notices)
  const p = prescribe(job, firm, schools, today, waits, w, notices)
  const strands = orderOfWork(job, firm, schools, diary, p, waits, today, w, notices)
  const followed = follow(job, firm, schools, diary, p, strands, today, w, notices)

  const steps = [...strands.flatMap((s) => s.steps), ...followed.later]
  steps.sort((a, b) => a.chosen.localeCompare(b.chosen))
  for (const notice of weatherHolds(
    steps,
    context.outlook ?? null,
    p.zones.some((z) => num(z.r.slope) >= 10),
  ))
    notices.push(notice)
  const order = { hold: 0, warn: 1, note: 2 }
  notices.sort((a, b) => order[a.level] - order[b.level])
  const fits = notices.filter((n) => n.id.endsWith('.fits'))

  return {
    today,
    schools,
    figures: w.figures,
    notices: [...fits, ...notices.filter((n) => !fits.includes(n))],
    zones: p.zones.map((z) => {
      const dressing = p.dressing?.zones.find((d) => d.zone === z.r.id)
      const { figure, ...approach } = z.approach
      return {
        id: z.r.id,
        name: z.r.name,
        area: z.r.area?.id ?? null,
        season: z.season,
        approach: { ...approach, figure: figure.id },
        seed: z.seed,
        nothing: z.suggestedMix.nothing,
        dressing: dressing ? { limit: dressing.limit.id, lifts: dressing.lifts.id, depth: dressing.depth.id } : null,
      }
    }),
    survey: p.survey,
    wanted: p.wanted,
    findings: p.findings,
    totalArea: p.totalArea?.id ?? null,
    materials: materialLines(
      p.zones.map((z) => z.seed).filter((s) => s !== null),
      p.orders,
      p.feed,
      p.dressing,
      p.covers,
      p.debris,
      new Map(p.zones.map((z) => [z.r.id, z.r.areaError])),
    ),
    feed: p.feed
      ? {
          grade: p.feed.gradeText,
          rate: p.feed.rate.id,
          nitrogen: p.feed.nitrogen.id,
          ceiling: p.feed.ceiling.id,
          p2o5: p.feed.lays.p2o5.id,
          k2o: p.feed.lays.k2o.id,
          p: p.feed.lays.p.id,
          k: p.feed.lays.k.id,
        }
      : null,
    frost: { median: p.ground.frost.id, tenth: p.ground.frostTenth.id, soilNow: p.ground.soilNow.id },
    strands,
    steps,
    follow: followed,
  }
}

/** Steps of the next ten days that the outlook speaks against. Common practice: wet ground, and a downpour on fresh seed. */
function weatherHolds(steps: readonly PlannedStep[], outlook: Outlook | null, sloping: boolean): Notice[] {
  if (!outlook) return []
  const rainOn = new Map(outlook.days.map((d) => [d.day, d.rain]))
  const found: Notice[] = []
  for (const step of steps) {
    if (step.state === 'done' || step.state === 'unrecorded') continue
    const here = rainOn.get(step.chosen) ?? 0
    const before = rainOn.get(addDays(step.chosen, -1)) ?? 0
    const after = rainOn.get(addDays(step.chosen, 1)) ?? 0
    if ((step.kind === 'scarify' || step.kind === 'core') && (here >= 8 || before >= 15))
      found.push({
        id: `${step.id}.wet`,
        stage: 6,
        level: 'warn',
        title: `${step.name}: wet ground likely.`,
        says: `${here >= 8 ? here : before} mm of rain in the outlook (${outlook.source}). Tines and blades want it moist, never wet: look that morning, or slip a day.`,
        figure: step.day.id,
      })
    if (step.kind === 'sow' && Math.max(here, after) > (sloping ? 12 : 25))
      found.push({
        id: `${step.id}.downpour`,
        stage: 6,
        level: 'warn',
        title: `${step.name}: a downpour on fresh seed.`,
        says: `${Math.max(here, after)} mm in the outlook (${outlook.source}). Bare${sloping ? ' and sloping' : ''} ground washes: sow after it.`,
        figure: step.day.id,
      })
  }
  return found
}
