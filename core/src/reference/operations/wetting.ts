import { words } from '../../rules/message.ts'
import { value } from '../../rules/rule.ts'
import { operation } from '../operation.ts'

export const wetting = operation({
  id: 'wetting',
  name: words('Wetting agent, slow water'),
  cautions: [],
  why: 'Soil that sheds water takes it again. What it does is its maker’s claim; slow water is what is sure.',
  wants: 'after spiking, water to follow',
  by: 'area',
  group: 'open',
  short: ['wetting', 2],
  customer: { sown: 'The soil is drenched so that it takes water again.' },
  rate: value(1500, 'm2/h', 'model', 'Drenching with a wetting agent', [100, 10_000]),
  setUp: value(0.5, 'h', 'model', 'Setting up to drench', [0, 4]),
  wetted: true,
})
