import { words } from '../../rules/message.ts'
import { value } from '../../rules/rule.ts'
import { operation } from '../operation.ts'
import { anyDay } from '../wants.ts'

export const leafOff = operation({
  id: 'leaf-off',
  name: words('Clear leaf and needles'),
  cautions: [],
  why: 'Blades, tines and seed have to reach the ground.',
  wants: anyDay,
  by: 'area',
  group: 'before',
  short: ['leaf', 2],
  customer: { sown: 'Leaf and needles come off.' },
  rate: value(700, 'm2/h', 'model', 'Clearing leaf and needles', [50, 5000]),
  setUp: value(0.25, 'h', 'model', 'Setting up to clear leaf', [0, 4]),
  due: 'soon',
})
