import { words } from '../../rules/message.ts'
import { value } from '../../rules/rule.ts'
import { operation } from '../operation.ts'

export const feed = operation({
  id: 'feed',
  name: words('Starter feed'),
  unsown: words('Feed'),
  cautions: ['feed'],
  cautionsAt: 5,
  why: 'Half rate, crossed. Granules want water.',
  wants: 'growth, and rain or water to follow',
  by: 'area',
  tools: { hand: { name: 'by hand', rate: null } },
  group: 'feed, water and mow',
  short: ['feed', 2],
  customer: { sown: 'Starter feed, with the seed.', unsown: 'The lawn is fed.' },
  rate: value(2500, 'm2/h', 'model', 'Feeding, a pass', [100, 20_000]),
  setUp: value(0.25, 'h', 'model', 'Setting up to feed', [0, 4]),
  wetted: true,
  halved: true,
  feeds: true,
  lostInTheDark: true,
  weather: 'spreads',
  anchors: 'feed',
  puts: ['feed'],
})
