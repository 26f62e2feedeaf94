import { words } from '../../rules/message.ts'
import { value } from '../../rules/rule.ts'
import { looksBadValues } from '../looksBadValues.ts'
import { operation } from '../operation.ts'

export const cutSecond = operation({
  id: 'cut-second',
  name: words('{Scalp}, collect'),
  cautions: ['mower'],
  why: 'Short growth lets air, seed and soil reach the ground. Stop at brown stalks, not at soil.',
  wants: 'dry leaf',
  by: 'area',
  sets: ['height'],
  group: 'weeds and old growth',
  short: ['cut down', 4],
  customer: { sown: 'The lawn is cut very short. It looks worse before it looks better.' },
  rate: value(500, 'm2/h', 'model', 'Cutting down with collection', [50, 10_000]),
  setUp: value(0.25, 'h', 'model', 'Setting up the second cut', [0, 4]),
  looksBad: looksBadValues.scalped,
  lostInTheDark: true,
  weather: 'cuts-hard',
  anchors: 'scalp',
})
