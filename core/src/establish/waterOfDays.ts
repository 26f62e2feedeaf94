import { addDays, dayNumber, daysBetween, type Day } from '../calendar/day.ts'
import { usedOn } from '../climate/evapotranspiration.ts'
import type { WeatherDay } from '../climate/weatherSeries.ts'
import { hourOfClock } from '../entities/clockTimes.ts'
import type { PackageFollow, WaterAdvice, WaterOfDay, WaterPlan } from '../plan/follow.ts'
import { rule, tradeValues, value } from '../rules/rule.ts'
import { num } from '../trace/figure.ts'
import { packageScope } from '../trace/scope.ts'
import type { Trace } from '../trace/trace.ts'
import { dayIsWatered } from './restrictions.ts'
import { seedbedModel } from './seedbed/seedbedValues.ts'

export const dayWaterValues = tradeValues('water-day', {
  off: value(
    150,
    '%',
    'model',
    'Runs are left off where rain gives of what the day dries',
    [80, 400],
  ),
  less: value(60, '%', 'model', 'and halved where it gives', [20, 150]),
  more: value(90, '%', 'model', 'One run is added where the day dries of the planned water more than', [50, 250]), // prettier-ignore
  holds: value(2, 'rain', 'model', 'Of the rain of the day before the top still holds up to', [0, 20]), // prettier-ignore
})

export const dayWaterRules = {
  need: rule({
    id: 'water.of-day',
    key: 'water.of-day',
    stage: 7,
    label: 'The seedbed wants that day',
    unit: 'rain',
    standing: 'model',
    says: 'What wet bare ground loses in the weather of that day, less its rain and what it still holds of the day before; under nothing it wants none.',
    values: { bare: seedbedModel.bare },
    inputs: { et0: 'rain', covered: '1', rain: 'rain', held: 'rain' },
    formula: 'bare * et0 * covered - rain - held',
    compute: ({ et0, covered, rain, held }, { bare }) => bare * et0 * covered - rain - held,
  }),
}

export interface WaterDaysBrief {
  water: WaterPlan
  latitude: number
  /** Days on record and ahead, rain of the site’s own gauge in them. */
  weather: readonly WeatherDay[]
  /** 1 for bare ground, less under a cover over the seed. */
  covered: number
  today: Day
  trace: Trace
}

/**
 * `wants` and `dries` mm of the day, `planned` mm of its runs. Little is left to give only where it
 * rains, and none only where it rains well over what the day dries: a forecast is no rain yet.
 */
function adviceFor(
  wants: number,
  dries: number,
  planned: number,
  v: { off: number; less: number; more: number },
): WaterAdvice {
  const given = dries - wants
  if (given >= (v.off / 100) * dries) return 'off'
  if (given >= (v.less / 100) * dries) return 'less'
  return wants > (v.more / 100) * planned ? 'more' : 'planned'
}

/**
 * What the water of each day of the outlook is while a seedbed is kept moist: as planned, left off,
 * halved, one run more; or dry for a mow, or not allowed. Days without weather are as planned.
 */
export function waterOfDays(
  follow: Pick<
    PackageFollow,
    'workPackage' | 'sown' | 'handOver' | 'dryDays' | 'mownFirst' | 'rest' | 'plants'
  >,
  { water, latitude, weather, covered, today, trace }: WaterDaysBrief,
): WaterOfDay[] {
  const { handOver, sown, rest } = follow
  if (!follow.plants || !handOver) return []
  const byDay = new Map(weather.map((w) => [w.day, w]))
  const moistUntil = rest && rest.from < (handOver.value as Day) ? rest.from : (handOver.value as Day) // prettier-ignore
  const from = sown > today ? sown : today
  const v = trace.values(dayWaterValues)
  const planned = num(water.dose) * water.times.length
  const days: WaterOfDay[] = []
  for (
    let day = from;
    day <= moistUntil && daysBetween(today, day) < AHEAD;
    day = addDays(day, 1)
  ) {
    const known = byDay.get(day)
    const runs = water.times
    const about = { workPackage: follow.workPackage, day, runs, of: runs.length, mown: follow.mownFirst.includes(day), rain: known?.rain ?? null, high: known?.high ?? null } // prettier-ignore
    if (follow.dryDays.includes(day)) days.push({ ...about, advice: 'dry', need: null })
    else if (!dayIsWatered(water.days, day, daysBetween(sown, day)))
      days.push({ ...about, advice: 'barred', need: null })
    else if (!known || known.low === null || known.high === null || planned <= 0)
      days.push({ ...about, advice: 'planned', need: null })
    else {
      const uses = (w: WeatherDay): number => w.low === null || w.high === null ? 0 : usedOn(latitude, dayNumber(w.day), w.low, w.high) // prettier-ignore
      const before = byDay.get(addDays(day, -1))
      const held = before ? Math.min(v.holds, Math.max(0, (before.rain ?? 0) - uses(before))) : 0
      const need = trace.work(
        dayWaterRules.need,
        packageScope(follow.workPackage),
        { et0: uses(known), covered, rain: known.rain ?? 0, held },
        { part: day },
      )
      const dries = trace.value(seedbedModel.bare) * uses(known) * covered
      const advice = adviceFor(num(need), dries, planned, v)
      days.push({
        ...about,
        runs: advice === 'off' ? [] : advice === 'less' ? halfOf(runs) : runs,
        advice,
        need: need.id,
      })
    }
  }
  return days
}
/** Days that are looked ahead. */
const AHEAD = 10

/** The hour at which a seedbed is driest. */
const DRIEST = 14
/** Half of the runs: those nearest to the driest hour. One run stays, and is halved. */
const halfOf = (runs: readonly string[]): string[] =>
  [...runs]
    .sort((a, b) => Math.abs(hourOfClock(a) - DRIEST) - Math.abs(hourOfClock(b) - DRIEST))
    .slice(0, Math.max(1, Math.floor(runs.length / 2)))
    .sort()
