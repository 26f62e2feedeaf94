import { words } from '../../rules/message.ts'
import { value } from '../../rules/rule.ts'
import { lookValues } from '../lookValues.ts'
import { operation } from '../operation.ts'

export const lookHoles = operation({
  id: 'look-holes',
  name: words('Look at the holes'),
  cautions: [],
  why: 'Larvae feed round open holes, and holes dry the turf: until they close somebody looks at it daily in warm weather.',
  wants: 'the holes still to be seen',
  by: 'nothing',
  group: 'feed, water and mow',
  short: ['look', 3],
  customer: {
    sown: 'We look at the holes: whether they close, and whether anything feeds round them.',
  },
  setUp: value(0.25, 'h', 'model', 'Looking at the holes', [0, 4]),
  quiet: true,
  along: 'with-work',
  needs: 'standing',
  later: {
    since: 'work',
    of: 'core',
    days: lookValues.holes,
    rule: 'follow.look-holes',
    says: 'Looked at {days} after coring.',
    steps: 'the first working day so long after coring',
  },
  look: {
    counts: 'seen',
    asks: 'Do larvae feed round the holes?',
    yes: {
      does: ['treat-pests'],
      says: 'treat them; a licensed hand and the label decide the cure',
    },
    no: { does: [], says: 'leave it: the holes close by themselves' },
    part: 20,
  },
})
