import { words } from '../../rules/message.ts'
import { value } from '../../rules/rule.ts'
import { operation } from '../operation.ts'

export const turf = operation({
  id: 'turf',
  name: words('Lay turf'),
  cautions: ['lifting'],
  why: 'Tight joints, rolled, watered the same hour.',
  wants: 'firm, raked, moist soil',
  by: 'area',
  group: 'sow',
  short: ['turf', 8],
  customer: { sown: 'Turf is laid.' },
  rate: value(20, 'm2/h', 'model', 'Laying turf', [2, 200]),
  setUp: value(0.5, 'h', 'model', 'Setting up to turf', [0, 4]),
  plants: true,
  closes: true,
  lostInTheDark: true,
  waitsFor: 'sow',
  anchors: 'plant',
  puts: ['turf'],
})
