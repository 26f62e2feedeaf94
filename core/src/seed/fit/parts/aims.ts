import { quantity, say, type Message } from '../../../rules/message.ts'
import { value } from '../../../rules/rule.ts'
import { bears, clamp, type FitPartRecord } from '../judging.ts'

export const aims = {
  id: 'aims',
  name: 'aims',
  weight: value(3, '1', 'model', 'What the customer wants counts', [0, 10]),
  judge: (g, { job }, v) => {
    const asked: [number, () => Message][] = []
    if (job.aims.includes('low-upkeep')) {
      const feed = g.nitrogen ? (g.nitrogen[0] + g.nitrogen[1]) / 2 : 10
      asked.push([
        (clamp(1 - (feed - 5) / 15) + bears(g.drought, v)) / 2,
        () => say`little upkeep: it wants ${quantity(feed, 'g/m2')} of nitrogen a year`,
      ])
    }
    if (job.aims.includes('hard-wear')) asked.push([bears(g.wear, v), () => 'hard wear is wanted'])
    if (job.aims.includes('thicker'))
      asked.push([
        g.spreads || (g.days?.[0] ?? 99) <= 5 ? 1 : 0.6,
        () => 'a thicker lawn is wanted',
      ])
    if (job.aims.includes('level'))
      asked.push([g.cut[0] <= 20 ? 1 : 0.6, () => 'a short, level lawn is wanted'])
    if (asked.length === 0) return null
    const worst = asked.reduce((a, b) => (b[0] < a[0] ? b : a))
    return { rating: (100 * asked.reduce((sum, [x]) => sum + x, 0)) / asked.length, says: worst[1] }
  },
} as const satisfies FitPartRecord
