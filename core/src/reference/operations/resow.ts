import { words } from '../../rules/message.ts'
import { value } from '../../rules/rule.ts'
import { operation } from '../operation.ts'

export const resow = operation({
  id: 'resow',
  name: words('Sow thin places again'),
  cautions: [],
  why: 'Thin places are roughened, sown from the seed that was kept back, firmed and watered like the first time; where the season is over they wait for the next.',
  wants: 'a day that is right for the seed',
  by: 'area',
  ground: 'sown',
  group: 'feed, water and mow',
  short: ['sow again', 4],
  customer: { sown: 'Thin places are sown again. They want water like the first time.' },
  rate: value(1000, 'm2/h', 'model', 'Sowing thin places again', [100, 10_000]),
  setUp: value(0.25, 'h', 'model', 'Setting up to sow again', [0, 4]),
  quiet: true,
  needs: 'seed',
  later: {
    since: 'look',
    days: 0,
    inSeason: true,
    rule: 'follow.resow',
    says: 'On the day of the look that asks for it, or the first day after it that is right for the seed.',
    steps: 'the day of the look, or the next one that is open to sow',
  },
})
