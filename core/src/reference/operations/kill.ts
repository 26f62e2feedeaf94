import { words } from '../../rules/message.ts'
import { value } from '../../rules/rule.ts'
import { looksBadValues } from '../looksBadValues.ts'
import { operation } from '../operation.ts'

export const kill = operation({
  id: 'kill',
  name: words('Kill off'),
  cautions: ['pesticide'],
  why: 'On uncut, growing leaf: no mowing for {uncut} before.',
  wants: 'growing leaf, uncut for {uncut}',
  by: 'area',
  sets: ['rainFree'],
  group: 'weeds and old growth',
  short: ['kill', 6],
  customer: { sown: 'Weed grasses are killed off. Keep children and pets off until we say so.' },
  rate: value(2000, 'm2/h', 'model', 'Killing off', [200, 20_000]),
  setUp: value(0.5, 'h', 'model', 'Setting up to kill off', [0, 4]),
  looksBad: looksBadValues.killed,
  closes: true,
  sprays: true,
  puts: ['spray'],
  ownDay: true,
  weather: 'sprays',
})
