import { words } from '../../rules/message.ts'
import { value } from '../../rules/rule.ts'
import { operation } from '../operation.ts'

export const dogSoil = operation({
  id: 'dog-soil',
  name: words('Flush and change scorched soil'),
  cautions: [],
  why: 'Flush the rings, take the top soil off, bring clean soil to level. One trained corner is the cure.',
  wants: 'water at hand',
  by: 'area',
  group: 'repairs',
  short: ['soil', 3],
  customer: { sown: 'Scorched spots get fresh soil.' },
  rate: value(6, 'm2/h', 'model', 'Flushing and changing soil of scorched rings', [1, 60]),
  setUp: value(0.25, 'h', 'model', 'Setting up to change soil', [0, 4]),
  leavesBare: true,
  spreadsSoil: true,
  ground: 'rings',
  puts: ['soil', 'dressing'],
})
