import { words } from '../../rules/message.ts'
import { value } from '../../rules/rule.ts'
import { operation } from '../operation.ts'
import { anyDay } from '../wants.ts'

export const clipHeads = operation({
  id: 'clip-heads',
  name: words('Clip and bag seed heads'),
  cautions: ['mower'],
  why: 'Before they drop. Never skip {scarify} for fear of them: clear with suction after.',
  wants: anyDay,
  by: 'area',
  group: 'before',
  short: ['clip', 2],
  customer: { sown: 'Seed heads are cut and carried off.' },
  rate: value(1500, 'm2/h', 'model', 'Clipping and bagging seed heads', [50, 10_000]),
  setUp: value(0.25, 'h', 'model', 'Setting up to clip seed heads', [0, 4]),
  due: 'now',
})
