import { value } from '../../../rules/rule.ts'
import { rated, share, type FitPartRecord } from '../judging.ts'

export const wet = {
  id: 'wet',
  name: 'wet ground',
  weight: value(2.5, '1', 'model', 'Wet ground counts', [0, 10]),
  judge: (g, { r }, v) => {
    const wet =
      r.zone.ponding !== null && r.zone.ponding >= 1
        ? 1
        : r.zone.damp === 'wet'
          ? share(v.wetDamp)
          : null
    if (wet === null) return null
    const rating = rated(wet, g.wet, v)
    return {
      rating,
      says: () => (rating >= 100 ? 'stands wet feet' : 'it does not stand ground as wet as this'),
    }
  },
} as const satisfies FitPartRecord
