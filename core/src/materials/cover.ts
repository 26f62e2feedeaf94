import { sure } from '../quantities/sure.ts'
import type { Job } from '../entities/job.ts'
import { slopeLines } from '../findings/lines.ts'
import { COVER_NAMES, type CoverId } from '../reference/lists.ts'
import { coverDepth } from '../reference/materialValues.ts'
import type { ZoneSeed } from '../seed/seedPlan.ts'
import type { GrassId } from '../reference/grasses.ts'
import { deepestSeed, depthsOf } from '../seed/seedDepth.ts'
import { num, type Figure, type Notice } from '../trace/figure.ts'
import { say } from '../rules/message.ts'
import { figureId, JOB, zoneScope } from '../trace/scope.ts'
import type { Trace } from '../trace/trace.ts'
import { plans, type ZoneWork } from '../work/workTypes.ts'
import { coverRules, dressingTable } from './dressingRules.ts'

export interface CoverPlan {
  kind: CoverId
  /** Of loose covers with their depth, mm. */
  zones: { zone: string; amount: Figure; depth: Figure | null }[]
  total: Figure
}

/** Covers that come in sheets, by area. */
const inSheets = (kind: CoverId): kind is 'blanket' | 'sheet' =>
  kind === 'blanket' || kind === 'sheet'

/** Cover over seed where it is planned: a thin one, and on banks a blanket. */
export function planCover(
  job: Job,
  seeds: readonly ZoneSeed[],
  works: readonly ZoneWork[],
  trace: Trace,
): { covers: CoverPlan[]; notices: Notice[] } {
  const groups = new Map<CoverId, CoverPlan['zones']>()
  const notices: Notice[] = []
  for (const seed of seeds) {
    const zone = sure(works.find((w) => w.r.id === seed.zone))
    const bank = num(zone.r.slope) >= trace.value(slopeLines.bank)
    if (bank && job.cover === 'none') notices.push(nothingOverIt(zone))
    if (!plans(zone, 'cover') || job.cover === 'none') continue
    const kind: CoverId = job.cover ?? (bank ? 'blanket' : 'peat-free')
    groups.set(kind, [
      ...(groups.get(kind) ?? []),
      {
        zone: zone.r.id,
        ...(inSheets(kind)
          ? { amount: blanketOver(seed, kind, trace), depth: null }
          : looseOver(seed, kind, trace)),
      },
    ])
    if (bank && kind !== 'blanket')
      notices.push({
        id: figureId(zoneScope(zone.r.id), 'bank-cover'),
        stage: 5,
        zone: zone.r.zone.id,
        level: 'warn',
        title: say`${zone.r.name}: ${kind === 'sheet' ? 'a sheet' : 'loose cover'} on a bank.`,
        says: say`At ${zone.r.slope} ${kind === 'sheet' ? 'rain washes the seed once it is lifted' : 'rain takes it with the seed'}. Pin a blanket.`,
        figure: zone.r.slope.id,
      })
  }
  const covers = [...groups].map(([kind, list]): CoverPlan => {
    const amounts = list.map((z) => z.amount)
    const named = { part: kind, label: say`${COVER_NAMES[kind]}, to order` }
    const total = inSheets(kind)
      ? trace.work(coverRules.totalArea, JOB, { zones: amounts }, named)
      : trace.work(coverRules.totalLitres, JOB, { zones: amounts }, named)
    return { kind, zones: list, total }
  })
  return { covers, notices }
}

const nothingOverIt = ({ r }: ZoneWork): Notice => ({
  id: figureId(zoneScope(r.id), 'bank-cover'),
  stage: 5,
  zone: r.zone.id,
  level: 'warn',
  title: say`${r.name}: a bank sown with nothing over the seed.`,
  says: say`You entered no cover. At ${r.slope} the first heavy rain takes seed and soil down: pin a blanket, or tell the customer what a storm will do.`,
  figure: r.slope.id,
})

const blanketOver = (seed: ZoneSeed, kind: 'blanket' | 'sheet', trace: Trace): Figure =>
  trace.work(
    coverRules.blanket,
    zoneScope(seed.zone),
    { area: seed.sownArea },
    { label: COVER_NAMES[kind] },
  )

function looseOver(
  seed: ZoneSeed,
  kind: 'peat-free' | 'compost',
  trace: Trace,
): { amount: Figure; depth: Figure } {
  const scope = zoneScope(seed.zone)
  const bears = depthsOf(seed.mix, trace)
  const usual = trace.table(dressingTable.cover, scope, trace.value(coverDepth[kind]))
  const depth = trace.work(coverRules.depth, scope, { usual, bears })
  const amount = trace.work(
    coverRules.litres,
    scope,
    { area: seed.sownArea, depth },
    { label: COVER_NAMES[kind] },
  )
  return { amount, depth }
}

/**
 * How deep seed may be worked in, mm: what the mix bears, less the loose cover that goes on it. Null
 * where nothing is sown.
 */
export function workInDepth(
  zone: string,
  mix: readonly { grass: GrassId; share: number }[] | null | undefined,
  covers: readonly CoverPlan[],
  trace: Trace,
): number | null {
  const bears = deepestSeed(mix, trace)
  const over = covers.flatMap((c) => c.zones).find((z) => z.zone === zone)?.depth
  return bears === null || !over ? bears : Math.round((bears - num(over)) * 2) / 2
}
