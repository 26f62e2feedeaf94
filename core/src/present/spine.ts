import { daysBetween } from '../calendar/day.ts'
import type { Problem } from '../entities/problem.ts'
import type { JobPlan } from '../plan/jobPlan.ts'
import { showNumber } from '../quantities/show.ts'
import { APPROACH_NAMES, type ApproachId } from '../reference/lists.ts'
import { num, type Figure } from '../trace/figure.ts'
import { joined, onDay, quantity, say, type Message, type Part } from '../rules/message.ts'
import type { Stage } from '../rules/rule.ts'
import { zoneFigureId } from '../walkover/zoneFigures.ts'
import { leftOut } from './leftOut.ts'

export const STAGES: Record<Stage, string> = {
  1: 'Walk-over',
  2: 'Findings',
  3: 'Approach',
  4: 'Seed',
  5: 'Materials',
  6: 'Order of work',
  7: 'Water',
  8: 'Diary',
}

export interface StageSummary {
  stage: Stage
  name: string
  line: Message
  sub: Message
  /** 'none' where there is nothing to say. */
  mark: 'none' | 'waiting' | 'warning' | 'hold'
  markSays: string
}

/** What a stage has to say of itself; `waiting` where an answer is wanted. */
interface Line {
  line: Message
  sub: Message
  waiting?: string | null
}

const unique = <T>(list: readonly T[]): T[] => [...new Set(list)]
const count = (n: number, one: string, many: string) => `${n} ${n === 1 ? one : many}`
const NEEDS_A_ZONE = 'needs a zone with a size'
const nothingMeasured = (plan: JobPlan) => plan.zones.every((z) => !z.area)
/** The eight one-line results, in order: the whole plan at a glance. */
export function spine(plan: JobPlan, problems: readonly Problem[]): StageSummary[] {
  const lines = [
    walkOver(plan, problems),
    findings(plan),
    approach(plan),
    seed(plan),
    materials(plan),
    order(plan),
    water(plan),
    diary(plan),
  ]
  return lines.map(({ line, sub, waiting = null }, i) => {
    const stage = (i + 1) as Stage
    const at = (level: 'hold' | 'warn') =>
      plan.notices.filter((n) => n.stage === stage && n.level === level).length
    const [holds, warns] = [at('hold'), at('warn')]
    const idle = stage > 1 && nothingMeasured(plan)
    const mark = waiting ? 'waiting' : idle ? 'none' : holds ? 'hold' : warns ? 'warning' : 'none'
    const says = holds
      ? count(holds, 'hold', 'holds')
      : warns
        ? count(warns, 'warning', 'warnings')
        : ''
    return {
      stage,
      name: STAGES[stage],
      line,
      sub,
      mark,
      markSays: waiting ?? (mark === 'none' ? '' : says),
    }
  })
}

const figurePart = (plan: JobPlan, id: string): Part =>
  quantity(plan.figures[id]!.value, plan.figures[id]!.unit)

function walkOver(plan: JobPlan, problems: readonly Problem[]): Line {
  const { zones } = plan
  if (zones.length === 0)
    return {
      line: 'nothing walked yet',
      sub: 'add the first zone',
      waiting:
        problems.length > 0
          ? count(problems.length, 'entry to correct', 'entries to correct')
          : 'start here',
    }
  const suns = zones.flatMap((z) => {
    const sun = plan.figures[zoneFigureId(z.id, 'sun')]
    return sun && sun.standing !== 'assumed' ? [num(sun)] : []
  })
  const [least, most] = [Math.min(...suns), Math.max(...suns)]
  const sun =
    suns.length === 0
      ? 'sun not noted'
      : least === most
        ? `sun ${showNumber(least)} h`
        : `sun ${showNumber(least)}–${showNumber(most)} h`
  const readings = Object.values(plan.survey.zones).reduce(
    (sum, z) => sum + (z.levels?.readings ?? 0),
    0,
  )
  const unsized = zones.filter((z) => !z.area).length
  return {
    line: say`${count(zones.length, 'zone', 'zones')} · ${plan.totalArea ? figurePart(plan, plan.totalArea) : 'no size'}`,
    sub: joined([sun, readings > 0 && count(readings, 'level', 'levels')], ' · '),
    waiting:
      problems.length > 0
        ? count(problems.length, 'entry to correct', 'entries to correct')
        : unsized > 0
          ? `${unsized} without size`
          : plan.notices.some((n) => n.id === 'frost.wanted' && n.level === 'warn')
            ? 'frost date wanted'
            : null,
  }
}

function findings(plan: JobPlan): Line {
  const unread = plan.findings.filter((f) => f.verdict === 'unread')
  const words = unique(
    plan.findings.filter((f) => f.verdict === 'act' || f.verdict === 'hold').map((f) => f.word),
  )
  const none = plan.zones.length === 0
  const worthReading = Object.values(plan.wanted).flat().length
  return {
    line: none
      ? 'nothing to judge yet'
      : words.length === 0
        ? 'nothing asks for work'
        : words.slice(0, 3).join(', '),
    sub: none
      ? NEEDS_A_ZONE
      : unread.length > 0
        ? `${count(unique(unread.map((f) => f.kind)).length, 'kind', 'kinds')} of reading missing`
        : worthReading > 0
          ? `${count(worthReading, 'more reading', 'more readings')} worth taking`
          : 'every reading is in',
    waiting: unread.length > 0 ? count(unread.length, 'reading wanted', 'readings wanted') : null,
  }
}

/** "overseed, part levelled", short enough for the spine. */
function approachWords(approaches: readonly ApproachId[]): string {
  if (approaches.length > 2) return `${approaches.length} approaches`
  const part = approaches.includes('overseed') && approaches.includes('overseed-level')
  return part
    ? 'overseed, part levelled'
    : approaches.map((a) => APPROACH_NAMES[a].split(':')[0]).join(' + ')
}

function approach(plan: JobPlan): Line {
  if (nothingMeasured(plan)) return { line: 'not chosen yet', sub: NEEDS_A_ZONE }
  const measured = plan.zones.filter((z) => z.area)
  const overridden = measured.filter(
    (z) => z.approach.overridden || z.rungs.some((r) => r.yours),
  ).length
  const left = measured.reduce((sum, z) => sum + leftOut(z.rungs).length, 0)
  return {
    line: approachWords(unique(measured.map((z) => z.approach.chosen))),
    sub: left
      ? `${left} asked for, not planned`
      : overridden
        ? `${overridden} changed by you`
        : 'as the findings ask',
  }
}

function seed(plan: JobPlan): Line {
  const seeds = plan.zones.flatMap((z) => z.seed ?? [])
  if (seeds.length === 0)
    return nothingMeasured(plan)
      ? { line: 'no seed yet', sub: NEEDS_A_ZONE }
      : { line: 'no seed', sub: 'nothing is sown' }
  const total = seeds.reduce((sum, s) => sum + num(s.kg), 0)
  const kinds = unique(
    seeds.flatMap((s) => s.mix.map((m) => plan.grasses[m.grass]?.short ?? m.grass)),
  )
  return {
    line: say`${quantity(total, 'kg')}, ${kinds.slice(0, 2).join(' / ')}`,
    sub: `${count(unique(seeds.map((s) => s.key)).length, 'mix', 'mixes')}, reserve apart`,
  }
}

function materials(plan: JobPlan): Line {
  // Seed and soil are not added up: what is carted in bulk is told where there is any, else what is
  // bought by the bag.
  const bulk = plan.materials.filter((m) => m.kind === 'dressing' || m.kind === 'soil')
  const tonnes = (bulk.length > 0 ? bulk : plan.materials).reduce((sum, m) => sum + m.tonnes, 0)
  const carry: Message = say`${quantity(tonnes, 't')}${bulk.length > 0 ? ' of soil' : ' in bags'}`
  return {
    line:
      plan.materials.length === 0
        ? 'nothing to buy yet'
        : say`${count(plan.materials.length, 'line', 'lines')} · ${carry}`,
    sub: nothingMeasured(plan)
      ? NEEDS_A_ZONE
      : plan.feed
        ? `${plan.feed.use === 'starter' ? 'starter' : 'feed'} ${plan.feed.grade}`
        : 'no feed',
  }
}

function order(plan: JobPlan): Line {
  const later = new Set(plan.follow.later.map((s) => s.id))
  // The proper sowing of ground held over lies a season away, and is told on its own.
  const proper = plan.packages.find((p) => p.kind === 'later')
  const work = plan.steps.filter((s) => !later.has(s.id) && s.workPackage !== proper?.id)
  const first = work.find((s) => s.kind !== 'notice')?.chosen
  const last = work.at(-1)?.chosen
  const pack = plan.packages.find((p) => !p.fits) ?? plan.packages[0]
  const left = pack ? daysBetween(pack.sowDay, String(pack.cutOff.value)) : 0
  return {
    line:
      !first || !last
        ? 'no days yet'
        : first === last
          ? say`${onDay(first)}`
          : say`${onDay(first)} – ${onDay(last, last.slice(0, 4) !== plan.today.slice(0, 4))}`,
    sub: !pack
      ? NEEDS_A_ZONE
      : !pack.fits
        ? 'does not fit this season'
        : proper
          ? say`proper sowing ${onDay(proper.sowDay, true)}`
          : pack.plants
            ? `sown ${count(left, 'day', 'days')} before the cut-off`
            : count(pack.visits, 'visit', 'visits'),
  }
}

function water({ follow }: JobPlan): Line {
  if (!follow.water)
    return follow.waterIn[0]
      ? {
          line: say`${follow.waterIn[0].need} on ${onDay(follow.waterIn[0].day)}`,
          sub: 'water in, then as usual',
        }
      : follow.packages.length > 0
        ? { line: 'nothing sown to water', sub: 'water in, then as usual' }
        : { line: 'nothing to water yet', sub: NEEDS_A_ZONE }
  const { times, zones, daily } = follow.water
  const run = zones.reduce<Figure | null>((most, z) => {
    const of = z.sprinkler?.minutes ?? null
    return of && (most === null || num(of) > num(most)) ? of : most
  }, null)
  const days = follow.packages.find((p) => p.wateringDays)?.wateringDays
  return {
    line: say`${times.length} × ${run ? `${Math.round(num(run))} min` : quantity(Math.round(Math.max(...zones.map((z) => num(z.litres)))), 'L')}${days ? `, ${num(days)} days` : ''}`,
    sub: say`${daily} a day`,
  }
}

function diary(plan: JobPlan): Line {
  const { done, of, next, packages } = plan.follow
  const first = packages.find((p) => p.up.length > 0)
  const sown =
    first &&
    plan.steps.find(
      (s) => s.kind === 'sow' && s.workPackage === first.workPackage && s.state === 'done',
    )
  const growing =
    sown && first.wateringDays
      ? `day ${daysBetween(sown.chosen, plan.today)} of ${num(first.wateringDays)}`
      : null
  return {
    line: growing ?? (done > 0 ? `${done} of ${of} steps done` : 'nothing done yet'),
    sub: next ? say`next: ${next.name}, ${onDay(next.chosen)}` : of > 0 ? 'all done' : NEEDS_A_ZONE,
  }
}
