import { sure } from '../core/src/quantities/sure.ts'
import highsLoader from 'highs'
import { schoolsFor, defaultFirm } from '../core/src/entities/firm.ts'
import { readJob } from '../core/src/entities/job.ts'
import { siteClimate, growingSeason } from '../core/src/climate/siteClimate.ts'
import { GRASSES, type Grass } from '../core/src/reference/grasses.ts'
import { composeMix, type Component, type MixProblem } from '../core/src/seed/composeMix.ts'
import { fitOf } from '../core/src/seed/fit/fit.ts'
import type { FitGround } from '../core/src/seed/fit/judging.ts'
import { mayMix } from '../core/src/seed/mix.ts'
import { Memo } from '../core/src/trace/memo.ts'
import { Trace } from '../core/src/trace/trace.ts'
import { surveySite } from '../core/src/walkover/siteSurvey.ts'
import { readZone } from '../core/src/walkover/zoneReadings.ts'
import { mixAsProgram } from '../core/test/mixAsProgram.ts'
import { time, told } from './speed.ts'

/**
 * Measures the fit of every grass for 20 zones, and the exact mix over 40 lots of 15 grasses beside
 * a general-purpose solver on the same instance.
 */
const zones = Array.from({ length: 20 }, (_, i) => ({
  id: `z${i}`,
  area: 100,
  sunHours: 3 + (i % 6),
  heightOfCut: 20 + 3 * i,
  wear: (['low', 'mid', 'high'] as const)[i % 3],
  ph: 5.5 + i / 10,
  cover: { wanted: 5, weeds: 5, moss: 0, bare: 90 },
}))
const { job } = readJob({ name: 'Bench', site: { latitude: -44.2, frost: '25 Apr' }, zones })
const firm = defaultFirm()
const schools = schoolsFor(firm, {})
const trace = new Trace()
const climate = siteClimate({
  job: sure(job),
  today: '2027-02-01',
  schools,
  station: null,
  recent: [],
  memo: new Memo(),
  trace,
})
const survey = surveySite(
  sure(job),
  growingSeason(climate, sure(job), trace),
  { dip: 5, levelWithin: 5, leastTilt: 1 },
  new Memo(),
)
const grounds = sure(job).zones.map((zone): FitGround => ({
  r: readZone(zone, survey, trace),
  job: sure(job),
  schools,
  season: 'cool',
  sowing: 'new',
  place: climate.place,
  sowingFrom: '2027-02-08',
  lastSowing: () => null,
  shutToLast: () => false,
  untilSpring: false,
  oddsNow: () => 0,
  tooSlow: () => false,
  trace,
}))
const grasses: Grass[] = Object.values(GRASSES)
const fitting = time(() => grounds.map((ground) => grasses.map((g) => fitOf(g, ground))), 100)
console.log(
  `fit of ${grasses.length} grasses for 20 zones: ${told('fit of all grasses, 20 zones', fitting, 5)}`,
)

// Three or so lots of each of fifteen grasses: alike in fit, different in price and in live seed.
const kinds = grasses.filter((g) => g.newRate !== null).slice(0, 15)
const components = Array.from({ length: 40 }, (_, i): Component => {
  const grass = kinds[i % kinds.length]!
  return {
    id: `${grass.id} ${i}`,
    grass: grass.id,
    fit: 70 + ((i * 37) % 29),
    serves: [(i % 5) / 4, grass.spreads ? 1 : 0],
    seeds: sure(grass.seedsPerGram) * (0.7 + (i % 4) / 15),
    least: grass.share[0],
    most: grass.share[1],
    mostPlants: grass.mostPlants,
    cost: 5 + ((i * 13) % 11),
  }
})
const problem: MixProblem = {
  components,
  needs: [
    { weight: 6, enough: 0.2 },
    { weight: 4, enough: 0.15 },
  ],
  most: 3,
  step: 5,
  company: 1,
  each: 1,
  together: (a, b) => mayMix(GRASSES[a.grass]!, GRASSES[b.grass]!),
}
const highs = await highsLoader()
const program = mixAsProgram(problem)
const own = time(() => composeMix(problem), 50)
const solver = time(() => highs.solve(program), 5)
const [found, solved] = [sure(composeMix(problem)).value, highs.solve(program).ObjectiveValue]
console.log(
  `exact mix over 15 grasses and 40 lots: ${told('exact mix, 15 grasses and 40 lots', own, 100)}; HiGHS on the same instance ${solver.toFixed(0)} ms (${(solver / own).toFixed(0)} ×), ${Math.abs(found - solved) < 1e-5 ? 'the same value' : `DIFFERENT: ${found} and ${solved}`}`,
)
