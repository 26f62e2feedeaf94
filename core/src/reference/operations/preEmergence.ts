import { words } from '../../rules/message.ts'
import { value } from '../../rules/rule.ts'
import { operation } from '../operation.ts'

export const preEmergence = operation({
  id: 'pre-emergence',
  name: words('Put down a pre-emergence'),
  cautions: ['pesticide'],
  why: 'Stops annual grasses where nothing will be sown: half before cores are taken and half straight after, to renew the barrier; cutting down alone does not break it. It keeps seed out for months: the label decides.',
  wants: 'nothing sown here for {preEmergence}',
  by: 'area',
  group: 'weeds and old growth',
  short: ['pre-em.', 5],
  customer: {
    sown: 'A product that stops annual weed grasses goes down. Keep children and pets off until we say so.',
  },
  rate: value(2500, 'm2/h', 'model', 'Putting down a pre-emergence', [200, 20_000]),
  setUp: value(0.5, 'h', 'model', 'Setting up for a pre-emergence', [0, 4]),
  closes: true,
  sprays: true,
  puts: ['spray'],
  weather: 'sprays',
})
