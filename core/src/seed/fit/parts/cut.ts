import { num } from '../../../trace/figure.ts'
import { quantity, say } from '../../../rules/message.ts'
import { value } from '../../../rules/rule.ts'
import { clamp, type FitPartRecord } from '../judging.ts'

export const cut = {
  id: 'cut',
  name: 'cut',
  weight: value(2, '1', 'model', 'Height of cut counts', [0, 10]),
  judge: (g, { r }) => {
    const cut = num(r.keep)
    const [low, high] = g.cut
    const kept = quantity({ low, high }, 'mm')
    if (cut < low)
      return {
        rating: 100 * clamp(1 - (2 * (low - cut)) / low),
        says: () => say`kept at ${kept}; at ${r.keep} ${g.cutFails[0]}`,
      }
    if (cut > high)
      return {
        rating: 100 * clamp(1 - (cut - high) / high),
        says: () => say`kept at ${kept}; at ${r.keep} ${g.cutFails[1]}`,
      }
    return { rating: 100, says: () => say`kept at ${kept}` }
  },
} as const satisfies FitPartRecord
