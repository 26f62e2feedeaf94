import { value } from '../../../rules/rule.ts'
import { clamp, type FitPartRecord } from '../judging.ts'

export const mending = {
  id: 'mending',
  name: 'mending',
  weight: value(1, '1', 'model', 'Mending by itself counts', [0, 10]),
  judge: (g, _, v) => ({
    rating: g.spreads ? 80 + 20 * clamp(g.creeps / 4) : v.bunch,
    says: () => (g.spreads ? 'knits bare spots together' : 'stands in bunches and does not knit'),
  }),
} as const satisfies FitPartRecord
