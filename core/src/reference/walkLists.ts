/**
 * What may be seen on a walk, and what each thing says. Common practice throughout. Cures are named
 * by kind only: the label and licensed practice decide.
 */

import type { Schools } from './schools.ts'

export interface Seen {
  name: string
  says: string
}

/**
 * A weed: what cures it, as the name of an active ingredient or the time for it, and what is kept
 * in mind for next year.
 */
export interface SeenWeed extends Seen {
  active: string
  nextYear?: string
  /** The same where nothing is sprayed. */
  unsprayed?: { says?: string; nextYear?: string }
}

const PHENOXY = 'a phenoxy mix'
const NO_CURE = 'nothing selective'
const AUTUMN_BARRIER = 'an autumn pre-emergence, where nothing is sown'

export const WEEDS = {
  plantain: { name: 'plantain', says: 'Compaction speaks: treat the soil first.', active: PHENOXY },
  knotweed: {
    name: 'knotweed, prostrate',
    says: 'Compaction speaks. Early summer is its month.',
    active: PHENOXY,
    nextYear: 'Treat it in early summer, while it is small; open the packed ground before.',
  },
  'annual-meadow-grass': {
    name: 'annual meadow-grass (Poa annua)',
    says: 'Compacted, wet or shaded ground. Clip and bag heads; still scarify, clear with suction, and let density smother it.',
    active: AUTUMN_BARRIER,
    nextYear:
      'Its seed comes up from late summer: a pre-emergence then, on ground that is not to be sown.',
    unsprayed: {
      nextYear:
        'Its seed comes up from late summer: a dense sward by then, and heads clipped in spring.',
    },
  },
  clover: {
    name: 'clover',
    says: 'Too little nitrogen.',
    active: 'clopyralid, dicamba or quinclorac',
  },
  dandelion: {
    name: 'dandelion',
    says: 'Thin sward. Digging takes the whole root and spreads no seed.',
    active: PHENOXY,
  },
  daisy: {
    name: 'daisy',
    says: 'Thin, closely cut ground; raise the cut and feed.',
    active: PHENOXY,
  },
  buttercup: {
    name: 'creeping buttercup',
    says: 'Wet, heavy ground: look at the drainage.',
    active: PHENOXY,
  },
  'self-heal': {
    name: 'self-heal',
    says: 'Moist, closely cut ground; needs the right active, small and growing.',
    active: PHENOXY,
    unsprayed: { says: 'Moist, closely cut ground: raise the cut, feed, and fork it out.' },
  },
  chickweed: {
    name: 'chickweed',
    says: 'Open, fed, moist ground, often a new seedbed; mowing ends most of it.',
    active: AUTUMN_BARRIER,
  },
  speedwell: {
    name: 'speedwell',
    says: 'Hard to control once spread; collect clippings.',
    active: AUTUMN_BARRIER,
  },
  ivy: {
    name: 'ground ivy',
    says: 'Shade and moisture: open the canopy before spraying.',
    active: PHENOXY,
    unsprayed: { says: 'Shade and moisture: open the canopy, and rake its runners out.' },
  },
  'rough-meadow-grass': {
    name: 'rough meadow-grass',
    says: 'A perennial grassy weed: no selective cure. Count it under incurable.',
    active: NO_CURE,
  },
  'yorkshire-fog': {
    name: 'Yorkshire fog',
    says: 'A perennial grassy weed: cut out the clumps, or count it under incurable.',
    active: NO_CURE,
  },
  couch: {
    name: 'couch (quackgrass)',
    says: 'A perennial grassy weed with runners: no selective cure. Count it under incurable.',
    active: NO_CURE,
  },
  crabgrass: {
    name: 'crabgrass (summer grass)',
    says: 'An annual of thin, hot, open swards. Density, or a pre-emergence where nothing is sown.',
    active: 'quinclorac, once it is up',
    nextYear: 'A pre-emergence in spring before the soil warms, on ground that is not to be sown.',
    unsprayed: {
      says: 'An annual of thin, hot, open swards. Density, a higher cut, and pulling before it seeds.',
      nextYear:
        'A dense, higher sward by the time the soil warms; pull what comes before it seeds.',
    },
  },
  sedge: {
    name: 'nutsedge',
    says: 'Wet ground; not a grass, and grass killers miss it.',
    active: 'one labelled for sedges',
    unsprayed: { says: 'Wet ground: mend the drainage, and dig it out with its nuts.' },
  },
  oxalis: {
    name: 'creeping oxalis',
    says: 'Thin, dry, closely cut ground; it seeds all summer and creeps. Rake its runners up before mowing, and collect.',
    active: 'fluroxypyr or triclopyr, more than once',
    unsprayed: {
      says: 'Thin, dry, closely cut ground: raise the cut, thicken the sward, rake runners up and collect.',
    },
  },
  cudweed: {
    name: 'cudweed',
    says: 'Poor, dry, thin ground: feed and thicken it.',
    active: PHENOXY,
  },
  burr: {
    name: 'burr weeds (bindii, burr clover)',
    says: 'Its burrs hurt feet: cure it in winter, while it is small and before it sets them.',
    active: PHENOXY,
    nextYear: 'Treat it in winter, before its burrs set; thicken the sward in autumn.',
    unsprayed: {
      says: 'Its burrs hurt feet: fork it out in winter, before it sets them.',
      nextYear: 'Fork it out in winter, before its burrs set; thicken the sward in autumn.',
    },
  },
  goosegrass: {
    name: 'goosegrass',
    says: 'An annual of worn and packed ground: open the soil, ease the wear. Density, or a pre-emergence where nothing is sown.',
    active: 'one labelled for it, while it is small',
    nextYear:
      'A pre-emergence in spring, some weeks after that for crabgrass, on ground that is not to be sown.',
    unsprayed: {
      says: 'An annual of worn and packed ground: open the soil, ease the wear, and pull it before it seeds.',
      nextYear: 'Open the packed ground in spring, and thicken it before the soil warms.',
    },
  },
} as const satisfies Record<string, SeenWeed>
export type WeedId = keyof typeof WEEDS
/** A weed as it is told: to a customer who wants no chemicals, without them. */
export function weedFor(id: WeedId, { weeds }: Pick<Schools, 'weeds'>): SeenWeed {
  const weed: SeenWeed = WEEDS[id]
  return weeds === 'no-chemicals' ? { ...weed, ...weed.unsprayed } : weed
}
/** Weeds that come up in autumn and stand the winter. */
export const WINTER_ANNUALS: readonly WeedId[] = ['annual-meadow-grass', 'chickweed', 'speedwell']
export const WEED_IDS = Object.keys(WEEDS) as [WeedId, ...WeedId[]]

export const PESTS = {
  larvae: {
    name: 'larvae: chewed patches, dusk moths',
    says: 'Treat about two weeks after the flight peaks, and again while moths fly; the label decides.',
  },
  grubs: {
    name: 'grubs: turf lifts like a carpet',
    says: 'Look under a square; birds and badgers dig for them.',
  },
  suckers: {
    name: 'sap-suckers: spreading from hot dry edges',
    says: 'Patches that spread from hot, dry edges.',
  },
  cutworms: { name: 'cutworms', says: 'In late summer they feed round core holes.' },
  ants: { name: 'ants', says: 'Brush the mounds dry; they smother seedlings.' },
  diggers: {
    name: 'birds or animals digging',
    says: 'They are after something: look for grubs first.',
  },
  worms: {
    name: 'worm casts, smeared',
    says: 'A skin that seedlings cannot break: let dry and brush, spike, keep off when wet.',
  },
} as const satisfies Record<string, Seen>
export type PestId = keyof typeof PESTS
export const PEST_IDS = Object.keys(PESTS) as [PestId, ...PestId[]]

export const DISEASES = {
  'brown-patch': {
    name: 'brown patches',
    says: 'Worse where unfed: thin it out, cut, feed, air. Fungicide is for licensed hands.',
  },
  'red-thread': { name: 'red threads on the leaf', says: 'Hunger, as a rule: feed in season.' },
  rust: { name: 'rust on the leaf', says: 'Slow growth: feed, water, mow and collect.' },
  'snow-mould': { name: 'snow mould', says: 'Rake and dry it; no soft nitrogen late.' },
  rings: {
    name: 'rings of dark grass or toadstools',
    says: 'Often water-repellent beneath: spike, wet, wait.',
  },
  'dog-rings': {
    name: 'scorched rings with green rims',
    says: 'Dog urine: flush, change the top soil, reseed; one trained corner is the cure.',
  },
  unknown: {
    name: 'something else',
    says: 'Photograph the edge of it, and compare the fed with the unfed side.',
  },
} as const satisfies Record<string, Seen>
export type DiseaseId = keyof typeof DISEASES
export const DISEASE_IDS = Object.keys(DISEASES) as [DiseaseId, ...DiseaseId[]]

/** Signs of packed soil, where no push test was made or soil was dry. */
export const PACKED_SIGNS = {
  wheels: { name: 'wheel marks', says: 'Wheels have pressed the ground.' },
  returns: {
    name: 'weeds or pests that come back',
    says: 'Trouble that persists under a good programme.',
  },
  'never-fills': { name: 'bare spots that never fill', says: 'Roots do not get in.' },
} as const satisfies Record<string, Seen>
export type PackedSign = keyof typeof PACKED_SIGNS
export const PACKED_SIGN_IDS = Object.keys(PACKED_SIGNS) as [PackedSign, ...PackedSign[]]

export const SURFACES = ['true', 'uneven', 'rutted'] as const
export const SURFACE_NAMES: Record<(typeof SURFACES)[number], string> = {
  true: 'true',
  uneven: 'uneven: a rolled ball hops',
  rutted: 'humps, dips or ruts',
}

export const DAMPS = ['moist', 'dry', 'wet'] as const
export const DAMP_NAMES: Record<(typeof DAMPS)[number], string> = {
  moist: 'moist',
  dry: 'dust-dry after rain',
  wet: 'sodden',
}

export const EDGE_STATES = ['straight', 'bulged', 'bare'] as const
export const EDGE_NAMES: Record<(typeof EDGE_STATES)[number], string> = {
  straight: 'straight',
  bulged: 'bulged by soil',
  bare: 'bare where plants hung over',
}

export const LITTERS = ['none', 'leaf', 'needles'] as const
export const LITTER_NAMES: Record<(typeof LITTERS)[number], string> = {
  none: 'none',
  leaf: 'leaf',
  needles: 'needles',
}

export const BROWNED = ['no', 'dormant', 'dead', 'unsure'] as const
export const BROWNED_NAMES: Record<(typeof BROWNED)[number], string> = {
  no: 'green',
  dormant: 'dormant',
  dead: 'dead',
  unsure: 'brown, unsure',
}

export const LAB_LEVELS = ['low', 'adequate', 'high'] as const

/**
 * Feel test: answers in order lead to a soil class. After the flow diagram of Thien 1979, from
 * memory, with its twelve classes drawn together into five.
 */
export const FEEL = {
  ball: {
    asks: 'Wet a handful and squeeze. Does it stay a ball?',
    answers: { no: 'falls apart', yes: 'stays a ball' },
  },
  ribbon: {
    asks: 'Press it out between thumb and finger. How long a ribbon before it breaks?',
    answers: { none: 'none', short: 'under 25 mm', mid: '25 to 50 mm', long: 'over 50 mm' },
  },
  grit: {
    asks: 'Rub a wet pinch in the palm. Is it gritty?',
    answers: { gritty: 'gritty', smooth: 'smooth or neither' },
  },
} as const
export type FeelAnswers = {
  ball?: 'no' | 'yes' | null
  ribbon?: 'none' | 'short' | 'mid' | 'long' | null
  grit?: 'gritty' | 'smooth' | null
}

/** The next question still to be answered, or null when the class is known. */
export function nextFeel(a: FeelAnswers): keyof typeof FEEL | null {
  if (!a.ball) return 'ball'
  if (a.ball === 'no') return null
  if (!a.ribbon) return 'ribbon'
  return a.ribbon === 'short' && !a.grit ? 'grit' : null
}

export function classByFeel(
  a: FeelAnswers,
): 'sand' | 'sandy-loam' | 'loam' | 'clay-loam' | 'clay' | null {
  if (nextFeel(a)) return null
  if (a.ball === 'no' || a.ribbon === 'none') return 'sand'
  if (a.ribbon === 'short') return a.grit === 'gritty' ? 'sandy-loam' : 'loam'
  return a.ribbon === 'mid' ? 'clay-loam' : 'clay'
}

/** Points of the compass, degrees from north through east. */
export const COMPASS = [
  [0, 'north'],
  [45, 'north-east'],
  [90, 'east'],
  [135, 'south-east'],
  [180, 'south'],
  [225, 'south-west'],
  [270, 'west'],
  [315, 'north-west'],
] as const
