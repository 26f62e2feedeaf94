/**
 * Closed lists of choices. Labels are trade words; twins of a word are chosen at the edge
 * (words.ts).
 */

/** What is sown, and where. */
export const SOWINGS = [
  'none',
  'spots',
  'thin',
  'over',
  'new',
  'cover-then-sow',
  'blend',
  'winter-green',
  'plugs',
  'turf',
] as const
export type Sowing = (typeof SOWINGS)[number]
export const SOWING_NAMES: Record<Sowing, string> = {
  none: 'nothing sown',
  spots: 'bare spots',
  thin: 'thin places',
  over: 'the whole zone, over what is there',
  new: 'the whole zone, as new',
  'cover-then-sow': 'a quick cover now, the proper grass in its season',
  blend: 'cool grass into living warm turf',
  'winter-green': 'cool grass over dormant warm turf',
  plugs: 'plugs or runners of the turf there',
  turf: 'turf laid',
}

/** Ready-made ways: names contractors use for what is sown and what is done besides. */
export const APPROACHES = [
  'leave',
  'care',
  'level',
  'mend',
  'overseed',
  'overseed-level',
  'renovate',
  'sow-new',
  'hold-over',
  'plugs',
  'returf',
  'blend',
  'winter-green',
] as const
export type ApproachId = (typeof APPROACHES)[number]
export const APPROACH_NAMES: Record<ApproachId, string> = {
  leave: 'leave and feed',
  care: 'work without seed',
  level: 'level, no seed',
  mend: 'mend spots',
  overseed: 'overseed',
  'overseed-level': 'overseed and level',
  renovate: 'renovate: kill off, clear, sow',
  'sow-new': 'sow as new ground',
  'hold-over': 'hold over with a quick cover, sow later',
  plugs: 'plugs or runners',
  returf: 'returf',
  blend: 'deliberate blend',
  'winter-green': 'winter green over dormant turf',
}

export const AIMS = [
  'thicker',
  'weed-free',
  'level',
  'even-colour',
  'mend-patch',
  'low-upkeep',
  'hard-wear',
  'no-chemicals',
] as const
export type AimId = (typeof AIMS)[number]
export const AIM_NAMES: Record<AimId, string> = {
  thicker: 'thicker',
  'weed-free': 'free of weeds',
  level: 'level enough to mow short',
  'even-colour': 'even colour',
  'mend-patch': 'one patch mended',
  'low-upkeep': 'little upkeep',
  'hard-wear': 'stands hard wear',
  'no-chemicals': 'no chemicals',
}

/** Who uses the lawn, beside those who look at it. */
export const USERS = ['children', 'pets', 'public'] as const
export type UserId = (typeof USERS)[number]
export const USER_NAMES: Record<UserId, string> = {
  children: 'children',
  pets: 'pets',
  public: 'the public',
}

/** How sure it is that the watering is done. */
export const WATERINGS = ['sure', 'unsure', 'nobody'] as const
export const WATERING_NAMES: Record<(typeof WATERINGS)[number], string> = {
  sure: 'sure, every day',
  unsure: 'not sure',
  nobody: 'nobody waters',
}

export const MOWERS = ['reel', 'rotary', 'robot'] as const
export const MOWER_NAMES: Record<(typeof MOWERS)[number], string> = {
  reel: 'reel (cylinder)',
  rotary: 'rotary',
  robot: 'robot',
}

export const PENETRATIONS = ['easy', 'effort', 'stops'] as const
export const PENETRATION_NAMES: Record<(typeof PENETRATIONS)[number], string> = {
  easy: 'in easily',
  effort: 'with effort',
  stops: 'will not go in',
}

export const TEXTURES = ['sand', 'sandy-loam', 'loam', 'clay-loam', 'clay'] as const
export type TextureId = (typeof TEXTURES)[number]
export const TEXTURE_NAMES: Record<TextureId, string> = {
  sand: 'sand',
  'sandy-loam': 'sandy loam',
  loam: 'loam',
  'clay-loam': 'clay loam',
  clay: 'clay',
}
export const WEARS = ['low', 'mid', 'high'] as const
export const WEAR_NAMES: Record<(typeof WEARS)[number], string> = {
  low: 'light: looked at',
  mid: 'family and garden',
  high: 'hard: games, dogs, crowds',
}

export const TREATMENTS = [
  'broadleaf',
  'feed-and-weed',
  'non-selective',
  'long-residue',
  'pre-emergence',
  'feed-and-prevent',
  'unknown-herbicide',
  'feed',
  'lime',
  'amendment',
  'insecticide',
  'seeded',
  'scarified',
  'cored',
  'dressed',
] as const
export type TreatmentId = (typeof TREATMENTS)[number]
/** What a treatment is called, and whether a weedkiller is in it. */
export const TREATMENT_KINDS: Record<TreatmentId, { name: string; herbicide: boolean }> = {
  broadleaf: { name: 'broad-leaved weedkiller', herbicide: true },
  'feed-and-weed': { name: 'combined feed and weedkiller', herbicide: true },
  'non-selective': { name: 'non-selective weedkiller, no residue', herbicide: true },
  'long-residue': { name: 'non-selective weedkiller, long residue', herbicide: true },
  'pre-emergence': { name: 'pre-emergence weedkiller', herbicide: true },
  'feed-and-prevent': { name: 'combined feed and pre-emergence', herbicide: true },
  'unknown-herbicide': { name: 'weedkiller, product unknown', herbicide: true },
  feed: { name: 'feed', herbicide: false },
  lime: { name: 'lime', herbicide: false },
  amendment: { name: 'amendment or tonic', herbicide: false },
  insecticide: { name: 'insecticide', herbicide: false },
  seeded: { name: 'seeded', herbicide: false },
  scarified: { name: 'scarified', herbicide: false },
  cored: { name: 'cored', herbicide: false },
  dressed: { name: 'dressed', herbicide: false },
}

export const DRESSINGS = ['topsoil', 'sand', 'compost'] as const
export type DressingId = (typeof DRESSINGS)[number]
export const DRESSING_NAMES: Record<DressingId, string> = {
  topsoil: 'screened topsoil, like that below',
  sand: 'sand or sandy mix',
  compost: 'fine compost',
}

export const COVERS = ['none', 'peat-free', 'compost', 'blanket', 'sheet'] as const
export type CoverId = (typeof COVERS)[number]
export const COVER_NAMES: Record<CoverId, string> = {
  none: 'no cover',
  'peat-free': 'coir',
  compost: 'fine compost',
  blanket: 'pinned blanket',
  sheet: 'germination sheet',
}
