import { words } from '../../rules/message.ts'
import { value } from '../../rules/rule.ts'
import { lagValues } from '../lagValues.ts'
import { operation } from '../operation.ts'

export const dressAgain = operation({
  id: 'dress-again',
  name: words('{Topdress} again'),
  cautions: ['lifting', 'dust'],
  why: 'The next thin lift, in growth, once the tips stand clear; none on seedlings before they are mown twice.',
  wants: 'tips standing clear, in growth',
  by: 'area',
  group: 'feed, water and mow',
  short: ['dress', 5],
  customer: { sown: 'Another thin layer of {soil}.' },
  rate: value(400, 'm2/h', 'model', 'Levelling the next lift', [50, 5000]),
  setUp: value(0.5, 'h', 'model', 'Setting up the next lift', [0, 4]),
  puts: ['dressing'],
  later: {
    since: 'lift',
    days: lagValues.dressed,
    inGrowth: true,
    rule: 'follow.dress-again',
    says: 'The next lift {days} on, in growth; on seedlings not before they are mown twice, {twoMows} after their first mow.',
    steps: 'the first working day in growth so long after the last lift',
  },
})
