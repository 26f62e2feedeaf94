import { words } from '../../rules/message.ts'
import { value } from '../../rules/rule.ts'
import { lookValues } from '../lookValues.ts'
import { operation } from '../operation.ts'

export const lookBare = operation({
  id: 'look-bare',
  name: words('Count after the first pass'),
  cautions: [],
  why: 'Moss and mat leave more ground bare than they covered. One pass, clear, look: what is counted decides whether the blades go on.',
  wants: 'the first pass cleared off',
  by: 'nothing',
  group: 'open',
  short: ['count', 3],
  customer: {
    sown: 'After the first pass we count how much is left, and decide with you whether it is sown.',
  },
  setUp: value(0.25, 'h', 'model', 'Counting after the first pass', [0, 4]),
  quiet: true,
  along: 'with-work',
  needs: 'standing',
  later: {
    since: 'work',
    of: 'scarify',
    days: 0,
    rule: 'follow.look-bare',
    says: 'Counted on the day of the blades, after the first pass.',
    steps: 'the day of the blades',
  },
  look: {
    counts: 'cover',
    asks: 'How much wanted grass is left?',
    line: lookValues.stands,
    yes: {
      does: [],
      says: 'stop the blades, and sow it in its season or leave it open with no date promised',
    },
    no: {
      does: [],
      says: 'it closes by itself; another pass may follow where the foot still sinks',
    },
    part: 60,
  },
})
