import type { Job } from '../entities/job.ts'
import { slopeLines } from '../findings/lines.ts'
import { COVER_NAMES, type CoverId } from '../reference/lists.ts'
import { coverDepth } from '../reference/materialValues.ts'
import type { ZoneSeed } from '../seed/seedPlan.ts'
import { depthsOf } from '../seed/seedDepth.ts'
import { num, type Figure, type Notice } from '../trace/figure.ts'
import { say } from '../rules/message.ts'
import { figureId, JOB, zoneScope } from '../trace/scope.ts'
import type { Trace } from '../trace/trace.ts'
import { plans, type ZoneWork } from '../work/workTypes.ts'
import { coverRules, dressingTable } from './dressingRules.ts'

export interface CoverPlan {
  kind: CoverId
  zones: { zone: string; amount: Figure }[]
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
    const zone = works.find((w) => w.r.id === seed.zone)!
    if (!plans(zone, 'cover') || job.cover === 'none') continue
    const bank = num(zone.r.slope) >= trace.value(slopeLines.bank)
    const kind: CoverId = job.cover ?? (bank ? 'blanket' : 'peat-free')
    groups.set(kind, [
      ...(groups.get(kind) ?? []),
      {
        zone: zone.r.id,
        amount: inSheets(kind) ? blanketOver(seed, kind, trace) : looseOver(seed, kind, trace),
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

const blanketOver = (seed: ZoneSeed, kind: 'blanket' | 'sheet', trace: Trace): Figure =>
  trace.work(
    coverRules.blanket,
    zoneScope(seed.zone),
    { area: seed.sownArea },
    { label: COVER_NAMES[kind] },
  )

function looseOver(seed: ZoneSeed, kind: 'peat-free' | 'compost', trace: Trace): Figure {
  const scope = zoneScope(seed.zone)
  const bears = depthsOf(seed.mix, trace)
  const usual = trace.table(dressingTable.cover, scope, trace.value(coverDepth[kind]))
  const depth = trace.work(coverRules.depth, scope, { usual, bears })
  return trace.work(
    coverRules.litres,
    scope,
    { area: seed.sownArea, depth },
    { label: COVER_NAMES[kind] },
  )
}
