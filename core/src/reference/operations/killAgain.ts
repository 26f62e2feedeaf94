import { words } from '../../rules/message.ts'
import { value } from '../../rules/rule.ts'
import { operation } from '../operation.ts'

export const killAgain = operation({
  id: 'kill-again',
  name: words('Kill regrowth'),
  cautions: ['pesticide'],
  why: 'What greens again is caught before it is buried.',
  wants: 'what regrows',
  by: 'area',
  sets: ['rainFree'],
  group: 'weeds and old growth',
  short: ['kill', 6],
  customer: { sown: 'What regrew is treated again.' },
  rate: value(2000, 'm2/h', 'model', 'Killing regrowth', [200, 20_000]),
  setUp: value(0.5, 'h', 'model', 'Setting up to kill regrowth', [0, 4]),
  sprays: true,
  puts: ['spray'],
  ownDay: true,
  weather: 'sprays',
})
