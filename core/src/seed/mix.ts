import { sure } from '../quantities/sure.ts'
import type { PlaceYear } from '../climate/placeYear.ts'
import { slopeLines } from '../findings/lines.ts'
import { kindOf, middle, type Grass, type GrassId } from '../reference/grasses.ts'
import type { Schools } from '../reference/schools.ts'
import { num, type Figure } from '../trace/figure.ts'
import { joined, quantity, say, verbatim, type Message } from '../rules/message.ts'
import { procedure, rule, tradeValues, value } from '../rules/rule.ts'
import { zoneScope } from '../trace/scope.ts'
import { dot, sum } from '../quantities/sum.ts'
import type { BagOnShelf } from '../stock/seedOnShelf.ts'
import type { Trace } from '../trace/trace.ts'
import type { ZoneReadings } from '../walkover/zoneReadings.ts'
import { whatHolds } from './binding.ts'
import {
  composeMix,
  type ComposedMix,
  type Component,
  type MixProblem,
  valueOf,
  withinPlants,
} from './composeMix.ts'
import { fitOf, fitValues, type Fit, type FitPart } from './fit/fit.ts'
import { FIT_PART_NAMES } from './fit/parts.ts'
import { fitNumbers, tooDark, type FitGround } from './fit/judging.ts'
import { whatLeads, type Leading } from './whatLeads.ts'

export interface MixPart {
  grass: GrassId
  /** Percent by weight. */
  share: number
  reason: Message
  /** Its fit, where Juvena judged it. */
  score?: string
  /** Said where a limit holds its share. */
  limit?: Message
  /** Said of what keeps its share from being less. */
  holds?: Message
}

export interface Shares {
  grass: GrassId
  share: number
}

/** A grass that is left out, and the strongest reason against it. */
export interface LeftOut {
  grass: GrassId
  against: Message
  /** It cannot be sown here at all. */
  out: boolean
  score: number
}

export interface Mix {
  parts: MixPart[]
  /** What the sward that stands has to say. */
  leads: Message
  /** Grasses left out, best first. */
  left: LeftOut[]
  /** The best mix without each of its grasses, and what is lost, in points of 100. */
  without: { grass: GrassId; parts: Shares[]; loses: number }[]
  /**
   * What a rule of thumb would sow, and how far it falls behind; null where it cannot be sown, or
   * is the same.
   */
  thumb: { parts: Shares[]; loses: number } | null
  /** The best mix of what lies on the shelf, where it is another; null where there is none. */
  shelf: { parts: Shares[]; loses: number } | null
  /** The parts of the fit of its grasses, and of the best one left out. */
  fits: { grass: GrassId; parts: FitPart[] }[]
  /** Set when no grass of the table fits this ground, with the strongest reason. */
  nothing: Message | null
  /** The search it came from, and its shares without a nurse; null where the purpose decides. */
  search: { problem: MixProblem; shares: Shares[] } | null
}

/** What makes a mix more than its best grass. */
export const mixValues = tradeValues('mix', {
  most: value(3, '1', 'practice', 'Grasses in a mix, at most', [1, 5]),
  step: value(5, '%', 'practice', 'Shares go in steps of', [5, 20]),
  quick: value(6, '1', 'model', 'A part that shows within days is worth', [0, 30]),
  quickOnBank: value(12, '1', 'model', 'on a bank', [0, 30]),
  quickOver: value(2, '1', 'model', 'and over a living sward, which holds the ground', [0, 30]),
  quickEnough: value(20, '%', 'model', 'So much of it is enough', [5, 80]),
  knits: value(4, '1', 'model', 'A part that knits is worth', [0, 30]),
  knitsWorn: value(8, '1', 'model', 'and where it is worn hard', [0, 30]),
  knitsEnough: value(15, '%', 'model', 'So much of it is enough', [5, 80]),
  keeps: value(10, '1', 'model', 'Keeping a kind that grows there is worth', [0, 30]),
  keepsEnough: value(20, '%', 'model', 'So much of it is enough', [5, 80]),
  company: value(1, '1', 'model', 'Two kinds rather than one are worth', [0, 10]),
  each: value(1, '1', 'model', 'Every further kind costs', [0, 10]),
  slowShow: value(14, 'd', 'model', 'Seed that takes this long is not quick at all', [8, 40]),
  quickShow: value(6, 'd', 'model', 'and is as quick as can be at', [2, 15]),
  nurse: value(15, '%', 'practice', 'Nurse grass on a bank, by weight', [0, 40]),
  warmBelow: value(
    35,
    '1',
    'model',
    'New ground is sown with warm grass under so many degrees of latitude',
    [20, 45],
  ),
  warmSummer: value(24, 'C', 'model', 'where the year’s warmest usual day reaches', [15, 35]),
})

export const mixRules = {
  fit: rule({
    id: 'seed.fit',
    stage: 4,
    label: 'Fit',
    unit: '%',
    standing: 'model',
    says: 'How a grass fits this ground: each part from nothing to 100, by how far it counts; where nothing counts, all grasses fit alike. What light, cut, date or the sward rules out is not sown whatever its fit.',
    inputs: { weight: '1[]', rating: '%[]' },
    formula: 'sum(weight) > 0 ? dot(weight, rating) / sum(weight) : 100',
    compute: ({ weight, rating }) => (sum(weight) > 0 ? dot(weight, rating) / sum(weight) : 100),
  }),
  mix: procedure({
    id: 'seed.mix-value',
    stage: 4,
    label: 'Worth of the mix',
    unit: '1',
    standing: 'model',
    says: 'Fit by weight; and points for showing within days, for knitting, for company. The best of all mixes of at most {most} grasses in steps of {step}.',
    values: mixValues,
    inputs: { share: '%[]', fit: '%[]' },
    steps:
      'every set of grasses that may be mixed, in every division, within the limits by weight and by plants',
    by: 'seed/composeMix: composeMix',
    check: 'composeMix.test.ts',
  }),
}

/**
 * Which season's grasses the zone belongs to: by what its owner wants there, by most of what
 * grows there, else by where it lies and how warm its summer is (Juvena's model).
 */
export function seasonOf(
  r: ZoneReadings,
  { latitude, place }: { latitude: number; place: PlaceYear },
  schools: Schools,
  trace: Trace,
): 'cool' | 'warm' {
  const { present, target } = r
  // The wish has its season, for its nearest kin too; not where no grass of that season lives.
  const renewed = trace.value(fitNumbers.renewedSun)
  const lives = (g: Grass) => g.newRate !== null && !g.passing && !tooDark(g, { r, schools, trace }, renewed) // prettier-ignore
  if (target && Object.values(trace.grasses).some((g) => g.season === target.season && lives(g)))
    return target.season
  const warm = present.filter((g) => g.season === 'warm').length
  const cool = present.length - warm
  // Where they are even the place decides: rye over couch is couch where summers are hot.
  if (warm !== cool) return warm > cool ? 'warm' : 'cool'
  const { warmBelow, warmSummer } = trace.values(mixValues)
  return Math.abs(latitude) < warmBelow && place.high[place.warmest]! >= warmSummer
    ? 'warm'
    : 'cool'
}

/** The ground a mix is chosen for. */
export interface MixGround extends FitGround {
  /** The old sward is killed or lifted off. */
  renovated: boolean
  /** Grasses whose seed passes for a fine hybrid. */
  matching: ReadonlySet<GrassId>
}

/**
 * Every lasting grass of the season held against a zone, and what the sward that stands says of
 * them.
 */
export interface Weighed {
  fits: Fit[]
  leading: Leading
}

export function weigh(ground: MixGround): Weighed {
  const fits = Object.values(ground.trace.grasses).flatMap((g) =>
    g.passing || g.season !== ground.season ? [] : [fitOf(g, ground)],
  )
  return { fits, leading: whatLeads(fits, ground) }
}

/** What a mix is chosen for, and by. */
export interface MixBrief extends MixGround {
  weighed: Weighed
  /** Lots that lie on the shelf. */
  shelf: readonly BagOnShelf[]
  /**
   * Pure live seed of the bag a grass comes from, %, and what a kilogram costs; 0 where not known.
   */
  bag: (grass: GrassId) => { pls: number; cost: number }
}

/** A mix of one grass for a purpose of its own. */
export const alone = (grass: GrassId, reason: Message): Mix => ({
  ...NO_MIX,
  parts: [{ grass, share: 100, reason }],
})
export const NO_MIX: Mix = {
  parts: [],
  leads: '',
  left: [],
  without: [],
  thumb: null,
  shelf: null,
  fits: [],
  nothing: null,
  search: null,
}

/**
 * The mix that serves a zone best, from every grass of the table. Juvena's model over common
 * practice.
 */
export function suggestMix(brief: MixBrief): Mix {
  const { fits: all, leading } = brief.weighed
  const foreign = (f: Fit) => leading.only !== null && !leading.only.has(f.grass.id)
  const fits = all.filter((f) => f.out === null && !foreign(f))
  const problem = mixProblem(brief, fits)
  const best = composeMix(problem)
  const byScore = [...all].sort((a, b) => b.score - a.score || (a.grass.id < b.grass.id ? -1 : 1))
  if (!best)
    return {
      ...NO_MIX,
      leads: leading.says,
      left: leftOut(byScore, foreign),
      nothing: nothingFits(brief, byScore, foreign),
    }
  const taken = best.parts.map((p) => sure(fits.find((f) => f.grass.id === p.component.grass)))
  const used = new Set(taken.map((f) => f.grass.id))
  const left = leftOut(
    byScore.filter((f) => !used.has(f.grass.id)),
    foreign,
  )
  const nurse = nurseShare(brief)
  const scoreOf = fitFigures(brief, taken)
  brief.trace.found(mixRules.mix, zoneScope(brief.r.id), Math.round(best.value * 10) / 10, {
    share: best.parts.map((p) => p.share),
    fit: taken.map((f) => Math.round(f.score * 10) / 10),
  })
  const parts: MixPart[] = best.parts.map(({ component, share }, i) => ({
    grass: component.grass,
    share: nurse ? Math.round((share * (100 - nurse)) / 100 / problem.step) * problem.step : share,
    reason: reasonOf(problem, best.parts, i, taken[i]!, fits),
    score: scoreOf[i]!.id,
    ...limitOf(component, best.parts, problem.step),
    ...heldBy(problem, best, taken, i),
  }))
  parts[0]!.share += 100 - nurse - parts.reduce((total, p) => total + p.share, 0)
  if (nurse)
    parts.push({
      grass: 'annual-ryegrass',
      share: nurse,
      reason: 'nurse on the bank: up in days, gone within the year',
    })
  const without =
    best.parts.length < 2 && fits.length < 2
      ? []
      : best.parts.flatMap(({ component }) => {
          const other = composeMix(problem, new Set([component.grass]))
          return other
            ? [
                {
                  grass: component.grass,
                  parts: sharesOf(other),
                  loses: Math.round(best.value - other.value),
                },
              ]
            : []
        })
  // The best of those left out stands beside: one that could be sown, else the best that cannot.
  const second = left.find((l) => !l.out) ?? left[0]
  const shown = [...taken, ...(second ? all.filter((f) => f.grass.id === second.grass) : [])]
  return {
    parts,
    leads: leading.says,
    left,
    without,
    thumb: thumbOf(brief, problem, best.value, parts),
    shelf: fromShelf(brief, problem, best),
    fits: shown.map((f) => ({
      grass: f.grass.id,
      parts: f.parts.map(({ part, rating, weight, says }) => ({ part, rating, weight, says })),
    })),
    nothing: null,
    search: { problem, shares: sharesOf(best) },
  }
}

/** A mix as grasses and shares. */
export const sharesOf = ({ parts }: ComposedMix): Shares[] =>
  parts.map((p) => ({ grass: p.component.grass, share: p.share }))

/** How quick, and how well it knits: 0 to 1. */
function services(
  grass: Grass,
  { slowShow, quickShow }: { slowShow: number; quickShow: number },
): number[] {
  const shows = grass.days ? middle(grass.days) : slowShow
  const quick = Math.min(1, Math.max(0, (slowShow - shows) / (slowShow - quickShow)))
  return [quick, grass.spreads ? Math.min(1, 0.5 + grass.creeps / 8) : 0]
}

/** The search for a zone's mix: its grasses, and what a mix is to serve. */
export function mixProblem(
  { r, sowing, weighed, bag, trace }: MixBrief,
  fits: readonly Fit[],
): MixProblem {
  const v = trace.values(mixValues)
  const bank = num(r.slope) >= trace.value(slopeLines.bank)
  const kept =
    weighed.leading.only !== null
      ? [
          ...new Set(
            fits.flatMap((f) => r.present.filter((p) => kindOf(p) === kindOf(f.grass)).map(kindOf)),
          ),
        ]
      : []
  const components = fits.map(({ grass, score }): Component => {
    const { pls, cost } = bag(grass.id)
    const [least, most] = grass.share
    return {
      id: grass.id,
      grass: grass.id,
      fit: score,
      serves: [...services(grass, v), ...kept.map((kind) => (kindOf(grass) === kind ? 1 : 0))],
      seeds: ((grass.seedsPerGram ?? 0) * pls) / 100,
      least,
      most,
      mostPlants: grass.mostPlants,
      cost,
    }
  })
  return {
    components,
    needs: [
      {
        weight: bank ? v.quickOnBank : sowing === 'new' ? v.quick : v.quickOver,
        enough: v.quickEnough / 100,
      },
      { weight: r.zone.wear === 'high' ? v.knitsWorn : v.knits, enough: v.knitsEnough / 100 },
      ...kept.map((kind) => ({
        weight: kept.length > 1 ? v.keeps : 0,
        enough: Math.min(v.keepsEnough, trace.grass(kind).share[1] / 2) / 100,
      })),
    ],
    most: v.most,
    step: v.step,
    company: v.company,
    each: v.each,
    together: (a, b) => mayMix(trace.grass(a.grass), trace.grass(b.grass)),
  }
}

/** Whether two grasses are sown in one mix. Common practice: the table names each one's company. */
export const mayMix = (a: Grass, b: Grass): boolean =>
  a.goesWith.includes(b.id) ||
  b.goesWith.includes(a.id) ||
  (a.of !== null && a.of === b.of) ||
  a.of === b.id ||
  b.of === a.id

const nurseShare = ({ r, season, sowing, trace }: MixBrief): number =>
  num(r.slope) >= trace.value(slopeLines.bank) && season === 'cool' && sowing !== 'spots'
    ? trace.value(mixValues.nurse)
    : 0

const fitFigures = ({ r, trace }: MixBrief, fits: readonly Fit[]): Figure[] =>
  fits.map((f) =>
    trace.work(
      mixRules.fit,
      zoneScope(r.id),
      { weight: f.parts.map((p) => p.weight), rating: f.parts.map((p) => p.rating) },
      { part: f.grass.id, label: say`Fit, ${verbatim(f.grass.short)}`, change: partsSaid(f) },
    ),
  )

/** "light 100: at ease with 5 h …": the parts of a fit in words. */
function partsSaid({ parts }: Fit): Message {
  const one = (p: FitPart) => say`${FIT_PART_NAMES[p.part]} ${Math.round(p.rating)}: ${p.says}`
  return say`${parts.map(one)}.`
}

/**
 * What speaks most for a grass beside the others; or the need that nothing else in the mix serves.
 */
function reasonOf(
  problem: MixProblem,
  parts: readonly { component: Component; share: number }[],
  index: number,
  fit: Fit,
  fits: readonly Fit[],
): Message {
  const { grass } = fit
  const there = fit.parts.find((p) => p.part === 'match' && p.rating >= 90)
  if (there) return there.says
  const lead = parts.every((p) => p.share <= parts[index]!.share)
  if (!lead) {
    const lacking = problem.needs.findIndex((need, j) => {
      const others = parts.reduce(
        (served, p, i) => served + (i === index ? 0 : (p.share / 100) * p.component.serves[j]!),
        0,
      )
      return others < need.enough && parts[index]!.component.serves[j]! > 0.3
    })
    if (lacking === 0)
      return say`shows in ${quantity(sure(grass.days)[0], 'd')} and holds the ground`
    if (lacking === 1) return 'knits bare spots together'
  }
  const average = (part: FitPart) => {
    const ratings = fits.flatMap((f) => f.parts.find((p) => p.part === part.part)?.rating ?? [])
    return ratings.reduce((a, b) => a + b, 0) / Math.max(1, ratings.length)
  }
  const gains = fit.parts
    .filter((p) => p.rating >= 70)
    .map((p) => ({ p, gain: p.weight * (p.rating - average(p)) }))
  const most = gains.sort((a, b) => b.gain - a.gain)[0]
  return most && most.gain > 0.5
    ? most.p.says
    : (fit.parts.find((p) => p.part === 'light')?.says ?? 'fits light, cut and season')
}

function limitOf(
  c: Component,
  parts: readonly { component: Component; share: number }[],
  step: number,
): { limit?: Message } {
  if (parts.length < 2) return {}
  const share = sure(parts.find((p) => p.component === c)).share
  const more = parts.map((p) => p.share + (p.component === c ? step : 0))
  const set = parts.map((p) => p.component)
  if (c.mostPlants < 100 && !withinPlants(set, more))
    return { limit: say`more would be over ${quantity(c.mostPlants, '%')} of the plants` }
  return share >= c.most ? { limit: say`at most ${quantity(c.most, '%')} in company` } : {}
}

function heldBy(
  problem: MixProblem,
  { parts }: ComposedMix,
  fits: readonly Fit[],
  index: number,
): { holds?: Message } {
  const set = parts.map((p) => p.component)
  const shares = parts.map((p) => p.share)
  const why = whatHolds(problem, set, shares, fits, index)
  return why ? { holds: why } : {}
}

/** The strongest thing against a grass: what rules it out, else what costs it most. */
function against(f: Fit, foreign: boolean): Message {
  if (f.out) return f.out
  if (foreign) return 'it is not what grows there'
  const worst = [...f.parts].sort(
    (a, b) => b.weight * (100 - b.rating) - a.weight * (100 - a.rating),
  )[0]
  return worst && worst.rating < 95 ? worst.says : 'others fit as well, and more kinds gain nothing'
}

const leftOut = (fits: readonly Fit[], foreign: (f: Fit) => boolean): LeftOut[] =>
  fits
    .filter((f) => f.grass.newRate !== null)
    .map((f) => ({
      grass: f.grass.id,
      against: against(f, foreign(f)),
      out: f.out !== null || foreign(f),
      score: Math.round(f.score),
    }))

/** Why nothing is sown, and what lives in that light. */
function nothingFits(
  { r, season, trace }: MixBrief,
  byScore: readonly Fit[],
  foreign: (f: Fit) => boolean,
): Message {
  const own =
    byScore.find((f) => r.present.some((p) => p.id === f.grass.id)) ??
    byScore.filter((f) => !foreign(f))[0] ??
    byScore[0]
  if (!own?.out) return 'No grass of the table fits.'
  const set =
    season === 'warm'
      ? Object.values(trace.grasses).find((g) => g.newRate === null && g.sunLeast <= num(r.sun))
      : undefined
  const renewed = trace.value(fitValues.renewedSun)
  const instead: Message =
    set && !r.present.some((p) => p.id === set.id)
      ? say` ${set.name} lives on ${quantity(set.sunLeast, 'h')}, as plugs or turf.`
      : season === 'cool' && own.dark && num(r.sun) >= renewed
        ? 'One school sows shade ryegrass there and renews it every year: choose it under Seed.'
        : ''
  return joined([say`Even ${own.grass.name} is out: ${own.out}.`, instead], ' ')
}

/**
 * Why seed is not the way on ground where something else could be done instead: no grass lives
 * there whatever the date; or the sward is of one cool grass that spreads, closes gaps by itself
 * from `healing` % of cover, and is too late to be sown. Null where seed is right.
 */
export function seedIsNoWay(brief: MixBrief, healing: number): Message | null {
  const { r, weighed, season } = brief
  const foreign = (f: Fit) => weighed.leading.only !== null && !weighed.leading.only.has(f.grass.id)
  if (weighed.fits.every((f) => (f.out !== null && !f.late) || foreign(f))) {
    const byScore = [...weighed.fits].sort(
      (a, b) => b.score - a.score || (a.grass.id < b.grass.id ? -1 : 1),
    )
    return nothingFits(brief, byScore, foreign)
  }
  const [first] = r.present
  const pure =
    first !== undefined &&
    season === 'cool' &&
    r.present.every((g) => kindOf(g) === kindOf(first) && g.spreads && !g.passing)
  const own = pure ? weighed.fits.find((f) => f.grass.id === first.id) : undefined
  if (!own?.late || r.wanted === null || num(r.wanted) < healing) return null
  return say`It is too late for more of ${verbatim(sure(first).short)}: ${sure(own.out)}. It closes gaps by its own runners, and a stranger among it would show for years.`
}

/**
 * The best mix of the grasses that lie on the shelf by themselves; null where it is the best of
 * all, or none fits.
 */
function fromShelf({ shelf }: MixBrief, problem: MixProblem, best: ComposedMix): Mix['shelf'] {
  const there = new Set(shelf.flatMap((b) => (b.parts.length === 1 ? [b.parts[0]!.grass] : [])))
  if (there.size === 0 || best.parts.every((p) => there.has(p.component.grass))) return null
  const found = composeMix(
    problem,
    new Set(problem.components.map((c) => c.grass).filter((g) => !there.has(g))),
  )
  return found && { parts: sharesOf(found), loses: Math.round(best.value - found.value) }
}

/** Common practice where nobody looks closer: by light and cut. */
function thumbOf(
  { r, season }: MixBrief,
  problem: MixProblem,
  best: number,
  parts: readonly Shares[],
): Mix['thumb'] {
  if (season === 'warm') return null
  const sun = num(r.sun)
  const thumb: Shares[] =
    num(r.cut) <= 15
      ? [{ grass: 'chewings-fescue', share: 80 }, { grass: 'browntop', share: 20 }] // prettier-ignore
      : sun < 4.5
        ? [{ grass: 'creeping-red-fescue', share: 80 }, { grass: 'perennial-ryegrass', share: 20 }] // prettier-ignore
        : [{ grass: 'perennial-ryegrass', share: 70 }, { grass: 'creeping-red-fescue', share: 30 }] // prettier-ignore
  const set = thumb.map((t) => problem.components.find((c) => c.grass === t.grass))
  if (set.some((c) => !c) || mixKey(thumb) === mixKey(parts)) return null
  const loses = best - valueOf(problem, set as Component[], thumb.map((t) => t.share)) // prettier-ignore
  return { parts: thumb, loses: Math.round(loses) }
}

/** The part of a mix that weighs most; the first of equals. */
export const largestPart = (parts: readonly MixPart[]): MixPart =>
  parts.reduce((a, b) => (b.share > a.share ? b : a))

const bySize = <T extends Shares>(parts: readonly T[]): T[] =>
  [...parts].sort((a, b) => b.share - a.share || a.grass.localeCompare(b.grass))

/** "rye 70 · creeping fescue 30", the same for the same mix; of one grass its name alone. */
export const mixName = (parts: readonly Shares[], trace: Pick<Trace, 'grass'>): string =>
  bySize(parts)
    .map((p) =>
      [trace.grass(p.grass).short, ...(parts.length > 1 ? [Math.round(p.share)] : [])].join(' '),
    )
    .join(' · ')

export const mixKey = (parts: readonly Shares[]): string =>
  bySize(parts)
    .map((p) => `${p.grass}-${Math.round(p.share)}`)
    .join('_')
