import { words } from '../../rules/message.ts'
import { value } from '../../rules/rule.ts'
import { handTools } from '../handTools.ts'
import { operation } from '../operation.ts'

export const cover = operation({
  id: 'cover',
  name: words('Cover the seed'),
  cautions: ['compost'],
  cautionsAt: 5,
  why: 'Keeps the seed moist; holds a slope.',
  wants: 'seed worked in',
  by: 'area',
  tools: {
    hand: { name: 'by hand', rate: null },
    roller: { name: 'peat roller', rate: handTools.peatRoller },
  },
  group: 'sow',
  short: ['cover', 2],
  customer: { sown: 'A thin cover keeps the seed moist.' },
  rate: value(200, 'm2/h', 'model', 'Covering seed', [20, 5000]),
  setUp: value(0.25, 'h', 'model', 'Setting up to cover', [0, 4]),
  needs: 'seed',
  ground: 'sown',
  puts: ['cover'],
})
