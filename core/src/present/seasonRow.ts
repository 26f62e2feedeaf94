import { sure } from '../quantities/sure.ts'
import { addDays, type Day } from '../calendar/day.ts'
import type { Job } from '../entities/job.ts'
import type { JobPlan } from '../plan/jobPlan.ts'
import { APPROACH_NAMES } from '../reference/lists.ts'
import type { Message } from '../rules/message.ts'
import type { GrassWindow, PackagePlan, WindowSpan } from '../plan/order.ts'
import type { PackageKind } from '../work/workPackages.ts'
import { num } from '../trace/figure.ts'

/** Days after sowing that a job is counted among those to be watered. */
export const WATERED_DAYS = 28

/** A job as the season sees it: its window, its steps, where it stands. */
export interface SeasonRow {
  id: string
  name: string
  customer: string
  area: number | null
  zones: number
  customerDate: Day | null
  state: 'no-zones' | 'planned' | 'under-way' | 'growing' | 'done' | 'cannot' | 'failed' | 'working'
  options: Message[]
  trouble: { level: 'hold' | 'warn'; title: Message } | null
  approach: string
  /** What the job is about first, then each other piece of work by its day. */
  lanes: SeasonLane[]
  cutOff: Day | null
  sowDay: Day | null
  /** Whether anything is sown, set or laid: it wants watering. */
  sows: boolean
  steps: {
    id: string
    /** The lane that it lies in. */
    lane: string
    kind: string
    name: Message
    day: Day
    span: number
    state: string
    hours: number
    people: number
  }[]
  next: { name: Message; day: Day } | null
  /** Soil at 50 mm from today, °C, for the weeks the season shows. */
  soil: number[]
}

/** A piece of work of a job, with its own season. */
export interface SeasonLane {
  id: string
  kind: PackageKind
  /** The names of its zones; none where they are all that the job has. */
  zones: string[]
  window: WindowSpan[]
  /** The same by grass, where the mix has several. */
  byGrass: GrassWindow[]
  cutOff: Day
  day: Day
  fits: boolean
  /** What its days are worth by week from today, 0 to 100; empty where that is not known. */
  worth: number[]
}

/** Days of soil that a row carries. */
const SOIL_SHOWN = 30
/** Days ahead of its window. */
const WINDOW_SHOWN = 60

/** The season's row for a job: pure, from its plan. */
export function seasonRow(id: string, job: Job, plan: JobPlan): SeasonRow {
  const pack =
    plan.packages.find((p) => !p.fits) ??
    plan.packages.find((p) => p.steps.some((x) => x.kind === 'sow')) ??
    plan.packages[0]
  const next = plan.follow.next
  const sown = plan.steps.some((s) => s.kind === 'sow' && s.state === 'done')
  const notice =
    plan.notices.find((n) => n.level === 'hold') ?? plan.notices.find((n) => n.level === 'warn')
  const state = !pack
    ? 'no-zones'
    : !next
      ? 'done'
      : sown
        ? 'growing'
        : plan.packages.some((s) => !s.fits)
          ? 'cannot'
          : plan.follow.done > 0
            ? 'under-way'
            : 'planned'
  return {
    id,
    name: job.name || 'Job without a name',
    customer: job.customer,
    area: plan.totalArea ? num(plan.figures[plan.totalArea]!) : null,
    zones: job.zones.length,
    customerDate: job.customerDate,
    state,
    options: plan.packages.flatMap((s) => s.options.map((o) => o.title)),
    trouble:
      notice && notice.level !== 'note' ? { level: notice.level, title: notice.title } : null,
    approach: [
      ...new Set(
        plan.zones
          .filter((z) => z.area)
          .map((z) => APPROACH_NAMES[z.approach.chosen].split(':')[0]!),
      ),
    ].join(', '),
    lanes: plan.packages
      .map((p) => laneOf(p, plan))
      .sort(
        (a, b) =>
          Number(b.id === sure(pack).id) - Number(a.id === sure(pack).id) ||
          a.day.localeCompare(b.day),
      ),
    cutOff: pack ? (pack.cutOff.value as Day) : null,
    sowDay: pack?.sowDay ?? null,
    sows: plan.packages.some((p) => p.plants),
    steps: plan.steps.map((s) => ({
      id: s.id,
      lane: s.workPackage,
      kind: s.kind,
      name: s.name,
      day: s.chosen,
      span: s.span,
      state: s.state,
      hours: num(s.hours),
      people: s.people,
    })),
    next: next ? { name: next.name, day: next.chosen } : null,
    soil: plan.soilAhead.slice(0, SOIL_SHOWN).map((t) => Math.round(t * 10) / 10),
  }
}

function laneOf(pack: PackagePlan, { zones, today }: JobPlan): SeasonLane {
  const soon = (spans: readonly WindowSpan[]) =>
    spans.filter((s) => s.from <= addDays(today, WINDOW_SHOWN))
  const here = zones.filter((z) => pack.zones.includes(z.id))
  return {
    id: pack.id,
    kind: pack.kind,
    zones: here.length < zones.filter((z) => z.area).length ? here.map((z) => z.name) : [],
    window: soon(pack.window),
    byGrass: pack.byGrass.map((g) => ({ ...g, window: soon(g.window) })),
    cutOff: pack.cutOff.value as Day,
    day: pack.sowDay,
    fits: pack.fits,
    worth: pack.worth?.weeks.slice(0, WINDOW_SHOWN / 7) ?? [],
  }
}

const CANNOT_PLAN = 'This job could not be planned. Open it; what is typed in it is kept.'
/** The row of a job whose plan could not be worked: it shows as such, and the others stand. */
export const failedRow = (id: string, name: string, why: Message = CANNOT_PLAN): SeasonRow => ({
  id,
  name: name || 'Job without a name',
  customer: '',
  area: null,
  zones: 0,
  customerDate: null,
  state: 'failed',
  options: [],
  trouble: { level: 'hold', title: why },
  approach: '',
  lanes: [],
  cutOff: null,
  sowDay: null,
  sows: false,
  steps: [],
  next: null,
  soil: [],
})

/** The row of a job that is being planned for the first time. */
export const workingRow = (id: string, name: string): SeasonRow => ({
  ...failedRow(id, name),
  state: 'working',
  trouble: null,
})
