import { thatchLines } from '../../../findings/lines.ts'
import { num } from '../../../trace/figure.ts'
import { value } from '../../../rules/rule.ts'
import { rated, share, type FitPartRecord } from '../judging.ts'

/** How little thatch a grass builds, by how much it does. */
const LESS = { high: 'low', mid: 'low-mid', 'low-mid': 'mid', low: 'high' } as const

export const thatch = {
  id: 'thatch',
  name: 'thatch',
  weight: value(1, '1', 'model', 'Building thatch counts', [0, 10]),
  judge: (g, { r, sowing, trace }, v) => {
    if (sowing === 'new' || !r.thatch || num(r.thatch) <= trace.value(thatchLines.fine)) return null
    return {
      rating: rated(share(v.mostThatch), LESS[g.thatch], v),
      says: () =>
        g.thatch === 'high'
          ? 'it builds thatch, and there is enough of that'
          : 'adds little thatch',
    }
  },
} as const satisfies FitPartRecord
