import { daysBetween } from '../../calendar/day.ts'
import { liesDormant } from '../../climate/sowingLines.ts'
import type { Grass } from '../../reference/grasses.ts'
import { lightLines } from '../../reference/siteValues.ts'
import { onDay, quantity, say, type Message } from '../../rules/message.ts'
import { tradeValues, value, type TradeValue } from '../../rules/rule.ts'
import { num } from '../../trace/figure.ts'
import { fitNumbers, isOfThePlace, leastSun, needsSun, tooDark, type FitGround } from './judging.ts'
import { FIT_PART_LIST, type FitPartId } from './parts.ts'

/** How far each part of the fit counts, and where it bends. */
export const fitValues = tradeValues('fit', {
  ...(Object.fromEntries(FIT_PART_LIST.map((p) => [p.id, p.weight])) as Record<
    FitPartId,
    TradeValue
  >),
  ...fitNumbers,
})

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

/** Why a grass cannot live or be sown here, whatever the date; null when it can. */
function ruledOut(g: Grass, ground: FitGround): Message | null {
  const { r, season, schools, trace } = ground
  const v = trace.values(fitValues)
  if (g.newRate === null) return 'it is set as plugs or turf, not sown'
  if (g.season !== season) return say`it is a ${g.season}-season grass`
  const least = leastSun(g, schools, v.renewedSun)
  if (tooDark(g, ground, v.renewedSun)) return needsSun(least, r)
  const lowest = (g.cut[0] * v.cutDies) / 100
  if (num(r.keep) < lowest)
    return say`it is kept at ${quantity({ low: g.cut[0], high: g.cut[1] }, 'mm')}; cut at ${r.keep} it dies out`
  if (g.cut[1] <= v.shortGrass && num(r.keep) > v.cutTooHigh * g.cut[1])
    return say`it is for cuts of ${quantity(g.cut[1], 'mm')} and less; here it is ${r.keep}`
  if (g.onlyFor === 'shade' && num(r.sun) >= trace.value(lightLines.cool) + 1)
    return 'bred for shade; in this sun the usual rye is better'
  if (g.cut[0] > 80 && num(r.keep) <= 80) return 'it is not mown as a lawn'
  if (g.onlyFor === 'wet shade' && !wetShade(ground))
    return 'only for wet shade; elsewhere it is a weed'
  if (g.onlyFor === 'no frost' && frosts(ground) && !r.present.some((p) => p.id === g.id))
    return 'it browns in frost and runs into everything beside it: sown only where it grows already'
  return g.onlyFor === 'salt' && r.zone.salty !== true
    ? 'only worth sowing where there is salt'
    : null
}

/** Why a grass is too late; null while it is not. */
function tooLate(
  g: Grass,
  { r, sowingFrom, lastSowing, shutToLast, untilSpring, tooSlow, oddsNow, trace }: FitGround,
): Message | null {
  if (tooSlow(g)) return 'it is too slow for spring here: the heat comes before it stands'
  // Sown to lie dormant, the last day of autumn does not matter: only whether it lies.
  if (untilSpring && g.season === 'cool')
    return liesDormant(g) ? null : 'it does not lie dormant until spring'
  const last = lastSowing(g)
  if (last === null) return null
  if (last >= sowingFrom)
    return shutToLast(g, last)
      ? say`it wants sowing by ${onDay(last)}, and no good day is left until then`
      : null
  const wanted = say`it wanted sowing by ${onDay(last)}`
  // A few days late is a matter of odds, where it is the grass of the place.
  return isOfThePlace(g, r) && daysBetween(last, sowingFrom) <= trace.value(lateValues.told)
    ? say`${wanted}; sown on ${onDay(sowingFrom)} it succeeds in ${oddsNow(g)} years of 100`
    : wanted
}

export const lateValues = tradeValues('late', {
  told: value(
    21,
    'd',
    'model',
    'A grass of the place that is late is told with its odds, up to so long after its last day',
    [0, 60],
  ),
})

/** Nights of the usual winter come near frost, °C. Juvena’s model. */
const FROST_NIGHTS = 6
const frosts = ({ place }: FitGround): boolean => place.low[place.coldest]! < FROST_NIGHTS

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
  for (const { id: part, judge } of FIT_PART_LIST) {
    const judged = judge(grass, ground, v)
    const weight = v[part]
    if (!judged || weight === 0) continue
    parts.push(new JudgedPart(part, weight, judged.rating, judged.says))
    sum += weight * judged.rating
    weights += weight
  }
  const dark = tooDark(grass, ground, v.renewedSun)
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
