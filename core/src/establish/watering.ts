import { showNumber } from '../quantities/show.ts'
import type { Job } from '../entities/job.ts'
import { INTAKE, TEXTURE_NAMES } from '../reference/lists.ts'
import type { ZoneReadings } from '../walkover/zoneReadings.ts'
import { num, rule, type Figure, type Notice, type Workings } from '../trace/figure.ts'
import type { Schools } from '../reference/schools.ts'

export const waterRules = {
  bucket: rule('water.bucket', 'A bucket under the tap, and a watch.', '60 × litres ÷ seconds', 'reading', 'your bucket'),
  dose: rule(
    'water.dose',
    'What a run lays down, by school; three runs of 2 mm hold the top moist through a day that dries 4 mm.',
    'by school',
    'model',
  ),
  growing: rule('water.growing', 'Growing on: every other day, longer, for a week or so.', '8 mm', 'practice'),
  settled: rule('water.settled', 'Then about 12 mm each three to four days, counting rain.', '12 mm', 'practice'),
  fromTap: rule('water.from-tap', 'What the tap gives, spread over the zone: mm/h = 60 × L/min ÷ m².', '60 × {0} ÷ {1}', 'calculation'),
  fromTapByStation: rule(
    'water.from-tap-station',
    'Stations run one after another: the whole tap on one of them at a time. mm/h = 60 × L/min × stations ÷ m².',
    '60 × {0} × {2} ÷ {1}',
    'calculation',
  ),
  clock: rule(
    'water.clock',
    'Stations of a zone run one after another: each run’s minutes times its stations, all runs of the day.',
    '{0} × {1} × runs',
    'calculation',
  ),
  full: rule('water.run-full', 'Run = need ÷ precipitation rate, times 1 ÷ DU.', '60 × {0} ÷ {1} × 1 ÷ {2}', 'practice'),
  milder: rule(
    'water.run-milder',
    'Run = need ÷ precipitation rate, times 1 ÷ (0.4 + 0.6 DU); the milder allowance, for seedbeds.',
    '60 × {0} ÷ {1} × 1 ÷ (0.4 + 0.6 × {2})',
    'practice',
  ),
  litres: rule('water.litres', 'Rate times minutes times area: a millimetre on a square metre is a litre.', '{0} ÷ 60 × {1} × {2}', 'calculation'),
  daily: rule('water.daily', 'All zones, all runs of the day.', 'sum of runs × {*}', 'calculation'),
  tap: rule('water.tap', 'Litres over the flow of the tap.', '{0} ÷ {1}', 'calculation'),
}

/** Clock times at the site and millimetres a run. Times are common practice; doses Juvena's model. */
export const WATERING: Record<Schools['watering'], { times: string[]; dose: number }> = {
  'little-often': { times: ['10:00', '13:00', '16:00'], dose: 2 },
  'once-a-day': { times: ['06:00'], dose: 5 },
  'day-dusk': { times: ['13:00', '19:00'], dose: 3 },
}

const USUAL_PRECIPITATION = 12
const USUAL_UNIFORMITY = 0.65

/** Allowance for unevenness: 1 ÷ DU, or the milder 1 ÷ (0.4 + 0.6 DU). DU is a fraction. */
export const runMultiplier = (school: Schools['run'], du: number): number => (school === 'full' ? 1 / du : 1 / (0.4 + 0.6 * du))

/** Handbook share of intake that is left on a slope given in percent. From memory. */
export const slopeIntake = (slope: number): number => (slope < 5 ? 1 : slope <= 8 ? 0.8 : slope <= 12 ? 0.6 : slope <= 20 ? 0.4 : 0.25)

export interface ZoneWater {
  zone: string
  precipitation: Figure
  uniformity: Figure
  minutes: Figure
  litres: Figure
  /** Shorter runs with a pause between, where the soil takes it in slower than it falls. */
  cycles: number
  /** Stations that run one after another, each for the minutes told. One where none are noted. */
  stations: number
  growingMinutes: Figure
  settledMinutes: Figure
}
export interface WaterPlan {
  times: string[]
  dose: Figure
  zones: ZoneWater[]
  daily: Figure
  tapMinutes: Figure | null
}

export function planWater(job: Job, schools: Schools, zones: readonly ZoneReadings[], w: Workings, notices: Notice[]): WaterPlan | null {
  if (zones.length === 0) return null
  const { times, dose: millimetres } = WATERING[schools.watering]
  const school = `watering:${schools.watering}`
  const dose = w.add(7, 'job.water.dose', 'Each run lays down', millimetres, 'mm', waterRules.dose, [], {
    school,
    change: 'Another watering school, or a mulch over the seed.',
  })
  const growing = w.add(7, 'job.water.growing', 'Growing on, each', 8, 'mm', waterRules.growing)
  const settled = w.add(7, 'job.water.settled', 'Settled, each', 12, 'mm', waterRules.settled)
  const { tapFlow, bucket, bucketSeconds } = job.site
  const flow =
    tapFlow === null && bucket !== null && bucketSeconds !== null
      ? w.add(7, 'job.water.flow', 'Tap flow', (60_000 * bucket) / bucketSeconds, 'L/min', waterRules.bucket)
      : w.read(7, 'job.water.flow', 'Tap flow', tapFlow, 'L/min')
  const list: ZoneWater[] = zones.map((r) => {
    const z = { zone: r.id }
    const at = (key: string) => `${r.id}.water.${key}`
    const stations = Math.max(1, Math.round(r.zone.stations ?? 1))
    const counted = stations > 1 ? w.read(7, at('stations'), 'Stations', stations, '1', r.id) : null
    const precipitation =
      r.zone.precipitation === null && flow
        ? w.add(
            7,
            at('pr'),
            'Precipitation rate',
            (60 * num(flow) * stations) / num(r.area!),
            'mm/h',
            counted ? waterRules.fromTapByStation : waterRules.fromTap,
            [flow, r.area, ...(counted ? [counted] : [])],
            z,
          )
        : w.readOr(7, at('pr'), 'Precipitation rate', r.zone.precipitation, USUAL_PRECIPITATION, 'mm/h', r.id)
    const uniformity = w.readOr(7, at('du'), 'Distribution uniformity', r.zone.uniformity, USUAL_UNIFORMITY, '1', r.id)
    const by = schools.run === 'full' ? waterRules.full : waterRules.milder
    const run = (key: string, label: string, need: Figure) =>
      w.add(
        7,
        at(key),
        label,
        ((60 * num(need)) / num(precipitation)) * runMultiplier(schools.run, num(uniformity)),
        'min',
        by,
        [need, precipitation, uniformity],
        { ...z, school: `run:${schools.run}` },
      )
    const minutes = run('minutes', 'Each run', dose)
    const litres = w.add(
      7,
      at('litres'),
      'Each run uses',
      (num(precipitation) / 60) * num(minutes) * num(r.area!),
      'L',
      waterRules.litres,
      [precipitation, minutes, r.area],
      z,
    )
    const intake = r.zone.texture ? INTAKE[r.zone.texture] * slopeIntake(num(r.slope)) : null
    const cycles = intake && num(precipitation) > intake ? Math.min(4, Math.ceil(num(precipitation) / intake)) : 1
    if (cycles > 1)
      notices.push({
        id: `${r.id}.puddles`,
        stage: 7,
        zone: r.id,
        level: 'warn',
        title: `${r.name}: water would puddle.`,
        says: `Bare ${TEXTURE_NAMES[r.zone.texture!]} here takes in ${showNumber(intake!)} mm/h and ${showNumber(num(precipitation))} mm/h falls. Split each run in ${cycles}, with a pause to soak.`,
        figure: precipitation.id,
      })
    const drawn = (num(precipitation) * num(r.area!)) / 60 / stations
    if (flow && r.zone.precipitation !== null && drawn > num(flow) * 1.02)
      notices.push({
        id: `${r.id}.tap`,
        stage: 7,
        zone: r.id,
        level: 'hold',
        title: `${r.name}: more than the tap gives.`,
        says: `${showNumber(num(precipitation))} mm/h on ${stations > 1 ? `one of ${stations} stations` : 'this area'} is ${showNumber(drawn)} L/min; the tap gives ${showNumber(num(flow))} L/min. ${stations > 1 ? 'Split it into more stations' : `Split it into ${Math.ceil(drawn / num(flow))} stations`}, or measure the rate again with cans.`,
        figure: precipitation.id,
      })
    return {
      zone: r.id,
      precipitation,
      uniformity,
      minutes,
      litres,
      cycles,
      stations,
      growingMinutes: run('growing', 'Growing on, each run', growing),
      settledMinutes: run('settled', 'Settled, each run', settled),
    }
  })
  const daily = w.add(
    7,
    'job.water.daily',
    'Water a day',
    list.reduce((sum, z) => sum + num(z.litres) * times.length, 0),
    'L',
    waterRules.daily,
    list.map((z) => z.litres),
  )
  const tapMinutes = flow ? w.add(7, 'job.water.tap-minutes', 'Tap open a day', num(daily) / num(flow), 'min', waterRules.tap, [daily, flow]) : null
  const allowed = job.site.waterMinutes === null ? null : job.site.waterMinutes * 60
  if (tapMinutes && allowed !== null && num(tapMinutes) > allowed)
    notices.push({
      id: 'water.allowed',
      stage: 7,
      level: 'hold',
      title: 'The tap cannot carry this in the time allowed.',
      says: `It wants ${Math.round(num(tapMinutes))} min a day and ${Math.round(allowed)} are allowed. Water the bare ground first and the living sward second, cover the seed, or bring a tank.`,
      figure: tapMinutes.id,
    })
  // A zone whose stations wait for one another takes longer by the clock than its litres by the tap.
  for (const z of list) {
    if (z.stations === 1 || allowed === null) continue
    const clock = w.add(
      7,
      `${z.zone}.water.clock`,
      'By the clock, all stations',
      num(z.minutes) * z.stations * times.length,
      'min',
      waterRules.clock,
      [z.minutes, w.figures[`${z.zone}.water.stations`] ?? null],
      { zone: z.zone },
    )
    if (num(clock) > allowed && !(tapMinutes && num(tapMinutes) > allowed))
      notices.push({
        id: `${z.zone}.water.clock`,
        stage: 7,
        zone: z.zone,
        level: 'hold',
        title: `${zones.find((r) => r.id === z.zone)!.name}: its stations take longer than the time allowed.`,
        says: `${z.stations} stations one after another want ${Math.round(num(clock))} min a day and ${Math.round(allowed)} are allowed. Run two at once where the tap carries both, or cover the seed so that it holds its water.`,
        figure: clock.id,
      })
  }
  if (!job.waterer)
    notices.push({
      id: 'water.who',
      stage: 7,
      level: 'warn',
      title: 'Nobody is named to water.',
      says: 'Seed that dries once in its first weeks is the costliest failure of all. Name who waters, and give them the sheet.',
    })
  return { times, dose, zones: list, daily, tapMinutes }
}
