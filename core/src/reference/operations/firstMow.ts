import { words } from '../../rules/message.ts'
import { value } from '../../rules/rule.ts'
import { operation } from '../operation.ts'

export const firstMow = operation({
  id: 'first-mow',
  name: words('First mow'),
  cautions: ['mower'],
  cautionsAt: 8,
  why: 'Dry ground, sharp blade, no tight turns; seedlings must not pull out.',
  wants: 'dry ground, and the height',
  by: 'area',
  group: 'feed, water and mow',
  short: ['mow', 3],
  customer: { sown: 'First mow, on a dry day, with a sharp blade.' },
  rate: value(700, 'm2/h', 'model', 'First mow', [50, 10_000]),
  setUp: value(0.25, 'h', 'model', 'Setting up the first mow', [0, 4]),
  quiet: true,
  needs: 'planting',
  gates: [
    'It stands as high as is told',
    'The ground is dry: no foot sinks in',
    'Seedlings hold to a gentle pull',
    'The blade is sharp, and the roller is off',
  ],
  mows: 'standing',
  later: {
    since: 'band',
    days: 0,
    notDormant: true,
    rule: 'follow.mow-day',
    says: 'The middle of its expected band, on a working day; where a sward stands, the early end of it. Never in dormancy, and not under a sheet.',
    steps: 'middle of the band, or its early end where a sward is mown on',
  },
})
