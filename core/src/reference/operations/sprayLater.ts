import { words } from '../../rules/message.ts'
import { value } from '../../rules/rule.ts'
import { lagValues } from '../lagValues.ts'
import { operation } from '../operation.ts'

export const sprayLater = operation({
  id: 'spray-later',
  name: words('Spray the weeds that came up'),
  cautions: ['pesticide'],
  why: 'Seedlings stand a weedkiller only once they have been mown three times, and where the label names every grass sown. Look first: dense seedlings may have smothered the weeds.',
  wants: 'growing weeds, seedlings mown three times, uncut for {uncut}',
  by: 'area',
  sets: ['rainFree'],
  group: 'feed, water and mow',
  short: ['spray', 3],
  customer: {
    sown: 'Weeds that came up with the grass are sprayed, now that it stands it. Keep children and pets off until we say so; the label decides how long.',
  },
  rate: value(2000, 'm2/h', 'model', 'Spraying weeds among seedlings', [200, 20_000]),
  setUp: value(0.5, 'h', 'model', 'Setting up to spray among seedlings', [0, 4]),
  closes: true,
  sprays: true,
  puts: ['spray'],
  needs: 'planting',
  weather: 'sprays',
  later: {
    since: 'seedlings',
    days: lagValues.twoMows,
    sinceSown: lagValues.seedlingSpray,
    notDormant: true,
    rule: 'follow.spray-later',
    says: 'Once the seedlings have been mown three times, and four weeks after the seed at least.',
    steps: 'two mows after the first, not before the wait of seedlings, in growth',
  },
})
