import { words } from '../../rules/message.ts'
import { value } from '../../rules/rule.ts'
import { operation } from '../operation.ts'

export const amend = operation({
  id: 'amend',
  name: words('Work an amendment in'),
  cautions: ['compost', 'dust'],
  why: 'Compost or what the laboratory asks for, mixed into the loosened top.',
  wants: 'loosened soil',
  by: 'area',
  group: 'bed and surface',
  short: ['amend', 2],
  rate: value(400, 'm2/h', 'model', 'Working an amendment in', [20, 5000]),
  setUp: value(0.5, 'h', 'model', 'Setting up to amend', [0, 4]),
  ground: 'sown',
})
