/** Closed lists of choices. Labels are trade words; twins of a word are chosen at the edge (words.ts). */

export const APPROACHES = ['leave', 'mend', 'overseed', 'overseed-level', 'renovate', 'sow-new', 'hold-over'] as const
export type ApproachId = (typeof APPROACHES)[number]
export const APPROACH_NAMES: Record<ApproachId, string> = {
  leave: 'leave and feed',
  mend: 'mend spots',
  overseed: 'overseed',
  'overseed-level': 'overseed and level',
  renovate: 'renovate: kill off, clear, sow',
  'sow-new': 'sow as new ground',
  'hold-over': 'hold over with a quick cover',
}

export const AIMS = ['thicker', 'weed-free', 'level', 'even-colour', 'mend-patch', 'low-upkeep', 'hard-wear', 'no-chemicals'] as const
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

export const MOWERS = ['reel', 'rotary', 'robot'] as const
export const MOWER_NAMES: Record<(typeof MOWERS)[number], string> = { reel: 'reel (cylinder)', rotary: 'rotary', robot: 'robot' }

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
/** Intake of bare flat ground, mm/h. Irrigation handbooks, from memory. */
export const INTAKE: Record<TextureId, number> = { sand: 25, 'sandy-loam': 20, loam: 12, 'clay-loam': 6, clay: 3 }

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
  'insecticide',
  'seeded',
  'scarified',
  'cored',
  'dressed',
] as const
export type TreatmentId = (typeof TREATMENTS)[number]
/** What a treatment is called, and the days it keeps seed out when the label's figure is not given (the longest of the usual range). Common practice. */
export const TREATMENT_KINDS: Record<TreatmentId, { name: string; wait: number; herbicide: boolean }> = {
  broadleaf: { name: 'broad-leaved weedkiller', wait: 28, herbicide: true },
  'feed-and-weed': { name: 'combined feed and weedkiller', wait: 28, herbicide: true },
  'non-selective': { name: 'non-selective weedkiller, no residue', wait: 7, herbicide: true },
  'long-residue': { name: 'non-selective weedkiller, long residue', wait: 365, herbicide: true },
  'pre-emergence': { name: 'pre-emergence weedkiller', wait: 120, herbicide: true },
  'feed-and-prevent': { name: 'combined feed and pre-emergence', wait: 120, herbicide: true },
  'unknown-herbicide': { name: 'weedkiller, product unknown', wait: 365, herbicide: true },
  feed: { name: 'feed', wait: 0, herbicide: false },
  lime: { name: 'lime', wait: 0, herbicide: false },
  insecticide: { name: 'insecticide', wait: 0, herbicide: false },
  seeded: { name: 'seeded', wait: 0, herbicide: false },
  scarified: { name: 'scarified', wait: 0, herbicide: false },
  cored: { name: 'cored', wait: 0, herbicide: false },
  dressed: { name: 'dressed', wait: 0, herbicide: false },
}

export const DRESSINGS = ['topsoil', 'sand', 'compost'] as const
export type DressingId = (typeof DRESSINGS)[number]
/** Loose density, t/m³, middle of the usual range. Common practice. */
export const DRESSING_KINDS: Record<DressingId, { name: string; density: number }> = {
  topsoil: { name: 'screened topsoil, like that below', density: 1.2 },
  sand: { name: 'sand or sandy mix', density: 1.4 },
  compost: { name: 'fine compost', density: 0.6 },
}

export const COVERS = ['none', 'peat-free', 'compost', 'blanket'] as const
export type CoverId = (typeof COVERS)[number]
/** Depth laid over seed, mm; nothing for a blanket. Common practice: 3 to 6 mm. */
export const COVER_KINDS: Record<CoverId, { name: string; depth: number }> = {
  none: { name: 'no cover', depth: 0 },
  'peat-free': { name: 'coir', depth: 3 },
  compost: { name: 'fine compost', depth: 3 },
  blanket: { name: 'pinned blanket', depth: 0 },
}
