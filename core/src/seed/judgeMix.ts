import { sure } from '../quantities/sure.ts'
import type { Notice } from '../trace/figure.ts'
import { quantity, say, type Message } from '../rules/message.ts'
import { figureId, zoneScope } from '../trace/scope.ts'
import type { BagOnShelf } from '../stock/seedOnShelf.ts'
import type { GrassId } from '../reference/grasses.ts'
import { fitOf, type Fit } from './fit/fit.ts'
import { mayMix, mixName, mixProblem, type Mix, type MixBrief, type Shares } from './mix.ts'
import { valueOf, type MixProblem } from './composeMix.ts'

export interface Judgement {
  /** Points of 100 it falls behind Juvena's own mix; null where Juvena has none. */
  loses: number | null
  /** The worst that can be said of it. */
  verdict: 'good' | 'bearable' | 'wrong'
  notices: Notice[]
}

/** A mix that is sold or lies on the shelf as one bag, held against Juvena's. */
export interface JudgedBag extends Pick<Judgement, 'loses' | 'verdict'> {
  lot: string
  number: string
  parts: Shares[]
  /** The worst of it, in a few words; empty where nothing is to be said. */
  says: Message
}

/** Judges every bag of several grasses on the shelf for a zone, the best first. */
export const judgeBags = (
  shelf: readonly BagOnShelf[],
  suggested: Mix,
  brief: MixBrief,
): JudgedBag[] =>
  shelf
    .filter((b) => b.parts.length > 1)
    .map(({ id, number, parts }) => {
      const { loses, verdict, notices } = judgeMix(parts, suggested, brief)
      return { lot: id, number, parts, loses, verdict, says: notices[0]?.title ?? '' }
    })
    .sort((a, b) => (a.loses ?? 100) - (b.loses ?? 100))

/**
 * Behind by so much, a mix is worth a word; by so much, it is wrong for the ground. Juvena's model.
 */
const BEARABLE = 6
const WRONG = 20

/** Judges a mix as it is, a person's own or a bought one, for one zone. `suggested` is Juvena's. */
export function judgeMix(parts: readonly Shares[], suggested: Mix, brief: MixBrief): Judgement {
  const { r, weighed, trace } = brief
  const scope = zoneScope(r.id)
  const sown = parts.filter((p) => p.share > 0)
  // A grass of another season, or one that passes, was not weighed for the mix.
  const fit = (grass: GrassId) =>
    weighed.fits.find((f) => f.grass.id === grass) ?? fitOf(trace.grass(grass), brief)
  const fits = sown.map((p) => fit(p.grass))
  const { only } = weighed.leading
  const instead: Message =
    suggested.parts.length > 0
      ? say`What fits: ${mixName(suggested.parts, trace)}.`
      : 'Nothing of the table fits here.'
  const about = (grass: GrassId): Omit<Notice, 'title' | 'says'> => ({
    id: figureId(scope, 'mix', grass),
    stage: 4,
    zone: r.zone.id,
    level: 'warn',
  })
  const notices = sown.flatMap((p, i): Notice[] => {
    const words = wrongWith(fits[i]!, sown, brief, only)
    return words
      ? [
          {
            ...about(p.grass),
            title: say`${r.name}: ${words.title}`,
            says: say`${words.says} ${instead}`,
          },
        ]
      : []
  })
  const own = worthOf(mixProblem(brief, fits), sown)
  const best = suggested.parts.filter((p) => p.score)
  const most = best.length > 0 ? worthOf(mixProblem(brief, best.map((p) => fit(p.grass))), best) : null // prettier-ignore
  const loses = most === null ? null : Math.max(0, Math.round(most - own))
  const wrong =
    fits.some((f, i) => f.out !== null && sown[i]!.share >= 20) ||
    (loses !== null && loses >= WRONG)
  return {
    loses,
    verdict: wrong ? 'wrong' : notices.length > 0 || (loses ?? 0) >= BEARABLE ? 'bearable' : 'good',
    notices,
  }
}

/**
 * Points of a mix whose parts are the components of the problem, in their order; shares need not
 * make 100.
 */
function worthOf(problem: MixProblem, parts: readonly Shares[]): number {
  const total = parts.reduce((sum, p) => sum + p.share, 0) || 1
  return valueOf(problem, problem.components, parts.map((p) => (100 * p.share) / total)) // prettier-ignore
}

function wrongWith(
  fit: Fit,
  parts: readonly Shares[],
  { season, bag, trace }: MixBrief,
  only: ReadonlySet<GrassId> | null,
): { title: Message; says: Message } | null {
  const g = fit.grass
  if (g.newRate === null)
    return {
      title: say`${g.name} is not sown.`,
      says: 'It is set as plugs or turf; choose another grass to sow, or plugs under Approach.',
    }
  if (g.season !== season)
    return {
      title: say`${g.name} among ${season}-season grass.`,
      says: 'A deliberate blend is a choice; otherwise it stands out for years.',
    }
  if (fit.out !== null)
    return {
      title: fit.dark ? say`too dark for ${g.name}.` : say`${g.name} does not fit.`,
      says: say`Here ${fit.out}.`,
    }
  if (only && !only.has(g.id) && !g.passing) {
    const match = fit.parts.find((p) => p.part === 'match')
    return {
      title: say`${g.short} is not what grows there.`,
      says: match ? say`It has ${match.says}.` : 'It stands out for years.',
    }
  }
  const apart = parts
    .map((p) => trace.grass(p.grass))
    .find((o) => o.id !== g.id && !g.passing && !o.passing && !mayMix(g, o))
  if (apart && g.id < apart.id)
    return {
      title: say`${g.short} and ${apart.short} in one mix.`,
      says: 'They do not stand together: one crowds the other out, or they look patched.',
    }
  const all = parts.reduce(
    (sum, p) => sum + p.share * bag(p.grass).pls * (trace.grass(p.grass).seedsPerGram ?? 0),
    0,
  )
  const own = sure(parts.find((p) => p.grass === g.id))
  const plants = (100 * own.share * bag(g.id).pls * (g.seedsPerGram ?? 0)) / all
  if (parts.length > 1 && plants > g.mostPlants + 0.5)
    return {
      title: say`${g.short} outnumbers the rest.`,
      says: say`${quantity(own.share, '%')} by weight is ${quantity(Math.round(plants), '%')} of the plants; ${quantity(g.mostPlants, '%')} is the most it should be.`,
    }
  return null
}
