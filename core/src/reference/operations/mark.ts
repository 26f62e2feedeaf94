import { words } from '../../rules/message.ts'
import { value } from '../../rules/rule.ts'
import { operation } from '../operation.ts'

export const mark = operation({
  id: 'mark',
  name: words('Clear and mark'),
  cautions: ['services'],
  why: 'Heads and shallow services are found before steel goes in.',
  wants: 'notice given',
  by: 'nothing',
  group: 'before',
  short: ['mark', 0],
  setUp: value(0.75, 'h', 'model', 'Clearing and marking', [0, 4]),
  quiet: true,
  along: 'with-work',
})
