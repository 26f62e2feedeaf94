import { settingByStrips, stripTest } from '../firm/spreader.ts'
import { hardenValues, programmeValues } from '../reference/programmeValues.ts'
import { allZones, procedure, reading, rule, setting, tradeValues, value } from '../rules/rule.ts'

const feed = { stage: 5 } as const

export const feedReadings = {
  nitrogen: reading({ key: 'feed.nitrogen', stage: 5, label: 'Nitrogen wanted', unit: 'g/m2' }),
  bagRate: reading({ key: 'feed.rate', stage: 5, label: 'Rate on the bag', unit: 'g/m2' }),
  along: reading({ key: 'feed.along', stage: 1, label: 'Edge along water', unit: 'm' }),
  slow: reading({
    key: 'feed.slow',
    stage: 5,
    label: 'Slow-release share of the nitrogen',
    unit: '%',
    otherwise: [0, [0, 100]],
  }),
}

/** The starter taken until the firm or the job names one: a grade as on the bag. */
export const starterValues = tradeValues('starter', {
  n: value(16, '%', 'model', 'Nitrogen in the starter taken until you name yours', [1, 60]),
  p2o5: value(20, '%', 'model', 'P₂O₅ in it', [0, 60]),
  k2o: value(8, '%', 'model', 'K₂O in it', [0, 60]),
})

/** The feed taken for turf that is not sown: no phosphorus, most of it slow. */
export const upkeepValues = tradeValues('upkeep-feed', {
  n: value(20, '%', 'model', 'Nitrogen in the feed taken for turf that is not sown', [1, 60]),
  p2o5: value(0, '%', 'model', 'P₂O₅ in it', [0, 60]),
  k2o: value(5, '%', 'model', 'K₂O in it', [0, 60]),
})

/** What may be given at most at once. */
export const nitrogenValues = tradeValues('nitrogen', {
  quick: value(
    4.9,
    'g/m2',
    'practice',
    'Quick nitrogen in one dose at most (1 lb/1,000 ft²)',
    [1, 10],
  ),
  all: value(7.3, 'g/m2', 'model', 'All nitrogen in one dose at most', [2, 15]),
  heat: value(24, 'C', 'model', 'Soil this warm counts as heat', [15, 35]),
  inHeat: value(50, '%', 'practice', 'Share of it given in heat', [10, 100]),
})

/** What one dose lays at most beside its nitrogen. */
export const doseValues = tradeValues('dose', {
  product: value(50, 'g/m2', 'practice', 'Granules of any kind at once at most', [10, 150]),
  phosphate: value(5, 'g/m2', 'model', 'P₂O₅ in one dose without a test at most', [1, 20]),
  potash: value(10, 'g/m2', 'model', 'K₂O in one dose without a test at most', [1, 30]),
})

/** Soil at 50 mm on the day the feed is given, °C. */
export const feedDaySoil = procedure({
  id: 'feed.soil',
  key: 'feed.soil',
  stage: 5,
  label: 'Soil on the day it is fed',
  unit: 'C',
  standing: 'model',
  says: 'The soil curve on the day the feed is given.',
  inputs: { day: 'date?', soil: 'C' },
  steps: 'soil curve on the day',
  by: 'materials/feed: planFeeds',
  check: 'materials.test.ts',
})

/** Nitrogen in the bag: the job's, else the firm's, else Juvena's usual starter. */
export const bagNitrogen = setting({
  key: 'feed.grade',
  stage: 5,
  label: 'Nitrogen in the bag',
  usual: starterValues.n,
})

const laidAlong = {
  standing: 'calculation',
  says: 'What the grade lays down along with the nitrogen.',
  inputs: { rate: 'g/m2', grade: '%' },
  formula: 'rate * grade',
  compute: ({ rate, grade }: { rate: number; grade: number }) => (rate * grade) / 100,
} as const

/** Nitrogen in the bag for turf that is not sown: the job's, else Juvena's usual. */
export const upkeepNitrogen = setting({
  key: 'feed.upkeep-grade',
  stage: 5,
  label: 'Nitrogen in the bag',
  usual: upkeepValues.n,
})

/** Nitrogen in the bag that hardens turf: the job's, else Juvena's usual. */
export const hardenNitrogen = setting({
  key: 'feed.harden-grade',
  stage: 5,
  label: 'Nitrogen in the bag',
  usual: hardenValues.n,
})

export const feedRules = {
  rate: rule({
    ...feed,
    id: 'feed.rate',
    label: 'Feed, rate',
    unit: 'g/m2',
    standing: 'calculation',
    says: 'Product is the nutrient wanted, divided by its share in the bag; never more of it than {product} at once, nor, where no test asks for it, more than {phosphate} of P₂O₅ and {potash} of K₂O: a bag of little nitrogen would bury turf in the rest.',
    values: doseValues,
    inputs: { nitrogen: 'g/m2', grade: '%', p2o5: '%', k2o: '%', untested: '1' },
    formula:
      'min(nitrogen / grade, product, p2o5 * untested > 0 ? phosphate / p2o5 : product, k2o * untested > 0 ? potash / k2o : product)',
    compute: ({ nitrogen, grade, p2o5, k2o, untested }, { product, phosphate, potash }) =>
      Math.min(
        (nitrogen * 100) / grade,
        product,
        p2o5 * untested > 0 ? (phosphate * 100) / p2o5 : product,
        k2o * untested > 0 ? (potash * 100) / k2o : product,
      ),
  }),
  kg: rule({
    ...feed,
    id: 'feed.kg',
    label: 'Feed',
    unit: 'kg',
    standing: 'calculation',
    says: 'Ground fed times product rate.',
    inputs: { area: 'm2', rate: 'g/m2' },
    formula: 'area * rate',
    compute: ({ area, rate }) => (area * rate) / 1000,
  }),
  kgRounds: rule({
    ...feed,
    id: 'feed.kg-rounds',
    key: 'feed.kg',
    label: 'Feed again',
    unit: 'kg',
    standing: 'calculation',
    says: 'Ground fed, times product rate, times the feeds.',
    inputs: { area: 'm2', rate: 'g/m2', times: '1' },
    formula: 'area * rate * times',
    compute: ({ area, rate, times }) => (area * rate * times) / 1000,
  }),
  awayFromWater: rule({
    ...feed,
    id: 'feed.away-from-water',
    key: 'feed.ground',
    label: 'Ground fed',
    unit: 'm2',
    standing: 'practice',
    says: 'Along water a strip of {strip} is not fed; local law says how wide it is.',
    values: { strip: programmeValues.strip },
    inputs: { ground: 'm2', along: 'm' },
    formula: 'ground - min(ground, along * strip)',
    compute: ({ ground, along }, { strip }) => Math.max(0, ground - along * strip),
  }),
  ceiling: rule({
    ...feed,
    id: 'feed.ceiling',
    label: 'Most nitrogen in one dose',
    unit: 'g/m2',
    standing: 'model',
    says: 'Quick nitrogen at most {quick} a dose (1 lb/1,000 ft²), {inHeat} of it in heat, soil at {heat} or more on the day; slow-release may raise the whole to {all}.',
    values: nitrogenValues,
    inputs: { slow: '%', soil: 'C' },
    formula: 'min(quick * (soil >= heat ? inHeat : 1) / max(0.000001, 1 - slow), all)',
    compute: ({ slow, soil }, { quick, all, heat, inHeat }) =>
      Math.min((quick * (soil >= heat ? inHeat / 100 : 1)) / Math.max(1e-6, 1 - slow / 100), all),
  }),
  target: rule({
    ...feed,
    id: 'feed.target',
    key: 'feed.nitrogen',
    label: 'Nitrogen taken',
    unit: 'g/m2',
    standing: 'practice',
    says: 'A dose lays {low} to {high} of nitrogen (½–1 lb/1,000 ft²); {usual} is taken, and never more than the most for the day, or than its year leaves.',
    values: {
      low: value(2.4, 'g/m2', 'practice', 'A dose of nitrogen lays at least', [0, 10]),
      high: value(4.9, 'g/m2', 'practice', 'A dose of nitrogen lays at most', [1, 15]),
      usual: value(3.2, 'g/m2', 'model', 'A dose of nitrogen lays, until you say', [0.5, 10]),
    },
    inputs: { ceiling: 'g/m2', left: 'g/m2?' },
    formula: 'min(ceiling, left, max(low, min(high, usual)))',
    compute: ({ ceiling, left }, { low, high, usual }) =>
      Math.min(ceiling, left ?? Infinity, Math.max(low, Math.min(high, usual))),
  }),
  byBag: rule({
    ...feed,
    id: 'feed.by-bag',
    key: 'feed.nitrogen',
    label: 'Nitrogen laid by the rate on the bag',
    unit: 'g/m2',
    standing: 'calculation',
    says: 'The rate on the bag, times the nitrogen in it.',
    inputs: { rate: 'g/m2', grade: '%' },
    formula: 'rate * grade',
    compute: ({ rate, grade }) => (rate * grade) / 100,
  }),
  p2o5: rule({
    ...feed,
    id: 'feed.p2o5',
    label: 'P₂O₅ laid',
    unit: 'g/m2',
    ...laidAlong,
  }),
  k2o: rule({
    ...feed,
    id: 'feed.k2o',
    label: 'K₂O laid',
    unit: 'g/m2',
    ...laidAlong,
  }),
  p: rule({
    ...feed,
    id: 'feed.p',
    label: 'Phosphorus laid',
    unit: 'g/m2',
    standing: 'calculation',
    source: 'atomic weights',
    says: 'Phosphorus is 0.4364 of P₂O₅.',
    inputs: { p2o5: 'g/m2' },
    formula: '0.4364 * p2o5',
    compute: ({ p2o5 }) => P_IN_P2O5 * p2o5,
  }),
  k: rule({
    ...feed,
    id: 'feed.k',
    label: 'Potassium laid',
    unit: 'g/m2',
    standing: 'calculation',
    source: 'atomic weights',
    says: 'Potassium is 0.8301 of K₂O.',
    inputs: { k2o: 'g/m2' },
    formula: '0.8301 * k2o',
    compute: ({ k2o }) => K_IN_K2O * k2o,
  }),
  strip: rule({ ...feed, ...stripTest, id: 'feed.strip' }),
  setting: procedure({ ...feed, ...settingByStrips, id: 'feed.setting' }),
  total: rule({
    ...feed,
    id: 'feed.total',
    label: 'Feed to order',
    standing: 'calculation',
    ...allZones('kg'),
  }),
}

/** Share of the element in its oxide, by atomic weights. */
const P_IN_P2O5 = 0.4364
const K_IN_K2O = 0.8301
