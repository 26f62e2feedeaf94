import { words } from '../../rules/message.ts'
import { value } from '../../rules/rule.ts'
import { operation } from '../operation.ts'
import { moist } from '../wants.ts'

export const digClumps = operation({
  id: 'dig-clumps',
  name: words('Dig out coarse clumps, refill'),
  cautions: ['services'],
  why: 'Clumps cut down grow again: they come out with their roots, and the holes are filled to level and sown.',
  wants: moist,
  by: 'area',
  group: 'weeds and old growth',
  short: ['clumps', 3],
  customer: { sown: 'Coarse clumps are dug out and the holes filled.' },
  rate: value(
    10,
    'm2/h',
    'model',
    'Digging out clumps and refilling, ground under clumps',
    [1, 100],
  ),
  setUp: value(0.25, 'h', 'model', 'Setting up to dig clumps', [0, 4]),
  steel: true,
  leavesBare: true,
  spreadsSoil: true,
  ground: 'clumps',
  puts: ['soil', 'dressing'],
})
