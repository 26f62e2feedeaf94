import { sure } from '../quantities/sure.ts'
import type { Job } from '../entities/job.ts'
import { thatchLines } from '../findings/lines.ts'
import { OPERATIONS } from '../reference/operations.ts'
import { num } from '../trace/figure.ts'
import { tradeValues, value, type TradeValue } from '../rules/rule.ts'
import type { Sowing } from '../reference/lists.ts'
import type { Trace } from '../trace/trace.ts'
import type { ZoneWork } from './workTypes.ts'

/** Days sown ground looks bad. */
export const badDays = tradeValues('bad-days', {
  none: value(
    0,
    'd',
    'model',
    'Where nothing is sown, it looks bad for what is done to it, at least',
    [0, 60],
  ),
  spots: value(28, 'd', 'model', 'Mended spots look bad for', [0, 120]),
  thin: value(21, 'd', 'model', 'Thin places, sown, look bad for', [0, 120]),
  over: value(21, 'd', 'model', 'Overseeded, it looks bad for', [0, 120]),
  new: value(49, 'd', 'model', 'Sown as new ground, it looks bad for', [0, 250]),
  'cover-then-sow': value(
    14,
    'd',
    'model',
    'Held over with a quick cover, it looks bad for',
    [0, 120],
  ),
  blend: value(28, 'd', 'model', 'Blended, it looks bad for', [0, 120]),
  'winter-green': value(21, 'd', 'model', 'Sown for winter green, it looks bad for', [0, 120]),
  plugs: value(56, 'd', 'model', 'Gaps set with plugs show for', [7, 200]),
  turf: value(14, 'd', 'model', 'Laid turf shows its joints for', [3, 60]),
} satisfies Record<Sowing, TradeValue>)

/** A lawn is worked every year when its last scarifying lies no longer back than this, days. */
const YEARLY = 550

function neglected(
  { r }: ZoneWork,
  job: Pick<Job, 'treatments' | 'walked'>,
  trace: Trace,
): boolean {
  const last = job.treatments
    .filter(
      (t) =>
        t.kind === 'scarified' && t.date && (t.zones.length === 0 || t.zones.includes(r.zone.id)),
    )
    .map((t) => Date.parse(sure(t.date)))
  const walked = job.walked ? Date.parse(job.walked) : null
  if (last.length > 0 && walked !== null) return walked - Math.max(...last) > YEARLY * 86_400_000
  return r.thatch !== null && num(r.thatch) > trace.value(thatchLines.deep)
}

/**
 * How long a zone looks bad after what is done to it, days: the longest of its operations and of
 * its sowing.
 */
export function looksBadDays(
  work: ZoneWork,
  job: Pick<Job, 'treatments' | 'walked'>,
  trace: Trace,
): number {
  const days = work.operations.map(({ operation }): number => {
    const { looksBad } = OPERATIONS[operation]
    if (!looksBad) return 0
    if ('is' in looksBad) return trace.value(looksBad)
    return trace.value(neglected(work, job, trace) ? looksBad.neglected : looksBad.yearly)
  })
  return Math.max(trace.value(badDays[work.sowing]), ...days)
}
