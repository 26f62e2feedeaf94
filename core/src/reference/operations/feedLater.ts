import { words } from '../../rules/message.ts'
import { value } from '../../rules/rule.ts'
import { lagValues } from '../lagValues.ts'
import { operation } from '../operation.ts'

export const feedLater = operation({
  id: 'feed-later',
  name: words('Starter feed, after mowing'),
  cautions: ['feed'],
  why: 'Held until the seedlings have been mown once.',
  wants: 'mown once',
  by: 'area',
  group: 'feed, water and mow',
  short: ['feed', 2],
  customer: { sown: 'Feed, now that it has been mown.' },
  rate: value(2500, 'm2/h', 'model', 'Feeding after the first mow', [100, 20_000]),
  setUp: value(0.25, 'h', 'model', 'Setting up the later feed', [0, 4]),
  halved: true,
  feeds: true,
  quiet: true,
  needs: 'planting',
  weather: 'spreads',
  puts: ['feed'],
  later: {
    since: 'seedlings',
    days: lagValues.afterMow,
    notDormant: true,
    rule: 'follow.after-mow',
    says: 'Once the seedlings have been mown.',
    steps: 'the day after the first mow',
  },
})
