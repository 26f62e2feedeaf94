import { words } from '../../rules/message.ts'
import { value } from '../../rules/rule.ts'
import { operation } from '../operation.ts'

export const handWeed = operation({
  id: 'hand-weed',
  name: words('Weed by hand'),
  cautions: ['burns'],
  why: 'Digging takes the whole root and spreads no seed.',
  wants: 'soil moist enough to give up roots',
  by: 'area',
  group: 'weeds and old growth',
  short: ['weed', 3],
  customer: { sown: 'Weeds are dug out by hand.' },
  rate: value(12, 'm2/h', 'model', 'Weeding by hand, ground under weeds', [5, 400]),
  setUp: value(0.1, 'h', 'model', 'Setting up to weed', [0, 4]),
  ground: 'weeds',
  due: 'soon',
})
