import { words } from '../../rules/message.ts'
import { value } from '../../rules/rule.ts'
import { looksBadValues } from '../looksBadValues.ts'
import { operation } from '../operation.ts'

export const dress = operation({
  id: 'dress',
  name: words('{Topdress}, level'),
  cautions: ['lifting', 'dust'],
  cautionsAt: 5,
  why: 'From the far corner, worked in until tips show; look, and go round the same day with a second light one. Then water settles it.',
  wants: 'cores off or dragged in, dry leaf, growth',
  by: 'area',
  tools: {
    shovel: { name: 'shovel and barrow', rate: null },
    machine: { name: 'spreader', rate: null },
  },
  sets: ['depth'],
  group: 'bed and surface',
  short: ['dress', 6],
  customer: { sown: 'A thin layer of {soil} evens the surface.' },
  rate: value(400, 'm2/h', 'model', 'Levelling and dragging in', [50, 5000]),
  setUp: value(0.5, 'h', 'model', 'Setting up to dress', [0, 4]),
  looksBad: looksBadValues.dressed,
  closes: true,
  wetted: true,
  lostInTheDark: true,
  spreadsSoil: true,
  waitsFor: 'dress',
  weather: 'wheels',
  anchors: 'care',
  puts: ['dressing'],
})
