import { lightLines } from '../../../reference/siteValues.ts'
import { num } from '../../../trace/figure.ts'
import { quantity, say } from '../../../rules/message.ts'
import { value } from '../../../rules/rule.ts'
import { clamp, leastSun, type FitPartRecord } from '../judging.ts'

export const light = {
  id: 'light',
  name: 'light',
  weight: value(3, '1', 'model', 'Light counts', [0, 10]),
  judge: (g, { r, schools, trace }, v) => {
    const sun = num(r.sun)
    const least = leastSun(g, schools, v.renewedSun)
    const passes =
      g.onlyFor === 'shade' && schools.shade === 'lasting' && sun < trace.value(lightLines.cool)
    if (passes)
      return {
        rating: v.justEnough / 2,
        says: () => 'it thins out in shade and wants renewing every year',
      }
    const share =
      g.sunGood > least ? clamp((sun - least) / (g.sunGood - least)) : sun >= least ? 1 : 0
    const short = Math.max(0, least - sun)
    return {
      rating: Math.max(0, v.justEnough + (100 - v.justEnough) * share - v.justEnough * short),
      says: () =>
        share >= 1
          ? say`at ease with ${quantity(g.sunGood, 'h')} of sun; here it gets ${r.sun}`
          : say`lives on ${quantity(least, 'h')} of sun, at ease with ${quantity(g.sunGood, 'h')}; here it gets ${r.sun}`,
    }
  },
} as const satisfies FitPartRecord
