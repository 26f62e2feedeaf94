import { words } from '../../rules/message.ts'
import { value } from '../../rules/rule.ts'
import { operation } from '../operation.ts'

export const raiseCut = operation({
  id: 'raise-cut',
  name: words('Raise the cut, a notch a week'),
  cautions: ['mower'],
  why: 'Mown below its range a grass thins out whatever else is done: the cut goes up by a notch a week until it stands in its range. Often the first and cheapest cure.',
  wants: 'growth',
  by: 'nothing',
  group: 'feed, water and mow',
  short: ['raise cut', 2],
  customer: {
    sown: 'Whoever mows raises the cut by a notch a week, up to the height we wrote down.',
  },
  setUp: value(0.25, 'h', 'model', 'Setting the mower up, and telling whoever mows', [0, 2]),
  due: 'soon',
})
