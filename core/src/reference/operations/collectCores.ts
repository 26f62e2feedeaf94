import { words } from '../../rules/message.ts'
import { value } from '../../rules/rule.ts'
import { operation } from '../operation.ts'

export const collectCores = operation({
  id: 'collect-cores',
  name: words('Collect the cores'),
  cautions: ['lifting'],
  why: 'Clean holes take seed, sand and dressing.',
  wants: 'cores dry enough to lift',
  by: 'area',
  group: 'open',
  short: ['', 0],
  customer: { sown: 'The plugs of soil are carried off.' },
  rate: value(300, 'm2/h', 'model', 'Collecting cores', [30, 5000]),
  setUp: value(0.25, 'h', 'model', 'Setting up to collect cores', [0, 4]),
  quiet: true,
})
