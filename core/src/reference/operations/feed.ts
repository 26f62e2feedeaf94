import { words } from '../../rules/message.ts'
import { value } from '../../rules/rule.ts'
import { feeding } from '../feeding.ts'
import { operation } from '../operation.ts'

export const feed = operation({
  ...feeding,
  id: 'feed',
  name: words('Starter feed'),
  unsown: words('Feed'),
  why: 'Half rate, crossed. Granules want water.',
  customer: { sown: 'Starter feed, with the seed.', unsown: 'The lawn is fed.' },
  rate: value(2500, 'm2/h', 'model', 'Feeding, a pass', [100, 20_000]),
  setUp: value(0.25, 'h', 'model', 'Setting up to feed', [0, 4]),
})
