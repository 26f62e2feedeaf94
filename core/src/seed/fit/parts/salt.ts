import { value } from '../../../rules/rule.ts'
import { rated, type FitPartRecord } from '../judging.ts'

export const salt = {
  id: 'salt',
  name: 'salt',
  weight: value(6, '1', 'model', 'Salt counts', [0, 10]),
  judge: (g, { r }, v) => {
    if (r.zone.salty !== true) return null
    const rating = Math.max(0, 100 - v.salted * (100 - rated(1, g.salt, v)))
    return { rating, says: () => (rating >= 100 ? 'stands salt' : 'salt burns it out') }
  },
} as const satisfies FitPartRecord
