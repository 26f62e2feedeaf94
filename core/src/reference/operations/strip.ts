import { words } from '../../rules/message.ts'
import { value } from '../../rules/rule.ts'
import { operation } from '../operation.ts'
import { moist } from '../wants.ts'

export const strip = operation({
  id: 'strip',
  name: words('Lift off the old growth'),
  cautions: ['services', 'lifting'],
  why: 'The sward comes off with its roots, and the ground is graded.',
  wants: moist,
  by: 'area',
  group: 'weeds and old growth',
  short: ['lift', 6],
  customer: { sown: 'The old growth is lifted off.' },
  rate: value(60, 'm2/h', 'model', 'Lifting off the old growth', [5, 1000]),
  setUp: value(0.5, 'h', 'model', 'Setting up to strip', [0, 4]),
  closes: true,
  steel: true,
})
