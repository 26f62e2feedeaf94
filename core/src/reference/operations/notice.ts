import { words } from '../../rules/message.ts'
import { value } from '../../rules/rule.ts'
import { operation } from '../operation.ts'

export const notice = operation({
  id: 'notice',
  name: words('Give notice'),
  cautions: [],
  why: 'Those who use the lawn hear when it closes and for how long.',
  wants: 'nothing',
  by: 'nothing',
  group: 'before',
  short: ['notice', 0],
  setUp: value(0.25, 'h', 'model', 'Giving notice', [0, 4]),
  evening: true,
  quiet: true,
  along: 'with-work',
  eachPiece: true,
})
