import { words } from '../../rules/message.ts'
import { value } from '../../rules/rule.ts'
import { operation } from '../operation.ts'

export const preEmergenceAgain = operation({
  id: 'pre-emergence-again',
  name: words('Put down the other half of the pre-emergence'),
  cautions: ['pesticide'],
  why: 'Tines break the barrier: the half of the label’s dose that was kept back renews it over the holes.',
  wants: 'cores cleared, nothing sown here for {preEmergence}',
  by: 'area',
  group: 'open',
  short: ['pre-em.', 5],
  customer: {
    sown: 'The second half of the product against annual weed grasses goes down. Keep children and pets off until we say so.',
  },
  rate: value(
    2500,
    'm2/h',
    'model',
    'Putting down the other half of a pre-emergence',
    [200, 20_000],
  ),
  setUp: value(0.5, 'h', 'model', 'Setting up for the other half of a pre-emergence', [0, 4]),
  closes: true,
  sprays: true,
  puts: ['spray'],
  needs: 'standing',
  weather: 'sprays',
  follows: [{ after: 'core', least: 0, most: 1, why: 'the barrier renewed over the holes' }],
})
