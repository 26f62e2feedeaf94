import type { Schools } from '../reference/schools.ts'
import type { Firm } from '../entities/firm.ts'
import type { Job } from '../entities/job.ts'
import { standInLight, type StandInLight } from './inLight.ts'
import { firmSettings } from '../reference/firmSettings.ts'
import type { GrassId } from '../reference/grasses.ts'
import type { BagOnShelf } from '../stock/seedOnShelf.ts'
import { num, type Figure, type Notice } from '../trace/figure.ts'
import { say, verbatim, type Message } from '../trace/message.ts'
import { JOB, lotScope, zoneScope } from '../trace/scope.ts'
import type { Trace } from '../trace/trace.ts'
import type { ZoneReadings } from '../walkover/zoneReadings.ts'
import { plans, type ZoneWork } from '../work/zoneWork.ts'
import { largestPart, mixKey, mixName, type Mix, type MixPart } from './mix.ts'
import { pansOf, type Pans } from './pans.ts'
import { expected, ratesOf } from './rates.ts'
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
  live: Figure
  /** Juvena's rate, where the contractor's own stands. */
  usual: Figure | null
  /** Live seeds on a square centimetre that the tables come to, low and high. */
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

export interface LotFigures {
  pls: (grass: GrassId) => Figure
  /**
   * Pure live seed, %, and what a kilogram costs, without working a figure; 0 where no price is
   * known.
   */
  bag: (grass: GrassId) => { pls: number; cost: number }
}

/**
 * Pure live seed per grass from its lots' labels, or a usual bag until a label is read. Several
 * lots of a grass count by their weight.
 */
export function lotFigures(job: Job, shelf: readonly BagOnShelf[], trace: Trace): LotFigures {
  const made = new Map<GrassId, Figure>()
  return {
    pls(grass) {
      let figure = made.get(grass)
      if (!figure) {
        const lots = job.lots.filter((l) => l.grass === grass)
        figure = trace.apart(() =>
          lots.length > 1
            ? lotsTogether(grass, lots, trace)
            : lotPls(grass, lots[0] ?? null, grass, trace),
        )
        made.set(grass, figure)
      }
      return figure
    },
    bag(grass) {
      const lots = job.lots.filter((l) => l.grass === grass)
      const pure = (lot: Lot | null) =>
        ((lot?.purity ?? trace.value(seedReadings.purity.otherwise!)) *
          (lot?.germination ?? trace.value(seedReadings.germination.otherwise!))) /
        100
      const each = lots.length > 0 ? lots.map(pure) : [pure(null)]
      const prices = shelf.flatMap((b) =>
        b.parts.length === 1 && b.parts[0]!.grass === grass && b.cost > 0 ? [b.cost] : [],
      )
      return {
        pls: each.reduce((a, b) => a + b, 0) / each.length,
        cost: prices.length > 0 ? Math.min(...prices) : 0,
      }
    },
  }
}

type Lot = Job['lots'][number]

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

function lotsTogether(grass: GrassId, lots: readonly Lot[], trace: Trace): Figure {
  const pls = lots.map((lot) => lotPls(grass, lot, `${grass}.${lot.id}`, trace))
  const weighed = lots.every((lot) => lot.amount !== null)
  const all = lots.reduce((sum, lot) => sum + (lot.amount ?? 0), 0)
  const weight = lots.map((lot) => (weighed ? (100 * lot.amount!) / all : 100 / lots.length))
  return trace.work(
    seedRules.lotsPls,
    lotScope(grass),
    { weight, pls },
    { label: say`Pure live seed, ${trace.grass(grass).short}, ${lots.length} lots` },
  )
}

interface SeedBrief {
  work: ZoneWork
  mix: Mix
  overridden: boolean
  lots: LotFigures
  firm: Firm
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
  const pls = parts.map((p) => lots.pls(p.grass))
  const seeds = parts.map((p) => trace.grass(p.grass).seedsPerGram!)
  const mixPls = trace.work(
    seedRules.mixPls,
    scope,
    { weight, pls },
    { change: 'A label or a fresh germination count of the lot.' },
  )
  const { rate, bulk, usual, notices } = ratesOf(work, { parts, weight, pls: mixPls }, trace)
  const live = trace.work(seedRules.live, scope, { rate: bulk, weight, pls, seeds })
  const kg = trace.work(seedRules.kg, scope, { area: sownArea, rate: bulk })
  const half = trace.work(seedRules.half, scope, { kg })
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
