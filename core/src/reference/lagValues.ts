import { tradeValues, value } from '../rules/rule.ts'

/** Days between one step and the next: at least, and at most where it matters. */
export const lagValues = tradeValues('lag', {
  noticeAhead: value(1, 'd', 'practice', 'Notice is better given ahead by', [0, 14]),
  noticePublic: value(
    5,
    'd',
    'model',
    'On turf the public uses notice is better given ahead by',
    [0, 30],
  ),
  killAgainLeast: value(
    14,
    'd',
    'practice',
    'Regrowth shows after a kill-off in at least',
    [7, 40],
  ),
  killAgainMost: value(28, 'd', 'practice', 'and is killed within', [14, 60]),
  afterKill: value(
    7,
    'd',
    'practice',
    'From the last kill or spray to a cut, perennial weeds',
    [3, 30],
  ),
  secondCutLeast: value(
    2,
    'd',
    'practice',
    'From the first cut to the second, better at least',
    [0, 10],
  ),
  secondCutMost: value(6, 'd', 'practice', 'and better at most', [1, 21]),
  dries: value(1, 'd', 'practice', 'Turf better dries before blades for', [0, 5]),
  scarifyMost: value(3, 'd', 'practice', 'From the cut-down to blades at most', [0, 14]),
  dampenMost: value(
    4,
    'd',
    'practice',
    'From blades to the watering before coring at most',
    [0, 14],
  ),
  coreAfterWater: value(1, 'd', 'practice', 'From that watering to coring', [0, 3]),
  dressMost: value(1, 'd', 'practice', 'From coring to dressing at most', [0, 7]),
  settles: value(1, 'd', 'practice', 'A fill better settles before seed for', [0, 14]),
  openedToSow: value(3, 'd', 'practice', 'Opened turf is sown within', [0, 10]),
  clearedToSow: value(14, 'd', 'practice', 'Killed and cleared ground is sown within', [1, 40]),
  feedMost: value(
    1,
    'd',
    'practice',
    'From seed, or from opening, to the feed that goes with it at most',
    [0, 7],
  ),
  coverMost: value(1, 'd', 'practice', 'From seed to its cover at most', [0, 7]),
  seeded: value(56, 'd', 'practice', 'No tines or blades after seeding for', [21, 120]),
  seedlingSpray: value(
    28,
    'd',
    'practice',
    'No broad-leaved weedkiller after seeding for, and not before three mows',
    [21, 90],
  ),
  openedAgain: value(
    42,
    'd',
    'model',
    'Turf that was cored or scarified is not opened the same way again for',
    [14, 120],
  ),
  dressed: value(28, 'd', 'practice', 'From a dressing to the next', [14, 60]),
  stretch: value(
    5,
    'd',
    'model',
    'Where nothing else fits, steps may lie further apart than they should by',
    [0, 14],
  ),
  twoMows: value(
    14,
    'd',
    'model',
    'Seedlings have been mown twice after the first mow by',
    [7, 40],
  ),
  bareWeeks: value(
    8,
    'wk',
    'practice',
    'Bare ground is offered a quick cover where it waits longer than',
    [2, 40],
  ),
  coverStands: value(
    60,
    'd',
    'model',
    'A quick cover stands before the proper sowing for at least',
    [14, 200],
  ),
  mowEvery: value(7, 'd', 'practice', 'A living sward is mown on, every', [4, 14]),
  visit: value(30, 'd', 'practice', 'From sowing to the one-month visit', [14, 60]),
  barrierFresh: value(
    14,
    'd',
    'model',
    'Coring so soon after a pre-emergence waits for no second half; it goes down whole, for',
    [0, 60],
  ),
  afterMow: value(1, 'd', 'practice', 'From the first mow to a feed that waited for it', [0, 14]),
  firstMowGuess: value(
    21,
    'd',
    'model',
    'First mow after sowing, where no band can be worked',
    [7, 60],
  ),
})

/**
 * Days a treatment keeps seed out where the label's figure is not given: the longest of the usual
 * range. The label wins.
 */
export const treatmentWaits = tradeValues('treatment-wait', {
  broadleaf: value(28, 'd', 'practice', 'Broad-leaved weedkiller', [7, 120]),
  'feed-and-weed': value(28, 'd', 'practice', 'Combined feed and weedkiller', [7, 120]),
  'non-selective': value(7, 'd', 'practice', 'Non-selective weedkiller, no residue', [1, 60]),
  'long-residue': value(365, 'd', 'practice', 'Non-selective weedkiller, long residue', [60, 730]),
  'pre-emergence': value(120, 'd', 'practice', 'Pre-emergence weedkiller', [30, 365]),
  'feed-and-prevent': value(120, 'd', 'practice', 'Combined feed and pre-emergence', [30, 365]),
  'unknown-herbicide': value(
    365,
    'd',
    'practice',
    'Weedkiller, product unknown: the longest of all',
    [60, 730],
  ),
})
