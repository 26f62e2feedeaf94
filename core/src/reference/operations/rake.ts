import { words } from '../../rules/message.ts'
import { value } from '../../rules/rule.ts'
import { handTools } from '../handTools.ts'
import { looksBadValues } from '../looksBadValues.ts'
import { operation } from '../operation.ts'
import { dryTurf } from '../wants.ts'

export const rake = operation({
  id: 'rake',
  name: words('{Rake}'),
  cautions: ['tines'],
  why: 'Dead growth comes up and the surface is roughened.',
  wants: dryTurf,
  by: 'area',
  tools: {
    machine: { name: 'spring-tine machine', rate: null },
    hand: { name: 'hand rake', rate: handTools.handRake },
  },
  sets: ['passes'],
  group: 'open',
  short: ['{rake}', 4],
  customer: { sown: 'Dead growth is raked out and carried off.' },
  rate: value(700, 'm2/h', 'model', 'Raking out, a pass', [50, 10_000]),
  setUp: value(0.25, 'h', 'model', 'Setting up to rake out', [0, 4]),
  looksBad: looksBadValues.raked,
  opens: true,
  closes: true,
  lostInTheDark: true,
  waitsFor: 'open',
  weather: 'opens',
  anchors: 'care',
  leadsTo: [{ operation: 'clear', why: 'What comes up is carted off.' }],
})
