import { tradeValues, value } from '../rules/rule.ts'

export const choiceValues = tradeValues('choice', {
  worth: value(
    35,
    '%',
    'model',
    'Spring is taken for cool grass where at least so many years in a hundred succeed',
    [5, 90],
  ),
  worthLate: value(
    50,
    '%',
    'practice',
    'Other sowings are taken where at least so many years in a hundred succeed; poorer ones wait for a person’s word',
    [5, 90],
  ),
  slowCosts: value(
    10,
    '%',
    'model',
    'A slow grass that is neither there nor wished for is left out where it costs the best day so many years in a hundred',
    [1, 60],
  ),
  hotSummer: value(
    25,
    'C',
    'model',
    'and where the warmest usual day, night counted in, reaches',
    [18, 32],
  ),
  late: value(21, 'd', 'model', 'A day so much later than could be is said first', [7, 60]),
  soon: value(
    7,
    'd',
    'model',
    'Days it takes at least before seed can go down, for comparing seasons',
    [1, 30],
  ),
  coverSoon: value(1, 'd', 'model', 'and a quick cover', [0, 14]),
})
