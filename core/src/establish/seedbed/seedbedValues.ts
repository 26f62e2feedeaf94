import type { emergenceValues } from '../emergence.ts'
import type { TextureId } from '../../reference/lists.ts'
import { procedure, tradeValues, value } from '../../rules/rule.ts'

const holds = (is: number, soil: string, at: 'field capacity' | 'wilting point') =>
  value(
    is,
    '%',
    'published',
    `${soil} holds at ${at}, by volume; FAO 56 table 19, from memory`,
    [1, 60],
  )

/** Water that soil holds against gravity, by volume. */
export const fieldCapacity = tradeValues('field-capacity', {
  sand: holds(12, 'Sand', 'field capacity'),
  'sandy-loam': holds(23, 'Sandy loam', 'field capacity'),
  loam: holds(25, 'Loam', 'field capacity'),
  'clay-loam': holds(32, 'Clay loam', 'field capacity'),
  clay: holds(36, 'Clay', 'field capacity'),
})
/** Water that stays in it where plants wilt, by volume. */
export const wiltingPoint = tradeValues('wilting-point', {
  sand: holds(4.5, 'Sand', 'wilting point'),
  'sandy-loam': holds(11, 'Sandy loam', 'wilting point'),
  loam: holds(12, 'Loam', 'wilting point'),
  'clay-loam': holds(19, 'Clay loam', 'wilting point'),
  clay: holds(22, 'Clay', 'wilting point'),
})

export const seedbedModel = tradeValues('seedbed-model', {
  bare: value(1.15, '1', 'published', 'Wet bare ground loses, times what short grass uses; FAO 56, from memory', [0.8, 1.4]), // prettier-ignore
  mulch: value(50, '%', 'model', 'A cover over the seed keeps back of that loss', [0, 90]),
  shade: value(
    50,
    '%',
    'model',
    'Grass that stands keeps back of it, where it covers all',
    [0, 90],
  ),
  rise: value(0.3, 'mm/h', 'model', 'Water rises from moist soil to a dry top by', [0, 2]),
  moist: value(50, '%', 'model', 'Seed swells while the top holds of its water at least', [20, 90]),
  dry: value(20, '%', 'model', 'Seed dries where it holds less than', [5, 40]),
  bears: value(6, 'h', 'model', 'Seed that has swollen bears dry for', [1, 48]),
  kills: value(15, '%', 'model', 'A drying beyond that kills of it, and of what is left again each further day', [0, 100]), // prettier-ignore
  from: value(60, '%', 'model', 'Drying kills from this share of the warmth that brings up half', [10, 100]), // prettier-ignore
  stands: value(70, '%', 'model', 'A year counts where of the seed comes up at least', [20, 100]),
  late: value(300, '%', 'model', 'and of the days it takes in soil that is never dry, after no more than', [100, 500]), // prettier-ignore
  wanted: value(90, '%', 'model', 'A programme is sure that works in so many years', [50, 100]),
  missed: value(20, '%', 'model', 'People forget of all runs', [0, 50]),
  starts: value(50, '%', 'model', 'Below the top, sown ground starts with of the water plants can use', [0, 100]), // prettier-ignore
  falls: value(3, 'mm/h', 'model', 'Rain of a day falls at about', [0.5, 20]),
})
/** With the shares of its warmth at which a grass's first and last are up. */
export type SeedbedValues = {
  [K in keyof typeof seedbedModel | keyof typeof emergenceValues]: number
}

export const seedbedRules = {
  kept: procedure({
    id: 'seedbed.kept',
    key: 'kept',
    stage: 7,
    label: 'Years in a hundred that the seed comes up',
    unit: '%',
    standing: 'model',
    says: 'Of a hundred simulated years of this place, those in which, with {missed} of the runs forgotten, at least {stands} of the seed comes up, within {late} of the days it takes in soil that is never dry: warmth counts while the top holds {moist} of its water; a drying under {dry} for more than {bears} kills {kills} of seed that has had {from} of its warmth.',
    values: seedbedModel,
    inputs: { sown: 'date', each: 'rain', runs: '1' },
    steps:
      'four layers of soil each quarter of an hour: rain, runs, what the surface stores and what runs off, evaporation, rise from below; then warmth and dryings of the seed',
    by: 'establish/seedbed/seedbed: seedOfYear',
    check: 'seedbedModel.test.ts',
  }),
}

/** What a soil holds, m³/m³. */
export interface SoilWater {
  capacity: number
  wilting: number
}
export const soilWater = (
  texture: TextureId,
  of: (value: (typeof fieldCapacity)[TextureId]) => number,
): SoilWater => ({
  capacity: of(fieldCapacity[texture]) / 100,
  wilting: of(wiltingPoint[texture]) / 100,
})
