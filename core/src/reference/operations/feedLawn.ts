import { words } from '../../rules/message.ts'
import { value } from '../../rules/rule.ts'
import { operation } from '../operation.ts'

export const feedLawn = operation({
  id: 'feed-lawn',
  name: words('Feed the lawn'),
  cautions: ['feed'],
  cautionsAt: 5,
  why: 'Where only spots are sown, the lawn round them has a feed and a day of its own. Granules want water.',
  wants: 'growth, and rain or water to follow',
  by: 'area',
  tools: { hand: { name: 'by hand', rate: null } },
  group: 'feed, water and mow',
  short: ['feed', 2],
  customer: { sown: 'The lawn is fed.', unsown: 'The lawn is fed.' },
  rate: value(2500, 'm2/h', 'model', 'Feeding the lawn, a pass', [100, 20_000]),
  setUp: value(0.25, 'h', 'model', 'Setting up to feed the lawn', [0, 4]),
  wetted: true,
  halved: true,
  feeds: true,
  lostInTheDark: true,
  weather: 'spreads',
  anchors: 'feed',
  puts: ['feed'],
})
