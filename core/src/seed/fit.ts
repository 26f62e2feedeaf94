import type { Day } from '../calendar/day.ts'
import type { PlaceYear } from '../climate/placeYear.ts'
import { isWatered, type Job } from '../entities/job.ts'
import { slopeLines, thatchLines } from '../findings/lines.ts'
import { kindOf, type Grass, type Level } from '../reference/grasses.ts'
import { WEAR_NAMES, type Sowing } from '../reference/lists.ts'
import type { Schools } from '../reference/schools.ts'
import { lightLines } from '../reference/siteValues.ts'
import { num } from '../trace/figure.ts'
import { onDay, quantity, say, type Message } from '../rules/message.ts'
import { tradeValues, value } from '../rules/rule.ts'
import type { Trace } from '../trace/trace.ts'
import type { ZoneReadings } from '../walkover/zoneReadings.ts'

/**
 * How far each part of the fit counts, and where it bends. Juvena's model throughout, but for the
 * lines it takes from the trade.
 */
export const fitValues = tradeValues('fit', {
  light: value(3, '1', 'model', 'Light counts', [0, 10]),
  match: value(3, '1', 'model', 'Match with what is there counts', [0, 10]),
  wear: value(2.5, '1', 'model', 'Wear counts', [0, 10]),
  cut: value(2, '1', 'model', 'Height of cut counts', [0, 10]),
  water: value(2, '1', 'model', 'Water to be had counts', [0, 10]),
  heat: value(2, '1', 'model', 'Heat of the usual summer counts', [0, 10]),
  cold: value(2.5, '1', 'model', 'Cold of the usual winter counts', [0, 10]),
  soil: value(1, '1', 'model', 'Soil reaction counts', [0, 10]),
  wet: value(2.5, '1', 'model', 'Wet ground counts', [0, 10]),
  salt: value(6, '1', 'model', 'Salt counts', [0, 10]),
  mending: value(1, '1', 'model', 'Mending by itself counts', [0, 10]),
  thatch: value(1, '1', 'model', 'Building thatch counts', [0, 10]),
  aims: value(3, '1', 'model', 'What the customer wants counts', [0, 10]),
  speed: value(1.5, '1', 'model', 'How soon it bears use counts', [0, 10]),
  justEnough: value(60, '%', 'model', 'Just enough sun is worth', [0, 100]),
  cutDies: value(
    70,
    '%',
    'model',
    'Cut below this share of its lowest, a grass dies out',
    [30, 95],
  ),
  shortGrass: value(25, 'mm', 'practice', 'A grass of greens is for cuts up to', [10, 40]),
  cutTooHigh: value(
    1.2,
    '1',
    'model',
    'and above this many times its own highest it is no lawn',
    [1, 5],
  ),
  renewedSun: value(
    2,
    'h',
    'practice',
    'One school sows shade ryegrass down to this much sun and renews it yearly',
    [0.5, 4],
  ),
  hotFrom: value(
    26,
    'C',
    'model',
    'Heat begins to tell where the usual summer day reaches',
    [20, 34],
  ),
  hotTo: value(36, 'C', 'model', 'and tells in full at', [28, 45]),
  coldFrom: value(
    -2,
    'C',
    'model',
    'Cold begins to tell where the usual winter night falls to',
    [-15, 8],
  ),
  coldTo: value(-20, 'C', 'model', 'and tells in full at', [-40, -5]),
  coarse: value(1.6, '1', 'model', 'A leaf so many times as broad stands out', [1.1, 4]),
})

export const FIT_PARTS = [
  'light',
  'match',
  'wear',
  'cut',
  'water',
  'heat',
  'cold',
  'soil',
  'wet',
  'salt',
  'mending',
  'thatch',
  'aims',
  'speed',
] as const
export type FitPartId = (typeof FIT_PARTS)[number]
export const FIT_PART_NAMES: Record<FitPartId, string> = {
  light: 'light',
  match: 'match',
  wear: 'wear',
  cut: 'cut',
  water: 'water',
  heat: 'summer heat',
  cold: 'winter cold',
  soil: 'soil',
  wet: 'wet ground',
  salt: 'salt',
  mending: 'mending',
  thatch: 'thatch',
  aims: 'aims',
  speed: 'soon in use',
}

/**
 * One part of how a grass fits: 0 to 100, how far it counts, and the reading behind it in words.
 */
export interface FitPart {
  part: FitPartId
  rating: number
  weight: number
  says: Message
}

export interface Fit {
  grass: Grass
  /** 0 to 100: the parts by their weights. */
  score: number
  parts: FitPart[]
  /** Why it cannot be sown here at all; null when it can. */
  out: Message | null
  /** Too little sun for it. */
  dark: boolean
  /** Nothing keeps it out but the date. */
  late: boolean
}

/** What grasses are held against. Whatever is not read drops out for all of them alike. */
export interface FitGround {
  r: ZoneReadings
  job: Pick<Job, 'aims' | 'watering' | 'waterer'>
  schools: Schools
  season: 'cool' | 'warm'
  sowing: Sowing
  place: Pick<PlaceYear, 'low' | 'high' | 'warmest' | 'coldest'>
  sowingFrom: Day
  /** The last day a slow grass may be sown; null where it does not matter. */
  lastSowing: (grass: Grass) => Day | null
  /** Whether a grass is too slow for the season ahead while quicker ones would stand. */
  tooSlow: (grass: Grass) => boolean
  trace: Trace
}

const BEARS: Record<Level, number> = { low: 0.1, 'low-mid': 0.35, mid: 0.6, high: 1 }
const clamp = (x: number) => Math.min(1, Math.max(0, x))
/** 100 where it bears what is asked, less by each step it falls short. */
const rated = (asked: number, bears: Level) => 100 * (1 - Math.max(0, asked - BEARS[bears]))

type Numbers = { [K in keyof typeof fitValues]: number }
/**
 * Rates a grass; its words are put together only where they are shown. Null where nothing was read.
 */
type Judge = (
  grass: Grass,
  ground: FitGround,
  v: Numbers,
) => { rating: number; says: () => Message } | null

/** The least sun a grass is sown in, by the school of shade. */
export function leastSun(
  grass: Grass,
  schools: Pick<Schools, 'shade'>,
  renewedSun: number,
): number {
  return schools.shade === 'renewed' && grass.onlyFor === 'shade'
    ? Math.min(grass.sunLeast, renewedSun)
    : grass.sunLeast
}

const WEAR_ASKED = { low: 0.1, mid: 0.6, high: 1 }
/** How much drought the ground asks a grass to stand. Juvena's model. */
const DRY = { sand: 0.35, steep: 0.25, unwatered: 0.4, always: 0.2 }

const JUDGES: Record<FitPartId, Judge> = {
  light: (g, { r, schools, trace }, v) => {
    const sun = num(r.sun)
    const least = leastSun(g, schools, v.renewedSun)
    const passes =
      g.onlyFor === 'shade' && schools.shade === 'lasting' && sun < trace.value(lightLines.cool)
    if (passes)
      return {
        rating: v.justEnough / 2,
        says: () => 'it thins out in shade and wants renewing every year',
      }
    const share =
      g.sunGood > least ? clamp((sun - least) / (g.sunGood - least)) : sun >= least ? 1 : 0
    return {
      rating: v.justEnough + (100 - v.justEnough) * share,
      says: () =>
        share >= 1
          ? say`at ease with ${quantity(g.sunGood, 'h')} of sun; here it gets ${r.sun}`
          : say`lives on ${quantity(least, 'h')} of sun, at ease with ${quantity(g.sunGood, 'h')}; here it gets ${r.sun}`,
    }
  },
  match: (g, { r, sowing }, v) => {
    if (r.present.length === 0 || sowing === 'new') return null
    if (r.present.some((p) => p.id === g.id))
      return { rating: 100, says: () => 'already there, so leaf and colour match' }
    if (r.present.some((p) => kindOf(p) === kindOf(g)))
      return { rating: 60, says: () => 'of the kind that is there, in another colour and leaf' }
    const near = r.present.reduce((best, p) =>
      Math.abs(Math.log(p.leaf / g.leaf)) < Math.abs(Math.log(best.leaf / g.leaf)) ? p : best,
    )
    const wider = g.leaf / near.leaf
    const off = Math.abs(Math.log(wider)) / Math.log(v.coarse)
    const colour = near.colour === g.colour ? 0 : 0.15
    const winter = near.winter === g.winter ? 0 : 0.3
    const habit = near.spreads === g.spreads ? 0 : 0.05
    const says = () =>
      winter > 0
        ? say`another colour than ${near.short} in winter`
        : off >= 1
          ? wider > 1
            ? say`a broader leaf than ${near.short}, and it stands out for years`
            : say`a finer leaf than ${near.short}`
          : say`near ${near.short} in leaf`
    return { rating: 100 * clamp(0.85 - 0.45 * off - colour - winter - habit), says }
  },
  // Where nobody said, a lawn is taken for one that a family uses.
  wear: (g, { r }) => {
    const asked = r.zone.wear ?? 'mid'
    const rating = rated(WEAR_ASKED[asked], g.wear)
    const name = WEAR_NAMES[asked]
    return {
      rating,
      says: () => (rating >= 100 ? say`bears “${name}”` : say`it bears less wear than “${name}”`),
    }
  },
  cut: (g, { r }) => {
    const cut = num(r.cut)
    const [low, high] = g.cut
    const kept = quantity({ low, high }, 'mm')
    if (cut < low)
      return {
        rating: 100 * clamp(1 - (2 * (low - cut)) / low),
        says: () => say`kept at ${kept}; at ${r.cut} ${g.cutFails[0]}`,
      }
    if (cut > high)
      return {
        rating: 100 * clamp(1 - (cut - high) / high),
        says: () => say`kept at ${kept}; at ${r.cut} ${g.cutFails[1]}`,
      }
    return { rating: 100, says: () => say`kept at ${kept}` }
  },
  water: (g, { r, job, trace }) => {
    const steep = num(r.slope) >= trace.value(slopeLines.press)
    const dry =
      DRY.always +
      (r.zone.texture === 'sand' ? DRY.sand : 0) +
      (steep ? DRY.steep : 0) +
      (!isWatered(job) ? DRY.unwatered : 0)
    const rating = rated(Math.min(1, dry), g.drought)
    return {
      rating,
      says: () =>
        dry <= DRY.always
          ? 'watered'
          : rating >= 100
            ? 'stands as dry as it gets here'
            : joinedCauses('it stands less drought than this ground asks', [
                r.zone.texture === 'sand' && 'sand',
                steep && 'a slope',
                !isWatered(job) && 'nobody to water',
              ]),
    }
  },
  heat: (g, { place }, v) => {
    const day = Math.round(place.high[place.warmest]!)
    const asked = clamp((day - v.hotFrom) / (v.hotTo - v.hotFrom))
    if (g.season === 'warm' || asked <= 0)
      return { rating: 100, says: () => say`summer days of ${quantity(day, 'C')}` }
    const rating = rated(asked, g.heat)
    return { rating, says: () => rating >= 100 ? say`stands summer days of ${quantity(day, 'C')}` : say`suffers in usual summer days of ${quantity(day, 'C')}` } // prettier-ignore
  },
  cold: (g, { place }, v) => {
    const night = Math.round(place.low[place.coldest]!)
    const rating = rated(clamp((v.coldFrom - night) / (v.coldFrom - v.coldTo)), g.cold)
    return { rating, says: () => rating >= 100 ? say`stands winter nights of ${quantity(night, 'C')}` : say`suffers in usual winter nights of ${quantity(night, 'C')}` } // prettier-ignore
  },
  soil: (g, { r }) => {
    const { ph } = r
    if (!ph) return null
    const off = Math.max(0, g.ph[0] - num(ph), num(ph) - g.ph[1])
    return {
      rating: 100 * clamp(1 - off / 2),
      says: () =>
        off > 0
          ? say`likes pH ${g.ph[0]} to ${g.ph[1]}; here it is ${ph}`
          : say`likes pH ${g.ph[0]} to ${g.ph[1]}`,
    }
  },
  wet: (g, { r }) => {
    const wet =
      r.zone.ponding !== null && r.zone.ponding >= 1 ? 1 : r.zone.damp === 'wet' ? 0.6 : null
    if (wet === null) return null
    const rating = rated(wet, g.wet)
    return {
      rating,
      says: () => (rating >= 100 ? 'stands wet feet' : 'it does not stand ground as wet as this'),
    }
  },
  salt: (g, { r }) => {
    if (r.zone.salty !== true) return null
    const rating = Math.max(0, 100 - SALTED * (100 - rated(1, g.salt)))
    return { rating, says: () => (rating >= 100 ? 'stands salt' : 'salt burns it out') }
  },
  mending: (g) => ({
    rating: g.spreads ? 80 + 20 * clamp(g.creeps / 4) : 70,
    says: () => (g.spreads ? 'knits bare spots together' : 'stands in bunches and does not knit'),
  }),
  thatch: (g, { r, sowing, trace }) => {
    if (sowing === 'new' || !r.thatch || num(r.thatch) <= trace.value(thatchLines.fine)) return null
    return {
      rating: rated(0.9, LESS[g.thatch]),
      says: () =>
        g.thatch === 'high'
          ? 'it builds thatch, and there is enough of that'
          : 'adds little thatch',
    }
  },
  aims: (g, { job }) => {
    const asked: [number, () => Message][] = []
    if (job.aims.includes('low-upkeep')) {
      const feed = g.nitrogen ? (g.nitrogen[0] + g.nitrogen[1]) / 2 : 10
      asked.push([
        (clamp(1 - (feed - 5) / 15) + BEARS[g.drought]) / 2,
        () => say`little upkeep: it wants ${quantity(feed, 'g/m2')} of nitrogen a year`,
      ])
    }
    if (job.aims.includes('hard-wear')) asked.push([BEARS[g.wear], () => 'hard wear is wanted'])
    if (job.aims.includes('thicker'))
      asked.push([
        g.spreads || (g.days?.[0] ?? 99) <= 5 ? 1 : 0.6,
        () => 'a thicker lawn is wanted',
      ])
    if (job.aims.includes('level'))
      asked.push([g.cut[0] <= 20 ? 1 : 0.6, () => 'a short, level lawn is wanted'])
    if (asked.length === 0) return null
    const worst = asked.reduce((a, b) => (b[0] < a[0] ? b : a))
    return { rating: (100 * asked.reduce((sum, [x]) => sum + x, 0)) / asked.length, says: worst[1] }
  },
  speed: (g) => ({
    rating: 100 * clamp(1 - (g.weeksToUse[0] - 6) / 20),
    says: () =>
      say`bears use ${quantity({ low: g.weeksToUse[0], high: g.weeksToUse[1] }, 'wk')} from sowing`,
  }),
}
/** Salt leaves nothing standing that only half bears it. */
const SALTED = 1.5
const LESS: Record<Level, Level> = { high: 'low', mid: 'low-mid', 'low-mid': 'mid', low: 'high' }

function joinedCauses(says: string, causes: readonly (string | false)[]): Message {
  return say`${says}: ${causes.filter((c): c is string => c !== false).join(', ')}`
}

/** Why a grass cannot live or be sown here, whatever the date; null when it can. */
function ruledOut(g: Grass, ground: FitGround): Message | null {
  const { r, season, schools, trace } = ground
  const v = trace.values(fitValues)
  if (g.newRate === null) return 'it is set as plugs or turf, not sown'
  if (g.season !== season) return say`it is a ${g.season}-season grass`
  const least = leastSun(g, schools, v.renewedSun)
  if (num(r.sun) < least) return say`it needs ${quantity(least, 'h')} of sun; here it gets ${r.sun}`
  const lowest = (g.cut[0] * v.cutDies) / 100
  if (num(r.cut) < lowest)
    return say`it is kept at ${quantity({ low: g.cut[0], high: g.cut[1] }, 'mm')}; cut at ${r.cut} it dies out`
  if (g.cut[1] <= v.shortGrass && num(r.cut) > v.cutTooHigh * g.cut[1])
    return say`it is for cuts of ${quantity(g.cut[1], 'mm')} and less; here it is ${r.cut}`
  if (g.onlyFor === 'shade' && num(r.sun) >= trace.value(lightLines.cool) + 1)
    return 'bred for shade; in this sun the usual rye is better'
  if (g.cut[0] > 80 && num(r.cut) <= 80) return 'it is not mown as a lawn'
  if (g.onlyFor === 'wet shade' && !wetShade(ground))
    return 'only for wet shade; elsewhere it is a weed'
  return g.onlyFor === 'salt' && r.zone.salty !== true
    ? 'only worth sowing where there is salt'
    : null
}

/** Why a grass is too late; null while it is not. */
function tooLate(g: Grass, { sowingFrom, lastSowing, tooSlow }: FitGround): Message | null {
  if (tooSlow(g)) return 'it is too slow for spring here: the heat comes before it stands'
  const last = lastSowing(g)
  return last !== null && last < sowingFrom ? say`it wanted sowing by ${onDay(last)}` : null
}

const wetShade = ({ r, trace }: FitGround): boolean =>
  num(r.sun) <= trace.value(lightLines.cool) + 1 &&
  (r.zone.damp === 'wet' || (r.zone.ponding !== null && r.zone.ponding >= 1))

/** A part whose words are made only when it is shown: most grasses are rated and never shown. */
class JudgedPart implements FitPart {
  constructor(
    readonly part: FitPartId,
    readonly weight: number,
    readonly rating: number,
    private readonly words: () => Message,
  ) {}
  get says(): Message {
    return this.words()
  }
}

/** How one grass fits a zone. */
export function fitOf(grass: Grass, ground: FitGround): Fit {
  const v = ground.trace.values(fitValues)
  const parts: FitPart[] = []
  let sum = 0
  let weights = 0
  for (const part of FIT_PARTS) {
    const judged = JUDGES[part](grass, ground, v)
    const weight = v[part]
    if (!judged || weight === 0) continue
    parts.push(new JudgedPart(part, weight, judged.rating, judged.says))
    sum += weight * judged.rating
    weights += weight
  }
  const dark = num(ground.r.sun) < leastSun(grass, ground.schools, v.renewedSun)
  const never = ruledOut(grass, ground)
  const late = never ? null : tooLate(grass, ground)
  return {
    grass,
    score: weights > 0 ? sum / weights : 100,
    parts,
    out: never ?? late,
    dark,
    late: late !== null,
  }
}
