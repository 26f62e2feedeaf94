import { addDays, dayNumber, dayOf, showDay, weekday, type Day } from '../calendar/day.ts'
import { standing, type DiaryEntry } from '../entities/diary.ts'
import type { Firm } from '../entities/firm.ts'
import type { Job } from '../entities/job.ts'
import type { CautionId } from '../reference/cautions.ts'
import { OPERATIONS, type StepKind } from '../reference/operations.ts'
import type { Prescription } from '../prescribe.ts'
import { leadRule, sowingWindow, windowRules, type DayState, type SowingWindow } from '../climate/sowingWindow.ts'
import { num, rule, type Figure, type Notice, type Workings } from '../trace/figure.ts'
import { schoolName, type Schools } from '../reference/schools.ts'
import { scheduleStrand, type Calendar, type Fixed, type Placed, type Schedule } from './schedule.ts'
import { stepsOf, type StepNeed, type Strand } from '../work/workPackages.ts'
import type { Waits } from './waitingPeriods.ts'

export const orderRules = {
  day: rule(
    'order.day',
    'The first open day to sow that every lag, wait and working day allows; the steps before it lie as close as they should.',
    'after {*}, as early as may be',
    'practice',
  ),
  first: rule('order.first', 'The first step, as near as the rest allows.', 'so that the steps after it keep their lags', 'practice'),
  pinned: rule('order.pinned', 'Pinned by you.', 'your pin', 'reading', 'your decision'),
  done: rule('order.done', 'Done, by the diary.', 'the diary', 'reading', 'your diary'),
  hours: rule(
    'order.hours',
    'Setting up, and area times passes over what one person does in an hour, shared by up to two.',
    '(set-up + area × passes ÷ rate) ÷ people',
    'model',
  ),
  presentable: rule('order.presentable', 'A sown lawn is presentable six to eight weeks on, slow grasses later.', '{0} + weeks to use', 'practice'),
}

export interface PlannedStep {
  id: string
  strand: string
  kind: StepKind
  name: string
  why: string
  zones: string[]
  hours: Figure
  passes: number
  span: number
  earliest: Day | null
  latest: Day | null
  chosen: Day
  day: Figure
  waitsFor: string
  state: Placed['state']
  cautions: CautionId[]
}

export interface WindowSpan {
  from: Day
  to: Day
  state: DayState
}

export interface Option {
  title: string
  says: string
}

export interface StrandPlan {
  id: string
  season: 'cool' | 'warm'
  kills: boolean
  zones: string[]
  fits: boolean
  cutOff: Figure
  lead: number
  window: WindowSpan[]
  sowDay: Day
  /** First what cannot be done and why, then what can. Empty when it fits. */
  verdict: string
  options: Option[]
  steps: PlannedStep[]
}

export function spansOf(window: SowingWindow, days: number): WindowSpan[] {
  const spans: WindowSpan[] = []
  const first = dayNumber(window.start)
  for (let i = 0; i < Math.min(days, window.states.length); i++) {
    const state = window.states[i]!
    const open = spans.at(-1)
    if (open && open.state === state) open.to = dayOf(first + i)
    else spans.push({ from: dayOf(first + i), to: dayOf(first + i), state })
  }
  return spans
}

function windowOf(strand: Strand, p: Prescription, schools: Schools): SowingWindow {
  const parts = strand.zones.flatMap((z) => p.zones.find((x) => x.r.id === z.r.id)?.seed?.mix ?? [])
  const usual = [{ grass: strand.season === 'cool' ? ('perennial-ryegrass' as const) : ('bermudagrass' as const), share: 100 }]
  return sowingWindow(parts.length > 0 ? parts : usual, strand.season, p.ground, schools.cutOff)
}

function fixedFor(id: string, need: StepNeed, job: Job, diary: readonly DiaryEntry[], waits: Waits): Fixed {
  const done = diary.filter((e) => e.step === id).map((e) => e.date)
  const notBefore =
    need.kind === 'sow' ? waits.sow : need.kind === 'scarify' || need.kind === 'core' ? waits.open : need.kind === 'dress' ? waits.dress : null
  return { pin: job.pins[id] ?? null, done: done.sort().at(-1) ?? null, notBefore }
}

/** The season's verdict and the honest options, when sowing does not fit before the cut-off. */
function whatInstead(
  strand: Strand,
  schedule: Schedule,
  window: SowingWindow,
  p: Prescription,
  firm: Firm,
  schools: Schools,
  waits: Waits,
  calendar: Calendar,
): { verdict: string; options: Option[] } {
  const today = calendar.today
  const cut = showDay(window.cutOff)
  const past = window.cutOff < today
  const waiting = waits.sow !== null && waits.sow > window.cutOff
  const earliest = schedule.sowDay
  const verdict = past
    ? `Too late: the last day to sow this was ${cut}.`
    : waiting
      ? `Too late: seed is not safe before ${showDay(waits.sow!)}, and the last day to sow is ${cut}.`
      : strand.kills
        ? `Too late to kill off: the waits carry sowing past ${cut}, the last day.`
        : `It does not fit: the steps and their waits carry sowing past ${cut}, the last day.`
  const options: Option[] = []
  if (strand.kills && !past) {
    const gentle: Strand = {
      ...strand,
      id: strand.id.replace('kill', 'sow'),
      kills: false,
      zones: strand.zones.map((z) => ({ ...z, approach: { ...z.approach, chosen: 'overseed' } })),
    }
    const needs = stepsOf(gentle, p.findings, schools, p.dressing, p.covers, firm.crew ?? 2)
    const tried = scheduleStrand(
      needs,
      needs.map((n) => ({ pin: null, done: null, notBefore: n.kind === 'sow' ? waits.sow : null })),
      window,
      calendar,
    )
    if (tried.fits)
      options.push({
        title: 'Overseed instead',
        says: `Without the kill-off, seed goes down ${showDay(tried.sowDay)}. The incurable grasses stay, in better company.`,
      })
  }
  const free = waits.sow ?? today
  if (strand.season === 'cool') {
    const quick = sowingWindow([{ grass: 'annual-ryegrass', share: 100 }], 'cool', p.ground, 'even-odds')
    const at = quick.states.findIndex(
      (s, i) => s !== 'shut' && i > 0 && dayOf(dayNumber(today) + i) >= free && dayOf(dayNumber(today) + i) <= quick.cutOff,
    )
    if (at >= 0)
      options.push({
        title: 'Hold over',
        says: `Sow annual ryegrass from ${showDay(dayOf(dayNumber(today) + at))}: quick cover that keeps the soil and gives way. Sow properly in season.`,
      })
  }
  const drop = strand.zones.some((z) =>
    p.zones.find((x) => x.r.id === z.r.id)?.seed?.mix.some((m) => m.grass === 'kentucky-bluegrass' && m.share >= 10),
  )
  if (drop && window.lead === 56 && addDays(window.cutOff, 14) >= today && !waiting)
    options.push({ title: 'Leave the bluegrass out', says: `Rye and fescue may be sown until ${showDay(addDays(window.cutOff, 14))}.` })
  if (schedule.sowState !== 'shut')
    options.push({
      title: `Sow ${showDay(earliest, true)}`,
      says: `The next ${schedule.sowState === 'open' ? 'good' : 'marginal'} window. The days below are for then; feed and mow meanwhile.`,
    })
  return { verdict, options }
}

/** Dates for every step of one job, strand by strand. */
export function orderOfWork(
  job: Job,
  firm: Firm,
  schools: Schools,
  diaryAll: readonly DiaryEntry[],
  p: Prescription,
  waits: Waits,
  today: Day,
  w: Workings,
  notices: Notice[],
): StrandPlan[] {
  const calendar: Calendar = { today, weekendWork: firm.weekendWork, hoursPerDay: firm.hoursPerDay ?? 8 }
  const diary = standing(diaryAll)
  return p.strands.map((strand) => {
    const needs = stepsOf(strand, p.findings, schools, p.dressing, p.covers, firm.crew ?? 2)
    const window = windowOf(strand, p, schools)
    const ids = needs.map((n) => `${strand.id}.${n.kind}`)
    const schedule = scheduleStrand(
      needs,
      needs.map((n, i) => fixedFor(ids[i]!, n, job, diary, waits)),
      window,
      calendar,
    )
    const feedOnly = strand.id.startsWith('feed')
    const counted = schools.cutOff === 'safe' ? p.ground.frostTenth : p.ground.frost
    const cutOff = w.add(
      6,
      `${strand.id}.cut-off`,
      'Last day to sow',
      addDays(counted.value as Day, -window.lead),
      'date',
      leadRule(window.lead),
      [counted],
      {
        school: `cutOff:${schools.cutOff}`,
        change: 'The other frost school, or a quicker mix.',
      },
    )
    const soilFigure = w.add(6, `${strand.id}.window`, 'Sowing window', schedule.sowState, '1', windowRules.soil, [p.ground.soilNow, cutOff])
    const names = strand.zones.map((z) => z.r.name).join(', ')
    let before: Figure | null = null
    const steps = schedule.steps.map((s, i): PlannedStep => {
      const kind = s.need.kind
      const op = OPERATIONS[kind]
      const id = ids[i]!
      const hours = w.add(
        6,
        `${id}.hours`,
        `${op.name}: hours`,
        s.need.hours,
        'h',
        orderRules.hours,
        strand.zones.filter((z) => s.need.zones.includes(z.r.id)).map((z) => z.r.area),
      )
      const inputs: (Figure | null)[] = kind === 'sow' || feedOnly ? [before, cutOff, soilFigure, ...(kind === 'sow' ? waits.figures : [])] : [before]
      const by =
        s.state === 'done' || s.state === 'unrecorded'
          ? orderRules.done
          : s.state === 'pinned'
            ? orderRules.pinned
            : inputs.some((x) => x)
              ? orderRules.day
              : orderRules.first
      const day: Figure = w.add(6, `${id}.day`, op.name, s.chosen, 'date', by, by === orderRules.day ? inputs : [], {
        change: s.latest
          ? `It may slip to ${showDay(s.latest)} and still sow in the window.`
          : 'A pin, the crew’s working days, or the steps before it.',
      })
      if (s.broken)
        notices.push({
          id: `${id}.pin`,
          stage: 6,
          level: 'warn',
          title: `${op.name}: your pin does not agree with the plan.`,
          says: `${s.broken} Your pin is kept. Move it, or let the step float.`,
          figure: day.id,
        })
      before = day
      return {
        id,
        strand: strand.id,
        kind,
        name: op.name,
        why: kind === 'core' ? `${op.why} Cores: ${schoolName('cores', schools.cores)}.` : op.why,
        zones: s.need.zones,
        hours,
        passes: s.need.passes,
        span: s.span,
        earliest: s.earliest,
        latest: s.latest,
        chosen: s.chosen,
        day,
        waitsFor: s.need.waits,
        state: s.state,
        cautions: [
          ...op.cautions,
          ...(strand.zones.some((z) => num(z.r.slope) >= 20 && s.need.zones.includes(z.r.id)) && op.rate ? (['slope'] as const) : []),
        ],
      }
    })
    const instead =
      schedule.fits || feedOnly ? { verdict: '', options: [] } : whatInstead(strand, schedule, window, p, firm, schools, waits, calendar)
    if (instead.verdict)
      notices.unshift({
        id: `${strand.id}.fits`,
        stage: 6,
        level: 'hold',
        title: instead.verdict,
        says: instead.options.map((o) => `${o.title}: ${o.says}`).join(' '),
        figure: cutOff.id,
      })
    else if (schedule.sowState === 'marginal' && !feedOnly)
      notices.push({
        id: `${strand.id}.marginal`,
        stage: 6,
        level: 'warn',
        title: `Sowing ${names} on ${showDay(schedule.sowDay)} is marginal.`,
        says: 'Soil is outside the good range for it. Odds are fair, not good; tell the customer.',
        figure: soilFigure.id,
      })
    if (schedule.stretched)
      notices.push({
        id: `${strand.id}.stretched`,
        stage: 6,
        level: 'warn',
        title: 'The steps lie further apart than they should.',
        says: 'Opened turf should be sown within 3 days. More crew, weekend work, or the lawn in parts would close the gap.',
      })
    return {
      id: strand.id,
      season: strand.season,
      kills: strand.kills,
      zones: strand.zones.map((z) => z.r.id),
      fits: schedule.fits,
      cutOff,
      lead: window.lead,
      window: spansOf(window, 500),
      sowDay: schedule.sowDay,
      ...instead,
      steps,
    }
  })
}

/** The next day the crew works, on or after a day. */
export function workingDay(day: Day, weekendWork: boolean): Day {
  let d = dayNumber(day)
  while (!weekendWork && (weekday(d) === 0 || weekday(d) === 6)) d++
  return dayOf(d)
}
