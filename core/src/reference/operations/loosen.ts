import { words } from '../../rules/message.ts'
import { value } from '../../rules/rule.ts'
import { operation } from '../operation.ts'

export const loosen = operation({
  id: 'loosen',
  name: words('Loosen the ground'),
  cautions: ['services', 'tines'],
  why: 'Seed never goes on hard dirt or crust: the top is broken up. Hard clay is wetted first.',
  wants: 'moist, crumbling soil',
  by: 'area',
  sets: ['passes', 'depth'],
  group: 'bed and surface',
  short: ['loosen', 5],
  customer: { sown: 'The ground is loosened.' },
  rate: value(300, 'm2/h', 'model', 'Loosening the ground', [20, 5000]),
  setUp: value(0.5, 'h', 'model', 'Setting up to loosen', [0, 4]),
  opens: true,
  closes: true,
  steel: true,
  afterQuickCover: true,
  ground: 'sown',
  waitsFor: 'open',
  weather: 'opens',
})
