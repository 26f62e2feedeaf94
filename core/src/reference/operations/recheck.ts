import { words } from '../../rules/message.ts'
import { value } from '../../rules/rule.ts'
import { operation } from '../operation.ts'

export const recheck = operation({
  id: 'recheck',
  name: words('Water a square, to look again'),
  cautions: [],
  why: 'Brown grass may only be asleep. Tufts that green after {recheck} are alive, and the ground is counted again.',
  wants: 'a watered square',
  by: 'nothing',
  group: 'before',
  short: ['look again', 4],
  customer: { sown: 'A square of brown grass is watered, to see whether it is only asleep.' },
  setUp: value(0.25, 'h', 'model', 'Watering a square and looking again', [0, 4]),
  ownDay: true,
  leadsTo: [{ operation: 'look-awake', why: 'What is alive is counted ten days on.' }],
  due: 'first',
})
