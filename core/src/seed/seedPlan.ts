import { sure } from '../quantities/sure.ts'
import type { Schools } from '../reference/schools.ts'
import type { Job } from '../entities/job.ts'
import { standInLight, type StandInLight } from './inLight.ts'
import { firmSettings } from '../firm/firmSettings.ts'
import type { GrassId } from '../reference/grasses.ts'
import type { BagOnShelf } from '../stock/seedOnShelf.ts'
import { num, type Figure, type Notice } from '../trace/figure.ts'
import { say, verbatim, type Message } from '../rules/message.ts'
import { figureId, grassLotsScope, JOB, lotScope, zoneScope } from '../trace/scope.ts'
import type { Trace } from '../trace/trace.ts'
import type { ZoneReadings } from '../walkover/zoneReadings.ts'
import { isSmall } from '../work/ground.ts'
import { plans, type ZoneWork } from '../work/workTypes.ts'
import { largestPart, mixKey, mixName, type Mix, type MixPart } from './mix.ts'
import type { Spreader } from '../firm/spreader.ts'
import { handPan, pansOf, type Pans } from './pans.ts'
import { onBareGround, expected, ratesOf } from './rates.ts'
import { seedReadings, seedRules } from './seedRules.ts'

export interface ZoneSeed extends Pans {
  zone: string
  mix: MixPart[]
  key: string
  name: string
  overridden: boolean
  /** What was weighed when Juvena chose: grasses left out, other mixes. */
  chosen: Omit<Mix, 'parts' | 'nothing' | 'search'>
  sownArea: Figure
  rate: Figure
  pls: Figure
  bulk: Figure
  kg: Figure
  half: Figure
  /** Bare ground inside the sward and what it takes more, by hand or with the spreader; null where there is none. */
  onBare: { ground: Figure; kg: Figure; pan: Figure; hand: boolean } | null
  /** Whether all of it is sown by hand: the ground is too small for a spreader. */
  handSown: boolean
  live: Figure
  /** Juvena's rate, where the contractor's own stands. */
  usual: Figure | null
  /** Live seeds on a square centimetre by the table rates, low and high. */
  band: Figure
  /** Plants to expect, and the rate that would give as many as the table counts on. */
  contact: Figure
  plantsExpected: Figure
  byDensity: Figure
  notices: Notice[]
  plants: { grass: GrassId; weight: number; share: Figure }[]
  /**
   * How it will stand where the zone is darkest and brightest; empty where its light is even or
   * typed.
   */
  inLight: StandInLight[]
}

export interface MixOrder {
  key: string
  name: string
  /** Short name of its largest part. */
  leader: string
  zones: string[]
  net: number
  reserve: Figure
  total: Figure
}

type Lot = Job['lots'][number]
export type Lots = Job['lots']

const ofGrass = (lots: Lots, grass: GrassId): Lots => lots.filter((l) => l.grass === grass)

/** How lots of one grass count: by their weight; alike, where one of them is not weighed. */
function weightsOf(lots: Lots): number[] {
  const weighed = lots.every((lot) => lot.amount !== null)
  const all = lots.reduce((sum, lot) => sum + (lot.amount ?? 0), 0)
  return lots.map((lot) => (weighed ? (100 * sure(lot.amount)) / all : 100 / lots.length))
}

/**
 * Pure live seed of a grass from its lots' labels, or a usual bag until a label is read; a figure of
 * the job, worked once.
 */
export function plsOf(grass: GrassId, lots: Lots, trace: Trace): Figure {
  const own = ofGrass(lots, grass)
  return trace.apart(figureId(grassLotsScope(grass), seedRules.pls.key), () =>
    own.length > 1 ? lotsTogether(grass, own, trace) : lotPls(grass, own[0] ?? null, grass, trace),
  )
}

/** A bag that a mix is chosen by: pure live seed, %, and what a kilogram costs; 0 where no price is known. */
export interface Bag {
  pls: number
  cost: number
}

/** The bag a grass comes from, without working a figure: the same sum as `plsOf`. */
export function bagOf(grass: GrassId, lots: Lots, shelf: readonly BagOnShelf[], trace: Trace): Bag {
  const own = ofGrass(lots, grass)
  const { purity, germination } = seedReadings
  const pls = (lot: Lot | null): number =>
    seedRules.pls.compute(
      {
        purity: lot?.purity ?? trace.value(sure(purity.otherwise)),
        germination: lot?.germination ?? trace.value(sure(germination.otherwise)),
      },
      {},
    ) as number
  const prices = shelf.flatMap((b) =>
    b.parts.length === 1 && b.parts[0]!.grass === grass && b.cost > 0 ? [b.cost] : [],
  )
  return {
    pls:
      own.length > 1
        ? (seedRules.lotsPls.compute({ weight: weightsOf(own), pls: own.map(pls) }, {}) as number)
        : pls(own[0] ?? null),
    cost: prices.length > 0 ? Math.min(...prices) : 0,
  }
}

function lotPls(grass: GrassId, lot: Lot | null, id: string, trace: Trace): Figure {
  const scope = lotScope(id)
  const of = lot?.name
    ? say`${trace.grass(grass).short}, lot ${lot.name}`
    : verbatim(trace.grass(grass).short)
  const labelled = (label: Message) => ({ label: say`${label}, ${of}` })
  const purity = trace.readOr(seedReadings.purity, scope, lot?.purity ?? null, labelled('Purity'))
  const germination = trace.readOr(
    seedReadings.germination,
    scope,
    lot?.germination ?? null,
    labelled('Germination'),
  )
  return trace.work(seedRules.pls, scope, { purity, germination }, labelled('Pure live seed'))
}

const lotsTogether = (grass: GrassId, lots: Lots, trace: Trace): Figure =>
  trace.work(
    seedRules.lotsPls,
    grassLotsScope(grass),
    {
      weight: weightsOf(lots),
      pls: lots.map((lot) => lotPls(grass, lot, `${grass}.${lot.id}`, trace)),
    },
    { label: say`Pure live seed, ${trace.grass(grass).short}, ${lots.length} lots` },
  )

interface SeedBrief {
  work: ZoneWork
  mix: Mix
  overridden: boolean
  lots: Lots
  firm: Spreader
  schools: Schools
  trace: Trace
}

/** Seed for one zone. Null when the zone is not sown, has no area yet, or takes no seed. */
export function seedZone(brief: SeedBrief): ZoneSeed | null {
  const { work, mix, overridden, lots, firm, schools, trace } = brief
  const { r, sown: sownArea } = work
  const parts = mix.parts.filter((p) => trace.grass(p.grass).newRate !== null)
  if (!r.area || !sownArea || !plans(work, 'sow') || parts.length === 0) return null
  const scope = zoneScope(r.id)
  const totalShare = parts.reduce((sum, p) => sum + p.share, 0) || 1
  const weight = parts.map((p) => (100 * p.share) / totalShare)
  const pls = parts.map((p) => plsOf(p.grass, lots, trace))
  const seeds = parts.map((p) => sure(trace.grass(p.grass).seedsPerGram))
  const mixPls = trace.work(
    seedRules.mixPls,
    scope,
    { weight, pls },
    { change: 'A label or a fresh germination count of the lot.' },
  )
  const rates = ratesOf(work, { parts, weight, pls: mixPls }, trace)
  const { rate, bulk, usual, notices } = rates
  const live = trace.work(seedRules.live, scope, { rate: bulk, weight, pls, seeds })
  const onBare = onBareGround(work, rates, trace)
  const laid = { area: sownArea, rate: bulk }
  const passes = trace.work(
    seedRules.kg,
    scope,
    laid,
    onBare ? { key: 'seed.passes', label: 'Seed of the two passes' } : {},
  )
  const kg = onBare ? trace.work(seedRules.withBare, scope, { passes, onBare: onBare.kg }) : passes
  const half = trace.work(seedRules.half, scope, { kg: passes })
  const plants = plantsOf(r, { parts, weight, pls, seeds }, trace)
  return {
    zone: r.id,
    mix: parts,
    key: mixKey(parts),
    name: mixName(parts, trace),
    overridden,
    chosen: {
      leads: mix.leads,
      left: mix.left,
      without: mix.without,
      thumb: mix.thumb,
      shelf: mix.shelf,
      fits: mix.fits,
    },
    sownArea,
    rate,
    pls: mixPls,
    bulk,
    kg,
    half,
    handSown: isSmall({ area: sownArea }, trace),
    onBare: onBare && { ...onBare, pan: handPan(r.id, onBare.kg, firm, trace) },
    ...pansOf(r.id, largestPart(parts).grass, half, bulk, firm, trace),
    live,
    usual,
    ...expected(work, { parts, weight, live, bulk }, trace),
    notices,
    plants,
    inLight: standInLight(r.id, plants, schools, trace),
  }
}

function plantsOf(
  r: ZoneReadings,
  {
    parts,
    weight,
    pls,
    seeds,
  }: {
    parts: readonly MixPart[]
    weight: readonly number[]
    pls: readonly Figure[]
    seeds: readonly number[]
  },
  trace: Trace,
): ZoneSeed['plants'] {
  // Live seeds in a gram of the mix.
  const all = parts.reduce(
    (sum, _, i) => sum + ((weight[i]! / 100) * num(pls[i]!) * seeds[i]!) / 100,
    0,
  )
  return parts.map((p, i) => ({
    grass: p.grass,
    weight: weight[i]!,
    share: trace.work(
      seedRules.plants,
      zoneScope(r.id),
      { weight: weight[i]!, pls: pls[i]!, seeds: seeds[i]!, all },
      { part: p.grass, label: say`Share of plants, ${trace.grass(p.grass).short}` },
    ),
  }))
}

/** The share of seed kept back for wash-outs. */
export const reserveShare = (percent: number | null, trace: Trace): Figure =>
  trace.setting(firmSettings.reserve, JOB, percent)

/** What to buy of each mix: the zones together, and the reserve on its own line. */
export function seedOrders(
  seeds: readonly ZoneSeed[],
  share: Figure,
  later: boolean,
  trace: Trace,
): MixOrder[] {
  const keys = [...new Set(seeds.map((s) => s.key))].sort()
  return keys.map((key) => {
    const of = seeds.filter((s) => s.key === key)
    const zones = of.map((s) => s.kg)
    return {
      key,
      name: of[0]!.name,
      leader: trace.grass(largestPart(of[0]!.mix).grass).short,
      zones: of.map((s) => s.zone),
      net: zones.reduce((sum, kg) => sum + num(kg), 0),
      reserve: trace.work(
        seedRules.reserve,
        JOB,
        { zones, share },
        { part: later ? `later.${key}` : key },
      ),
      total: trace.work(
        seedRules.total,
        JOB,
        { zones, share },
        { part: later ? `later.${key}` : key, label: say`Seed to order, ${of[0]!.name}` },
      ),
    }
  })
}
