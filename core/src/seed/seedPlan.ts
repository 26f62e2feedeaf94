import type { Job } from '../entities/job.ts'
import { firmSettings } from '../reference/firmSettings.ts'
import { GRASSES, middle, type GrassId } from '../reference/grasses.ts'
import { num, type Figure, type Notice } from '../trace/figure.ts'
import { quantity, say, verbatim, type Message } from '../trace/message.ts'
import { figureId, JOB, lotScope, zoneScope } from '../trace/scope.ts'
import type { Trace } from '../trace/trace.ts'
import type { ZoneReadings } from '../walkover/zoneReadings.ts'
import type { Sowing } from '../reference/lists.ts'
import { plans, type ZoneWork } from '../work/zoneWork.ts'
import { largestPart, mixKey, mixName, type Mix, type MixPart } from './mix.ts'
import { seedReadings, seedRules } from './seedRules.ts'

export interface ZoneSeed {
  zone: string
  mix: MixPart[]
  key: string
  name: string
  overridden: boolean
  runnerUp: Mix['runnerUp']
  sownArea: Figure
  rate: Figure
  pls: Figure
  bulk: Figure
  kg: Figure
  half: Figure
  live: Figure
  plants: { grass: GrassId; weight: number; share: Figure }[]
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
}

/** Pure live seed per grass from its lots' labels, or a usual bag until a label is read. Several lots of a grass count by their weight. */
export function lotFigures(job: Job, trace: Trace): LotFigures {
  const made = new Map<GrassId, Figure>()
  return {
    pls(grass) {
      let figure = made.get(grass)
      if (!figure) {
        const lots = job.lots.filter((l) => l.grass === grass)
        figure = trace.apart(() => (lots.length > 1 ? lotsTogether(grass, lots, trace) : lotPls(grass, lots[0] ?? null, grass, trace)))
        made.set(grass, figure)
      }
      return figure
    },
  }
}

type Lot = Job['lots'][number]

function lotPls(grass: GrassId, lot: Lot | null, id: string, trace: Trace): Figure {
  const scope = lotScope(id)
  const of = lot?.name ? say`${GRASSES[grass].short}, lot ${lot.name}` : verbatim(GRASSES[grass].short)
  const labelled = (label: Message) => ({ label: say`${label}, ${of}` })
  const purity = trace.readOr(seedReadings.purity, scope, lot?.purity ?? null, labelled('Purity'))
  const germination = trace.readOr(seedReadings.germination, scope, lot?.germination ?? null, labelled('Germination'))
  return trace.work(seedRules.pls, scope, { purity, germination }, labelled('Pure live seed'))
}

function lotsTogether(grass: GrassId, lots: readonly Lot[], trace: Trace): Figure {
  const pls = lots.map((lot) => lotPls(grass, lot, `${grass}.${lot.id}`, trace))
  const weighed = lots.every((lot) => lot.amount !== null)
  const all = lots.reduce((sum, lot) => sum + (lot.amount ?? 0), 0)
  const weight = lots.map((lot) => (weighed ? (100 * lot.amount!) / all : 100 / lots.length))
  return trace.work(seedRules.lotsPls, lotScope(grass), { weight, pls }, { label: say`Pure live seed, ${GRASSES[grass].short}, ${lots.length} lots` })
}

interface SeedBrief {
  work: ZoneWork
  mix: Mix
  overridden: boolean
  lots: LotFigures
  trace: Trace
}

/** Seed for one zone. Null when the zone is not sown, has no area yet, or takes no seed. */
export function seedZone(brief: SeedBrief): ZoneSeed | null {
  const { work, mix, overridden, lots, trace } = brief
  const { r, sown: sownArea } = work
  const parts = mix.parts.filter((p) => GRASSES[p.grass].newRate !== null)
  if (!r.area || !sownArea || !plans(work, 'sow') || parts.length === 0) return null
  const scope = zoneScope(r.id)
  const totalShare = parts.reduce((sum, p) => sum + p.share, 0) || 1
  const weight = parts.map((p) => (100 * p.share) / totalShare)
  const pls = parts.map((p) => lots.pls(p.grass))
  const seeds = parts.map((p) => GRASSES[p.grass].seedsPerGram!)
  const rate = rateOf(brief, parts, weight)
  const mixPls = trace.work(seedRules.mixPls, scope, { weight, pls }, { change: 'A label or a fresh germination count of the lot.' })
  const bulk = trace.work(seedRules.bagRate, scope, { rate, pls: mixPls })
  const kg = trace.work(seedRules.kg, scope, { area: sownArea, rate: bulk })
  return {
    zone: r.id,
    mix: parts,
    key: mixKey(parts),
    name: mixName(parts),
    overridden,
    runnerUp: mix.runnerUp,
    sownArea,
    rate,
    pls: mixPls,
    bulk,
    kg,
    half: trace.work(seedRules.half, scope, { kg }),
    live: trace.work(seedRules.live, scope, { rate: bulk, weight, pls, seeds }),
    plants: plantsOf(r, { parts, weight, pls, seeds }, trace),
  }
}

/** Sowings into a living sward; the others are sown as new ground. */
const OVER: readonly Sowing[] = ['over', 'thin', 'blend', 'winter-green']

function rateOf({ work: { r, sowing, buried }, trace }: SeedBrief, parts: readonly MixPart[], weight: number[]): Figure {
  const scope = zoneScope(r.id)
  const table = (which: 'newRate' | 'overseedRate') => parts.map((p) => middle(GRASSES[p.grass][which]!))
  const newRate = trace.work(seedRules.newRate, scope, { weight, rate: table('newRate') })
  if (!OVER.includes(sowing)) return trace.work(seedRules.asNew, scope, { asNew: newRate })
  const overseed = trace.work(seedRules.overseedRate, scope, { weight, rate: table('overseedRate') })
  // Where one grass goes into another on purpose, the cover that stands is the other's.
  const blended = sowing === 'blend' || sowing === 'winter-green'
  const cover = blended ? 100 : (r.wanted ?? trace.readOr(seedReadings.wanted, scope, null))
  const { newAt, overAt } = trace.values(seedRules.rateAtCover.values)
  const change = say`A count of the cover; every point between ${newAt} and ${quantity(overAt, '%')} moves it.`
  if (buried === null) return trace.work(seedRules.rateAtCover, scope, { overseed, asNew: newRate, cover }, { change })
  const over = trace.work(seedRules.rateAtCover, scope, { overseed, asNew: newRate, cover }, { key: 'seed.rate-over', change })
  return trace.work(seedRules.withFill, scope, { over, asNew: newRate, fill: buried })
}

function plantsOf(
  r: ZoneReadings,
  { parts, weight, pls, seeds }: { parts: readonly MixPart[]; weight: readonly number[]; pls: readonly Figure[]; seeds: readonly number[] },
  trace: Trace,
): ZoneSeed['plants'] {
  // Live seeds in a gram of the mix.
  const all = parts.reduce((sum, _, i) => sum + ((weight[i]! / 100) * num(pls[i]!) * seeds[i]!) / 100, 0)
  return parts.map((p, i) => ({
    grass: p.grass,
    weight: weight[i]!,
    share: trace.work(
      seedRules.plants,
      zoneScope(r.id),
      { weight: weight[i]!, pls: pls[i]!, seeds: seeds[i]!, all },
      { part: p.grass, label: say`Share of plants, ${GRASSES[p.grass].short}` },
    ),
  }))
}

/** The share of seed kept back for wash-outs. */
export const reserveShare = (percent: number | null, trace: Trace): Figure => trace.setting(firmSettings.reserve, JOB, percent)

/** What to buy of each mix: the zones together, and the reserve on its own line. */
export function seedOrders(seeds: readonly ZoneSeed[], share: Figure, later: boolean, trace: Trace): MixOrder[] {
  const keys = [...new Set(seeds.map((s) => s.key))].sort()
  return keys.map((key) => {
    const of = seeds.filter((s) => s.key === key)
    const zones = of.map((s) => s.kg)
    return {
      key,
      name: of[0]!.name,
      leader: GRASSES[largestPart(of[0]!.mix).grass].short,
      zones: of.map((s) => s.zone),
      net: zones.reduce((sum, kg) => sum + num(kg), 0),
      reserve: trace.work(seedRules.reserve, JOB, { zones, share }, { part: later ? `later.${key}` : key }),
      total: trace.work(seedRules.total, JOB, { zones, share }, { part: later ? `later.${key}` : key, label: say`Seed to order, ${of[0]!.name}` }),
    }
  })
}

/** Warnings about the grasses a person chose for a zone. */
export function checkMix(r: ZoneReadings, parts: readonly MixPart[], season: 'cool' | 'warm'): Notice[] {
  return parts.flatMap(({ grass, share }) => {
    const warning = share > 0 && mixWarning(r, grass, season)
    return warning ? [{ id: figureId(zoneScope(r.id), 'mix', grass), stage: 4, zone: r.id, level: 'warn', ...warning }] : []
  })
}

function mixWarning(r: ZoneReadings, grass: GrassId, season: 'cool' | 'warm'): Pick<Notice, 'title' | 'says'> | null {
  const g = GRASSES[grass]
  if (g.newRate === null)
    return { title: say`${g.name} is not sown.`, says: 'It is set as plugs or turf; choose another grass to sow, or plan plugs by hand.' }
  if (r.sunKnown && num(r.sun) < g.sunHours)
    return {
      title: say`${r.name}: too dark for ${g.name}.`,
      says: say`It needs ${quantity(g.sunHours, 'h')} of sun and gets ${num(r.sun)}; it will thin out. Take a fine fescue.`,
    }
  if (g.season !== season)
    return {
      title: say`${r.name}: ${g.name} among ${season}-season grass.`,
      says: 'A deliberate blend is a choice; otherwise it stands out for years.',
    }
  if (grass === 'tall-fescue' && r.zone.present.length > 0 && !r.zone.present.includes(grass))
    return { title: say`${r.name}: coarse leaf among fine.`, says: 'Tall fescue shows as tufts for years in a finer sward.' }
  return null
}
