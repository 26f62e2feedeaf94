import { words } from '../../rules/message.ts'
import { value } from '../../rules/rule.ts'
import { operation } from '../operation.ts'
import { moist } from '../wants.ts'

export const worn = operation({
  id: 'worn',
  name: words('Open the worn line'),
  cautions: [],
  why: 'Feet have closed it: fork and rake it open before grass that wears is sown. Stepping stones end it for good.',
  wants: moist,
  by: 'area',
  group: 'repairs',
  short: ['worn line', 2],
  customer: { sown: 'The worn line is opened.' },
  rate: value(40, 'm2/h', 'model', 'Forking and opening a worn line', [5, 400]),
  setUp: value(0.25, 'h', 'model', 'Setting up on a worn line', [0, 4]),
  opens: true,
  leavesBare: true,
  ground: 'worn',
})
