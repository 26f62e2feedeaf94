import { words } from '../../rules/message.ts'
import { value } from '../../rules/rule.ts'
import { lagValues } from '../lagValues.ts'
import { lookValues } from '../lookValues.ts'
import { operation } from '../operation.ts'

export const visit = operation({
  id: 'visit',
  name: words('One-month visit'),
  cautions: [],
  cautionsAt: 8,
  why: 'Look, count, reseed thin places while the season lasts, lift temporary water lines, photograph, hand over.',
  wants: 'a month on',
  by: 'nothing',
  group: 'feed, water and mow',
  short: ['visit', 1],
  customer: { sown: 'We come to look, mend thin places and hand over.' },
  setUp: value(0.75, 'h', 'model', 'A visit', [0, 4]),
  quiet: true,
  along: 'with-work',
  needs: 'planting',
  later: {
    since: 'sown',
    days: lagValues.visit,
    notDormant: true,
    judges: true,
    rule: 'follow.visit',
    says: 'A month after sowing: look, count, mend, photograph, hand over.',
    steps: 'the first working day so long after sowing',
  },
  look: {
    counts: 'cover',
    asks: 'How much is under wanted grass?',
    line: lookValues.closed,
    yes: { does: ['resow'], says: 'sow thin places again' },
    no: { does: [], says: 'hand over' },
    part: 40,
  },
})
