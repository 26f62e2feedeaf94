import { words } from '../../rules/message.ts'
import { value } from '../../rules/rule.ts'
import { feeding } from '../feeding.ts'
import { operation } from '../operation.ts'

export const feedRound = operation({
  ...feeding,
  id: 'feed-round',
  name: words('Feed again'),
  why: 'By the feeding programme of the job: so much at once, so often, and no more in a year than its grass wants. Granules want water.',
  customer: { sown: 'The lawn is fed again.' },
  rate: value(2500, 'm2/h', 'model', 'Feeding again, a pass', [100, 20_000]),
  setUp: value(0.25, 'h', 'model', 'Setting up to feed again', [0, 4]),
  quiet: true,
  later: {
    since: 'fed',
    days: 0,
    rule: 'follow.feed-round',
    says: 'By the feeding programme: so many days after the feed before, on a day that is right to feed its grass and that the law allows.',
    steps: 'the first right day after the feed before',
  },
})
