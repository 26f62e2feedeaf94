import { words } from '../../rules/message.ts'
import { value } from '../../rules/rule.ts'
import { feeding } from '../feeding.ts'
import { operation } from '../operation.ts'

export const feedLawn = operation({
  ...feeding,
  id: 'feed-lawn',
  name: words('Feed the lawn'),
  why: 'Where only spots are sown, the lawn round them has a feed and a day of its own. Granules want water.',
  customer: { sown: 'The lawn is fed.' },
  rate: value(2500, 'm2/h', 'model', 'Feeding the lawn, a pass', [100, 20_000]),
  setUp: value(0.25, 'h', 'model', 'Setting up to feed the lawn', [0, 4]),
})
