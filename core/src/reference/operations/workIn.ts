import { words } from '../../rules/message.ts'
import { value } from '../../rules/rule.ts'
import { operation } from '../operation.ts'

export const workIn = operation({
  id: 'work-in',
  name: words('Work in, firm'),
  cautions: [],
  why: 'Seed has to touch soil: a light blade pass, rake, mat, roller or feet. No deeper than two or three times the seed is thick.',
  wants: 'seed down',
  by: 'area',
  group: 'sow',
  short: ['', 0],
  rate: value(400, 'm2/h', 'model', 'Working seed in', [50, 5000]),
  setUp: value(0.25, 'h', 'model', 'Setting up to work in', [0, 4]),
  quiet: true,
  along: 'with-seed',
  needs: 'seed',
  ground: 'sown',
})
