import { daysBetween, showDay } from '../calendar/day.ts'
import { showNumber, shown } from '../quantities/show.ts'
import type { Problem } from '../entities/problem.ts'
import type { UnitSystem } from '../quantities/quantity.ts'
import type { JobPlan } from '../pipeline.ts'
import { GRASSES } from '../reference/grasses.ts'
import { APPROACH_NAMES, type ApproachId } from '../reference/lists.ts'
import { num, type Stage } from '../trace/figure.ts'

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

export interface Band {
  stage: Stage
  name: string
  line: string
  sub: string
  /** 'idle' while there is nothing to say. */
  mark: 'settled' | 'idle' | 'waiting' | 'warning' | 'hold'
  markSays: string
}

/** "overseed, part levelled", short enough for the spine. */
function approachWords(approaches: ApproachId[]): string {
  const part = approaches.includes('overseed') && approaches.includes('overseed-level')
  return part ? 'overseed, part levelled' : approaches.map((a) => APPROACH_NAMES[a].split(':')[0]).join(' + ')
}

const unique = <T>(list: readonly T[]): T[] => [...new Set(list)]
const count = (n: number, one: string, many: string) => `${n} ${n === 1 ? one : many}`

/** The eight one-line results, in order: the whole plan at a glance. */
export function spine(plan: JobPlan, problems: readonly Problem[], system: UnitSystem): Band[] {
  const figure = (id: string | null | undefined) => (id ? plan.figures[id] : undefined)
  const say = (id: string | null | undefined) => {
    const f = figure(id)
    return f ? shown(f.value, f.unit, system) : '—'
  }
  const zones = plan.zones
  const measured = zones.filter((z) => z.area)
  const holdsAt = (stage: Stage) => plan.notices.filter((n) => n.stage === stage && n.level === 'hold').length
  const warnsAt = (stage: Stage) => plan.notices.filter((n) => n.stage === stage && n.level === 'warn').length
  const band = (stage: Stage, line: string, sub: string, waiting: string | null = null): Band => {
    const holds = holdsAt(stage)
    const warns = warnsAt(stage)
    const idle = stage > 1 && measured.length === 0
    const mark = waiting ? 'waiting' : idle ? 'idle' : holds ? 'hold' : warns ? 'warning' : 'settled'
    return {
      stage,
      name: STAGES[stage],
      line,
      sub,
      mark,
      markSays: waiting ?? (mark === 'idle' ? '' : holds ? count(holds, 'hold', 'holds') : warns ? count(warns, 'warning', 'warnings') : 'settled'),
    }
  }
  const nothingYet = measured.length === 0
  const start = 'needs a zone with a size'

  const suns = zones.flatMap((z) =>
    [undefined, 'assumed'].includes(plan.figures[`${z.id}.sun`]?.standing) === false ? [num(plan.figures[`${z.id}.sun`]!)] : [],
  )
  const sunText =
    suns.length === 0
      ? 'sun not noted'
      : Math.min(...suns) === Math.max(...suns)
        ? `sun ${showNumber(suns[0]!)} h`
        : `sun ${showNumber(Math.min(...suns))}–${showNumber(Math.max(...suns))} h`
  const unsized = zones.length - measured.length
  const readings = Object.values(plan.survey.zones).reduce((sum, z) => sum + (z.levels?.readings ?? 0), 0)
  const walk = band(
    1,
    zones.length === 0 ? 'nothing walked yet' : `${count(zones.length, 'zone', 'zones')} · ${plan.totalArea ? say(plan.totalArea) : 'no size'}`,
    zones.length === 0 ? 'add the first zone' : [sunText, readings > 0 && count(readings, 'level', 'levels')].filter(Boolean).join(' · '),
    problems.length > 0
      ? count(problems.length, 'entry to mend', 'entries to mend')
      : zones.length === 0
        ? 'start here'
        : unsized > 0
          ? `${unsized} without size`
          : figure(plan.frost.median)?.standing === 'assumed'
            ? 'frost date wanted'
            : null,
  )

  const live = plan.findings.filter((f) => f.verdict === 'act' || f.verdict === 'hold')
  const unread = plan.findings.filter((f) => f.verdict === 'unread')
  const words = unique(live.map((f) => f.word))
  const findings = band(
    2,
    zones.length === 0 ? 'nothing to judge yet' : words.length === 0 ? 'nothing against seed' : words.slice(0, 3).join(', '),
    zones.length === 0
      ? start
      : unread.length > 0
        ? `${count(unique(unread.map((f) => f.kind)).length, 'kind', 'kinds')} of reading missing`
        : 'every reading taken',
    unread.length > 0 ? count(unread.length, 'reading wanted', 'readings wanted') : null,
  )

  const approaches = unique(measured.map((z) => z.approach.chosen))
  const overridden = measured.filter((z) => z.approach.overridden).length
  const approach = band(
    3,
    nothingYet ? 'not chosen yet' : approaches.length > 2 ? `${approaches.length} approaches` : approachWords(approaches),
    nothingYet ? start : overridden ? `${overridden} overridden by you` : 'as the findings ask',
  )

  const seeds = zones.flatMap((z) => (z.seed ? [z.seed] : []))
  const seedTotal = seeds.reduce((sum, s) => sum + num(s.kg), 0)
  const kinds = unique(seeds.flatMap((s) => s.mix.map((m) => GRASSES[m.grass].short)))
  const seed = band(
    4,
    seeds.length === 0 ? (nothingYet ? 'no seed yet' : 'no seed') : `${shown(seedTotal, 'kg', system)}, ${kinds.slice(0, 2).join(' / ')}`,
    seeds.length === 0 ? (nothingYet ? start : 'nothing is sown') : `${count(unique(seeds.map((s) => s.key)).length, 'mix', 'mixes')}, reserve apart`,
  )

  const tonnes = plan.materials.reduce((sum, m) => sum + m.tonnes, 0)
  const carry = tonnes >= 0.1 ? shown(tonnes, 't', system) : shown(tonnes * 1000, 'kg', system)
  const materials = band(
    5,
    plan.materials.length === 0 ? 'nothing to buy yet' : `${count(plan.materials.length, 'line', 'lines')} · ${carry}`,
    nothingYet ? start : plan.feed ? `starter ${plan.feed.grade}` : 'no feed',
  )

  const work = plan.steps.filter((s) => !plan.follow.later.includes(s))
  const first = work.find((s) => s.kind !== 'notice')?.chosen
  const last = work.at(-1)?.chosen
  const strand = plan.strands.find((s) => !s.fits) ?? plan.strands[0]
  const left = strand ? daysBetween(strand.sowDay, String(strand.cutOff.value)) : 0
  const order = band(
    6,
    !first || !last ? 'no days yet' : first === last ? showDay(first) : `${showDay(first)} – ${showDay(last)}`,
    !strand ? start : strand.fits ? `sown ${count(left, 'day', 'days')} before the cut-off` : 'does not fit this season',
  )

  const w = plan.follow.water
  const f = plan.follow.strands[0]
  const minutes = w?.zones.map((z) => num(z.minutes)) ?? []
  const most = Math.round(Math.max(0, ...minutes))
  const water = band(
    7,
    !w ? 'nothing to water yet' : `${w.times.length} × ${most} min${f?.wateringDays ? `, ${num(f.wateringDays)} days` : ''}`,
    !w ? start : `${shown(w.daily.value, 'L', system)} a day`,
  )

  const { done, of, next } = plan.follow
  const sown = f && plan.steps.find((s) => s.kind === 'sow' && s.strand === f.strand && s.state === 'done')
  const diary = band(
    8,
    sown && f.wateringDays
      ? `day ${daysBetween(sown.chosen, plan.today)} of ${num(f.wateringDays)}`
      : done > 0
        ? `${done} of ${of} steps done`
        : 'nothing done yet',
    next ? `next: ${next.name}, ${showDay(next.chosen)}` : of > 0 ? 'all done' : start,
  )

  return [walk, findings, approach, seed, materials, order, water, diary]
}
