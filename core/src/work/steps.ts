import type { ApproachId } from '../reference/lists.ts'
import { findingOf, type Finding } from '../findings/finding.ts'
import { coverLines } from '../findings/lines.ts'
import type { CoverPlan } from '../materials/cover.ts'
import type { DressingPlan, ZoneDressing } from '../materials/dressing.ts'
import { lagValues } from '../reference/lagValues.ts'
import { operationValues, type StepKind } from '../reference/operations.ts'
import type { Schools } from '../reference/schools.ts'
import { num } from '../trace/figure.ts'
import { quantity, say, type Message } from '../trace/message.ts'
import type { Trace } from '../trace/trace.ts'
import { effortOf, hoursOf, type Effort } from './hours.ts'
import { cores, scarifies, type WorkPackage, type ZoneWork } from './workPackages.ts'

/** One step of a work package before it has a day: who needs it, how long it takes, and how it follows the one before. */
export interface StepNeed {
  kind: StepKind
  zones: string[]
  hours: number
  effort: Effort
  passes: number
  /** Days after the step before: at least, and at most (Infinity where it does not matter). */
  lag: readonly [number, number]
  precondition: Message
  /** At least so many days after another step, besides the one before. */
  after?: { kind: StepKind; days: number }
}

/** What the steps of a package are worked from. */
export interface StepBrief {
  findings: readonly Finding[]
  schools: Schools
  dressing: DressingPlan | null
  covers: readonly CoverPlan[]
  people: number
  trace: Trace
}

const WHENEVER = Infinity
const WHENEVER_AFTER = (days: number): readonly [number, number] => [days, WHENEVER]

/** Puts steps one after another. A step that no zone needs is left out. */
class Steps {
  readonly list: StepNeed[] = []
  constructor(
    readonly all: readonly ZoneWork[],
    private readonly brief: StepBrief,
  ) {}

  who(test: (z: ZoneWork) => boolean): ZoneWork[] {
    return this.all.filter(test)
  }

  add(
    kind: StepKind,
    zones: readonly ZoneWork[],
    lag: readonly [number, number],
    precondition: Message,
    more: { passes?: number; spreading?: number } = {},
  ) {
    if (zones.length === 0) return
    const { passes = 1, spreading = 0 } = more
    const effort = effortOf(kind, zones.map((z) => num(z.r.area!)), passes, spreading, this.brief.people, this.brief.trace) // prettier-ignore
    this.list.push({ kind, zones: zones.map((z) => z.r.id), hours: hoursOf(effort), effort, passes, lag, precondition })
  }
}

const isOne =
  (...kinds: ApproachId[]) =>
  (z: ZoneWork) =>
    kinds.includes(z.approach.chosen)

/** The steps a package needs, in the order of work, with their lags. */
export function stepsOf(pack: WorkPackage, brief: StepBrief): StepNeed[] {
  const steps = new Steps(pack.zones, brief)
  if (pack.kind === 'feed') {
    steps.add('feed', steps.all, WHENEVER_AFTER(0), 'growth, and rain or water to follow')
    return steps.list
  }
  const stripped = pack.kind === 'kill' && brief.schools.weeds === 'no-chemicals'
  prepare(steps, brief)
  const cutAfter = clearOld(steps, pack, stripped, brief)
  cutDown(steps, stripped, cutAfter, brief)
  open(steps, stripped, brief)
  dress(steps, brief)
  sow(steps, pack, brief)
  return steps.list
}

function prepare(steps: Steps, { findings, trace }: StepBrief): void {
  steps.add('notice', steps.all, WHENEVER_AFTER(0), 'nothing')
  const opened = steps.who((z) => scarifies(z, findings, trace) || cores(z, findings, trace))
  steps.add('mark', opened, WHENEVER_AFTER(0), 'notice given')
}

/** Strips, kills off or sprays what is not wanted. Returns when the cut-down may follow, and what it waits for. */
function clearOld(steps: Steps, pack: WorkPackage, stripped: boolean, { schools, trace }: StepBrief): { days: number; precondition: Message } {
  const lag = trace.values(lagValues)
  const uncut = quantity(trace.value(operationValues.uncut), 'd')
  if (stripped) steps.add('strip', steps.all, WHENEVER_AFTER(1), 'notice given')
  const weedy = steps.who((z) => z.r.weeds !== null && num(z.r.weeds) >= trace.value(coverLines.weedy) && !isOne('hold-over')(z))
  const sprays = schools.weeds === 'spray-then-sow' && pack.kind !== 'kill' && weedy.length > 0
  if (sprays) steps.add('spray', weedy, WHENEVER_AFTER(1), say`growing weeds, uncut for ${uncut}`)
  const kills = pack.kind === 'kill' && schools.weeds !== 'no-chemicals'
  if (kills) {
    steps.add('kill', steps.all, WHENEVER_AFTER(1), say`growing leaf, uncut for ${uncut}`)
    steps.add('kill-again', steps.all, [lag.killAgainLeast, lag.killAgainMost], say`what regrows after ${quantity(lag.killAgainLeast, 'd')}`)
  }
  if (pack.kind === 'kill') return { days: lag.afterKill, precondition: say`${quantity(lag.afterKill, 'd')} after the last kill` }
  if (sprays) return { days: lag.afterSpray, precondition: 'so long after the spray that seed may follow' }
  return { days: 1, precondition: 'a growing sward' }
}

function cutDown(steps: Steps, stripped: boolean, cutAfter: { days: number; precondition: Message }, { trace }: StepBrief): void {
  const lag = trace.values(lagValues)
  const bareAlready = (z: ZoneWork) => isOne('sow-new')(z) && (z.r.wanted === null || num(z.r.wanted) < trace.value(coverLines.nothingLeft))
  const cutting = steps.who((z) => !stripped && !isOne('mend', 'hold-over')(z) && !bareAlready(z))
  steps.add('cut-first', cutting, WHENEVER_AFTER(cutAfter.days), cutAfter.precondition)
  const short = cutting.filter((z) => !z.r.zone.present.includes('st-augustine'))
  steps.add('cut-second', short, [lag.secondCutLeast, lag.secondCutMost], say`${quantity(lag.secondCutLeast, 'd')} after the first cut`)
}

const most = (zones: readonly ZoneWork[], of: (z: ZoneWork) => number) => Math.max(1, ...zones.map(of))

/** Scarifies and cores, in the order of the school. */
function open(steps: Steps, stripped: boolean, { findings, schools, trace }: StepBrief): void {
  const lag = trace.values(lagValues)
  const scarifying = steps.who((z) => !stripped && scarifies(z, findings, trace))
  const coring = steps.who((z) => cores(z, findings, trace))
  const scarify = () =>
    steps.add('scarify', scarifying, [lag.dries, lag.scarifyMost], 'turf dried a day or two', {
      passes: most(scarifying, (z) => (findingOf(findings, z.r.id, 'thatch')?.verdict === 'hold' ? 2 : 1)),
    })
  const core = (first: boolean) => {
    steps.add('dampen', coring, [first ? 1 : 0, lag.dampenMost], 'only if the soil is dry')
    steps.add('core', coring, [lag.coreAfterWater, lag.coreAfterWater], 'moist soil, never wet', {
      passes: most(coring, (z) => (z.r.zone.penetration === 'stops' ? 3 : 2)),
    })
  }
  if (schools.order === 'core-first') {
    core(true)
    scarify()
  } else {
    scarify()
    core(false)
  }
}

/** Hours of shovelling one lift of the dressings of some zones. */
const shovelHours = (dressings: readonly ZoneDressing[], trace: Trace): number =>
  dressings.reduce((sum, d) => sum + num(d.order) / num(d.lifts), 0) / trace.value(operationValues.shovel)

function dress(steps: Steps, { dressing, trace }: StepBrief): void {
  const dressings = (dressing?.zones ?? []).filter((d) => steps.all.some((z) => z.r.id === d.zone))
  const dressed = steps.who((z) => dressings.some((d) => d.zone === z.r.id))
  steps.add('dress', dressed, [0, trace.value(lagValues.dressMost)], 'cores off or dragged in', { spreading: shovelHours(dressings, trace) })
}

function sow(steps: Steps, pack: WorkPackage, { schools, covers, trace }: StepBrief): void {
  const lag = trace.values(lagValues)
  const before = steps.list.at(-1)?.kind
  const unopened = before === 'notice' || before === 'mark'
  const soon = pack.kind === 'kill' ? lag.clearedToSow : lag.openedToSow
  steps.add('sow', steps.all, unopened ? WHENEVER_AFTER(1) : [0, soon], 'an open surface, not crusted')
  if (steps.list.some((s) => s.kind === 'spray')) steps.list.at(-1)!.after = { kind: 'spray', days: trace.value(operationValues.sprayWait) }
  steps.add('work-in', steps.all, [0, 0], 'seed down')
  if (schools.feed === 'with-seed') steps.add('feed', steps.all, [0, lag.feedMost], 'seed worked in')
  const covered = steps.who((z) => covers.some((c) => c.zones.some((x) => x.zone === z.r.id)))
  steps.add('cover', covered, [0, lag.coverMost], 'seed worked in')
  steps.add('water', steps.all, [0, 0], 'within 2 hours of sowing')
}

/** Steps that come after the seed is up. */
export function laterSteps(pack: WorkPackage, brief: StepBrief): StepNeed[] {
  if (pack.kind === 'feed') return []
  const { schools, dressing, people, trace } = brief
  const zones = pack.zones.map((z) => z.r.id)
  const areas = pack.zones.map((z) => num(z.r.area!))
  const need = (kind: StepKind, of: string[], spreading = 0): StepNeed => {
    const effort = effortOf(kind, areas, 1, spreading, people, trace)
    return { kind, zones: of, hours: hoursOf(effort), effort, passes: 1, lag: [0, Infinity], precondition: '' }
  }
  const again = dressing?.zones.filter((d) => zones.includes(d.zone) && num(d.lifts) > 1) ?? []
  return [
    need('first-mow', zones),
    ...(schools.feed === 'first-mown' ? [need('feed-later', zones)] : []),
    need('visit', zones),
    ...(again.length > 0 ? [need('dress-again', again.map((d) => d.zone), shovelHours(again, trace))] : []), // prettier-ignore
  ]
}
