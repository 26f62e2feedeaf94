import type { GrassId } from '../rules/id.ts'
import type { Level, Range, Traits } from './grassTraits.ts'

/**
 * Grasses a contractor sows or sets. The whole table is common practice (extension handbooks, from
 * memory, ±15 %): ranges stay visible, and a firm may change any of them or add grasses and
 * cultivars of its own (`firmGrasses.ts`). Juvena's model where a column says so.
 */

/** Names a grass of the table, or one the firm has added. */
export type { GrassId } from '../rules/id.ts'

/**
 * Whether seedlings stand a herbicide given at seeding, as labels usually have it: yes, at lower
 * rates only, or no.
 */
export type Stands = 'yes' | 'limited' | 'no'

export interface Grass extends Traits {
  id: GrassId
  name: string
  short: string
  season: 'cool' | 'warm'
  /** The kind it is a cultivar group of: it looks and mends like that one. */
  of: GrassId | null
  spread: string
  spreads: boolean
  stolonOnly: boolean
  /** How it fails, cut below and above its height. */
  cutFails: readonly [string, string]
  winter: 'green' | 'dull' | 'brown'
  /**
   * Thermal time to half emergence, °C·d, above the base temperature. Juvena's model, fitted to the
   * days column.
   */
  thermal: { theta: number; base: number } | null
  fine: boolean
  /** What it may be mixed with; alone where empty. */
  goesWith: readonly GrassId[]
  /** The only ground it is worth sowing on; any where null. */
  onlyFor: 'shade' | 'wet shade' | 'salt' | 'no frost' | null
  /** Herbicides at seeding, by active. The label decides. */
  stands: { mesotrione: Stands; siduron: Stands }
  /**
   * First and last day of a germination count. From memory, after the usual rules of seed testing.
   */
  testDays: Range
  /** Sown for a purpose and gone within the year: never part of a lasting mix. */
  passing: boolean
  /** Its seed passes for a named fine hybrid of its kind; common seed does not. */
  matchesHybrid: boolean
}

export type GrassTable = Readonly<Record<GrassId, Grass>>

type Written = Partial<Omit<Grass, 'id' | 'thermal' | 'spreads' | 'stolonOnly'>> &
  Pick<Grass, 'name' | 'short' | 'spread'> & {
    /** New rate, overseeding rate, days to show, seeds in a gram, least soil. */
    sown: readonly [Range, Range, Range, number, number] | null
    thermal: readonly [number, number] | null
    /** Wear, drought, cold, heat, wet, salt, thatch. */
    bears: readonly [Level, Level, Level, Level, Level, Level, Level]
    sun: Range
  }

const COOL = { season: 'cool', soilGood: [12, 25], cutFails: ['it thins out', 'it grows soft and lies over'], winter: 'green' } as const
const WARM = { season: 'warm', soilGood: [21, 35], cutFails: ['it is scalped to stems', 'it grows stemmy and builds thatch'], winter: 'brown' } as const
const FINE = ['creeping-red-fescue', 'chewings-fescue', 'hard-fescue'] as const
const fescue = { ...COOL, soilGood: [12, 22], fine: true, depth: 5, ph: [5.5, 7], share: [20, 90], goesWith: [...FINE, 'perennial-ryegrass', 'shade-ryegrass', 'kentucky-bluegrass'], stands: { mesotrione: 'limited', siduron: 'yes' } } as const // prettier-ignore
const rye = { ...COOL, depth: 6, ph: [5.8, 7.5], share: [10, 80], stands: { mesotrione: 'yes', siduron: 'yes' } } as const
const bent = { ...COOL, soilGood: [15, 25], fine: true, depth: 2, ph: [5, 6.5], winter: 'dull', share: [5, 20], mostPlants: 60, stands: { mesotrione: 'no', siduron: 'limited' } } as const // prettier-ignore

const TABLE: Record<string, Written> = {
  'perennial-ryegrass': { ...rye, name: 'perennial ryegrass', short: 'rye', spread: 'bunch', sown: [[30, 40], [15, 25], [3, 10], 550, 7], thermal: [95, 2], sun: [4, 5], bears: ['high', 'mid', 'low-mid', 'low-mid', 'mid', 'mid', 'low'], cut: [12, 65], nitrogen: [10, 20], weeksToUse: [6, 8], leaf: 2.5, colour: 'dark', goesWith: ['kentucky-bluegrass', ...FINE, 'tall-fescue'], testDays: [5, 14] },
  'shade-ryegrass': { ...rye, of: 'perennial-ryegrass', name: 'shade ryegrass (tetraploid and shade-bred)', short: 'shade rye', spread: 'bunch', sown: [[35, 45], [20, 30], [3, 10], 350, 5], thermal: [90, 2], sun: [3, 5], bears: ['mid', 'low-mid', 'low-mid', 'low-mid', 'mid', 'low-mid', 'low'], cut: [25, 75], nitrogen: [10, 15], weeksToUse: [6, 8], leaf: 3.5, colour: 'light', share: [10, 30], goesWith: [...FINE], testDays: [5, 14], onlyFor: 'shade' },
  'kentucky-bluegrass': { ...COOL, name: 'Kentucky bluegrass (smooth meadow-grass)', short: 'bluegrass', spread: 'rhizome', sown: [[10, 15], [5, 8], [7, 28], 3000, 10], thermal: [210, 5], soilGood: [15, 25], sun: [6, 7], bears: ['high', 'mid', 'high', 'mid', 'mid', 'low', 'high'], cut: [15, 75], nitrogen: [10, 20], depth: 3, weeksToUse: [12, 16], leaf: 2.5, colour: 'mid', winter: 'dull', ph: [6, 7.5], creeps: 4, share: [10, 80], goesWith: ['perennial-ryegrass', ...FINE, 'tall-fescue'], stands: { mesotrione: 'yes', siduron: 'yes' }, testDays: [10, 28] },
  'tall-fescue': { ...COOL, name: 'tall fescue, turf type', short: 'tall fescue', spread: 'bunch', sown: [[35, 50], [20, 30], [5, 14], 450, 10], thermal: [125, 4], soilGood: [15, 25], sun: [4, 5], bears: ['high', 'high', 'mid', 'high', 'mid', 'mid', 'low'], cut: [50, 100], nitrogen: [10, 15], depth: 6, weeksToUse: [8, 10], leaf: 4.5, colour: 'dark', ph: [5.5, 7.5], share: [80, 95], goesWith: ['kentucky-bluegrass', 'perennial-ryegrass'], stands: { mesotrione: 'yes', siduron: 'yes' }, testDays: [7, 14] },
  'creeping-red-fescue': { ...fescue, name: 'strong creeping red fescue', short: 'red fescue', spread: 'rhizome', sown: [[20, 25], [10, 15], [7, 21], 1000, 8], thermal: [165, 3], sun: [3, 4], bears: ['low-mid', 'mid', 'high', 'low-mid', 'low-mid', 'mid', 'mid'], cut: [20, 75], nitrogen: [5, 10], weeksToUse: [8, 12], leaf: 1.4, colour: 'mid', creeps: 2 },
  'chewings-fescue': { ...fescue, name: 'Chewings fescue', short: 'Chewings', spread: 'bunch', sown: [[20, 25], [10, 15], [7, 21], 1200, 8], thermal: [165, 3], sun: [3, 4], bears: ['low-mid', 'mid', 'high', 'low-mid', 'low', 'low-mid', 'high'], cut: [10, 65], nitrogen: [5, 10], weeksToUse: [8, 12], leaf: 1, colour: 'mid' },
  'hard-fescue': { ...fescue, name: 'hard fescue', short: 'hard fescue', spread: 'bunch', sown: [[20, 25], [10, 15], [7, 21], 1250, 8], thermal: [165, 3], sun: [3, 4], bears: ['low', 'high', 'high', 'mid', 'low', 'low-mid', 'mid'], cut: [25, 100], nitrogen: [3, 10], weeksToUse: [10, 14], leaf: 1, colour: 'mid' },
  browntop: { ...bent, name: 'browntop (colonial bent)', short: 'browntop', spread: 'short rhizome', sown: [[5, 8], [3, 5], [7, 14], 15_000, 10], thermal: [130, 5], sun: [4, 6], bears: ['low', 'low', 'mid', 'low-mid', 'mid', 'low', 'high'], cut: [5, 25], nitrogen: [8, 15], weeksToUse: [10, 14], leaf: 1.2, colour: 'mid', creeps: 1, goesWith: ['chewings-fescue', 'creeping-red-fescue'], testDays: [7, 28] },
  'creeping-bent': { ...bent, name: 'creeping bent', short: 'creeping bent', spread: 'stolon', sown: [[3, 7], [2, 4], [7, 14], 14_000, 10], thermal: [130, 5], sun: [6, 7], bears: ['low-mid', 'low', 'high', 'mid', 'high', 'high', 'high'], cut: [3, 13], nitrogen: [10, 25], weeksToUse: [10, 16], leaf: 1.2, colour: 'mid', creeps: 4, goesWith: [], testDays: [7, 28] },
  'rough-bluegrass': { ...COOL, name: 'rough bluegrass (rough meadow-grass)', short: 'rough bluegrass', spread: 'weak stolon', sown: [[7, 15], [5, 8], [7, 21], 5000, 8], thermal: [150, 4], soilGood: [12, 22], sun: [3, 4], bears: ['low', 'low', 'high', 'low', 'high', 'low', 'mid'], cut: [15, 75], nitrogen: [8, 15], depth: 3, weeksToUse: [10, 14], leaf: 2.2, colour: 'light', ph: [5.8, 7.5], creeps: 2, share: [10, 30], goesWith: ['creeping-red-fescue', 'chewings-fescue'], stands: { mesotrione: 'no', siduron: 'limited' }, onlyFor: 'wet shade' },
  alkaligrass: { ...COOL, name: 'alkaligrass', short: 'alkaligrass', spread: 'bunch', sown: [[10, 15], [6, 10], [7, 21], 4500, 10], thermal: [170, 5], sun: [6, 7], bears: ['low', 'mid', 'high', 'mid', 'high', 'high', 'low'], cut: [30, 90], nitrogen: [5, 10], depth: 3, weeksToUse: [10, 14], leaf: 1.6, colour: 'light', ph: [6.5, 9.5], share: [20, 80], goesWith: ['creeping-red-fescue', 'tall-fescue'], stands: { mesotrione: 'limited', siduron: 'limited' }, testDays: [7, 28], onlyFor: 'salt' },
  'native-cover': { ...COOL, name: 'native grasses, a mix of the region', short: 'native mix', spread: 'bunch', sown: [[8, 15], [5, 10], [14, 45], 700, 10], thermal: [260, 6], soilGood: [12, 28], sun: [5, 6], bears: ['low', 'high', 'high', 'high', 'mid', 'mid', 'low'], cut: [90, 250], nitrogen: [0, 3], depth: 5, weeksToUse: [26, 104], leaf: 2.5, colour: 'light', winter: 'brown', ph: [5, 8], goesWith: [], stands: { mesotrione: 'no', siduron: 'no' }, testDays: [7, 28] },
  'annual-ryegrass': { ...rye, name: 'annual ryegrass (nurse, cover)', short: 'annual rye', spread: 'bunch, dies', sown: [[25, 50], [15, 40], [3, 8], 450, 5], thermal: [75, 2], soilGood: [10, 25], sun: [4, 5], bears: ['mid', 'low', 'low-mid', 'low', 'mid', 'mid', 'low'], cut: [30, 65], nitrogen: null, weeksToUse: [4, 6], leaf: 3.5, colour: 'light', goesWith: [], passing: true, testDays: [5, 14] },
  bermudagrass: { ...WARM, name: 'bermudagrass, hulled (Cynodon)', short: 'bermuda', spread: 'stolon + rhizome', sown: [[5, 10], [3, 5], [7, 21], 4200, 18], thermal: [170, 12], sun: [7, 8], bears: ['high', 'high', 'low-mid', 'high', 'mid', 'high', 'high'], cut: [10, 50], nitrogen: [15, 25], depth: 3, weeksToUse: [8, 12], leaf: 2, colour: 'mid', ph: [5.5, 7.5], creeps: 20 },
  zoysia: { ...WARM, name: 'zoysia', short: 'zoysia', spread: 'stolon + rhizome', sown: [[8, 15], [5, 8], [14, 28], 3000, 20], thermal: [220, 14], sun: [4, 6], bears: ['high', 'high', 'mid', 'high', 'low-mid', 'high', 'high'], cut: [12, 50], nitrogen: [5, 15], depth: 3, weeksToUse: [16, 104], leaf: 3, colour: 'mid', ph: [5.5, 7.5], creeps: 4, stands: { mesotrione: 'no', siduron: 'yes' }, testDays: [10, 28] },
  kikuyu: { ...WARM, name: 'kikuyu', short: 'kikuyu', spread: 'stolon + rhizome', sown: [[2, 5], [1, 3], [7, 21], 400, 18], thermal: [170, 12], soilGood: [21, 32], sun: [6, 7], bears: ['high', 'high', 'low', 'high', 'mid', 'mid', 'high'], cut: [20, 50], nitrogen: [10, 20], depth: 6, weeksToUse: [8, 12], leaf: 4.5, colour: 'light', ph: [5.5, 8], creeps: 20, onlyFor: 'no frost' },
  buffalograss: { ...WARM, name: 'buffalograss, burs', short: 'buffalograss', spread: 'stolon', sown: [[10, 20], [5, 10], [14, 28], 110, 16], thermal: [220, 11], soilGood: [21, 32], sun: [7, 8], bears: ['low', 'high', 'high', 'high', 'low', 'mid', 'low'], cut: [50, 100], nitrogen: [2, 7], depth: 6, weeksToUse: [12, 20], leaf: 2, colour: 'light', ph: [6, 8.5], creeps: 9, stands: { mesotrione: 'limited', siduron: 'limited' }, testDays: [7, 28] },
  centipedegrass: { ...WARM, name: 'centipedegrass', short: 'centipede', spread: 'stolon', sown: [[1, 2.5], [1, 2], [14, 28], 900, 20], thermal: [220, 14], soilGood: [21, 32], sun: [5, 6], bears: ['low', 'mid', 'low-mid', 'high', 'low-mid', 'low', 'mid'], cut: [25, 50], nitrogen: [2, 7], depth: 3, weeksToUse: [16, 52], leaf: 4, colour: 'light', ph: [5, 6], creeps: 5, stands: { mesotrione: 'yes', siduron: 'limited' }, testDays: [10, 21] },
  bahiagrass: { ...WARM, name: 'bahiagrass', short: 'bahia', spread: 'short rhizome', sown: [[25, 50], [20, 30], [14, 28], 370, 18], thermal: [220, 13], soilGood: [21, 32], sun: [6, 7], bears: ['mid', 'high', 'low-mid', 'high', 'mid', 'low-mid', 'low'], cut: [50, 100], nitrogen: [5, 15], depth: 6, weeksToUse: [12, 20], leaf: 6, colour: 'light', ph: [5, 6.5], creeps: 1, testDays: [7, 28] },
  'seashore-paspalum': { ...WARM, name: 'seashore paspalum', short: 'paspalum', spread: 'stolon + rhizome', sown: [[3, 5], [2, 3], [7, 21], 1000, 20], thermal: [200, 13], sun: [6, 8], bears: ['high', 'mid', 'low', 'high', 'high', 'high', 'high'], cut: [6, 50], nitrogen: [10, 20], depth: 3, weeksToUse: [10, 16], leaf: 3, colour: 'dark', ph: [5, 8.5], creeps: 12, testDays: [7, 28] },
  carpetgrass: { ...WARM, name: 'carpetgrass', short: 'carpetgrass', spread: 'stolon', sown: [[10, 20], [5, 10], [14, 21], 2500, 18], thermal: [200, 13], soilGood: [21, 32], sun: [5, 6], bears: ['low', 'low', 'low', 'mid', 'high', 'low', 'low'], cut: [25, 50], nitrogen: [2, 8], depth: 3, weeksToUse: [12, 20], leaf: 6, colour: 'light', ph: [4.5, 6], creeps: 8, testDays: [10, 21] },
  'st-augustine': { ...WARM, name: 'St Augustinegrass (Stenotaphrum)', short: 'St Augustine', spread: 'stolon only', sown: null, thermal: null, soilGood: [21, 32], sun: [4, 6], bears: ['low-mid', 'mid', 'low', 'high', 'mid', 'high', 'high'], cut: [50, 100], nitrogen: [10, 20], depth: 0, weeksToUse: [8, 16], leaf: 7, colour: 'mid', ph: [5.5, 8], creeps: 9 },
} // prettier-ignore

function grass(id: GrassId, { sown, thermal, bears, sun, ...written }: Written): Grass {
  const [wear, drought, cold, heat, wet, salt, thatch] = bears
  return {
    season: 'cool',
    of: null,
    soilGood: [12, 25],
    ph: [5.5, 7.5],
    creeps: 0,
    cut: [25, 75],
    cutFails: ['it thins out', 'it lies over'],
    leaf: 2.5,
    colour: 'mid',
    winter: 'green',
    nitrogen: null,
    depth: 5,
    weeksToUse: [8, 12],
    fine: false,
    share: [10, 100],
    mostPlants: 100,
    goesWith: [],
    onlyFor: null,
    stands: { mesotrione: 'no', siduron: 'no' },
    testDays: [7, 21],
    passing: false,
    matchesHybrid: false,
    ...written,
    id,
    newRate: sown?.[0] ?? null,
    overseedRate: sown?.[1] ?? null,
    days: sown?.[2] ?? null,
    seedsPerGram: sown?.[3] ?? null,
    soilMin: sown?.[4] ?? null,
    sunLeast: sun[0],
    sunGood: sun[1],
    wear,
    drought,
    cold,
    heat,
    wet,
    salt,
    thatch,
    thermal: thermal && { theta: thermal[0], base: thermal[1] },
    spreads: /stolon|rhizome/.test(written.spread),
    stolonOnly: /^(weak )?stolon( only)?$/.test(written.spread) && written.season === 'warm',
  }
}

/** The grasses Juvena knows. */
export const GRASSES: GrassTable = Object.fromEntries(Object.entries(TABLE).map(([id, written]) => [id, grass(id, written)]))
export const GRASS_IDS: readonly GrassId[] = Object.keys(GRASSES)

export const middle = ([low, high]: Range): number => (low + high) / 2
/** The kind a grass belongs to: its own, or the one it is a cultivar group of. */
export const kindOf = (grass: Grass): GrassId => grass.of ?? grass.id
