import { sure } from '../quantities/sure.ts'
import { middle } from '../reference/grasses.ts'
import { SOWING_NAMES, type Sowing } from '../reference/lists.ts'
import { OPERATIONS } from '../reference/operations.ts'
import { num, type Figure, type Notice } from '../trace/figure.ts'
import { quantity, say } from '../rules/message.ts'
import { figureId, zoneScope } from '../trace/scope.ts'
import type { Trace } from '../trace/trace.ts'
import { plans, type ZoneWork } from '../work/workTypes.ts'
import type { Shares } from './mix.ts'
import { bagValues, ownRateValues, seedReadings, seedRules } from './seedRules.ts'

/** Sowings into a living sward; the others are sown as new ground. */
const OVER: readonly Sowing[] = ['over', 'thin', 'blend', 'winter-green']

interface Sown {
  parts: readonly Shares[]
  /** % by weight. */
  weight: number[]
  pls: Figure
}

export interface Rates {
  rate: Figure
  bulk: Figure
  /** Juvena's rate, where the contractor's own stands. */
  usual: Figure | null
  /** The new-lawn rate of the mix, where bare ground inside a sward may take it. */
  asNew: Figure | null
  notices: Notice[]
}

/**
 * The rate for this ground and what is weighed out of the bag: the contractor's own where typed,
 * with Juvena's beside it. Live seed is allowed for once.
 */
export function ratesOf(work: ZoneWork, sown: Sown, trace: Trace): Rates {
  const { zone, id } = work.r
  const scope = zoneScope(id)
  if (zone.seedRate === null) {
    const { rate, asNew } = tableRate(work, sown, 'seed.rate', trace)
    return {
      rate,
      asNew: work.sowing === 'over' && work.buried === null ? asNew : null,
      bulk: trace.work(seedRules.bagRate, scope, { rate, pls: sown.pls }),
      usual: null,
      notices: [],
    }
  }
  const { rate: usual } = tableRate(work, sown, 'seed.rate-usual', trace)
  const override = { instead: usual.value, unit: usual.unit }
  const rate = sure(
    trace.read(seedReadings.own, scope, zone.seedRate, { key: 'seed.rate', override }),
  )
  const ofPls = zone.seedRateOf === 'pls'
  const bulk = ofPls
    ? trace.work(seedRules.ownPls, scope, { rate, pls: sown.pls })
    : trace.work(seedRules.ownBag, scope, { rate })
  return { rate, bulk, usual, asNew: null, notices: doubted(work, rate, bulk, usual, trace) }
}

/**
 * A rate of the contractor's own that is far from the tables: the wrong unit, or germination
 * allowed for twice.
 */
function doubted(
  { r }: ZoneWork,
  rate: Figure,
  bulk: Figure,
  usual: Figure,
  trace: Trace,
): Notice[] {
  const { twice, far } = trace.values(ownRateValues)
  const about = {
    id: figureId(zoneScope(r.id), 'own-rate'),
    stage: 4,
    zone: r.zone.id,
    level: 'warn',
    figure: bulk.id,
  } as const
  const times = num(bulk) / num(usual)
  // A rate of pure live seed is below a bag rate; one as high as the table's bag rate was a bag
  // rate already.
  if (r.zone.seedRateOf === 'pls' && num(rate) >= (num(usual) * twice) / 100)
    return [
      {
        ...about,
        title: say`${r.name}: germination may be allowed for twice.`,
        says: say`${rate} is as much as the table’s bag rate of ${usual}, and it is entered as pure live seed. If the bag or the label gave it, enter it as a bag rate.`,
      },
    ]
  if (times <= far && times >= 1 / far) return []
  return [
    {
      ...about,
      title: say`${r.name}: ${bulk} is ${times > 1 ? 'far above' : 'far below'} the table.`,
      says: say`The table comes to ${usual} here. Check the unit: 1 lb/1,000 ft² is ${quantity(4.882, 'g/m2')}, and 1 oz/yd² is ${quantity(33.9, 'g/m2')}. Your rate stands.`,
    },
  ]
}

/** Table rates for new ground and for overseeding, by share of weight. */
const tableOf = ({ parts }: Sown, which: 'newRate' | 'overseedRate', trace: Trace) =>
  parts.map((p) => trace.grass(p.grass)[which]!)

function tableRate(
  work: ZoneWork,
  sown: Sown,
  key: string,
  trace: Trace,
): { rate: Figure; asNew: Figure | null } {
  const { r, sowing, buried } = work
  const { weight } = sown
  const scope = zoneScope(r.id)
  if (sowing === 'winter-green')
    return { rate: trace.work(seedRules.winterGreenRate, scope, {}, { key }), asNew: null }
  const asNew = trace.work(seedRules.newRate, scope, {
    weight,
    rate: tableOf(sown, 'newRate', trace).map(middle),
  })
  if (!OVER.includes(sowing))
    return { rate: trace.work(seedRules.asNew, scope, { asNew }, { key }), asNew }
  const overseed = trace.work(seedRules.overseedRate, scope, {
    weight,
    rate: tableOf(sown, 'overseedRate', trace).map(middle),
  })
  // Where one grass goes into another on purpose, the cover that stands is the other's.
  const cover =
    sowing === 'blend' ? 100 : (r.wanted ?? trace.readOr(seedReadings.wanted, scope, null))
  const { newAt, overAt } = trace.values(seedRules.rateAtCover.values)
  const change = say`A count of the cover; every point between ${newAt} and ${quantity(overAt, '%')} moves it.`
  if (buried === null)
    return {
      rate: trace.work(seedRules.rateAtCover, scope, { overseed, asNew, cover }, { key, change }),
      asNew,
    }
  const over = trace.work(
    seedRules.rateAtCover,
    scope,
    { overseed, asNew, cover },
    { key: 'seed.rate-over', change },
  )
  return {
    rate: trace.work(seedRules.withFill, scope, { over, asNew, fill: buried }, { key }),
    asNew,
  }
}

/**
 * What bare ground inside an overseeded sward takes more than the passes lay there, from a pan of
 * its own: by hand, or with the spreader where it is much. Null where none is known, or the passes
 * lay nearly as much as new ground takes.
 */
export function onBareGround(
  { r }: ZoneWork,
  { rate, bulk, asNew }: Rates,
  trace: Trace,
): { ground: Figure; kg: Figure; hand: boolean } | null {
  const { bareLeast, bareByHand } = trace.values(seedRules.bareGround.values)
  if (!asNew || !r.area || num(asNew) <= num(rate)) return null
  if (!r.patches && (!r.bare || num(r.bare) < bareLeast)) return null
  const scope = zoneScope(r.id)
  const ground =
    r.patches ?? trace.work(seedRules.bareGround, scope, { area: r.area, bare: sure(r.bare) })
  const more = trace.work(seedRules.bareRate, scope, { bulk, rate, asNew })
  if (num(ground) * num(more) < LEAST_WEIGHED) return null
  const kg = trace.work(seedRules.bareKg, scope, { ground, rate: more })
  return { ground, kg, hand: num(ground) <= bareByHand }
}

/** Less than so much is not weighed out for itself, g. */
const LEAST_WEIGHED = 15

/**
 * What share of live seed becomes plants, by the work that is planned. It predicts plants and never
 * multiplies a rate.
 */
export function contactOf(work: ZoneWork, trace: Trace): number {
  const v = trace.values(seedRules.contact.values)
  const bed = plans(work, 'firm') || (plans(work, 'roughen', 'loosen') && plans(work, 'work-in'))
  if (bed) return plans(work, 'cover') ? v.fine : v.firmed
  if (plans(work, 'core') && plans(work, 'scarify', 'rake')) return v.twice
  if (work.operations.some((o) => OPERATIONS[o.operation].opens)) return v.opened
  return plans(work, 'dress', 'sand-in') ? v.dressing : v.thrown
}

/**
 * What the live seed on the ground is worth: beside the band of the tables, as plants, and the rate
 * that plants would ask for.
 */
export function expected(
  work: ZoneWork,
  {
    parts,
    weight,
    live,
    bulk,
  }: { parts: readonly Shares[]; weight: number[]; live: Figure; bulk: Figure },
  trace: Trace,
) {
  const scope = zoneScope(work.r.id)
  const usual = trace.value(bagValues.usual)
  const over = OVER.includes(work.sowing)
  const rates = parts.map((p) => trace.grass(p.grass)[over ? 'overseedRate' : 'newRate']!)
  const seeds = parts.map((p) => sure(trace.grass(p.grass).seedsPerGram))
  const low = rates.map(([l]) => l)
  const high = rates.map(([, h]) => h)
  const at = (rate: readonly number[]) =>
    rate.reduce((total, x, i) => total + (weight[i]! / 100) * x * seeds[i]! * (usual / 100), 0) /
    10_000
  const band = trace.found(
    seedRules.band,
    scope,
    { low: at(low), high: at(high) },
    { weight, low, high, seeds },
    { label: say`Live seeds by the table rates, ${SOWING_NAMES[work.sowing]}` },
  )
  const contact = trace.found(seedRules.contact, scope, contactOf(work, trace), {})
  const plantsExpected = trace.work(seedRules.expected, scope, { live, contact })
  const byDensity = trace.work(seedRules.byDensity, scope, {
    rate: bulk,
    wanted: (at(low) + at(high)) / 2,
    expected: plantsExpected,
  })
  return { band, contact, plantsExpected, byDensity }
}
