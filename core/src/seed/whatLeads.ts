import { sure } from '../quantities/sure.ts'
import { coverLines } from '../findings/lines.ts'
import { kindOf, type GrassId, type GrassTable } from '../reference/grasses.ts'
import type { BagOnShelf } from '../stock/seedOnShelf.ts'
import type { ZoneReadings } from '../walkover/zoneReadings.ts'
import { num } from '../trace/figure.ts'
import { say, type Message } from '../rules/message.ts'
import { fitValues, type Fit } from './fit/fit.ts'
import { isPatch, leastSun, type FitGround } from './fit/judging.ts'

/** Which grasses the sward that stands allows; all where `only` is null. */
export interface Leading {
  only: ReadonlySet<GrassId> | null
  says: Message
}

/**
 * Grasses whose seed passes for the fine hybrid of a zone: of the firm's table, or in a bag on the
 * shelf; none where no hybrid stands.
 */
export function hybridSeed(
  { hybrid }: Pick<ZoneReadings['zone'], 'hybrid'>,
  grasses: GrassTable,
  shelf: readonly BagOnShelf[],
): ReadonlySet<GrassId> {
  if (hybrid !== true) return NONE
  return new Set([
    ...Object.values(grasses)
      .filter((g) => g.matchesHybrid)
      .map((g) => g.id),
    ...shelf.flatMap((b) => b.parts.filter((p) => p.matchesHybrid).map((p) => p.grass)),
  ])
}

const NONE: ReadonlySet<GrassId> = new Set()

/**
 * Turf whose own kind is not sown: it has no seed, or is a fine hybrid that no seed to be had
 * (`matching`) passes for.
 */
export const setNotSown = (
  { present, zone }: Pick<ZoneReadings, 'present' | 'zone'>,
  matching: ReadonlySet<GrassId>,
  grasses: GrassTable,
): boolean =>
  present.length > 0 &&
  present.every((g) => g.season === 'warm') &&
  (present.some((g) => g.newRate === null) ||
    (zone.hybrid === true &&
      !present.every((g) => [...matching].some((id) => kindOf(grasses[id] ?? g) === kindOf(g)))))

/**
 * What is there leads: a sward gets its own kinds, unless light, date, disease or the wear asked
 * for argue otherwise. Nothing foreign goes into warm turf that spreads. New ground with nothing to
 * match is free.
 */
export function whatLeads(
  fits: readonly Fit[],
  ground: FitGround & { renovated: boolean; matching: ReadonlySet<GrassId> },
): Leading {
  const { r, schools, sowing, renovated, job, matching, trace } = ground
  const present = r.present.filter((g) => g.season === ground.season && !g.passing)
  const free = (says: Message): Leading => ({ only: null, says })
  if (r.target) {
    const wished = fits.filter((f) => kindOf(f.grass) === kindOf(sure(r.target)))
    const [own] = wished.filter((f) => f.grass.id === sure(r.target).id)
    if (wished.some((f) => f.out === null))
      return {
        only: new Set(wished.filter((f) => f.out === null).map((f) => f.grass.id)),
        says: say`${r.target.short} is what the owner wants.`,
      }
    return free(
      say`The owner wants ${r.target.short}, which does not live here: ${own?.out ?? 'it is set as plugs or turf, not sown'}. This is the nearest that does.`,
    )
  }
  if (present.length === 0) return free('')
  if (renovated) return free('The old sward goes, so it need not be matched.')
  const own = fits.filter((f) => present.some((p) => kindOf(p) === kindOf(f.grass)))
  const names = present.map((p) => p.short).join(', ')
  const passes = r.zone.hybrid === true ? own.filter((f) => matching.has(f.grass.id)) : []
  if (passes.length > 0)
    return {
      only: new Set(passes.map((f) => f.grass.id)),
      says: say`A fine hybrid stands there: only seed that is marked as passing for it, ${passes.map((f) => f.grass.short).join(', ')}.`,
    }
  if (present.every((p) => p.season === 'warm' && p.spreads))
    return {
      only: new Set(own.map((f) => f.grass.id)),
      says: say`Nothing foreign goes into turf that spreads: ${names} only.`,
    }
  // New ground of cool grass is sown with what suits it; so is a sward too thin to match.
  if (
    sowing === 'new' &&
    !isPatch(ground) &&
    (r.wanted === null || num(r.wanted) < trace.value(coverLines.fifty))
  )
    return free('Too little stands to be matched.')
  const there = own.filter((f) => present.includes(f.grass))
  const able = there.filter((f) => f.out === null)
  if (able.length === 0)
    return free(there[0]?.out ? say`Not more of ${there[0].grass.short}: ${there[0].out}.` : '')
  const sick = r.zone.diseases.find((d) => d.active === true)
  if (sick) return free('Disease is active in what is there, so other kinds may join it.')
  const dark = able.every(
    (f) =>
      num(r.sun) <
      (f.grass.sunGood + leastSun(f.grass, schools, trace.value(fitValues.renewedSun))) / 2,
  )
  if (dark)
    return free(say`${names} hardly gets the light it wants, so grasses of the shade may join it.`)
  if (r.zone.treeGone === true)
    return free(say`The light has changed since ${names} came: what suits it now leads.`)
  const worn = r.zone.wear === 'high' || job.aims.includes('hard-wear')
  if (worn && able.every((f) => f.grass.wear === 'low' || f.grass.wear === 'low-mid'))
    return free(say`${names} does not bear the wear asked for, so tougher grasses may join it.`)
  // Cultivars of a kind that is there may stand in for it.
  return {
    only: new Set(own.filter((f) => f.out === null).map((f) => f.grass.id)),
    says: say`What is there leads: ${names}.`,
  }
}
