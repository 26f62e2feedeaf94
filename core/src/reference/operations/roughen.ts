import { words } from '../../rules/message.ts'
import { value } from '../../rules/rule.ts'
import { operation } from '../operation.ts'

export const roughen = operation({
  id: 'roughen',
  name: words('Rake the surface open'),
  cautions: [],
  why: 'A firmed or crusted surface is scratched open, so that seed lies in soil and not on it.',
  wants: 'dry surface',
  by: 'area',
  group: 'bed and surface',
  short: ['', 0],
  rate: value(250, 'm2/h', 'model', 'Raking the surface open', [10, 5000]),
  setUp: value(0.1, 'h', 'model', 'Setting up to rake open', [0, 4]),
  opens: true,
  closes: true,
  afterQuickCover: true,
  ground: 'sown',
})
