import { words } from '../../rules/message.ts'
import { value } from '../../rules/rule.ts'
import { operation } from '../operation.ts'

export const grade = operation({
  id: 'grade',
  name: words('Grade'),
  cautions: ['lifting'],
  why: 'Falls set, lows filled, stones off.',
  wants: 'loose, dry soil',
  by: 'area',
  group: 'bed and surface',
  short: ['grade', 5],
  customer: { sown: 'The surface is set.' },
  rate: value(200, 'm2/h', 'model', 'Grading', [20, 5000]),
  setUp: value(0.5, 'h', 'model', 'Setting up to grade', [0, 4]),
  ground: 'sown',
  weather: 'opens',
})
