import { words } from '../../rules/message.ts'
import { value } from '../../rules/rule.ts'
import { operation } from '../operation.ts'
import { anyDay } from '../wants.ts'

export const leafAgain = operation({
  id: 'leaf-again',
  name: words('Clear leaf again'),
  cautions: [],
  why: 'Leaf smothers seedlings in days: collect it before each mow.',
  wants: anyDay,
  by: 'area',
  group: 'feed, water and mow',
  short: ['leaf', 1],
  customer: { sown: 'Leaf is collected.' },
  rate: value(700, 'm2/h', 'model', 'Clearing leaf again', [50, 5000]),
  setUp: value(0.25, 'h', 'model', 'Setting up to clear leaf again', [0, 4]),
  needs: 'planting',
  later: {
    since: 'band',
    days: -1,
    rule: 'follow.leaf-again',
    says: 'Leaf is collected before the mow.',
    steps: 'the working day before the first mow',
  },
})
