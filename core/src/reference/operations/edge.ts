import { words } from '../../rules/message.ts'
import { value } from '../../rules/rule.ts'
import { operation } from '../operation.ts'
import { moist } from '../wants.ts'

export const edge = operation({
  id: 'edge',
  name: words('Set the edge'),
  cautions: ['services', 'edging'],
  why: 'Lift a bulged run, set a straight level line, set the edge to the line and bring the lawn up to it.',
  wants: moist,
  by: 'length',
  group: 'repairs',
  short: ['edge', 3],
  customer: { sown: 'Edges are set to a line.' },
  rate: value(3, 'm/h', 'model', 'Setting an edge', [0.5, 60]),
  setUp: value(0.5, 'h', 'model', 'Setting out an edge', [0, 4]),
  steel: true,
  ground: 'edge',
  puts: ['edging'],
})
