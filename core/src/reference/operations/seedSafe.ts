import { words } from '../../rules/message.ts'
import { value } from '../../rules/rule.ts'
import { operation } from '../operation.ts'

export const seedSafe = operation({
  id: 'seed-safe',
  name: words('Herbicide that seed stands'),
  cautions: ['pesticide'],
  why: 'Before or after the seed as labelled. Treated weeds may bleach white for weeks: tell the customer. Keep the herbicide off turf it is not labelled for.',
  wants: 'the label of the product, and every grass sown named on it',
  by: 'area',
  sets: ['rainFree'],
  group: 'sow',
  short: ['herbicide', 3],
  customer: {
    sown: 'A weedkiller that new seed stands goes down. Weeds may turn white for some weeks: that is right. Keep children and pets off until we say so.',
  },
  rate: value(2000, 'm2/h', 'model', 'Putting down a herbicide that seed stands', [200, 20_000]),
  setUp: value(0.5, 'h', 'model', 'Setting up for a herbicide that seed stands', [0, 4]),
  sprays: true,
  puts: ['spray'],
  needs: 'seed',
  weather: 'sprays',
})
