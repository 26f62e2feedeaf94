import { words } from '../../rules/message.ts'
import { value } from '../../rules/rule.ts'
import { operation } from '../operation.ts'

export const plugs = operation({
  id: 'plugs',
  name: words('Set plugs or runners'),
  cautions: [],
  why: 'Of the turf that grows there, inside each gap as well as from its edge: about twice as fast. Skip edging for a week to have runners. What is set is watered within the hour, each day, not once all is done.',
  wants: 'warm, moist soil in growth',
  by: 'area',
  group: 'sow',
  short: ['plugs', 8],
  customer: { sown: 'Plugs of the same grass are set in the gaps.' },
  rate: value(8, 'm2/h', 'model', 'Setting plugs or runners', [1, 100]),
  setUp: value(0.5, 'h', 'model', 'Setting up to plug', [0, 4]),
  plants: true,
  closes: true,
  lostInTheDark: true,
  ground: 'sown',
  waitsFor: 'sow',
  anchors: 'plant',
  puts: ['plugs'],
})
