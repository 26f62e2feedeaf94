import { num } from '../../../trace/figure.ts'
import { say } from '../../../rules/message.ts'
import { value } from '../../../rules/rule.ts'
import { clamp, type FitPartRecord } from '../judging.ts'

export const soil = {
  id: 'soil',
  name: 'soil',
  weight: value(1, '1', 'model', 'Soil reaction counts', [0, 10]),
  judge: (g, { r }) => {
    const { ph } = r
    if (!ph) return null
    const off = Math.max(0, g.ph[0] - num(ph), num(ph) - g.ph[1])
    return {
      rating: 100 * clamp(1 - off / 2),
      says: () =>
        off > 0
          ? say`likes pH ${g.ph[0]} to ${g.ph[1]}; here it is ${ph}`
          : say`likes pH ${g.ph[0]} to ${g.ph[1]}`,
    }
  },
} as const satisfies FitPartRecord
