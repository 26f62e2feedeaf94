import { words } from '../../rules/message.ts'
import { value } from '../../rules/rule.ts'
import { operation } from '../operation.ts'

export const trench = operation({
  id: 'trench',
  name: words('Fill the trench'),
  cautions: ['lifting'],
  why: 'Over-full, firmed in layers, so that it settles to level.',
  wants: 'soil dry enough to firm',
  by: 'area',
  group: 'repairs',
  short: ['trench', 4],
  customer: { sown: 'The sunken trench is filled and firmed.' },
  rate: value(3, 'm2/h', 'model', 'Filling a trench in layers', [0.5, 40]),
  setUp: value(0.5, 'h', 'model', 'Setting up to fill a trench', [0, 4]),
  closes: true,
  leavesBare: true,
  spreadsSoil: true,
  ground: 'trench',
  puts: ['soil', 'dressing'],
})
