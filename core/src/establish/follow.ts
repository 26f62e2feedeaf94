import { addDays, dayNumber, showDay, type Day } from '../calendar/day.ts'
import { standing, type DiaryEntry } from '../entities/diary.ts'
import type { Firm } from '../entities/firm.ts'
import type { Job } from '../entities/job.ts'
import type { Prescription, ZonePlan } from '../prescribe.ts'
import { asNew } from '../approach/approach.ts'
import { leafAfterCut } from '../materials/dressing.ts'
import { GRASSES, type GrassId } from '../reference/grasses.ts'
import { OPERATIONS } from '../reference/operations.ts'
import { emergence, emergenceRules, type Emergence } from './emergence.ts'
import { firstMowHeight, mowBand, mowRules, mowSchool } from './firstMow.ts'
import { planWater, type WaterPlan } from './watering.ts'
import { orderRules, workingDay, type PlannedStep, type StrandPlan } from '../schedule/orderOfWork.ts'
import { laterSteps } from '../work/workPackages.ts'
import { num, rule, type Figure, type Notice, type Workings } from '../trace/figure.ts'
import { schoolName, type Schools } from '../reference/schools.ts'

export const followRules = {
  visit: rule('follow.visit', 'A month after sowing: look, count, mend, photograph, hand over.', '{0} + 30 days', 'practice'),
  again: rule('follow.dress-again', 'The next lift about 28 days on, in growth.', '{0} + 28 days', 'practice'),
  afterMow: rule('follow.after-mow', 'Once the seedlings have been mown.', '{0}', 'practice'),
  mowDay: rule('follow.mow-day', 'The middle of its expected band, on a working day.', 'middle of {0}', 'model'),
  wateringDays: rule('follow.watering-days', 'From sowing until the slowest wanted grass is up.', '{1} − {0}', 'practice'),
}

export interface StrandFollow {
  strand: string
  sown: Day
  up: { grass: GrassId; figure: Figure }[]
  handOver: Figure | null
  wateringDays: Figure | null
  mowBand: Figure | null
  mow: { zone: string; height: Figure }[]
  presentable: Figure | null
}

export interface Follow {
  water: WaterPlan | null
  strands: StrandFollow[]
  later: PlannedStep[]
  /** Diary days and notes for the spine. */
  done: number
  of: number
  next: PlannedStep | null
}

/** Watering, emergence, first mow and the steps that come after the seed is up. */
export function follow(
  job: Job,
  firm: Firm,
  schools: Schools,
  diaryAll: readonly DiaryEntry[],
  p: Prescription,
  order: readonly StrandPlan[],
  today: Day,
  w: Workings,
  notices: Notice[],
): Follow {
  const diary = standing(diaryAll)
  const watered = p.zones.filter((z) => z.seed)
  const water = planWater(
    job,
    schools,
    watered.map((z) => z.r),
    w,
    notices,
  )
  const { soil, start } = p.ground.soilBefore
  const later: PlannedStep[] = []
  const strands: StrandFollow[] = []
  for (const plan of order) {
    const strand = p.strands.find((s) => s.id === plan.id)!
    const sow = plan.steps.find((s) => s.kind === 'sow')
    if (!sow) continue
    const zones = p.zones.filter((z) => plan.zones.includes(z.r.id) && z.seed)
    const grasses = [...new Set(zones.flatMap((z) => z.seed!.mix.filter((m) => m.share >= 10).map((m) => m.grass)))]
    const bands = new Map<GrassId, Emergence>()
    const up = grasses.flatMap((grass) => {
      const e = emergence(grass, sow.chosen, soil, start)
      if (!e) return []
      bands.set(grass, e)
      return [
        {
          grass,
          figure: w.add(
            7,
            `${plan.id}.up.${grass}`,
            `${GRASSES[grass].short} shows`,
            { low: e.first, high: e.last },
            'date',
            emergenceRules.band,
            [sow.day, p.ground.soilNow],
            { change: 'Warmer or colder soil, and any day it dries.' },
          ),
        },
      ]
    })
    const last =
      [...bands.values()]
        .map((e) => e.last)
        .sort()
        .at(-1) ?? null
    const handOver = last
      ? w.add(
          7,
          `${plan.id}.hand-over`,
          'Keep the surface moist until',
          last,
          'date',
          emergenceRules.slowest,
          up.map((u) => u.figure),
        )
      : null
    const wateringDays = handOver
      ? w.add(7, `${plan.id}.watering-days`, 'Days of seedbed watering', dayNumber(last!) - dayNumber(sow.chosen), 'd', followRules.wateringDays, [
          sow.day,
          handOver,
        ])
      : null
    const mow = zones.map((z) => {
      const cut = num(z.r.cut)
      const school = mowSchool(schools.firstMow, cut)
      if (school !== schools.firstMow)
        notices.push({
          id: `${z.r.id}.mow-school`,
          stage: 8,
          zone: z.r.id,
          level: 'note',
          title: `${z.r.name}: inch-over is refused at ${Math.round(cut)} mm.`,
          says: 'Under 50 mm an inch is too much of the leaf. The one-third school is used here.',
        })
      return {
        zone: z.r.id,
        height: w.add(
          8,
          `${z.r.id}.mow.height`,
          'First mow when it stands',
          firstMowHeight(school, cut),
          'mm',
          school === 'inch-over' ? mowRules.inchOver : mowRules.oneThird,
          [z.r.cut],
          {
            zone: z.r.id,
            school: `firstMow:${school}`,
            change: `The “${schoolName('firstMow', school === 'inch-over' ? 'one-third' : 'inch-over')}” school.`,
          },
        ),
      }
    })
    const main = zones
      .flatMap((z) => z.seed!.mix)
      .filter((m) => bands.has(m.grass))
      .sort((a, b) => b.share - a.share)[0]
    let band: Figure | null = null
    let presentable: Figure | null = null
    if (main && mow.length > 0) {
      const lowest = mow.reduce((a, b) => (num(b.height) < num(a.height) ? b : a)).height
      const biggest = largest(zones)
      const sward = asNew(biggest.approach.chosen) ? null : { sown: sow.chosen, leaf: leafAfterCut(num(biggest.r.cut)) }
      const expected = mowBand(bands.get(main.grass)!, num(lowest), plan.season, soil, start, sward)
      band = w.add(8, `${plan.id}.mow.band`, 'First mow expected', expected, 'date', sward ? mowRules.swardBand : mowRules.band, [
        lowest,
        ...up.filter((u) => u.grass === main.grass).map((u) => u.figure),
      ])
      const [quick, slow] = GRASSES[biggest.seed!.mix.reduce((a, b) => (b.share > a.share ? b : a)).grass].weeksToUse
      const low = addDays(sow.chosen, quick * 7)
      const high = addDays(sow.chosen, slow * 7)
      presentable = w.add(8, `${plan.id}.presentable`, 'Looks right from', { low, high }, 'date', orderRules.presentable, [sow.day])
      if (job.customerDate && high > job.customerDate && plan.fits) {
        const late = low > job.customerDate
        notices.push({
          id: `${plan.id}.customer-date`,
          stage: 6,
          level: late ? 'warn' : 'note',
          title: late ? `It will not look right by ${showDay(job.customerDate)}.` : `Tight for ${showDay(job.customerDate)}.`,
          says: `Sown ${showDay(sow.chosen)}, it looks right between ${showDay(low)} and ${showDay(high)}. ${late ? 'Tell the customer now, or choose a quicker mix, or turf for that day.' : 'Do not let the sowing slip, and feed once it is mown.'}`,
          figure: presentable.id,
        })
      }
    }
    strands.push({ strand: plan.id, sown: sow.chosen, up, handOver, wateringDays, mowBand: band, mow, presentable })

    for (const need of laterSteps(strand, schools, p.dressing, firm.crew ?? 2)) {
      const op = OPERATIONS[need.kind]
      const id = `${plan.id}.${need.kind}`
      const done =
        diary
          .filter((e) => e.step === id)
          .map((e) => e.date)
          .sort()
          .at(-1) ?? null
      const pin = job.pins[id] ?? null
      const mowMiddle = band ? middleOf(band) : addDays(sow.chosen, 21)
      const dressed = plan.steps.find((s) => s.kind === 'dress')
      const [usual, by, from]: [Day, typeof followRules.visit, Figure | null | undefined] =
        need.kind === 'first-mow'
          ? [mowMiddle, followRules.mowDay, band]
          : need.kind === 'feed-later'
            ? [addDays(mowMiddle, 1), followRules.afterMow, band]
            : need.kind === 'dress-again'
              ? [addDays(dressed?.chosen ?? sow.chosen, 28), followRules.again, dressed?.day]
              : [addDays(sow.chosen, 30), followRules.visit, sow.day]
      const chosen = done ?? pin ?? workingDay(usual, firm.weekendWork)
      later.push({
        id,
        strand: plan.id,
        kind: need.kind,
        name: op.name,
        why: op.why,
        zones: need.zones,
        hours: w.add(
          6,
          `${id}.hours`,
          `${op.name}: hours`,
          need.hours,
          'h',
          orderRules.hours,
          zones.map((z) => z.r.area),
        ),
        passes: 1,
        span: 1,
        earliest: need.kind === 'first-mow' && band ? ((band.value as { low: Day }).low as Day) : null,
        latest: need.kind === 'first-mow' && band ? ((band.value as { high: Day }).high as Day) : null,
        chosen,
        day: w.add(6, `${id}.day`, op.name, chosen, 'date', done ? orderRules.done : pin ? orderRules.pinned : by, done || pin ? [] : [from]),
        waitsFor: need.kind === 'first-mow' ? 'dry ground, and the height' : need.kind === 'dress-again' ? 'tips standing clear' : '',
        state: done ? 'done' : pin ? 'pinned' : 'planned',
        cautions: [...op.cautions],
      })
    }
  }
  const all = [...order.flatMap((s) => s.steps), ...later]
  const finished = all.filter((s) => s.state === 'done' || s.state === 'unrecorded').length
  const next = all.filter((s) => s.state === 'planned' || s.state === 'pinned').sort((a, b) => a.chosen.localeCompare(b.chosen))[0] ?? null
  if (next && next.chosen < today)
    notices.push({
      id: 'follow.overdue',
      stage: 8,
      level: 'warn',
      title: `${next.name} was due ${showDay(next.chosen)}.`,
      says: 'Record it in the diary if it is done, or let its pin go.',
    })
  return { water, strands, later, done: finished, of: all.length, next }
}

const largest = (zones: readonly ZonePlan[]): ZonePlan => zones.reduce((a, b) => (num(b.r.area!) > num(a.r.area!) ? b : a))

function middleOf(band: Figure): Day {
  const { low, high } = band.value as { low: Day; high: Day }
  return addDays(low, Math.round((dayNumber(high) - dayNumber(low)) / 2))
}
