import { words } from '../../rules/message.ts'
import { value } from '../../rules/rule.ts'
import { operation } from '../operation.ts'
import { moist } from '../wants.ts'

export const spike = operation({
  id: 'spike',
  name: words('Spike'),
  cautions: ['services'],
  why: 'Shallow solid tines, {spikeDepth} at most, let water in without drying the ground further.',
  wants: moist,
  by: 'area',
  sets: ['passes', 'depth'],
  group: 'open',
  short: ['spike', 4],
  customer: { sown: 'The lawn is spiked, so that water goes in.' },
  rate: value(1500, 'm2/h', 'model', 'Spiking, a pass', [50, 10_000]),
  setUp: value(0.25, 'h', 'model', 'Setting up to spike', [0, 4]),
  closes: true,
  steel: true,
  waitsFor: 'open',
  weather: 'opens',
  anchors: 'care',
})
