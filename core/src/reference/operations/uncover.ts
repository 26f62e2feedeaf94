import { words } from '../../rules/message.ts'
import { value } from '../../rules/rule.ts'
import { operation } from '../operation.ts'
import { operationValues } from '../operationValues.ts'

export const uncover = operation({
  id: 'uncover',
  name: words('Lift the germination sheet'),
  cautions: ['trip'],
  why: 'Looked under every day: it is hot below, and seedlings damp off or burn. It comes off {sheet} on, or as soon as the grass stands; cut soon after.',
  wants: 'grass up, a cool hour',
  by: 'area',
  group: 'feed, water and mow',
  short: ['sheet off', 2],
  customer: {
    sown: 'The sheet comes off. Look under it every day until then: it gets hot, and grass that stands wants light.',
  },
  rate: value(1000, 'm2/h', 'model', 'Lifting a germination sheet', [100, 10_000]),
  setUp: value(0.25, 'h', 'model', 'Setting up to lift a sheet', [0, 4]),
  needs: 'seed',
  later: {
    since: 'sown',
    days: operationValues.sheet,
    anyDay: true,
    rule: 'follow.uncover',
    says: 'A germination sheet comes off {days} after the seed went down, sooner where the grass stands.',
    steps: 'the day so long after sowing',
  },
})
