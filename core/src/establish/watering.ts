import { sure } from '../quantities/sure.ts'
import type { WaterDays, WaterPlan, ZoneWater } from '../plan/follow.ts'
import { runTimes, type RunTime } from '../entities/clockTimes.ts'
import { dawnAndDusk } from '../light/dawnAndDusk.ts'
import type { Day } from '../calendar/day.ts'
import { isWatered, type Job } from '../entities/job.ts'
import { TEXTURE_NAMES } from '../reference/lists.ts'
import { intake } from '../reference/materialValues.ts'
import type { Schools } from '../reference/schools.ts'
import { num, type Figure, type Notice } from '../trace/figure.ts'
import { joined, quantity, say, type Message } from '../rules/message.ts'
import { figureId, JOB, zoneScope, type Scope } from '../trace/scope.ts'
import type { Trace } from '../trace/trace.ts'
import type { ZoneReadings } from '../walkover/zoneReadings.ts'
import { cansOf } from './cans.ts'
import {
  daysSaid,
  freeTimes,
  readRestriction,
  restrictionSaid,
  type Restriction,
} from './restrictions.ts'
import { sprinklerValues } from '../reference/siteValues.ts'
import {
  doseValues,
  slopeIntake,
  splitValues,
  WATERING_TIMES,
  waterReadings,
  waterRules,
} from './waterRules.ts'

interface Brief {
  job: Job
  schools: Schools
  zones: readonly ZoneReadings[]
  trace: Trace
  /** The day on which it begins, and where: for runs by dawn and dusk. */
  from: Day
  latitude: number
}

export function planWater(brief: Brief): { water: WaterPlan | null; notices: Notice[] } {
  const { job, schools, zones, trace } = brief
  if (zones.length === 0) return { water: null, notices: [] }
  const restriction = readRestriction(job.site.restrictions)
  const runs = runTimes(job.site.runsAt, sunOf(brief) ?? undefined)
  const wanted = runs?.map((r) => r.time) ?? WATERING_TIMES[schools.watering]
  const times = freeTimes(wanted, restriction)
  const { weekdays, parity, daysAWeek } = restriction
  const says = daysSaid(restriction)
  const dose =
    trace.read(waterReadings.dose, JOB, job.site.runDepth) ??
    trace.work(
      waterRules.dose,
      JOB,
      { bySchool: trace.value(doseValues[schools.watering]) },
      {
        school: `watering:${schools.watering}`,
        change: 'Another watering school, or a mulch over the seed.',
      },
    )
  const doses = {
    dose,
    growing: trace.work(waterRules.growing, JOB, {}),
    settled: trace.work(waterRules.settled, JOB, {}),
  }
  const flow = tapFlow(job, trace)
  const watered = zones.map((r) => waterZone(brief, r, doses, flow))
  const list = watered.map((z) => z.water)
  const daily = trace.work(waterRules.daily, JOB, {
    zones: list.map((z) => z.litres),
    runs: times.length,
  })
  const tapMinutes = flow ? trace.work(waterRules.tap, JOB, { litres: daily, flow }) : null
  const notices = [
    ...watered.flatMap((z) => z.notices),
    ...timeAllowed(brief, list, times.length, tapMinutes),
    ...whoWaters(job),
    ...restricted(restriction, times, wanted, daily),
  ]
  const days: WaterDays | null = says ? { weekdays, parity, daysAWeek, says } : null
  return {
    water: { times, timesSaid: timesSaid(times, runs), days, dose, zones: list, daily, tapMinutes },
    notices,
  }
}

/** Dawn and dusk of the first day, where a run goes by them. */
const sunOf = ({ job: { site }, from, latitude }: Brief) =>
  /dawn|dusk|sun/i.test(site.runsAt)
    ? dawnAndDusk(from, { latitude, longitude: site.longitude ?? 0, timeZone: site.longitude === null ? '' : site.timeZone }) // prettier-ignore
    : null

/** Times of runs in words: those by the sun with what they were called. */
const timesSaid = (times: readonly string[], runs: readonly RunTime[] | null): string =>
  times
    .map((time) => {
      const bySun = runs?.find((r) => r.time === time)?.bySun
      return bySun ? `${bySun} (${time})` : time
    })
    .join(', ')

export function tapFlow({ site }: Job, trace: Trace): Figure | null {
  const known = trace.figures[figureId(JOB, 'water.flow')]
  if (known) return known
  const { tapFlow: typed, bucket, bucketSeconds: seconds } = site
  return typed === null && bucket !== null && seconds !== null
    ? trace.work(waterRules.bucket, JOB, { bucket, seconds })
    : trace.read(waterReadings.flow, JOB, typed)
}

/** Minutes of a run that lays down what is wanted, by the school for uneven sprinklers. */
export const runMinutes = (
  { schools, trace }: Pick<Brief, 'schools' | 'trace'>,
  scope: Scope,
  inputs: { need: Figure; rate: Figure; uniformity: Figure },
  named: { key?: string; label?: string },
): Figure =>
  trace.work(schools.run === 'full' ? waterRules.full : waterRules.milder, scope, inputs, {
    ...named,
    school: `run:${schools.run}`,
  })

/** What the sprinklers of a zone give, as typed, from the tap, or assumed. */
export function sprinklerOf(
  { trace }: Pick<Brief, 'trace'>,
  r: ZoneReadings,
  flow: Figure | null,
): { stations: number; precipitation: Figure; uniformity: Figure } {
  const scope = zoneScope(r.id)
  const places = r.zone.stations === null && r.zone.placeWets !== null ? placesOf(r.zone.placeWets, r, trace) : null // prettier-ignore
  const stations = places ? num(places) : Math.max(1, Math.round(r.zone.stations ?? 1))
  // Several pieces of work on one zone share its sprinklers.
  const known = (key: string): Figure | undefined => trace.figures[figureId(scope, key)]
  const knownRate = known('water.pr')
  const knownUniformity = known('water.du')
  if (knownRate && knownUniformity)
    return { stations, precipitation: knownRate, uniformity: knownUniformity }
  // Measured on the ground goes before what was typed, and that before what the tap would give.
  const cans = cansOf(r.zone, scope, trace)
  if (cans) return { stations, precipitation: cans.rate, uniformity: cans.uniformity }
  const byHeads = r.zone.precipitation === null ? headsOf(r.zone, scope, trace) : null
  if (byHeads)
    return { stations, precipitation: byHeads, uniformity: trace.readOr(waterReadings.uniformity, scope, r.zone.uniformity) } // prettier-ignore
  const counted =
    places ?? (stations > 1 ? trace.read(waterReadings.stations, scope, stations) : null)
  const precipitation =
    r.zone.precipitation === null && flow
      ? trace.work(waterRules.fromTap, scope, { flow, area: sure(r.area), stations: counted ?? 1 })
      : trace.readOr(waterReadings.rate, scope, r.zone.precipitation)
  const uniformity = trace.readOr(waterReadings.uniformity, scope, r.zone.uniformity)
  return { stations, precipitation, uniformity }
}

/** Places that a moved sprinkler takes. */
const placesOf = (wets: number, { id, area }: ZoneReadings, trace: Trace): Figure =>
  trace.figures[figureId(zoneScope(id), 'water.stations')] ??
  trace.work(waterRules.places, zoneScope(id), { area: sure(area), wets })

/** The least and the most that the rules take of a rate, mm/h. */
const RATES = [0.1, 300] as const

/** What heads give by their nozzle and their distances; a square where rows are not told. */
function headsOf(
  { headFlow, headsApart, rowsApart }: ZoneReadings['zone'],
  scope: Scope,
  trace: Trace,
): Figure | null {
  if (headFlow === null || headsApart === null) return null
  const rows = rowsApart ?? headsApart
  const rate = (60 * headFlow) / (headsApart * rows)
  if (rate < RATES[0] || rate > RATES[1]) return null
  return trace.work(waterRules.fromHeads, scope, { flow: headFlow, apart: headsApart, rows })
}

function waterZone(
  brief: Brief,
  r: ZoneReadings,
  doses: { dose: Figure; growing: Figure; settled: Figure },
  flow: Figure | null,
): { water: ZoneWater; notices: Notice[] } {
  const { schools, trace } = brief
  const scope = zoneScope(r.id)
  if (tooSmallForSprinkler(r, trace)) return { water: waterByCan(r, doses, trace), notices: [] }
  const { stations, precipitation, uniformity } = sprinklerOf({ trace }, r, flow)
  const run = (need: Figure, named: { key?: string; label?: string } = {}) =>
    runMinutes({ schools, trace }, scope, { need, rate: precipitation, uniformity }, named)
  const minutes = run(doses.dose)
  const litres = trace.work(waterRules.litres, scope, {
    rate: precipitation,
    minutes,
    area: sure(r.area),
  })
  const takes = r.zone.texture
    ? trace.value(intake[r.zone.texture]) * slopeIntake(num(r.slope))
    : null
  const growing = run(doses.growing, { key: 'water.growing', label: 'Growing on, each run' })
  const settled = run(doses.settled, { key: 'water.settled', label: 'Established, each run' })
  const split = (of: Figure) =>
    takes === null ? 1 : partsOf(num(precipitation), num(of), takes, r, trace)
  const parts = { seedbed: split(minutes), growing: split(growing), settled: split(settled) }
  const water: ZoneWater = {
    zone: r.id,
    sprinkler: { precipitation, uniformity, minutes },
    litres,
    parts,
    stations,
    growing,
    settled,
  }
  return {
    water,
    notices: [
      ...puddles(r, parts, precipitation, takes),
      ...moreThanTheTap(r, stations, precipitation, flow, trace),
      ...howManyPlaces(r, trace),
    ],
  }
}

/** What a restriction on watering means for the seed, and what of it is not understood. */
function restricted(
  restriction: Restriction,
  times: readonly string[],
  wanted: readonly string[],
  daily: Figure,
): Notice[] {
  const notice = (id: string, level: Notice['level'], title: string, says: Message): Notice[] => [
    { id: `water.restricted-${id}`, stage: 7, level, title, says },
  ]
  const days = daysSaid(restriction)
  const runs = (n: number) => `${n} ${n === 1 ? 'run' : 'runs'}`
  const hours = restrictionSaid({ ...restriction, weekdays: null, parity: null, daysAWeek: null, byHand: null }) // prettier-ignore
  return [
    ...(restriction.left
      ? notice(
          'left',
          'warn',
          'What may be watered, and when?',
          say`“${restriction.left}” is not understood, so nothing here goes by it. Write hours and days, like “no hoses 10–16” or “Mon and Thu only, before 9”.`,
        )
      : []),
    ...(times.length === 0
      ? notice(
          'none',
          'hold',
          'No hour is left for watering.',
          say`${hours}: seed is not kept moist. Ask for a permit for newly sown ground, or sow when rain is sure.`,
        )
      : times.join() !== wanted.join()
        ? notice(
            'hours',
            times.length < wanted.length ? 'warn' : 'note',
            'The runs keep to the hours that are allowed.',
            say`${hours}: ${runs(times.length)} at ${times.join(', ')} instead of ${wanted.join(', ')}. The top dries fastest at midday: cover the seed, so that it holds.`,
          )
        : []),
    ...(days
      ? notice(
          'days',
          'warn',
          'Water is not allowed every day.',
          say`${days}: seed dries between them in its first weeks. Ask for a permit for newly sown ground, which many rules know; cover the seed, or sow when rain is sure.`,
        )
      : []),
    ...(restriction.byHand
      ? notice(
          'by-hand',
          'warn',
          restriction.byHand === 'can'
            ? 'No hose and no sprinkler.'
            : 'No sprinkler: a hose held by hand.',
          restriction.byHand === 'can'
            ? say`By can it is ${daily} a day: what nobody carries is not watered. Sow less ground, cover the seed, or sow when rain is sure.`
            : say`Somebody stands there for every run, ${daily} a day in all: agree who, or sow less ground at once and cover the seed.`,
        )
      : []),
  ]
}

/** A sprinkler waters no less than so much ground. */
export const tooSmallForSprinkler = (r: ZoneReadings, trace: Trace): boolean =>
  num(sure(r.area)) < trace.value(sprinklerValues.least)

/** Small ground, in litres a run. */
function waterByCan(
  r: ZoneReadings,
  { dose, growing, settled }: { dose: Figure; growing: Figure; settled: Figure },
  trace: Trace,
): ZoneWater {
  const litres = (need: Figure, named: { key?: string; label?: string } = {}) =>
    trace.work(waterRules.byCan, zoneScope(r.id), { need, area: sure(r.area) }, named)
  return {
    zone: r.id,
    sprinkler: null,
    litres: litres(dose),
    parts: { seedbed: 1, growing: 1, settled: 1 },
    stations: 1,
    growing: litres(growing, { key: 'water.growing', label: 'Growing on, each time' }),
    settled: litres(settled, { key: 'water.settled', label: 'Established, each time' }),
  }
}

/**
 * Into how many parts a run is split: what falls faster than the soil takes it in stands on the
 * surface, which stores a little before it runs; less of it on a slope.
 */
function partsOf(
  rate: number,
  minutes: number,
  takes: number,
  r: ZoneReadings,
  trace: Trace,
): number {
  const stands = ((rate - takes) * minutes) / 60
  const stores = trace.value(splitValues.stores) * slopeIntake(num(r.slope))
  return stands <= stores ? 1 : Math.ceil(stands / stores)
}

/** Where nothing is noted of its sprinklers, large ground is asked how often one is moved. */
function howManyPlaces(r: ZoneReadings, trace: Trace): Notice[] {
  const noted =
    r.zone.precipitation !== null || r.zone.cansMinutes !== null || r.zone.stations !== null || r.zone.placeWets !== null // prettier-ignore
  if (noted || num(sure(r.area)) < trace.value(splitValues.oneThrow)) return []
  return [
    {
      id: figureId(zoneScope(r.id), 'places'),
      stage: 7,
      zone: r.id,
      level: 'note',
      title: say`${r.name}: from how many places is it watered?`,
      says: 'The minutes are for all of it at once. Where one sprinkler is moved, enter what it wets in one place; where stations take turns, how many: each place then has its own minutes.',
    },
  ]
}

/** Parts of a run that are still made by hand. */
const MOST_PARTS = 5

function puddles(
  r: ZoneReadings,
  { seedbed, growing, settled }: ZoneWater['parts'],
  precipitation: Figure,
  takes: number | null,
): Notice[] {
  if (Math.max(seedbed, growing, settled) <= 1) return []
  const some = (n: number) => (n > 1 ? `in ${n}` : 'not at all')
  // So many pauses nobody keeps by hand.
  const many = Math.max(seedbed, growing, settled) > MOST_PARTS
  return [
    {
      id: figureId(zoneScope(r.id), 'puddles'),
      stage: 7,
      zone: r.id,
      level: 'warn',
      title: say`${r.name}: water would puddle.`,
      says: say`Bare ${TEXTURE_NAMES[sure(r.zone.texture)]} here takes in ${quantity(sure(takes), 'mm/h')} and ${precipitation} falls. Split the runs, with a pause to soak: ${some(seedbed)} on the seedbed, ${some(growing)} while it grows on, ${some(settled)} after that.${many ? ' So many parts are work for a timer: else take a sprinkler that gives less an hour, or water less each time and more often.' : ''}`,
      figure: precipitation.id,
    },
  ]
}

function moreThanTheTap(
  r: ZoneReadings,
  stations: number,
  precipitation: Figure,
  flow: Figure | null,
  trace: Trace,
): Notice[] {
  const drawn = (num(precipitation) * num(sure(r.area))) / 60 / stations
  if (
    !flow ||
    (r.zone.precipitation === null && r.zone.cansMinutes === null) ||
    drawn <= num(flow) * (1 + trace.value(splitValues.tapSlack) / 100)
  )
    return []
  const where = stations > 1 ? `one of ${stations} stations` : 'this area'
  const instead =
    stations > 1
      ? 'Split it into more stations'
      : `Split it into ${Math.ceil(drawn / num(flow))} stations`
  return [
    {
      id: figureId(zoneScope(r.id), 'tap'),
      stage: 7,
      zone: r.id,
      level: 'hold',
      title: say`${r.name}: more than the tap gives.`,
      says: say`${precipitation} on ${where} is ${quantity(drawn, 'L/min')}; the tap gives ${flow}. ${instead}, or measure the rate again with cans.`,
      figure: precipitation.id,
    },
  ]
}

/**
 * Whether the tap, or the stations of a zone one after another, take longer than the time allowed.
 */
function timeAllowed(
  { job, zones, trace }: Brief,
  list: readonly ZoneWater[],
  runs: number,
  tapMinutes: Figure | null,
): Notice[] {
  const allowed = job.site.waterMinutes === null ? null : job.site.waterMinutes * 60
  if (allowed === null) return []
  const over = tapMinutes !== null && num(tapMinutes) > allowed
  const tap: Notice[] = over
    ? [
        {
          id: 'water.allowed',
          stage: 7,
          level: 'hold',
          title: 'The tap cannot carry this in the time allowed.',
          says: say`It wants ${Math.round(num(sure(tapMinutes)))} min a day and ${Math.round(allowed)} are allowed. Water the bare ground first and the living sward second, cover the seed, or bring a tank.`,
          figure: sure(tapMinutes).id,
        },
      ]
    : []
  // A zone whose stations wait for one another takes longer by the clock than its litres by the
  // tap.
  const byClock = list.flatMap((z): Notice[] => {
    if (z.stations === 1 || !z.sprinkler) return []
    const scope = zoneScope(z.zone)
    const stations = trace.figures[figureId(scope, 'water.stations')] ?? z.stations
    const clock = trace.work(waterRules.clock, scope, {
      minutes: z.sprinkler.minutes,
      stations,
      runs,
    })
    if (num(clock) <= allowed || over) return []
    return [
      {
        id: clock.id,
        stage: 7,
        zone: z.zone,
        level: 'hold',
        title: say`${sure(zones.find((r) => r.id === z.zone)).name}: its stations take longer than the time allowed.`,
        says: say`${z.stations} stations one after another want ${Math.round(num(clock))} min a day and ${Math.round(allowed)} are allowed. Run two at once where the tap carries both, or cover the seed so that it holds its water.`,
        figure: clock.id,
      },
    ]
  })
  return [...tap, ...byClock]
}

const whoWaters = (job: Job): Notice[] =>
  isWatered(job)
    ? []
    : [
        {
          id: 'water.who',
          stage: 7,
          level: 'warn',
          title:
            job.watering === 'nobody'
              ? 'Nobody waters.'
              : job.watering === 'unsure'
                ? 'The watering is not sure.'
                : 'Nobody is named to water.',
          says: joined([
            'Seed that dries once in its first weeks is the costliest failure of all.',
            job.watering === null
              ? 'Name who waters, and give them the sheet.'
              : 'Put temporary lines on a timer, cover the seed, or sow when rain is sure. It is planned as ground that nobody waters.',
          ]),
        },
      ]
