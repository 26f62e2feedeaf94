import { sure } from '../core/src/quantities/sure.ts'
import { readdirSync, readFileSync } from 'node:fs'
import { join, resolve } from 'node:path'
import { performance } from 'node:perf_hooks'
import { gzipSync } from 'node:zlib'
import { defaultFirm, firmSchema } from '../core/src/entities/firm.ts'
import { readJob, type JobDraft, type ZoneDraft } from '../core/src/entities/job.ts'
import { dailyWeather, modelFromNormals } from '../core/src/climate/climateModel.ts'
import { penmanMonteith } from '../core/src/climate/evapotranspiration.ts'
import { chanceOf, simulate } from '../core/src/climate/generator.ts'
import { asDeclared } from '../core/src/rules/rule.ts'
import { roughClimate, roughNormals } from '../core/src/climate/normals.ts'
import { placeYear } from '../core/src/climate/placeYear.ts'
import { soilValues } from '../core/src/climate/soilTemperature.ts'
import { oddsOfMix, oddsValues, placeSums, sowingOdds } from '../core/src/climate/sowingOdds.ts'
import { ordersOfAll, ordersWanted } from '../core/src/money/ordersOfAll.ts'
import { planJob } from '../core/src/pipeline.ts'
import { jobWays } from '../core/src/plannedWays.ts'
import { waysOfJob } from '../core/src/waysOfJob.ts'
import { plainSeedbed } from '../core/test/plainSeedbed.ts'
import { programmeOf, roomFor, seedOfYear, STEPS } from '../core/src/establish/seedbed/seedbed.ts'
import { emergenceValues } from '../core/src/establish/emergence.ts'
import { seedbedModel } from '../core/src/establish/seedbed/seedbedValues.ts'
import { byDaylight } from '../core/src/establish/seedbed/years.ts'
import { seedbedOfJob } from '../core/src/seedbedOfJob.ts'
import { Memo } from '../core/src/trace/memo.ts'
import { daysFor, lightMap, type LightInput } from '../core/src/light/lightMap.ts'
import type { ShapeDraft } from '../core/src/entities/drawing.ts'
import type { Obstacle } from '../core/src/light/obstacles.ts'
import { naiveHours } from '../core/test/naiveLight.ts'
import { atMost, reference, time, TINY, told } from './speed.ts'

/**
 * Measures planJob at 1, 20 and 200 zones, reading a draft, the light map beside a naive ray test,
 * and the compressed script the first page loads.
 */
const root = resolve(import.meta.dirname, '..')
const texture = ['sand', 'loam', 'clay'] as const
const zone = (i: number): ZoneDraft => ({
  id: `z${i}`,
  name: `Zone ${i}`,
  area: `${80 + i} m²`,
  slope: i % 7 === 0 ? '1 in 5' : '2 %',
  sunHours: `${3 + (i % 6)} h`,
  cover: { wanted: 55, weeds: 20, moss: 5, bare: 20 },
  incurable: i % 9 === 0 ? 60 : 0,
  thatch: '15 mm',
  penetration: 'stops',
  soilMoist: true,
  texture: texture[i % 3],
  heightOfCut: '40 mm',
  present: ['perennial-ryegrass'],
  lowsDepth: i % 4 === 0 ? '10 mm' : null,
  lowsShare: i % 4 === 0 ? '30 %' : null,
})
const job = (n: number): JobDraft => ({
  name: 'Bench',
  site: { latitude: -44.2, frost: '25 Apr', soilTemperature: '17.4 °C', tapFlow: '20 L/min' },
  zones: Array.from({ length: n }, (_, i) => zone(i + 1)),
})

reference()
const firm = defaultFirm()
let one = 0
for (const [zones, runs] of [
  [1, 200],
  [20, 200],
  [200, 40],
] as const) {
  const draft = job(zones)
  const read = sure(readJob(draft).job)
  // As the page's worker plans while one field of a zone is typed into: what hangs on nothing
  // changed is kept from one plan to the next.
  const kept = new Memo()
  let typed = 0
  const edited = () => ({
    ...read,
    zones: read.zones.map((z, i) => (i === 0 ? { ...z, thatch: 10 + (++typed % 20) } : z)),
  })
  const planning = time(
    () => planJob(edited(), { today: '2027-02-22', firm, diary: [], memo: kept }),
    runs,
  )
  const first = time(
    () => planJob(read, { today: '2027-02-22', firm, diary: [] }),
    Math.ceil(runs / 5),
  )
  const reading = time(() => readJob(draft), runs)
  one ||= planning
  console.log(
    `planJob ${String(zones).padStart(3)} zones: ${told(`planJob ${zones} zones, one field typed`, planning, zones === 20 ? 16 : undefined)}, ${(planning / one).toFixed(1)} × one zone; ${told(`planJob ${zones} zones, nothing kept`, first)} with nothing kept; reading the draft ${told(`reading ${zones} zones`, reading)}`,
  )
}

// A season of sixty jobs of three zones at one place, planned as the season's rows are: the year of
// the place once, each job after it.
const sixty = Array.from({ length: 60 }, (_, i) =>
  sure(readJob({ ...job(3), name: `Job ${i}`, waterer: i % 3 ? 'x' : '' }).job),
)
const board = time(() => {
  const shared = new Memo()
  for (const one of sixty) planJob(one, { today: '2027-02-22', firm, diary: [], memo: shared })
}, 5)
console.log(
  `a season of 60 jobs at one place, planned anew: ${told('season of 60 jobs', board, 500)}`,
)

// Money: one order over sixty jobs, and four ways of a job of twenty zones beside each other.
const atOnePlace = new Memo()
const { currency, ...prices } = JSON.parse(readFileSync(join(root, 'examples/prices/lakeside.json'), 'utf8')) as Record<string, never> // prettier-ignore
const priced = firmSchema.parse({ currency, prices })
const wants = sixty.flatMap(
  (one, i) =>
  ordersWanted(`j${i}`, one.name, planJob(one, { today: '2027-02-22', firm: priced, diary: [], memo: atOnePlace })), // prettier-ignore
)
const ordering = time(() => ordersOfAll(wants, priced, '2027-02-22'), 20)
console.log(`one order over 60 jobs: ${told('one order over 60 jobs', ordering, 200)}`)
const many = sure(readJob(job(20)).job)
const asking = { today: '2027-02-22', firm: priced, diary: [], memo: atOnePlace }
const list = waysOfJob(many, asking)
const taken = Object.fromEntries(planJob(many, asking).zones.map((z) => [z.id, z.approach.chosen]))
let typed = 0
const compared = time(() => {
  typed += 1
  const zones = many.zones.map((z, i) => (i === 7 ? { ...z, area: 90 + typed / 10 } : z))
  jobWays({ ...many, zones }, asking, list, taken)
}, 9)
console.log(
  `the ways of a job of 20 zones, each planned whole, one field typed: ${told('ways of 20 zones', compared, 100)}`,
)

// The seedbed: a thousand seasons of sixty days, a quarter of an hour at a time, beside the same
// written plainly; and the search for a programme.
const bed = {
  water: { capacity: 0.25, wilting: 0.12 },
  intake: 12,
  stores: 2.5,
  mulch: 0,
  sward: 0.5,
  onSurface: false,
}
const seedbed = { ...asDeclared(seedbedModel), ...asDeclared(emergenceValues) }
const runs = programmeOf(['10:00', '13:00', '16:00'], 2, 12)
const spell = (days: number) => {
  const share = byDaylight(-44, 60)
  return {
    days,
    rain: new Float32Array(days * STEPS),
    et0: Float32Array.from(
      { length: days * STEPS },
      (_, i) => (2 + (i % 7) / 3) * share[i % STEPS]!,
    ),
    soil: new Float64Array(days).fill(14),
  }
}
const sixtyDays = spell(60)
const room = roomFor(1)
const seasons = atMost(1000)
const seasonsTook = time(() => {
  for (let i = 0; i < seasons; i++) seedOfYear(sixtyDays, bed, runs, [{ theta: 2100, base: 5 }], seedbed, room) // prettier-ignore
}, 3)
const plain = time(() => plainSeedbed(sixtyDays, bed, runs, seedbed), 3)
console.log(
  `seedbed, 1,000 seasons × 60 days: ${told('seedbed, 1,000 seasons of 60 days', seasonsTook, 1000)}, ${((plain * seasons) / seasonsTook).toFixed(1)} × as fast as written plainly`,
)
const searched = time(() => seedbedOfJob(sure(readJob(job(1)).job), { today: '2027-02-22', firm, diary: [] }), 3) // prettier-ignore
console.log(`a programme searched: ${told('a programme of watering searched', searched, 3000)}`)

// The year at a place: a hundred simulated years, the windows of one mix with their odds by day,
// and a thousand seasons of it.
const rough = {
  ...asDeclared(roughClimate),
  ...asDeclared(dailyWeather),
  ...asDeclared(soilValues),
}
const odds = asDeclared(oddsValues)
const brief = {
  latitude: -44.2,
  elevation: null,
  sea: null,
  hollow: false,
  frost: '04-25',
  station: null,
}
const yearTime = time(() => placeYear(brief, rough, 2, 32), 20)
const place = placeYear(brief, rough, 2, 32)
const mix = [
  {
    season: 'cool',
    thermal: { theta: 95, base: 2 },
    least: 7,
    lead: 42,
    showing: 6.5,
    toUse: [42, 56],
    leads: true,
  },
  {
    season: 'cool',
    thermal: { theta: 165, base: 3 },
    least: 8,
    lead: 42,
    showing: 14,
    toUse: [56, 84],
    leads: false,
  },
] as const
const about = { watered: true, lawn: true, standsBy: 'weeks' } as const
const windows = time(() => {
  const sums = placeSums(place, odds, 32)
  return oddsOfMix(mix.map((grass) => sowingOdds(place, sums, grass, about, odds)))
}, 20)
console.log(
  `a hundred years of a place: ${told('hundred years of a place', yearTime)}; the odds of a mix of two for every day of the year over them: ${told('odds of a mix by day', windows, 100)}`,
)
const model = modelFromNormals(roughNormals({ latitude: -44.2, elevation: 0, sea: null }, rough))
const thousand = chanceOf(1000 * 365, 3)
console.log(
  `a thousand years of daily weather from a model: ${told(
    'thousand years of weather',
    time(() => simulate(model, thousand), 5),
    1000,
  )}`,
)
const weather = simulate(model, chanceOf(100_000, 5))
const days100k = (of: (low: number, high: number, i: number) => number) => () => {
  let sum = 0
  for (let i = 0; i < 100_000; i++) sum += of(weather.low[i]!, weather.high[i]!, i)
  return sum
}
const at = { latitude: -44.2, elevation: 300, coast: false, day: 1 }
const monteith = time(
  days100k((low, high, i) => penmanMonteith({ low, high }, { ...at, day: (i % 365) + 1 })),
  5,
)
const loop = time(
  days100k(
    (low, high) =>
      Math.exp((17.27 * low) / (low + 237.3)) + Math.exp((17.27 * high) / (high + 237.3)),
  ),
  5,
)
console.log(
  `reference evapotranspiration, a million days: ${told('evapotranspiration, a million days', monteith * 10)}, ${(monteith / loop).toFixed(0)} × a plain loop that takes the two saturation pressures alone`,
)

/**
 * 60 × 60 m at 0.25 m with 40 obstacles, half of them trees, half of those leaf-dropping; a growing
 * season of ten weeks at 15-minute steps.
 */
let seed = 1
const some = () => (seed = (seed * 16807) % 2147483647) / 2147483647
const obstacles = Array.from({ length: 40 }, (_, i): Obstacle => {
  const [x, y] = [some() * 80 - 10, some() * 80 - 10]
  if (i % 4 < 2)
    return {
      shape: `o${i}`,
      dropsLeaf: i % 4 === 1,
      form: 'crown',
      at: [x, y],
      radius: 2 + some() * 2,
      middle: 5,
      half: 3,
    }
  const [w, h] = [4 + some() * 8, 3 + some() * 5]
  return {
    shape: `o${i}`,
    dropsLeaf: false,
    form: 'block',
    footprint: [
      [
        [x, y],
        [x + w, y],
        [x + w, y + h],
        [x, y + h],
      ],
    ],
    height: 3 + some() * 5,
  }
})
const from = Date.UTC(2027, 2, 1) / 86_400_000
const light = (days: number): LightInput => ({
  latitude: -44.2,
  longitude: 170.1,
  obstacles,
  hills: [],
  grid: { west: 0, south: 0, cell: 0.25, columns: 240, rows: 240 },
  days: daysFor(from, from + 69, days),
  stepMinutes: 15,
})
const growing = light(TINY ? 2 : 70)
const cast = time(() => lightMap(growing), 3)
const sample = Array.from({ length: atMost(144) }, (_, i) => i * 400 + 7)
const before = performance.now()
const rays = naiveHours(growing, sample)
const naive = ((performance.now() - before) * 57_600) / sample.length
const hours = lightMap(growing).hours
const worst = Math.max(...sample.map((cell, i) => Math.abs(hours[cell]! - rays[i]!)))
const quick = lightMap(light(10)).hours
const drift = Math.max(...quick.map((h, i) => Math.abs(h - hours[i]!)))
console.log(
  `light map, 57,600 cells, 40 obstacles, every day of ten weeks at 15 minutes: ${told('light map', cast, 2000)}`,
)
console.log(
  `  a ray for each cell, obstacle and sun (144 cells, scaled): ${(naive / 1000).toFixed(1)} s, ${(naive / cast).toFixed(0)} × as long; the two differ by ${worst.toFixed(2)} h a day at most; ten days for the season, as the plan takes, by ${drift.toFixed(2)} h`,
)

/**
 * Twenty zones drawn, each with a tree and a bed: planned again with nothing drawn changed, and
 * with a tree moved.
 */
const drawnJob = (shift: number): JobDraft => ({
  ...job(20),
  zones: sure(job(20).zones).map((z) => ({ ...z, area: null, sunHours: null })),
  drawing: {
    shapes: Array.from({ length: 60 }, (_, i): ShapeDraft => {
      const [zone, x, y] = [i % 20, (i % 5) * 14, Math.floor((i % 20) / 5) * 14]
      if (i < 20)
        return {
          id: `l${i}`,
          kind: 'lawn',
          zone: `z${zone + 1}`,
          at: [
            [
              [x, y],
              [x + 12, y],
              [x + 12, y + 11],
              [x, y + 11],
            ],
          ],
        }
      if (i < 40)
        return {
          id: `b${i}`,
          kind: 'bed',
          at: [
            [
              [x + 2, y + 2],
              [x + 4, y + 2],
              [x + 4, y + 5],
              [x + 2, y + 5],
            ],
          ],
        }
      return {
        id: `t${i}`,
        kind: 'tree',
        height: 8,
        crown: 5,
        at: [[[x + 12.5 + (i === 40 ? shift : 0), y + 6]]],
      }
    }),
  },
})
const still = sure(readJob(drawnJob(0)).job)
// As the page's worker plans: it keeps what was slow for as long as the drawing is left alone.
const memo = new Memo()
const again = time(() => planJob(still, { today: '2027-02-22', firm, diary: [], memo }), 100)
let moves = 0
const moved = time(
  () =>
    planJob(sure(readJob(drawnJob(++moves / 100)).job), {
      today: '2027-02-22',
      firm,
      diary: [],
      memo,
    }),
  20,
)
console.log(
  `planJob 20 zones drawn, 60 shapes: ${told('planJob 20 drawn zones, drawing left alone', again)} with the drawing left alone; ${told('planJob 20 drawn zones, a tree moved', moved)} with a tree moved, its light cast anew (in the worker)`,
)

const dist = join(root, 'web/dist')
const html = readFileSync(join(dist, 'index.html'), 'utf8')
const assets = readdirSync(join(dist, 'assets'))
const size = (name: string) => gzipSync(readFileSync(join(dist, 'assets', name))).length
const closure = (names: string[]): Set<string> => {
  const all = new Set<string>()
  const take = (name: string) => {
    if (all.has(name)) return
    all.add(name)
    for (const m of readFileSync(join(dist, 'assets', name), 'utf8').matchAll(
      /(?:from|import)\s*["']\.\/([\w.-]+\.js)["']/g,
    ))
      take(m[1]!)
  }
  names.forEach(take)
  return all
}
const entry = [...html.matchAll(/assets\/([\w.-]+\.js)/g)].map((m) => m[1]!)
const season = assets.filter((name) => /^SeasonPlace-.*\.js$/.test(name))
const jobPlace = assets.filter((name) => /^(JobPlace|WalkOverStage)-.*\.js$/.test(name))
const kB = (names: Set<string>) =>
  ([...names].reduce((sum, name) => sum + size(name), 0) / 1000).toFixed(0)
console.log(
  `first page (season, usable): ${kB(closure([...entry, ...season]))} kB of compressed script; its chart comes after`,
)
const planPart = assets.filter((name) => /^PlanPart-.*\.js$/.test(name))
console.log(
  `  and its plan, when opened: ${kB(new Set([...closure([...entry, ...jobPlace, ...planPart])].filter((n) => !closure([...entry, ...jobPlace]).has(n))))} kB more`,
)
console.log(
  `a job’s walk-over: ${kB(closure([...entry, ...jobPlace]))} kB of compressed script, and its worker ${(assets.filter((n) => /^plan\.worker-/.test(n)).reduce((s, n) => s + size(n), 0) / 1000).toFixed(0)} kB`,
)
