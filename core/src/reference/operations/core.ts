import { words } from '../../rules/message.ts'
import { value } from '../../rules/rule.ts'
import { handTools } from '../handTools.ts'
import { looksBadValues } from '../looksBadValues.ts'
import { operation } from '../operation.ts'
import { moist } from '../wants.ts'

export const core = operation({
  id: 'core',
  name: words('{Core}'),
  cautions: ['services', 'tines'],
  why: 'In moist soil, with fine weather to follow; where there are several passes they are crossed.',
  wants: moist,
  by: 'area',
  tools: {
    machine: { name: 'walk-behind corer', rate: null },
    hand: { name: 'hand corer', rate: handTools.handCore },
  },
  sets: ['passes', 'depth', 'tines'],
  group: 'open',
  short: ['cores', 7],
  customer: { sown: 'Holes are opened for air and water.' },
  rate: value(800, 'm2/h', 'model', 'Coring, walk-behind, a pass', [50, 10_000]),
  setUp: value(0.5, 'h', 'model', 'Setting up the corer', [0, 4]),
  looksBad: looksBadValues.cored,
  opens: true,
  closes: true,
  steel: true,
  wetted: true,
  lostInTheDark: true,
  waitsFor: 'open',
  weather: 'opens',
  anchors: 'care',
  leadsTo: [{ operation: 'dampen', why: 'Tines want moist soil.' }],
})
