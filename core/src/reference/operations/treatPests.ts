import { words } from '../../rules/message.ts'
import { value } from '../../rules/rule.ts'
import { operation } from '../operation.ts'

export const treatPests = operation({
  id: 'treat-pests',
  name: words('Deal with the pests'),
  cautions: ['pesticide'],
  why: 'Seedlings are the first they take. Look again after {pests} before anything is sown; a licensed hand and the label decide the cure.',
  wants: 'pests still active',
  by: 'area',
  group: 'before',
  short: ['pests', 5],
  customer: {
    sown: 'Pests in the lawn are dealt with. Keep children and pets off until we say so.',
  },
  rate: value(2000, 'm2/h', 'model', 'Treating pests', [200, 20_000]),
  setUp: value(0.5, 'h', 'model', 'Setting up to treat pests', [0, 4]),
  closes: true,
  ownDay: true,
  waitsFor: 'moths',
  due: 'first',
})
