import { words } from '../../rules/message.ts'
import { value } from '../../rules/rule.ts'
import { lagValues } from '../lagValues.ts'
import { operation } from '../operation.ts'

export const mowWeekly = operation({
  id: 'mow-weekly',
  name: words('Mow, lightly'),
  cautions: ['mower'],
  why: 'The sward that stands is kept from shading the seedlings: every week, a light cut on dry ground, with the watering left off for the day before.',
  wants: 'dry ground: no water the day before',
  by: 'area',
  group: 'feed, water and mow',
  short: ['mow', 3],
  customer: { sown: 'A light mow, on dry ground.' },
  rate: value(700, 'm2/h', 'model', 'A light weekly mow', [50, 10_000]),
  setUp: value(0.25, 'h', 'model', 'Setting up a light mow', [0, 4]),
  quiet: true,
  needs: 'seed',
  mows: 'cut',
  later: {
    since: 'first-mow',
    days: lagValues.mowEvery,
    times: 3,
    notDormant: true,
    rule: 'follow.mow-weekly',
    says: 'A living sward is mown on, lightly, every {days}, on dry ground.',
    steps: 'so many days after the mow before',
  },
})
