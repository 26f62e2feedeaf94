import { tradeValues, value } from '../rules/rule.ts'
import { treatmentWaits } from './lagValues.ts'

/** Numbers that the words and the days of several operations go by. */
export const operationValues = tradeValues('operation', {
  shovel: value(0.6, 'm3/h', 'model', 'One person spreads dressing by shovel at', [0.1, 5]),
  machine: value(6, 'm3/h', 'model', 'and with a machine at', [1, 30]),
  sprayWait: treatmentWaits.broadleaf,
  preEmergence: treatmentWaits['pre-emergence'],
  uncut: value(3, 'd', 'practice', 'No mowing before a kill-off for', [1, 10]),
  thinDressing: value(
    5,
    'mm',
    'practice',
    'A dressing so thin is light work, for summer too',
    [2, 10],
  ),
  dueWithin: value(10, 'd', 'model', 'Work that is due joins another visit within', [0, 30]),
  feedJoins: value(21, 'd', 'model', 'Feed joins another visit within', [0, 60]),
  recheck: value(10, 'd', 'practice', 'Brown grass is watered and looked at again after', [5, 21]),
  afterFlight: value(
    14,
    'd',
    'practice',
    'Larvae are treated after the flight of moths was at its peak by',
    [5, 30],
  ),
  pests: value(14, 'd', 'practice', 'Pests are looked for again after treating in', [5, 42]),
  dampenLeast: value(
    10,
    'rain',
    'practice',
    'Dry soil is watered the evening before coring by',
    [5, 25],
  ),
  dampenMost: value(15, 'rain', 'practice', 'and up to', [5, 40]),
  coreLeast: value(75, 'mm', 'practice', 'Cores are taken to', [25, 150]),
  coreMost: value(100, 'mm', 'practice', 'and down to', [25, 250]),
  sheet: value(10, 'd', 'practice', 'A germination sheet is lifted after', [5, 21]),
  spikeDepth: value(
    50,
    'mm',
    'practice',
    'Soil that sheds water is spiked no deeper than',
    [20, 100],
  ),
})
