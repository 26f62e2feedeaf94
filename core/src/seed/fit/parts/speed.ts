import { quantity, say } from '../../../rules/message.ts'
import { value } from '../../../rules/rule.ts'
import { clamp, type FitPartRecord } from '../judging.ts'

export const speed = {
  id: 'speed',
  name: 'soon in use',
  weight: value(1.5, '1', 'model', 'How soon it bears use counts', [0, 10]),
  judge: (g, _, v) => ({
    rating: 100 * clamp(1 - (g.weeksToUse[0] - v.soonest) / (v.latest - v.soonest)),
    says: () =>
      say`bears use ${quantity({ low: g.weeksToUse[0], high: g.weeksToUse[1] }, 'wk')} from sowing`,
  }),
} as const satisfies FitPartRecord
