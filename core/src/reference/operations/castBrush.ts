import { words } from '../../rules/message.ts'
import { value } from '../../rules/rule.ts'
import { operation } from '../operation.ts'

export const castBrush = operation({
  id: 'cast-brush',
  name: words('Brush worm casts'),
  cautions: [],
  why: 'Smeared casts make a skin that seedlings cannot break: let them dry and brush.',
  wants: 'casts dry, and the ground not wet',
  by: 'area',
  group: 'before',
  short: ['brush', 1],
  customer: { sown: 'Worm casts are brushed off.' },
  rate: value(1500, 'm2/h', 'model', 'Brushing worm casts', [100, 10_000]),
  setUp: value(0.25, 'h', 'model', 'Setting up to brush casts', [0, 4]),
  due: 'soon',
})
