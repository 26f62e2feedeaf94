import { WEAR_NAMES } from '../../../reference/lists.ts'
import { say } from '../../../rules/message.ts'
import { value } from '../../../rules/rule.ts'
import { rated, share, type FitPartRecord } from '../judging.ts'

const WEAR_ASKED = { low: 'wearLow', mid: 'wearMid', high: 'wearHigh' } as const

/** Where nobody said, a lawn is taken for one that a family uses. */
export const wear = {
  id: 'wear',
  name: 'wear',
  weight: value(2.5, '1', 'model', 'Wear counts', [0, 10]),
  judge: (g, { r }, v) => {
    const asked = r.zone.wear ?? 'mid'
    const rating = rated(share(v[WEAR_ASKED[asked]]), g.wear, v)
    const name = WEAR_NAMES[asked]
    return {
      rating,
      says: () => (rating >= 100 ? say`bears “${name}”` : say`it bears less wear than “${name}”`),
    }
  },
} as const satisfies FitPartRecord
