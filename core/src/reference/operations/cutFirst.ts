import { words } from '../../rules/message.ts'
import { value } from '../../rules/rule.ts'
import { operation } from '../operation.ts'

export const cutFirst = operation({
  id: 'cut-first',
  name: words('First cut down'),
  cautions: ['mower'],
  why: 'Down in steps: the first heavy cut is thrown aside.',
  wants: 'dry leaf',
  by: 'area',
  sets: ['height'],
  group: 'weeds and old growth',
  short: ['cut', 3],
  customer: { sown: 'First short cut.' },
  rate: value(1500, 'm2/h', 'model', 'Cutting down, first cut', [100, 20_000]),
  setUp: value(0.25, 'h', 'model', 'Setting up the first cut', [0, 4]),
  closes: true,
  lostInTheDark: true,
  afterQuickCover: true,
})
