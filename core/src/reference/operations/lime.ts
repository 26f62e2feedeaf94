import { words } from '../../rules/message.ts'
import { value } from '../../rules/rule.ts'
import { operation } from '../operation.ts'
import { anyDay } from '../wants.ts'

export const lime = operation({
  id: 'lime',
  name: words('Lime'),
  cautions: ['dust'],
  why: 'By the laboratory’s rate; it takes months to act, and is tested again before the second dose.',
  wants: anyDay,
  by: 'area',
  group: 'bed and surface',
  short: ['lime', 2],
  customer: { sown: 'Lime goes down.' },
  rate: value(2500, 'm2/h', 'model', 'Liming', [100, 20_000]),
  setUp: value(0.25, 'h', 'model', 'Setting up to lime', [0, 4]),
  lostInTheDark: true,
  puts: ['lime'],
})
