import { words } from '../../rules/message.ts'
import { value } from '../../rules/rule.ts'
import { operation } from '../operation.ts'

export const dampen = operation({
  id: 'dampen',
  name: words('Water, evening before'),
  cautions: ['trip'],
  why: '{dampen} the night before if dry; never wet.',
  wants: 'only if the soil is dry',
  by: 'nothing',
  group: 'open',
  short: ['wet', 1],
  setUp: value(0.25, 'h', 'model', 'Setting out water, evening before', [0, 4]),
  evening: true,
  quiet: true,
  along: 'with-work',
})
