import { words } from '../../rules/message.ts'
import { value } from '../../rules/rule.ts'
import { looksBadValues } from '../looksBadValues.ts'
import { operation } from '../operation.ts'

export const layBack = operation({
  id: 'lay-back',
  name: words('Lift the turf, fill, lay back'),
  cautions: ['services', 'lifting'],
  cautionsAt: 5,
  why: 'Lows too deep for thin lifts: the turf is cut and rolled up, soil goes in firmed layers a little over-full, and the turf is laid back and pressed down.',
  wants: 'turf that grows, soil moist enough to hold on the roots',
  by: 'area',
  group: 'repairs',
  short: ['lay back', 6],
  customer: {
    sown: 'The turf over the hollows is lifted, the ground filled and firmed, and the turf laid back.',
  },
  rate: value(4, 'm2/h', 'model', 'Lifting turf, filling and laying it back', [0.5, 40]),
  setUp: value(0.75, 'h', 'model', 'Setting up to lift turf', [0, 4]),
  looksBad: looksBadValues.laidBack,
  closes: true,
  steel: true,
  wetted: true,
  lostInTheDark: true,
  spreadsSoil: true,
  ground: 'lows',
  waitsFor: 'open',
  weather: 'opens',
  anchors: 'care',
  puts: ['soil', 'dressing'],
})
