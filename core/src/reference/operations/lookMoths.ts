import { words } from '../../rules/message.ts'
import { value } from '../../rules/rule.ts'
import { lookValues } from '../lookValues.ts'
import { operation } from '../operation.ts'

export const lookMoths = operation({
  id: 'look-moths',
  name: words('Look for moths at dusk'),
  cautions: [],
  why: 'Moths that fly lay again: larvae are treated while they are small, and never by the calendar alone.',
  wants: 'a still evening',
  by: 'nothing',
  group: 'before',
  short: ['look', 3],
  customer: { sown: 'We look for moths at dusk, and whether the grass is still chewed.' },
  setUp: value(0.25, 'h', 'model', 'Looking for moths', [0, 4]),
  later: {
    since: 'work',
    of: 'treat-pests',
    days: lookValues.moths,
    rule: 'follow.look-moths',
    says: 'Looked for {days} after the treatment, and again so long after each look at which moths still fly.',
    steps: 'the first working day so long after the treatment, or the look before',
  },
  look: {
    counts: 'seen',
    asks: 'Do moths still fly, or do larvae still feed?',
    yes: {
      does: ['treat-pests'],
      again: 3,
      says: 'treat again as the label allows, and look again',
    },
    no: { does: [], says: 'done: nothing more is put down' },
    part: 2,
  },
})
