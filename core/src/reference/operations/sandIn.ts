import { words } from '../../rules/message.ts'
import { value } from '../../rules/rule.ts'
import { looksBadValues } from '../looksBadValues.ts'
import { operation } from '../operation.ts'

export const sandIn = operation({
  id: 'sand-in',
  name: words('Sand into the holes'),
  cautions: ['lifting', 'dust'],
  why: 'Dry sand, brushed until the holes are full and tips show. Sand commits to sand.',
  wants: 'cores off, dry sand, dry leaf',
  by: 'area',
  group: 'bed and surface',
  short: ['sand', 6],
  customer: { sown: 'Sand is brushed into the holes.' },
  rate: value(400, 'm2/h', 'model', 'Working sand into the holes', [50, 5000]),
  setUp: value(0.5, 'h', 'model', 'Setting up to sand', [0, 4]),
  looksBad: looksBadValues.dressed,
  closes: true,
  wetted: true,
  lostInTheDark: true,
  spreadsSoil: true,
  waitsFor: 'dress',
  weather: 'wheels',
  anchors: 'care',
  puts: ['dressing', 'soil'],
})
