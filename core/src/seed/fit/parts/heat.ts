import { quantity, say } from '../../../rules/message.ts'
import { value } from '../../../rules/rule.ts'
import { clamp, rated, type FitPartRecord } from '../judging.ts'

export const heat = {
  id: 'heat',
  name: 'summer heat',
  weight: value(2, '1', 'model', 'Heat of the usual summer counts', [0, 10]),
  judge: (g, { place }, v) => {
    const day = Math.round(place.high[place.warmest]!)
    const asked = clamp((day - v.hotFrom) / (v.hotTo - v.hotFrom))
    if (g.season === 'warm' || asked <= 0)
      return { rating: 100, says: () => say`summer days of ${quantity(day, 'C')}` }
    const rating = rated(asked, g.heat, v)
    return { rating, says: () => rating >= 100 ? say`stands summer days of ${quantity(day, 'C')}` : say`suffers in usual summer days of ${quantity(day, 'C')}` } // prettier-ignore
  },
} as const satisfies FitPartRecord
