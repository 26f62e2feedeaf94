import { words } from '../../rules/message.ts'
import { value } from '../../rules/rule.ts'
import { handTools } from '../handTools.ts'
import { looksBadValues } from '../looksBadValues.ts'
import { operation } from '../operation.ts'
import { dryTurf } from '../wants.ts'

export const scarify = operation({
  id: 'scarify',
  name: words('{Scarify}'),
  cautions: ['tines'],
  why: 'Blades cut through the mat to soil. Edges first, one pass, clear, look: enough when the foot no longer sinks and soil just shows.',
  wants: dryTurf,
  by: 'area',
  tools: {
    machine: { name: 'walk-behind blades', rate: null },
    hand: { name: 'hand rake', rate: handTools.handRake },
  },
  sets: ['passes', 'depth'],
  group: 'open',
  short: ['{scarify}', 7],
  customer: { sown: 'Dead matter is cut out and carried off. Soil shows through.' },
  rate: value(500, 'm2/h', 'model', 'Scarifying, a pass', [50, 10_000]),
  setUp: value(0.5, 'h', 'model', 'Setting up the scarifier', [0, 4]),
  looksBad: { yearly: looksBadValues.scarifyYearly, neglected: looksBadValues.scarifyNeglected },
  opens: true,
  closes: true,
  steel: true,
  wetted: true,
  lostInTheDark: true,
  waitsFor: 'open',
  weather: 'opens',
  anchors: 'care',
  leadsTo: [{ operation: 'clear', why: 'What comes up is carted off.' }],
})
