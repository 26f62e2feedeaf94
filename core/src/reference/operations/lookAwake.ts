import { words } from '../../rules/message.ts'
import { value } from '../../rules/rule.ts'
import { operationValues } from '../operationValues.ts'
import { operation } from '../operation.ts'

export const lookAwake = operation({
  id: 'look-awake',
  name: words('Count what is alive'),
  cautions: [],
  why: 'Tufts that green between straw are alive. What is counted now takes the place of the count made when it was brown, and the plan follows it.',
  wants: 'the watered square, {recheck} on',
  by: 'nothing',
  group: 'before',
  short: ['count', 4],
  customer: { sown: 'We count how much of the brown grass is alive, and decide by that.' },
  setUp: value(0.25, 'h', 'model', 'Counting what is alive', [0, 4]),
  quiet: true,
  along: 'with-work',
  later: {
    since: 'work',
    of: 'recheck',
    days: operationValues.recheck,
    rule: 'follow.look-awake',
    says: 'Counted {days} after a square of it was watered.',
    steps: 'the first working day so long after the watering',
  },
  look: {
    counts: 'cover',
    asks: 'How much of it is alive, as wanted grass?',
    line: 'start-over',
    recounts: true,
    yes: { does: [], says: 'it is dead: sown as new ground' },
    no: { does: [], says: 'it was asleep: work goes on over what stands' },
    part: 50,
  },
})
