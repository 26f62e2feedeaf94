import { tradeValues, value } from '../rules/rule.ts'

/** Lime by soil, and what may go down at once. */
export const limeValues = tradeValues('lime', {
  most: value(245, 'g/m2', 'practice', 'Lime at once on standing turf at most (50 lb/1,000 ft²)', [50, 600]), // prettier-ignore
  target: value(6.3, '1', 'practice', 'A guess at lime aims at pH', [5.5, 7]),
  acts: value(180, 'd', 'practice', 'Lime acts over months: no second dose, and no verdict, before', [60, 400]), // prettier-ignore
  sand: value(120, 'g/m2', 'model', 'One step of pH takes of lime: on sand', [40, 400]),
  'sandy-loam': value(200, 'g/m2', 'model', 'on sandy loam', [60, 500]),
  loam: value(300, 'g/m2', 'model', 'on loam', [100, 700]),
  'clay-loam': value(380, 'g/m2', 'model', 'on clay loam', [120, 800]),
  clay: value(450, 'g/m2', 'model', 'on clay', [150, 900]),
})
