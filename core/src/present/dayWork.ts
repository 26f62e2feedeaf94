import { daysBetween, type Day } from '../calendar/day.ts'
import { tickedTwice, type DiaryEntry } from '../entities/diary.ts'
import type { Job } from '../entities/job.ts'
import type { WaterAdvice, WaterOfDay } from '../plan/follow.ts'
import type { JobPlan } from '../plan/jobPlan.ts'
import type { FigureValue, Unit } from '../quantities/show.ts'
import type { CautionId } from '../reference/cautions.ts'
import { OPERATIONS, type StepKind } from '../reference/operations.ts'
import type { PlannedStep, StepLook } from '../plan/order.ts'
import { num, type Figure } from '../trace/figure.ts'
import { MOST_NAMED, joined, onDay, quantity, say, type Message } from '../rules/message.ts'
import type { ZoneId } from '../rules/id.ts'
import { zoneOf, zoneScope } from '../trace/scope.ts'

/** What goes down on one zone in a step: weighed or measured out. */
export interface DayAmount {
  zone: string
  /** What it is: the seed, the feed, the soil. */
  what: Message
  value: FigureValue
  unit: Unit
  /** Put down in this many equal pans. */
  pans: number
  /** Lots, spreader setting, strip test. */
  detail: Message
}

/** One step of a day, as whoever does it wants it told. */
export interface DayStep {
  id: string
  kind: StepKind
  name: Message
  how: Message
  why: Message
  zones: string[]
  where: string
  day: Day
  /** The last day it may be done and still fall in its season; null where nobody can say. */
  latest: Day | null
  state: PlannedStep['state']
  /** What was recorded of it, in the order it was written. */
  ticks: DiaryEntry[]
  /** It was recorded from two places, and nobody has said yet whether both stand. */
  twice: boolean
  /** Hours of work for each of the people. */
  hours: number
  people: number
  amounts: DayAmount[]
  /** What is sprayed, as the job names it; '' where it names nothing. */
  product: string
  /** What is decided there; null where it is no look. */
  look: StepLook | null
  cautions: CautionId[]
  /** What the weather or a pin says against that day. */
  against: { title: Message; says: Message }[]
  /** Seed that goes off the shelf when it is ticked, kg by lot and zone. */
  lots: { lot: string; zone: string; kg: number }[]
}

/** A job as the day sees it. */
export interface DayJob {
  id: string
  name: string
  customer: string
  address: string
  phone: string
  notes: string
  below: string
  beside: string
  waterer: string
  holds: { title: Message; says: Message }[]
  /** Every step, whatever its day. */
  steps: DayStep[]
  /** Water of today and the days ahead, while a seedbed is kept moist. */
  water: DayWater[]
}

/** The water of one day on some ground. */
export interface DayWater {
  day: Day
  where: string
  advice: WaterAdvice
  runs: readonly string[]
  /** What one run is: minutes or litres, by zone. */
  each: { zone: string; value: number; unit: 'min' | 'L' }[]
  /** Why, in the weather of that day. */
  says: Message
}

/** What is done with the water of a day, in a word. */
export const WATER_WORDS: Record<WaterAdvice, string> = {
  planned: 'as planned',
  off: 'leave it off',
  less: 'half will do',
  more: 'one run more',
  dry: 'leave dry',
  barred: 'not allowed',
}
/** Rain of a day that wets nothing, mm. */
const DRY_DAY = 0.5

/** Why the water of a day is as it is, by its weather; and that a mow comes first. */
export const waterSaid = (day: WaterOfDay): Message =>
  joined([day.mown && day.advice !== 'off' && 'Only once it is mown.', byWeather(day)])

function byWeather({ advice, rain, high, of }: WaterOfDay): Message {
  const wet =
    rain === null
      ? ''
      : rain < DRY_DAY
        ? 'no rain expected'
        : say`${quantity(rain, 'rain')} of rain expected`
  const heat = high === null ? '' : say`up to ${quantity(high, 'C')}`
  switch (advice) {
    case 'off':
      return say`${joined([wet, heat], ', ')}: leave the runs off, and look in the evening whether the top is moist.`
    case 'less':
      if (rain !== null && rain < DRY_DAY)
        return say`Still wet from the day before, ${heat}: half of the water will do.`
      return of > 1
        ? say`${joined([wet, heat], ', ')}: half of the runs will do.`
        : say`${joined([wet, heat], ', ')}: half of each run will do.`
    case 'more':
      return say`${joined([heat, wet], ', ')}: as planned, and one run more towards evening.`
    case 'dry':
      return 'Left dry for the mow of tomorrow.'
    case 'barred':
      return 'No water is allowed that day: cover what dries, and water the day before and after.'
    case 'planned':
      return rain === null ? 'As planned.' : say`${joined([heat, wet], ', ')}: as planned.`
  }
}

/** Zones by name: all of them, all but a few, or one by one. */
function zonesSaid(ids: readonly string[], zones: JobPlan['zones']): string {
  const names = new Map(zones.map((z) => [z.id, z.name]))
  const here = new Set(ids.map(zoneOf))
  const others = zones.filter((z) => !here.has(z.id))
  if (zones.length > 1 && others.length === 0 && ids.length === zones.length) return 'all zones'
  return others.length > 0 && others.length <= MOST_LEFT_OUT && ids.length > MOST_NAMED
    ? `all zones but ${others.map((z) => z.name).join(', ')}`
    : ids.map((id) => names.get(zoneOf(id)) ?? id).join(', ')
}
/** Zones that are left out are named up to so many. */
const MOST_LEFT_OUT = 5

function waterOn(of: WaterOfDay, plan: JobPlan): DayWater {
  const zones = plan.packages.find((p) => p.id === of.workPackage)?.zones ?? []
  const named = (id: string) => plan.zones.find((z) => z.id === zoneOf(id))?.name ?? id
  return {
    day: of.day,
    where: zonesSaid(zones, plan.zones),
    advice: of.advice,
    runs: of.runs,
    each: (plan.follow.water?.zones ?? [])
      .filter((w) => zones.some((z) => z === w.zone))
      .map((w) => ({
        zone: named(w.zone),
        ...(w.sprinkler
          ? { value: num(w.sprinkler.minutes), unit: 'min' as const }
          : { value: num(w.litres), unit: 'L' as const }),
      })),
    says: waterSaid(of),
  }
}

/** Seed that leaves stock with a sowing: what the plan weighs out, by lot and zone (kg). */
export const stepLots = (
  step: PlannedStep,
  plan: Pick<JobPlan, 'seedUse'>,
): { lot: string; zone: string; kg: number }[] =>
  step.kind !== 'sow'
    ? []
    : plan.seedUse
        .filter((u) => u.stock !== '' && u.kg > 0 && step.zones.includes(u.zone))
        .map((u) => ({ lot: u.stock, zone: zoneOf(u.zone), kg: u.kg }))

/**
 * A job's work told day by day: each step with its amounts by zone, and what has to be known there.
 */
export function dayWork(id: string, job: Job, plan: JobPlan, diary: readonly DiaryEntry[]): DayJob {
  const twice = new Set(tickedTwice(diary).map((e) => e.id))
  const ticks = (s: PlannedStep) => diary.filter((e) => plan.ticks[s.id]?.includes(e.id))
  return {
    id,
    name: job.name || 'Job without a name',
    customer: job.customer,
    address: job.site.address,
    phone: job.phone,
    notes: job.notes,
    below: job.site.below,
    beside: job.site.beside,
    waterer: job.waterer,
    holds: plan.notices
      .filter((n) => n.level === 'hold')
      .map(({ title, says }) => ({ title, says })),
    water: plan.follow.waterDays.map((w) => waterOn(w, plan)),
    steps: plan.steps.map((s) => ({
      id: s.id,
      kind: s.kind,
      name: s.name,
      how: howSaid(s, plan),
      why: s.why,
      zones: s.zones,
      where: zonesSaid(s.zones, plan.zones),
      day: s.chosen,
      latest: s.latest,
      state: s.state,
      ticks: ticks(s),
      twice: ticks(s).some((e) => twice.has(e.id)),
      hours: num(s.hours),
      people: s.people,
      amounts: stepAmounts(s, plan, job),
      product: job.sprays.find((x) => x.does === s.kind)?.product ?? '',
      look: s.look ?? null,
      cautions: s.cautions,
      against: plan.notices
        .filter((n) => n.step === s.id)
        .map(({ title, says }) => ({ title, says })),
      lots: stepLots(s, plan),
    })),
  }
}

/**
 * What a step puts down, by zone: seed in its pans, of a dressing in lifts the lift of that day.
 */
export const stepAmounts = (step: PlannedStep, plan: JobPlan, job: Lots): DayAmount[] =>
  step.kind === 'sow' ? seedOf(step, plan, job) : [...amountsOf(step, plan), ...waterOf(step, plan)]
type Lots = { lots: readonly { id: string; name: string }[] }

/** The seed of a sowing, by zone: two pans each, with lots, setting and strip test. */
function seedOf(step: PlannedStep, plan: JobPlan, job: Lots): DayAmount[] {
  const value = (id: string) => plan.figures[id]!.value
  return step.zones.flatMap((round): DayAmount[] => {
    const zone = plan.zones.find((z) => z.id === zoneOf(round))
    const seed = zone && (round === zone.id ? zone.seed : (zone.later?.seed ?? null))
    if (!zone || !seed) return []
    const lots = plan.seedUse
      .filter((u) => u.zone === round)
      .flatMap((u) => {
        const name = job.lots.find((l) => l.id === u.lot)?.name
        return name ? [say`lot ${name}`] : []
      })
    return [
      {
        zone: zone.name,
        what: seed.name,
        value: value(seed.pan.id),
        unit: 'kg',
        pans: 2,
        detail: joined(
          [
            ...lots,
            ...(seed.handSown
              ? [say`${plan.figures[seed.handfuls.id]!.label}: ${seed.handfuls}`]
              : [
                  seed.setting ? say`setting ${seed.setting}` : '',
                  say`strip test ${quantity(value(seed.strip.id), 'kg')}`,
                ]),
          ].filter((m) => m !== ''),
          ', ',
        ),
      },
      ...(seed.onBare
        ? [
            {
              zone: zone.name,
              what: seed.name,
              value: value(seed.onBare.pan.id),
              unit: 'kg' as const,
              pans: 1,
              detail: seed.onBare.hand
                ? say`bare patches, ${seed.onBare.ground}, raked through to soil and sown by hand`
                : say`bare ground, ${seed.onBare.ground}, with the spreader once more`,
            },
          ]
        : []),
    ]
  })
}

/** Days ahead that a notice speaks of. */
const TOLD_AHEAD = 120

/** How a step is done; of a notice, which ground is closed and for how long. */
export function howSaid(step: PlannedStep, plan: JobPlan): Message {
  if (step.kind !== 'notice') return step.how
  const shut = plan.follow.closed.filter(
    (c) =>
      c.from >= step.chosen &&
      daysBetween(step.chosen, c.from) <= TOLD_AHEAD &&
      c.zones.some((z) => step.zones.includes(z as ZoneId)),
  )
  const spans = new Map(shut.map((c) => [`${c.zones.join()} ${c.from} ${c.to}`, c]))
  const next = [...spans.values()].sort((a, b) => a.from.localeCompare(b.from)).slice(0, 3)
  return joined(
    [
      step.how,
      ...next.map((c) => {
        const ground = zonesSaid(c.zones, plan.zones)
        return c.from === c.to
          ? say`${ground} closed ${onDay(c.from)}`
          : say`${ground} closed ${onDay(c.from)} to ${onDay(c.to, !c.to.startsWith(c.from.slice(0, 4)))}`
      }),
    ],
    '; ',
  )
}

/** Water after the work of a step, by zone. */
function waterOf(step: PlannedStep, plan: JobPlan): DayAmount[] {
  return plan.follow.waterIn
    .filter((w) => w.step === step.id)
    .map((w) => ({
      zone: plan.zones.find((z) => z.id === w.zone)?.name ?? w.zone,
      what: 'Water',
      value: w.litres.value,
      unit: w.litres.unit,
      pans: 1,
      detail: joined(
        [
          w.minutes ? say`${w.need}, ${w.minutes}` : say`${w.need}, by can, rose or hose`,
          w.until
            ? say`look daily until ${onDay(w.until)}, ${quantity(w.light, 'rain')} where it dries`
            : '',
        ].filter((m) => m !== ''),
        '; ',
      ),
    }))
}

function amountsOf(step: PlannedStep, plan: JobPlan): DayAmount[] {
  const starts = OPERATIONS[step.kind].puts
  if (!starts) return []
  const lines = plan.materials.filter((m) => starts.some((k) => k === m.kind))
  const of = step.kind === 'dress-again' ? 'dress' : step.kind
  return step.zones.flatMap((round): DayAmount[] => {
    const zone = plan.zones.find((z) => z.id === zoneOf(round))
    if (!zone) return []
    return lines.flatMap((line): DayAmount[] => {
      // Of soil each step has its own part; of the rest a zone takes all at once.
      const part = line.spread?.find((s) => s.step === of && s.zone === round)
      const figure = line.spread
        ? plan.figures[part?.figure ?? '']
        : ofRound(plan.figures[line.cells[zone.id] ?? ''], round, plan)
      if (!figure || typeof figure.value !== 'number') return []
      const lifts = part?.lifts ?? 1
      // The second lift is the first of its operation; feeds of a programme are counted from one.
      const feeds = line.kind === 'feed'
      const lift = step.part ?? (step.kind === 'dress' || feeds ? 1 : 2)
      return [
        {
          zone: zone.name,
          what: line.name,
          value: figure.value / lifts,
          unit: figure.unit,
          pans: 1,
          detail: joined(
            [
              lifts > 1 ? say`${feeds ? 'feed' : 'lift'} ${lift} of ${lifts}` : '',
              part?.set ?? '',
              ...(line.kind === 'spray' ? [line.detail, line.people ?? ''] : []),
            ].filter((m) => m !== ''),
            '; ',
          ),
        },
      ]
    })
  })
}

/** Of what a zone that is sown twice takes in all, the part of one round. */
function ofRound(figure: Figure | undefined, round: string, plan: JobPlan): Figure | undefined {
  const parts = figure?.inputs.zones
  if (!figure || !Array.isArray(parts) || !figure.rule.startsWith('materials.both-rounds'))
    return figure
  const { id } = zoneScope(round)
  return parts.map((part) => plan.figures[part]).find((f) => f?.id.startsWith(`${id}.`))
}
