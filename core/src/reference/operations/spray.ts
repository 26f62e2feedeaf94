import { words } from '../../rules/message.ts'
import { value } from '../../rules/rule.ts'
import { operation } from '../operation.ts'

export const spray = operation({
  id: 'spray',
  name: words('Spray broad-leaved weeds'),
  cautions: ['pesticide'],
  why: 'On uncut weeds, small and growing; they show it in days to weeks. Seed waits {sprayWait}, or what the label says.',
  wants: 'growing weeds, uncut for {uncut}',
  by: 'area',
  sets: ['rainFree'],
  group: 'weeds and old growth',
  short: ['spray', 6],
  customer: {
    sown: 'Weeds are sprayed. Keep children and pets off until we say so; the label decides how long.',
  },
  rate: value(2000, 'm2/h', 'model', 'Spraying', [200, 20_000]),
  setUp: value(0.5, 'h', 'model', 'Setting up to spray', [0, 4]),
  closes: true,
  sprays: true,
  puts: ['spray'],
  ownDay: true,
  weather: 'sprays',
  waitsFor: 'spray',
})
