import { words } from '../../rules/message.ts'
import { value } from '../../rules/rule.ts'
import { operation } from '../operation.ts'

export const plantStrip = operation({
  id: 'plant-strip',
  name: words('Open the strip under the plants'),
  cautions: [],
  why: 'Plants that hung over shaded it out. Tie or cut them back, roughen the strip and sow it; the edge itself is sound.',
  wants: 'the plants held back first',
  by: 'area',
  group: 'repairs',
  short: ['strip', 3],
  customer: {
    sown: 'Plants that hang over the edge are held back, and the bare strip under them is opened.',
  },
  rate: value(30, 'm2/h', 'model', 'Roughening a strip under plants by hand', [3, 300]),
  setUp: value(0.25, 'h', 'model', 'Setting up to open a strip', [0, 4]),
  opens: true,
  closes: true,
  leavesBare: true,
  ground: 'strip',
})
