import { sure } from '../quantities/sure.ts'
import { addDays, daysBetween, type Day } from '../calendar/day.ts'
import { OPERATIONS, type StepKind } from '../reference/operations.ts'
import type { PlannedStep } from '../plan/order.ts'
import type { Notice } from '../trace/figure.ts'
import { joined, onDay, quantity, say, type Message } from '../rules/message.ts'
import { tradeValues, value } from '../rules/rule.ts'
import { figureId, stepScope } from '../trace/scope.ts'
import type { Trace } from '../trace/trace.ts'
import type { Outlook, StationDay } from '../climate/station.ts'
import type { WeatherDay } from '../climate/weatherSeries.ts'
import { isBehind } from '../plan/stepState.ts'

export const weatherLines = tradeValues('weather', {
  wetDay: value(
    8,
    'rain',
    'model',
    'Rain on the day that makes ground too wet for blades, tines and wheels',
    [1, 40],
  ),
  wetBefore: value(15, 'rain', 'model', 'Rain the day before that does', [2, 60]),
  downpour: value(25, 'rain', 'practice', 'Rain on fresh seed that washes it', [5, 80]),
  onSlope: value(12, 'rain', 'model', 'The same on a slope', [2, 60]),
  wind: value(15, 'km/h', 'practice', 'Wind too strong to spread or spray in', [5, 40]),
  dryAfterSpray: value(
    1,
    'rain',
    'model',
    'Rain that washes a spray off on its day, where the label names no hours',
    [0, 10],
  ),
  hotOpen: value(
    30,
    'C',
    'model',
    'Freshly opened turf and seed without a waterer suffer in days of',
    [24, 40],
  ),
  noWork: value(35, 'C', 'practice', 'Turf is not opened at', [30, 45]),
  groundFrost: value(
    3.5,
    'C',
    'practice',
    'On a clear night the ground freezes under air of up to',
    [0, 6],
  ),
  clear: value(0.2, 'rain', 'model', 'A night counts as clear with rain under', [0, 3]),
  frostOnCut: value(0, 'C', 'model', 'Warm turf cut hard is hurt by nights of', [-4, 3]),
})

interface Site {
  sloping: boolean
  watered: boolean
  /** Zones of warm turf. */
  warm: ReadonlySet<string>
  /** Hours without rain that a label wants for a step. */
  rainFree: (kind: StepKind, zones: readonly string[]) => number | null
}

interface Against {
  key: string
  title: Message
  says: Message
}

type Lines = { [K in keyof typeof weatherLines]: number }

/** The day before, the day and the day after; of the day before, rain is enough. */
type Round = readonly [
  (Pick<WeatherDay, 'day' | 'rain'> & { gauged?: true }) | undefined,
  StationDay | undefined,
  StationDay | undefined,
]

/**
 * What the outlook of a day, and of those round it, says against an operation; the first that
 * holds.
 */
function against(
  kind: StepKind,
  zones: readonly string[],
  [before, here, after]: Round,
  site: Site,
  v: Lines,
): Against | null {
  if (!here) return null
  const held = OPERATIONS[kind].weather
  const [blades, sprayed, cutsHard] = [held === 'opens', held === 'sprays', held === 'cuts-hard']
  if (blades || held === 'wheels') {
    const rain =
      here.rain >= v.wetDay
        ? here.rain
        : (before?.rain ?? 0) >= v.wetBefore
          ? sure(before).rain
          : null
    if (rain !== null)
      return {
        key: 'wet',
        title: 'wet ground likely.',
        says: say`${quantity(rain, 'rain')} of rain${here.rain < v.wetDay && before?.gauged ? ', in the gauge on site the day before' : ''}. Tines, blades and wheels want it moist, never wet: look that morning, or slip a day.`,
      }
  }
  if (blades && here.high >= v.noWork)
    return {
      key: 'heat',
      title: 'too hot to open turf.',
      says: say`${quantity(here.high, 'C')} is expected. Opened turf burns; wait for a cooler day.`,
    }
  if ((blades || kind === 'sow') && here.high >= v.hotOpen && !site.watered)
    return {
      key: 'heat',
      title: 'heat, and nobody to water.',
      says: say`${quantity(here.high, 'C')} is expected. Opened turf and seed dry out the same day: name somebody who waters, or wait.`,
    }
  if (kind === 'sow') {
    const rain = Math.max(here.rain, after?.rain ?? 0)
    if (rain > (site.sloping ? v.onSlope : v.downpour))
      return {
        key: 'downpour',
        title: 'a downpour on fresh seed.',
        says: say`${quantity(rain, 'rain')} of rain. Bare${site.sloping ? ' and sloping' : ''} ground washes: sow after it.`,
      }
  }
  if ((held === 'spreads' || sprayed) && here.wind >= v.wind)
    return {
      key: 'wind',
      title: 'too windy.',
      says: say`${quantity(here.wind, 'km/h')} is expected: ${sprayed ? 'spray drifts' : 'seed and granules blow off the line'}. Go early, or another day.`,
    }
  if (sprayed && kind !== 'pre-emergence' && here.rain >= v.dryAfterSpray)
    return {
      key: 'rain',
      title: 'rain washes it off.',
      says: joined([
        say`${quantity(here.rain, 'rain')} of rain.`,
        drying(site.rainFree(kind, zones)),
      ]),
    }
  if (
    cutsHard &&
    zones.some((z) => site.warm.has(z)) &&
    Math.min(here.low, after?.low ?? 99) <= v.frostOnCut
  )
    return {
      key: 'frost',
      title: 'frost on turf cut to the ground.',
      says: say`${quantity(Math.min(here.low, after?.low ?? 99), 'C')} is expected at night. Wait until it is past.`,
    }
  // Frost forms on the ground while the air at head height is still above freezing.
  const cold = Math.min(here.low, after?.low ?? 99)
  if (
    cutsHard &&
    zones.some((z) => site.warm.has(z)) &&
    cold <= v.groundFrost &&
    here.rain < v.clear
  )
    return {
      key: 'frost',
      title: 'ground frost possible on turf cut to the ground.',
      says: say`${quantity(cold, 'C')} is expected, and a clear night: the ground can freeze under air so cold. Wait until it is past.`,
    }
  return null
}

const drying = (hours: number | null): Message =>
  hours === null
    ? 'A spray that works through the leaf has to dry; the label says for how many hours.'
    : say`The label wants ${quantity(hours, 'h')} without rain: spray only in a dry spell of that length.`

/**
 * Weather a step is held against: the outlook, and the days behind it as the station and the site's
 * own gauge have them.
 */
export interface WeatherRound {
  outlook: Outlook | null
  past: readonly (WeatherDay & { gauged?: true })[]
}

/** Days ahead that are looked through for a better one. */
const LOOK_AHEAD = 10

/**
 * Steps of the days ahead that the outlook speaks against, each with the figure, where it comes
 * from, and the next day that the outlook and the order allow.
 */
export function weatherHolds(
  steps: readonly PlannedStep[],
  { outlook, past }: WeatherRound,
  site: Site,
  trace: Trace,
): Notice[] {
  if (!outlook) return []
  const v = trace.values(weatherLines)
  const on = new Map(outlook.days.map((d) => [d.day, d]))
  const behind = new Map(past.map((d) => [d.day, d]))
  const round = (day: Day): Round => [
    on.get(addDays(day, -1)) ?? behind.get(addDays(day, -1)),
    on.get(day),
    on.get(addDays(day, 1)),
  ]
  return steps.flatMap((step): Notice[] => {
    if (isBehind(step)) return []
    const found = against(step.kind, step.zones, round(step.chosen), site, v)
    if (!found) return []
    const better = betterDay(step, (day) =>
      on.has(day) ? against(step.kind, step.zones, round(day), site, v) === null : false,
    )
    return [
      {
        stage: 6,
        level: 'warn',
        figure: step.day.id,
        id: figureId(stepScope(step.id), found.key),
        kind: 'weather',
        step: step.id,
        title: say`${step.name}, ${onDay(step.chosen)}: ${found.title}`,
        says: joined(
          [
            found.says,
            say`By the outlook (${outlook.source}).`,
            better ? say`The next day that suits is ${onDay(better)}.` : '',
          ].filter((m) => m !== ''),
          ' ',
        ),
        ...(better
          ? {
              move: {
                kind: step.kind,
                zones: step.zones,
                ...(step.part ? { part: step.part } : {}),
                day: better,
              },
            }
          : {}),
      },
    ]
  })
}

/** The next day that suits, as far as the order of work lets the step slip. */
function betterDay(step: PlannedStep, suits: (day: Day) => boolean): Day | null {
  for (let n = 1; n <= LOOK_AHEAD; n++) {
    const day = addDays(step.chosen, n)
    if (step.latest !== null && daysBetween(day, step.latest) < 0) return null
    if (suits(day)) return day
  }
  return null
}
