import { words } from '../../rules/message.ts'
import { value } from '../../rules/rule.ts'
import { operation } from '../operation.ts'

export const clear = operation({
  id: 'clear',
  name: words('Clear, last cut with collection'),
  cautions: ['mower'],
  why: 'What the blades lifted is carted off; a last mow with the box on tidies, and its box fills two or three times.',
  wants: 'dry debris',
  by: 'area',
  group: 'open',
  short: ['', 0],
  rate: value(700, 'm2/h', 'model', 'Clearing, and a last cut with collection', [50, 10_000]),
  setUp: value(0.25, 'h', 'model', 'Setting up to clear', [0, 4]),
  quiet: true,
  along: 'with-work',
})
