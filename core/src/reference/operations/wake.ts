import { words } from '../../rules/message.ts'
import { value } from '../../rules/rule.ts'
import { operation } from '../operation.ts'

export const wake = operation({
  id: 'wake',
  name: words('Rake straw out, spike, water'),
  cautions: ['services'],
  why: 'What brown turf may have while nobody knows yet whether it is asleep: straw out by hand, shallow holes, water, a light feed. Nothing that cuts, opens or kills.',
  wants: 'a spring rake, no blades',
  by: 'area',
  group: 'before',
  short: ['rake, water', 3],
  customer: {
    sown: 'Straw is raked out and the brown ground is spiked and watered, to wake what is alive.',
  },
  rate: value(250, 'm2/h', 'model', 'Raking straw out and spiking', [20, 2000]),
  setUp: value(0.25, 'h', 'model', 'Setting up to rake straw out', [0, 4]),
  steel: true,
  due: 'soon',
})
