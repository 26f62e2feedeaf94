import type { Job } from '../entities/job.ts'
import { asNew, sows, type ZoneApproach } from '../approach/approach.ts'
import { GRASSES, middle, type GrassId } from '../reference/grasses.ts'
import type { ZoneReadings } from '../walkover/zoneReadings.ts'
import { num, readings, rule, type Figure, type Notice, type Workings } from '../trace/figure.ts'
import { mixKey, mixName, type Mix, type MixPart } from './mix.ts'
import { bulkRate, liveSeedsPerCm2, plantShares, pureLiveSeed, rateAtCover } from './pureLiveSeed.ts'

export const seedRules = {
  pls: rule(
    'seed.pls',
    'Pure live seed is purity times germination. Purity is of the bag as sold; coating lies outside it.',
    '{0} × {1}',
    'calculation',
  ),
  mixPls: rule('seed.mix-pls', 'Each grass by its share of the weight.', 'sum of share × {*}', 'calculation'),
  tableNew: rule(
    'seed.rate-new',
    'New-lawn bag rate of the mix, each grass by its share of the weight, from the middle of its range.',
    'sum of share × table rate',
    'practice',
    'extension handbooks, from memory, ±15 %',
  ),
  tableOver: rule(
    'seed.rate-overseed',
    'Overseeding bag rate of the mix, each grass by its share of the weight.',
    'sum of share × table rate',
    'practice',
    'extension handbooks, from memory, ±15 %',
  ),
  atCover: rule(
    'seed.rate-at-cover',
    'The thinner the cover, the nearer to a new-lawn rate: all new at 30 % cover, all overseed from 70 %.',
    '{0} + ({1} − {0}) × clamp((70 % − {2}) ÷ 40 %)',
    'model',
  ),
  asNew: rule('seed.rate-as-new', 'New ground takes the new-lawn rate.', '{0}', 'practice'),
  usualPls: rule('seed.usual-pls', 'Table rates are for a usual bag, 0.85 pure live seed. Allowed for once, here.', '0.85', 'model'),
  bulk: rule(
    'seed.bulk',
    'The table rate, for a usual bag, corrected to the bag you have. Germination is allowed for once.',
    '{0} × {1} ÷ {2}',
    'calculation',
  ),
  sown: rule('seed.sown-area', 'The whole zone is sown.', '{0}', 'calculation'),
  sownBare: rule('seed.sown-bare', 'Only the bare share is sown.', '{0} × {1}', 'calculation'),
  kg: rule('seed.kg', 'Area times bag rate.', '{0} × {1}', 'calculation'),
  half: rule('seed.half-pass', 'Two passes at right angles, each at half the rate. Calibrate the spreader at half.', '{0} ÷ 2', 'practice'),
  live: rule(
    'seed.live',
    'Bag rate × share × pure live seed × seeds per gram ÷ 10,000, over the grasses.',
    '{0} × share × PLS × seeds/g ÷ 10,000',
    'calculation',
  ),
  plants: rule(
    'seed.plants',
    'Share of the live seeds, and so of the plants to expect: weight × seeds per gram × PLS, over the sum.',
    'w × s × {0} ÷ sum',
    'calculation',
  ),
  reserve: rule('seed.reserve', 'Kept back for wash-outs and thin places, on its own line.', '{0} × sum', 'practice', 'common practice: 10–15 %'),
  total: rule('seed.total', 'All zones of this mix, with the reserve.', 'sum of zones × (1 + {0})', 'calculation'),
}

/** A bag as usual, where no label was read. Common practice. */
const USUAL_PURITY = 98
const USUAL_GERMINATION = 88
const USUAL_PLS = 0.85
const USUAL_RESERVE = 12

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

/** Pure live seed per grass from its lot's label, or a usual bag until the label is read. */
export function lotFigures(job: Job, w: Workings): LotFigures {
  const made = new Map<GrassId, Figure>()
  return {
    pls(grass) {
      let figure = made.get(grass)
      if (!figure) {
        const lot = job.lots.find((l) => l.grass === grass)
        const label = `${GRASSES[grass].short}${lot?.name ? `, lot ${lot.name}` : ''}`
        const purity = w.readOr(4, `job.lot.${grass}.purity`, `Purity, ${label}`, lot?.purity ?? null, USUAL_PURITY, '%')
        const germination = w.readOr(4, `job.lot.${grass}.germination`, `Germination, ${label}`, lot?.germination ?? null, USUAL_GERMINATION, '%')
        figure = w.add(4, `job.lot.${grass}.pls`, `Pure live seed, ${label}`, pureLiveSeed(num(purity), num(germination)) * 100, '%', seedRules.pls, [
          purity,
          germination,
        ])
        made.set(grass, figure)
      }
      return figure
    },
  }
}

/** Seed for one zone. Null when the zone is not sown, has no area yet, or takes no seed. */
export function seedZone(
  r: ZoneReadings,
  approach: ZoneApproach,
  mix: Mix,
  overridden: boolean,
  lots: LotFigures,
  usualPls: Figure,
  w: Workings,
): ZoneSeed | null {
  if (!r.area || !sows(approach.chosen) || mix.parts.length === 0) return null
  const parts = mix.parts.filter((p) => GRASSES[p.grass].newRate !== null)
  if (parts.length === 0) return null
  const z = { zone: r.id }
  const at = (key: string) => `${r.id}.seed.${key}`
  const totalShare = parts.reduce((sum, p) => sum + p.share, 0) || 1
  const weight = (p: MixPart) => p.share / totalShare
  const lotPls = parts.map((p) => lots.pls(p.grass))
  const mixRate = (which: 'newRate' | 'overseedRate') => parts.reduce((sum, p) => sum + weight(p) * middle(GRASSES[p.grass][which]!), 0)
  const newRate = w.add(4, at('rate-new'), 'New-lawn rate, table', mixRate('newRate'), 'g/m2', seedRules.tableNew, [], z)
  let rate: Figure
  const whole = asNew(approach.chosen) || approach.chosen === 'mend' || approach.chosen === 'hold-over'
  if (whole) rate = w.add(4, at('rate'), 'Rate for this ground', num(newRate), 'g/m2', seedRules.asNew, [newRate], z)
  else {
    const over = w.add(4, at('rate-overseed'), 'Overseeding rate, table', mixRate('overseedRate'), 'g/m2', seedRules.tableOver, [], z)
    const cover = r.wanted ?? w.readOr(4, at('cover'), 'Wanted cover', null, 60, '%', r.id)
    rate = w.add(
      4,
      at('rate'),
      'Rate for this cover',
      rateAtCover(num(over), num(newRate), num(cover) / 100),
      'g/m2',
      seedRules.atCover,
      [over, newRate, cover],
      {
        ...z,
        change: 'A count of the cover; each ten points between 30 and 70 % moves it by a quarter of the way.',
      },
    )
  }
  const pls = w.add(
    4,
    at('pls'),
    'Pure live seed of the mix',
    parts.reduce((sum, p, i) => sum + weight(p) * num(lotPls[i]!), 0),
    '%',
    seedRules.mixPls,
    lotPls,
    { ...z, change: 'A label or a fresh germination count of the lot.' },
  )
  const bulk = w.add(4, at('bulk'), 'Bag rate', bulkRate(num(rate) * USUAL_PLS, num(pls) / 100), 'g/m2', seedRules.bulk, [rate, usualPls, pls], z)
  let sownArea: Figure
  if (approach.chosen === 'mend') {
    const bare = r.bare ?? w.readOr(4, at('bare'), 'Bare ground', null, 10, '%', r.id)
    sownArea = w.add(4, at('area'), 'Ground sown', (num(r.area) * num(bare)) / 100, 'm2', seedRules.sownBare, [r.area, bare], z)
  } else sownArea = w.add(4, at('area'), 'Ground sown', num(r.area), 'm2', seedRules.sown, [r.area], z)
  const kg = w.add(4, at('kg'), 'Seed', (num(sownArea) * num(bulk)) / 1000, 'kg', seedRules.kg, [sownArea, bulk], z)
  const half = w.add(4, at('half'), 'Each of two passes', num(kg) / 2, 'kg', seedRules.half, [kg], z)
  const live = w.add(
    4,
    at('live'),
    'Live seeds',
    parts.reduce((sum, p, i) => sum + liveSeedsPerCm2(num(bulk) * weight(p), num(lotPls[i]!) / 100, GRASSES[p.grass].seedsPerGram!), 0),
    '/cm2',
    seedRules.live,
    [bulk, ...lotPls],
    z,
  )
  const shares = plantShares(parts.map((p, i) => ({ weight: weight(p), pls: num(lotPls[i]!) / 100, seedsPerGram: GRASSES[p.grass].seedsPerGram! })))
  const plants = parts.map((p, i) => ({
    grass: p.grass,
    weight: weight(p) * 100,
    share: w.add(4, at(`plants.${p.grass}`), `Share of plants, ${GRASSES[p.grass].short}`, shares[i]! * 100, '%', seedRules.plants, [lotPls[i]!], z),
  }))
  return {
    zone: r.id,
    mix: parts,
    key: mixKey(parts),
    name: mixName(parts),
    overridden,
    runnerUp: mix.runnerUp,
    sownArea,
    rate,
    pls,
    bulk,
    kg,
    half,
    live,
    plants,
  }
}

export const usualPlsFigure = (w: Workings): Figure =>
  w.add(4, 'job.seed.usual-pls', 'Pure live seed of a usual bag', USUAL_PLS * 100, '%', seedRules.usualPls)

/** What to buy of each mix: the zones together, and the reserve on its own line. */
export function seedOrders(seeds: readonly ZoneSeed[], reservePercent: number | null, w: Workings): MixOrder[] {
  if (seeds.length === 0) return []
  const reserveShare = w.add(
    4,
    'job.seed.reserve-share',
    'Kept back',
    reservePercent ?? USUAL_RESERVE,
    '%',
    reservePercent === null ? readings.house : readings.firm,
  )
  const keys = [...new Set(seeds.map((s) => s.key))].sort()
  return keys.map((key) => {
    const of = seeds.filter((s) => s.key === key)
    const net = of.reduce((sum, s) => sum + num(s.kg), 0)
    const reserve = w.add(4, `job.seed.${key}.reserve`, 'Reserve', (net * num(reserveShare)) / 100, 'kg', seedRules.reserve, [
      reserveShare,
      ...of.map((s) => s.kg),
    ])
    const total = w.add(4, `job.seed.${key}.total`, `Seed to order, ${of[0]!.name}`, net * (1 + num(reserveShare) / 100), 'kg', seedRules.total, [
      reserveShare,
      ...of.map((s) => s.kg),
    ])
    const leader = GRASSES[of[0]!.mix.reduce((a, b) => (b.share > a.share ? b : a)).grass].short
    return { key, name: of[0]!.name, leader, zones: of.map((s) => s.zone), net, reserve, total }
  })
}

/** Warnings about the grasses a person chose for a zone. */
export function checkMix(r: ZoneReadings, parts: readonly MixPart[], season: 'cool' | 'warm', notices: Notice[]): void {
  const push = (grass: GrassId, title: string, says: string) =>
    notices.push({ id: `${r.id}.mix.${grass}`, stage: 4, zone: r.id, level: 'warn', title, says })
  for (const { grass, share } of parts) {
    const g = GRASSES[grass]
    if (share <= 0) continue
    if (g.newRate === null) push(grass, `${g.name} is not sown.`, 'It is set as plugs or turf; choose another grass to sow, or plan plugs by hand.')
    else if (r.sunKnown && num(r.sun) < g.sunHours)
      push(
        grass,
        `${r.name}: too dark for ${g.name}.`,
        `It needs ${g.sunHours} h of sun and gets ${num(r.sun)}; it will thin out. Take a fine fescue.`,
      )
    else if (g.season !== season)
      push(grass, `${r.name}: ${g.name} among ${season}-season grass.`, 'A deliberate blend is a choice; otherwise it stands out for years.')
    else if (grass === 'tall-fescue' && r.zone.present.length > 0 && !r.zone.present.includes(grass))
      push(grass, `${r.name}: coarse leaf among fine.`, 'Tall fescue shows as tufts for years in a finer sward.')
  }
}
