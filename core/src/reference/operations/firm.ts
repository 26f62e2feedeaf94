import { words } from '../../rules/message.ts'
import { value } from '../../rules/rule.ts'
import { operation } from '../operation.ts'

export const firm = operation({
  id: 'firm',
  name: words('Firm until it shows true'),
  cautions: [],
  why: 'A ballasted roller and a drag mat, several passes, until a string shows it true and a heel leaves no hole.',
  wants: 'dry soil',
  by: 'area',
  sets: ['passes'],
  group: 'bed and surface',
  short: ['', 0],
  customer: { sown: 'The bed is rolled.' },
  rate: value(800, 'm2/h', 'model', 'Rolling, a pass', [50, 10_000]),
  setUp: value(0.25, 'h', 'model', 'Setting up to roll', [0, 4]),
  ground: 'sown',
})
