import { quantity, say } from '../../../rules/message.ts'
import { value } from '../../../rules/rule.ts'
import { clamp, rated, type FitPartRecord } from '../judging.ts'

export const cold = {
  id: 'cold',
  name: 'winter cold',
  weight: value(2.5, '1', 'model', 'Cold of the usual winter counts', [0, 10]),
  judge: (g, { place }, v) => {
    // Never −0.
    const night = Math.round(place.low[place.coldest]!) + 0
    const rating = rated(clamp((v.coldFrom - night) / (v.coldFrom - v.coldTo)), g.cold, v)
    return { rating, says: () => rating >= 100 ? say`stands winter nights of ${quantity(night, 'C')}` : say`suffers in usual winter nights of ${quantity(night, 'C')}` } // prettier-ignore
  },
} as const satisfies FitPartRecord
