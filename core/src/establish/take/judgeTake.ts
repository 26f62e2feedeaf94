import { answerSaid, answersOf, TAKE_SIGN_IDS, TAKE_SIGNS, type TakeSeen, type TakeSign } from '../../reference/takeSigns.ts' // prettier-ignore
import type { Message } from '../../rules/message.ts'
import { dot, sum } from '../../quantities/sum.ts'
import { procedure } from '../../rules/rule.ts'
import {
  CAUSE_IDS,
  KNOWN_SIGNS,
  LEVELS,
  likelihoodValues,
  priorValues,
  TAKE_CAUSES,
  USUALLY,
  verdictValues,
  type CauseId,
  type KnownSign,
  type Level,
  type Shows,
  type Sign,
} from './causes.ts'

/** What Juvena knows of the ground without being asked, by sign; what it does not is left out. */
export type TakeKnown = { [S in KnownSign]?: keyof (typeof KNOWN_SIGNS)[S] }

/** One thing that was seen or is known, and how far it speaks for a cause. */
export interface Evidence {
  sign: Sign
  answer: string
  says: Message
  /** How many times as likely the answer is where this is the cause, against the other causes. */
  factor: number
}

export interface RankedCause {
  cause: CauseId
  /** Of a hundred such failures, %. */
  share: number
  for: Evidence[]
  against: Evidence[]
}

export interface TakeVerdict {
  /** Likeliest first. */
  causes: RankedCause[]
  /** The cause that is named; null where nobody can tell yet. */
  likely: CauseId | null
  /** What is best looked at next; null where nothing is left that tells more. */
  next: { sign: TakeSign; bits: number } | null
}

export type TakeWeights = {
  [
    K in keyof typeof likelihoodValues | keyof typeof priorValues | keyof typeof verdictValues
  ]: number
}

export const takeRules = {
  ranked: procedure({
    id: 'take.ranked',
    key: 'take',
    stage: 8,
    label: 'Why it did not take',
    unit: '%',
    standing: 'model',
    says: 'Each cause begins with how often it is one; what is seen and known multiplies it by how likely that is where it holds: often {often}, sometimes {sometimes}, seldom {seldom}, hardly {hardly}, of all the answers there are, to the power of {together}, as what is seen hangs together. All together make 100 %.',
    values: { ...likelihoodValues, together: verdictValues.together },
    inputs: {},
    steps: 'share = how often × likelihood of each thing seen ÷ the sum over the causes',
    by: 'establish/take/judgeTake: judgeTake',
    check: 'take.test.ts',
  }),
}

const isAsked = (sign: Sign): sign is TakeSign => sign in TAKE_SIGNS
const answers = (sign: Sign): readonly string[] =>
  isAsked(sign) ? answersOf(sign) : Object.keys(KNOWN_SIGNS[sign])
const wordsOf = (sign: Sign, answer: string): Message =>
  isAsked(sign) ? answerSaid(sign, answer) : (KNOWN_SIGNS[sign] as Record<string, Message>)[answer]!

const levelOf = (shows: Shows, answer: string): Level =>
  LEVELS.find((level) => level !== 'seldom' && shows[level]?.includes(answer)) ?? 'seldom'

/** How likely an answer is where a cause holds, 0 to 1; all answers of a sign make 1. */
export function likelihood(cause: CauseId, sign: Sign, answer: string, v: TakeWeights): number {
  const shows = TAKE_CAUSES[cause].shows[sign] ?? USUALLY[sign] ?? {}
  let all = 0
  for (const a of answers(sign)) all += v[levelOf(shows, a)]
  return v[levelOf(shows, answer)] / all
}

/** The same as it counts beside what else was seen: several signs of one cause come together. */
const counts = (cause: CauseId, sign: Sign, answer: string, v: TakeWeights): number =>
  likelihood(cause, sign, answer, v) ** v.together

/** Signs that can be looked at now: how seedlings died only where some did. */
const canBeSeen = (sign: TakeSign, seen: TakeSeen, sown: boolean): boolean =>
  sign === 'died'
    ? seen.seedlings === 'gone'
    : sown || sign === 'follows' || sign === 'ground' || sign === 'cans'

const normal = (weights: number[]): number[] => {
  const all = sum(weights)
  return weights.map((w) => w / all)
}
const entropy = (shares: readonly number[]): number =>
  shares.reduce((sum, p) => (p > 0 ? sum - p * Math.log2(p) : sum), 0)

/**
 * Why grass is missing: causes by Bayes’ rule over stated likelihoods, taken as independent. `sown`
 * false where nothing was sown or set: causes of bare ground alone. Juvena’s model.
 */
export function judgeTake(
  seen: TakeSeen,
  known: TakeKnown,
  sown: boolean,
  v: TakeWeights,
): TakeVerdict {
  const causes = CAUSE_IDS.filter((c) => sown || TAKE_CAUSES[c].unsown)
  const told = [
    ...TAKE_SIGN_IDS.flatMap((sign) => (seen[sign] && canBeSeen(sign, seen, sown) ? [{ sign: sign as Sign, answer: seen[sign] as string }] : [])), // prettier-ignore
    ...Object.entries(known).map(([sign, answer]) => ({ sign: sign as Sign, answer: answer as string })), // prettier-ignore
  ]
  const shares = normal(
    causes.map((c) => told.reduce((w, { sign, answer }) => w * counts(c, sign, answer, v), v[c])),
  )
  const evidence = (i: number): Evidence[] =>
    told
      .map(({ sign, answer }) => {
        const own = likelihood(causes[i]!, sign, answer, v)
        const begin = normal(causes.map((c, j) => (j === i ? 0 : v[c])))
        const others = dot(
          begin,
          causes.map((c) => likelihood(c, sign, answer, v)),
        )
        return { sign, answer, says: wordsOf(sign, answer), factor: own / others }
      })
      .sort((a, b) => b.factor - a.factor)
  const ranked = causes
    .map((cause, i): RankedCause => {
      const all = evidence(i)
      return {
        cause,
        share: 100 * shares[i]!,
        for: all.filter((e) => e.factor >= v.speaks),
        against: all.filter((e) => e.factor <= 1 / v.speaks).reverse(),
      }
    })
    .sort((a, b) => b.share - a.share)
  const [first, second] = ranked
  const likely =
    first &&
    told.some(({ sign }) => isAsked(sign)) &&
    first.share >= v.likely &&
    first.share >= v.ahead * (second?.share ?? 0)
      ? first.cause
      : null
  return { causes: ranked, likely, next: nextLook(causes, shares, seen, sown, v) }
}

/** Below so many bits a look tells nothing worth the walk. */
const TELLS = 0.02

/** The sign not looked at yet that is expected to tell most, in bits. */
function nextLook(
  causes: readonly CauseId[],
  shares: readonly number[],
  seen: TakeSeen,
  sown: boolean,
  v: TakeWeights,
): TakeVerdict['next'] {
  const now = entropy(shares)
  const looks = TAKE_SIGN_IDS.filter((s) => !seen[s] && canBeSeen(s, seen, sown)).map((sign) => {
    let left = 0
    for (const answer of answersOf(sign)) {
      const chance = dot(
        shares,
        causes.map((c) => likelihood(c, sign, answer, v)),
      )
      const then = causes.map((c, i) => shares[i]! * counts(c, sign, answer, v))
      if (chance > 0) left += chance * entropy(normal(then))
    }
    return { sign, bits: now - left }
  })
  const best = looks.sort((a, b) => b.bits - a.bits)[0]
  return best && best.bits > TELLS ? best : null
}
