import { tradeValues, value } from '../rules/rule.ts'

/** How long the ground looks bad after what is done to it, days: the longest of its operations counts. */
export const looksBadValues = tradeValues('looks-bad', {
  scarifyYearly: value(14, 'd', 'practice', 'A lawn scarified every year looks bad for', [3, 60]),
  scarifyNeglected: value(
    42,
    'd',
    'practice',
    'A neglected lawn, scarified, looks bad for',
    [14, 120],
  ),
  cored: value(18, 'd', 'practice', 'Cored turf looks bad for; 2 to 3 weeks', [3, 60]),
  dressed: value(14, 'd', 'model', 'A thin dressing shows for', [3, 60]),
  scalped: value(
    18,
    'd',
    'practice',
    'Warm turf cut to its stalks in spring greens up in',
    [7, 45],
  ),
  killed: value(70, 'd', 'model', 'Killed off and sown anew, it looks bad for', [0, 250]),
  laidBack: value(
    21,
    'd',
    'model',
    'Turf that was lifted and laid back shows its joints for',
    [7, 60],
  ),
  raked: value(7, 'd', 'model', 'Raked-out turf looks bad for', [1, 30]),
})
