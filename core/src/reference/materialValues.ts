import { tradeValues, value, type TradeValue } from '../rules/rule.ts'
import type { CoverId, DressingId, TextureId } from './lists.ts'

/** Loose density, middle of the usual range. */
export const looseDensity = tradeValues('density', {
  topsoil: value(1.2, 't/m3', 'practice', 'Screened topsoil, loose; 1.1 to 1.3', [0.8, 1.8]),
  sand: value(1.4, 't/m3', 'practice', 'Sand, loose; damp 1.25 to 1.45, dry 1.5 to 1.6', [1, 2]),
  compost: value(0.6, 't/m3', 'practice', 'Compost, loose; 0.5 to 0.7', [0.3, 1]),
} satisfies Record<DressingId, TradeValue>)

/** Depth laid over seed. Common practice, 3 to 6 mm. */
export const coverDepth = tradeValues('cover-depth', {
  'peat-free': value(3, 'mm', 'practice', 'Coir over seed', [1, 12]),
  compost: value(3, 'mm', 'practice', 'Fine compost over seed', [1, 12]),
} satisfies Partial<Record<CoverId, TradeValue>>)

/** How fast bare, flat ground takes water. */
export const intake = tradeValues('intake', {
  sand: value(
    25,
    'mm/h',
    'published',
    'Sand takes in; irrigation handbooks, from memory',
    [10, 60],
  ),
  'sandy-loam': value(
    20,
    'mm/h',
    'published',
    'Sandy loam takes in; irrigation handbooks, from memory',
    [5, 40],
  ),
  loam: value(12, 'mm/h', 'published', 'Loam takes in; irrigation handbooks, from memory', [3, 30]),
  'clay-loam': value(
    6,
    'mm/h',
    'published',
    'Clay loam takes in; irrigation handbooks, from memory',
    [2, 15],
  ),
  clay: value(
    3,
    'mm/h',
    'published',
    'Clay takes in; irrigation handbooks, from memory',
    [0.5, 10],
  ),
} satisfies Record<TextureId, TradeValue>)

/** Bags as they are sold, in kg and where pounds are used in lb. Common practice. */
export const SEED_BAGS = { kg: [20, 10, 5, 1], lb: [50, 25, 10, 5] } as const
export const FEED_BAGS = { kg: [20, 10], lb: [50, 25] } as const

/** A bulk bag of soil or sand. */
export const bulkValues = tradeValues('bulk', {
  bag: value(0.75, 'm3', 'practice', 'A bulk bag of soil or sand holds about', [0.3, 1.5]),
})

/** How far bags may bite into the seed kept back: not at all, until a firm lets them. */
export const reserveValues = tradeValues('reserve', {
  forces: value(
    0,
    '%',
    'model',
    'Bags may leave short of the reserve no more than this share of it',
    [0, 100],
  ),
})

export const packValues = tradeValues('packs', {
  exponent: value(
    0.9,
    '1',
    'model',
    'Until prices are known a pack costs its size to this power: large packs are cheaper by weight',
    [0.5, 1],
  ),
})

/** More lifts than this take over a year: they get no days, and the plan says so. */
export const MOST_LIFTS = 12
