import { words } from '../../rules/message.ts'
import { value } from '../../rules/rule.ts'
import { lookValues } from '../lookValues.ts'
import { operation } from '../operation.ts'

export const lookCover = operation({
  id: 'look-cover',
  name: words('Count the cover before winter'),
  cautions: [],
  why: 'Warm turf that has closed keeps winter weeds out by itself; where it has not, they come up in the gaps.',
  wants: 'the turf as summer left it',
  by: 'nothing',
  group: 'feed, water and mow',
  short: ['look', 3],
  customer: {
    sown: 'We count how much of the ground has closed, and decide by that what the winter asks for.',
  },
  setUp: value(0.5, 'h', 'model', 'Counting the cover', [0, 4]),
  quiet: true,
  along: 'with-work',
  needs: 'standing',
  later: {
    since: 'barrier',
    days: lookValues.recovers,
    rule: 'follow.look-cover',
    says: 'Counted when soil falls into the range in which winter weeds come up, {days} after the work at the earliest.',
    steps: 'the first day of that season',
  },
  look: {
    counts: 'cover',
    asks: 'How much is under wanted grass?',
    line: lookValues.closed,
    yes: {
      does: ['pre-emergence'],
      says: 'put a pre-emergence down, where nothing will be sown until spring is over',
    },
    no: { does: [], says: 'leave it: closed turf keeps winter weeds out' },
    part: 30,
  },
})
