import type { Day } from '../calendar/day.ts'
import { slopeLines, thatchLines } from '../findings/lines.ts'
import { lightLines } from '../reference/siteValues.ts'
import { GRASSES, GRASS_IDS, type Grass, type GrassId } from '../reference/grasses.ts'
import { WEAR_NAMES } from '../reference/lists.ts'
import { num } from '../trace/figure.ts'
import { onDay, quantity, say, verbatim, type Message } from '../trace/message.ts'
import { procedure, tradeValues, value } from '../trace/rule.ts'
import { zoneScope } from '../trace/scope.ts'
import type { Trace } from '../trace/trace.ts'
import type { ZoneReadings } from '../walkover/zoneReadings.ts'

export interface MixPart {
  grass: GrassId
  /** Percent by weight. */
  share: number
  reason: Message
  /** Its score, where Juvena chose it. */
  score?: string
}

export interface Mix {
  parts: MixPart[]
  /** The best grass left out, and the strongest reason against it. */
  runnerUp: { grass: GrassId; against: Message; score?: string } | null
  /** Set when no grass of the table fits this ground, with the strongest reason. */
  nothing: Message | null
}

/** What speaks for and against a grass, in points. */
export const mixPoints = tradeValues('mix', {
  wearShort: value(2, '1', 'model', 'Against, for each step it bears less wear than asked', [0, 10]),
  wearBorne: value(1, '1', 'model', 'For, for each step of wear asked that it bears', [0, 10]),
  thereTallFescue: value(5, '1', 'model', 'For tall fescue where tall fescue grows', [0, 10]),
  there: value(2, '1', 'model', 'For a grass that grows there already', [0, 10]),
  broadAmongOthers: value(5, '1', 'model', 'Against tall fescue among other grasses', [0, 10]),
  broadAmongFine: value(3.5, '1', 'model', 'Against a broader leaf among fine grasses', [0, 10]),
  broadInShade: value(1, '1', 'model', 'The same in shade, where there is less choice', [0, 10]),
  otherWarm: value(4, '1', 'model', 'Against another warm grass than the turf there', [0, 10]),
  livesInShade: value(3, '1', 'model', 'For a grass that lives on little sun, in half shade', [0, 10]),
  halfShade: value(5, 'h', 'model', 'Half shade ends at', [3, 8]),
  quickOver: value(2.5, '1', 'model', 'For showing within days, over a living sward', [0, 10]),
  quickNew: value(1.5, '1', 'model', 'For showing within days, on new ground', [0, 10]),
  quickDays: value(3, 'd', 'model', 'Showing within days means from', [1, 10]),
  slow: value(1.5, '1', 'model', 'Against a grass that may take weeks to show', [0, 10]),
  slowDays: value(28, 'd', 'model', 'Weeks to show means from', [10, 60]),
  knits: value(1, '1', 'model', 'For a grass that knits bare spots together', [0, 10]),
  buildsThatch: value(1.5, '1', 'model', 'Against a builder of thatch where there is enough', [0, 10]),
  drySand: value(1, '1', 'model', 'For standing drought on sand', [0, 10]),
  bentCut: value(25, 'mm', 'practice', 'A fine bent is for cuts up to', [10, 40]),
  cutUnder: value(90, '%', 'model', 'A cut down to this share of a grass’s lowest is still borne', [50, 100]),
  cutOver: value(120, '%', 'model', 'A cut up to this share of a grass’s highest is still borne', [100, 200]),
  knitWithin: value(6, '1', 'model', 'A knitting grass joins the mix when its score is within', [0, 20]),
  nurse: value(15, '%', 'practice', 'Nurse grass on a bank, by weight', [0, 40]),
})

export const mixRule = procedure({
  id: 'seed.score',
  stage: 4,
  label: 'Score',
  unit: '1',
  standing: 'model',
  says: 'Points for and against a grass on this ground: wear, what grows there, light, how soon it shows, thatch, drought. One that light, cut or date rules out is not sown whatever its points.',
  values: mixPoints,
  inputs: { sun: 'h', cut: 'mm' },
  steps: 'points for − points against',
  by: 'seed/mix: score',
  check: 'mix.test.ts',
})

interface Reason {
  points: number
  says: Message
}

interface Scored {
  grass: Grass
  score: number
  out: Message | null
  against: Reason[]
  for: Reason[]
}

const LEVEL = { low: 0, mid: 1, high: 2 }
/** Which latitude warm grasses are the usual ones below. Common practice. */
const WARM_BELOW = 32

/** Which season's grasses the zone belongs to: by what grows there, else by latitude. Common practice. */
export function seasonOf(r: ZoneReadings, latitude: number): 'cool' | 'warm' {
  const present = r.zone.present
  if (present.length > 0) return present.filter((g) => GRASSES[g].season === 'warm').length * 2 > present.length ? 'warm' : 'cool'
  return Math.abs(latitude) < WARM_BELOW ? 'warm' : 'cool'
}

/** What a mix is chosen for. `lastSowing` is the last day a slow grass may be sown, null where it does not matter. */
export interface MixBrief {
  r: ZoneReadings
  season: 'cool' | 'warm'
  sowingFrom: Day
  lastSowing: (grass: GrassId) => Day | null
  overseeding: boolean
  trace: Trace
}

/** Why a grass cannot be sown here at all; null when it can. */
function ruledOut(g: Grass, { r, sowingFrom, lastSowing, trace }: MixBrief): Message | null {
  const cut = num(r.cut)
  const last = lastSowing(g.id)
  const points = trace.values(mixPoints)
  if (cut > points.bentCut && g.id === 'browntop') return say`a fine bent for cuts of ${quantity(points.bentCut, 'mm')} and less`
  if (g.newRate === null) return 'it is set as plugs or turf, not sown'
  if (num(r.sun) < g.sunHours) return say`it needs ${quantity(g.sunHours, 'h')} of sun; here it gets ${num(r.sun)}`
  if (cut < (g.cut[0] * points.cutUnder) / 100 || cut > (g.cut[1] * points.cutOver) / 100)
    return say`it is kept at ${quantity({ low: g.cut[0], high: g.cut[1] }, 'mm')}; here the cut is ${quantity(Math.round(cut), 'mm')}`
  return last !== null && last < sowingFrom ? say`it wanted sowing by ${onDay(last)}` : null
}

function score(g: Grass, brief: MixBrief): Scored {
  const { r, overseeding, trace } = brief
  const points = trace.values(mixPoints)
  const against: Reason[] = []
  const speaksFor: Reason[] = []
  const minus = (by: number, says: Message) => against.push({ points: by, says })
  const plus = (by: number, says: Message) => speaksFor.push({ points: by, says })
  const { present, texture } = r.zone
  const sun = num(r.sun)
  const wear = r.zone.wear ?? 'mid'
  const [want, bears] = [LEVEL[wear], LEVEL[g.wear]]
  if (bears < want) minus(points.wearShort * (want - bears), say`it bears less wear than “${WEAR_NAMES[wear]}”`)
  else if (bears === LEVEL.high && want >= LEVEL.mid) plus(points.wearBorne * want, 'bears wear')
  const tall = g.id === 'tall-fescue'
  if (present.includes(g.id)) plus(tall ? points.thereTallFescue : points.there, 'already there, so leaf and colour match')
  else if (tall && present.length > 0) minus(points.broadAmongOthers, 'its broad leaf stands out for years among what is there')
  else if (!g.fine && g.season === 'cool' && present.length > 0 && present.every((p) => GRASSES[p].fine))
    minus(
      sun < trace.value(lightLines.cool) ? points.broadInShade : points.broadAmongFine,
      'its leaf is broader and shinier than the fine grass there',
    )
  if (g.season === 'warm' && present.length > 0 && !present.includes(g.id)) minus(points.otherWarm, 'another leaf and habit than the turf there')
  if (sun < points.halfShade && g.sunHours <= trace.value(lightLines.shade))
    plus(points.livesInShade, say`lives on ${quantity(g.sunHours, 'h')} of sun`)
  if (g.days && g.days[0] <= points.quickDays) plus(overseeding ? points.quickOver : points.quickNew, 'shows within days and holds the ground')
  if (g.days && g.days[1] >= points.slowDays)
    minus(points.slow, say`it can take ${quantity(g.days[1], 'd')} to show and ${quantity(g.weeksToUse[0], 'wk')} to bear use`)
  if (g.spreads) plus(points.knits, 'knits bare spots together')
  if (r.thatch && num(r.thatch) > trace.value(thatchLines.fine) && g.thatch === 'high')
    minus(points.buildsThatch, 'it builds thatch, and there is enough of that')
  if (texture === 'sand' && g.drought === 'high') plus(points.drySand, 'stands drought on sand')
  const sum = (reasons: readonly Reason[]) => reasons.reduce((total, reason) => total + reason.points, 0)
  return { grass: g, score: sum(speaksFor) - sum(against), out: ruledOut(g, brief), against, for: speaksFor }
}

const strongest = (reasons: readonly Reason[]): Message | undefined => [...reasons].sort((a, b) => b.points - a.points)[0]?.says
const byScore = (a: Scored, b: Scored) => b.score - a.score || a.grass.id.localeCompare(b.grass.id)

/** Shares for the leader and those that go with it. Common practice. */
function sharesOf(leader: Scored, fit: readonly Scored[], season: 'cool' | 'warm', knitWithin: number): [Scored, number][] {
  const others = fit.filter((s) => s !== leader && s.grass.id !== 'tall-fescue')
  if (season === 'warm') return [[leader, 100]]
  if (leader.grass.id === 'tall-fescue') {
    const knit = others.find((s) => s.grass.id === 'kentucky-bluegrass')
    return knit ? [[leader, 90], [knit, 10]] : [[leader, 100]] // prettier-ignore
  }
  const bent = fit.find((s) => s.grass.id === 'browntop')
  if (bent && leader.grass.fine) {
    // A tenth of bent by weight already outnumbers the rest.
    const fescue = fit.find((s) => s.grass.fine && s !== bent)
    return fescue ? [[fescue, 90], [bent, 10]] : [[bent, 100]] // prettier-ignore
  }
  if (leader.grass.fine) {
    const fine = others.filter((s) => s.grass.fine).slice(0, 2)
    const quick = others.find((s) => s.grass.id === 'perennial-ryegrass')
    return [
      [leader, 40 + (fine.length < 2 ? 20 : 0) + (quick ? 0 : 20)],
      ...fine.map((s): [Scored, number] => [s, 20]),
      ...(quick ? [[quick, 20] as [Scored, number]] : []),
    ]
  }
  const knit = others.find((s) => s.grass.spreads && s.score > leader.score - knitWithin) ?? others.find((s) => s.grass.fine)
  return knit ? [[leader, 70], [knit, 30]] : [[leader, 100]] // prettier-ignore
}

/** A mix for a zone from light, season, wear, height of cut and what is there. Common practice weighed by Juvena's model. */
export function suggestMix(brief: MixBrief): Mix {
  const { r, season, trace } = brief
  const all = GRASS_IDS.filter((id) => GRASSES[id].season === season && id !== 'annual-ryegrass').map((id) => score(GRASSES[id], brief))
  const fit = all.filter((s) => s.out === null).sort(byScore)
  const leader = fit[0]
  if (!leader) {
    const nearest = [...all].sort(byScore)[0]
    return {
      parts: [],
      runnerUp: null,
      nothing: nearest?.out ? say`Even ${nearest.grass.name} is out: ${nearest.out}.` : 'No grass of the table fits.',
    }
  }
  const points = trace.values(mixPoints)
  const chosen = sharesOf(leader, fit, season, points.knitWithin)
  const used = new Set(chosen.map(([s]) => s.grass.id))
  const total = chosen.reduce((sum, [, share]) => sum + share, 0)
  const bank = num(r.slope) >= trace.value(slopeLines.bank)
  const nurse = bank && season === 'cool' ? points.nurse : 0
  const figureOf = (s: Scored) =>
    trace.found(
      mixRule,
      zoneScope(r.id),
      s.score,
      { sun: r.sun, cut: r.cut },
      {
        part: s.grass.id,
        label: say`Score, ${verbatim(s.grass.short)}`,
        change: pointsSaid(s),
      },
    ).id
  const parts: MixPart[] = chosen.map(([s, share]) => ({
    grass: s.grass.id,
    share: Math.round((share / total) * (100 - nurse)),
    reason: strongest(s.for) ?? 'fits light, cut and season',
    score: figureOf(s),
  }))
  parts[0]!.share += 100 - nurse - parts.reduce((sum, p) => sum + p.share, 0)
  if (nurse) parts.push({ grass: 'annual-ryegrass', share: nurse, reason: 'nurse on the bank: up in days, gone within the year' })
  const left = all.filter((s) => !used.has(s.grass.id) && s.grass.newRate !== null).sort(byScore)[0]
  const against =
    left && (left.out ?? strongest(left.against) ?? say`${leader.grass.short} scores higher on ${strongest(leader.for) ?? 'this ground'}`)
  return { parts, runnerUp: left && against ? { grass: left.grass.id, against, score: figureOf(left) } : null, nothing: null }
}

/** "+2 already there …, −1.5 it can take 28 days to show": the points of one grass. */
function pointsSaid(s: Scored): Message {
  const one = (sign: string) => (reason: Reason) => say`${sign}${reason.points} ${reason.says}`
  return say`${[...s.for.map(one('+')), ...s.against.map(one('−'))]}.`
}

/** The part of a mix that weighs most; the first of equals. */
export const largestPart = (parts: readonly MixPart[]): MixPart => parts.reduce((a, b) => (b.share > a.share ? b : a))

const bySize = <T extends { grass: GrassId; share: number }>(parts: readonly T[]): T[] =>
  [...parts].sort((a, b) => b.share - a.share || a.grass.localeCompare(b.grass))

/** "rye 70 · creeping fescue 30", the same for the same mix. */
export const mixName = (parts: readonly { grass: GrassId; share: number }[]): string =>
  bySize(parts)
    .map((p) => `${GRASSES[p.grass].short} ${Math.round(p.share)}`)
    .join(' · ')

export const mixKey = (parts: readonly { grass: GrassId; share: number }[]): string =>
  bySize(parts)
    .map((p) => `${p.grass}-${Math.round(p.share)}`)
    .join('_')
