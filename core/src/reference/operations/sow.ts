import { words } from '../../rules/message.ts'
import { value } from '../../rules/rule.ts'
import { handTools } from '../handTools.ts'
import { operation } from '../operation.ts'
import { openSurface } from '../wants.ts'

export const sow = operation({
  id: 'sow',
  name: words('Sow, crossed'),
  cautions: [],
  why: 'Two passes at right angles, each at half the rate. Never on crust: loosen first.',
  wants: openSurface,
  by: 'area',
  tools: {
    spreader: { name: 'spreader', rate: null },
    hand: { name: 'by hand', rate: handTools.handSow },
    slit: { name: 'slit seeder', rate: handTools.slit },
  },
  group: 'sow',
  short: ['sow', 9],
  customer: { sown: 'Seed goes down.' },
  rate: value(2500, 'm2/h', 'model', 'Sowing, a pass', [100, 20_000]),
  setUp: value(0.5, 'h', 'model', 'Setting up to sow', [0, 4]),
  plants: true,
  closes: true,
  halved: true,
  lostInTheDark: true,
  afterQuickCover: true,
  ground: 'sown',
  waitsFor: 'sow',
  weather: 'spreads',
})
