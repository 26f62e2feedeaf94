import { words } from '../../rules/message.ts'
import { value } from '../../rules/rule.ts'
import { operation } from '../operation.ts'

export const water = operation({
  id: 'water',
  name: words('Watering begins'),
  unsown: words('Water in'),
  cautions: ['trip'],
  cautionsAt: 7,
  why: 'Within 2 hours of sowing, before anyone drives off.',
  wants: 'the same day',
  by: 'nothing',
  group: 'feed, water and mow',
  short: ['', 0],
  customer: { sown: 'Watering begins, the same day.', unsown: 'It is watered in.' },
  setUp: value(0.75, 'h', 'model', 'Setting out the watering', [0, 4]),
  evening: true,
  quiet: true,
  along: 'with-work',
})
