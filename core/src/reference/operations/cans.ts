import { words } from '../../rules/message.ts'
import { value } from '../../rules/rule.ts'
import { operation } from '../operation.ts'

export const cans = operation({
  id: 'cans',
  name: words('Put cans out under the sprinklers'),
  cautions: [],
  why: 'Eight or nine straight-sided cans, spread evenly from head to head, and the sprinkler on for twenty minutes: what they catch says what falls in an hour and how evenly. Until then the minutes are a guess.',
  wants: 'a still hour, the sprinkler as it will be used',
  by: 'nothing',
  group: 'before',
  short: ['cans', 1],
  setUp: value(0.75, 'h', 'model', 'Putting cans out and reading them', [0, 4]),
  needs: 'planting',
  due: 'soon',
})
