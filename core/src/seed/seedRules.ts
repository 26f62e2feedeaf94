import { reading, rule, tradeValues, value } from '../trace/rule.ts'
import { coverLines } from '../findings/lines.ts'

const handbooks = 'extension handbooks, from memory, ±15 %'
const seed = { stage: 4 } as const

/** A bag as usual, where no label was read. */
export const seedReadings = {
  purity: reading({ key: 'purity', stage: 4, label: 'Purity', unit: '%', otherwise: [98, [50, 100]] }),
  germination: reading({ key: 'germination', stage: 4, label: 'Germination', unit: '%', otherwise: [88, [20, 100]] }),
  wanted: { ...reading({ key: 'seed.cover', stage: 4, label: 'Wanted cover', unit: '%' }), otherwise: coverLines.assumedWanted },
  bare: { ...reading({ key: 'seed.bare', stage: 4, label: 'Bare ground', unit: '%' }), otherwise: coverLines.assumedBare },
}

export const bagValues = tradeValues('bag', {
  usual: value(85, '%', 'model', 'Table rates are for a bag of this much pure live seed', [60, 100]),
})

const dot = (a: readonly number[], b: readonly number[]) => a.reduce((sum, x, i) => sum + x * b[i]!, 0)

export const seedRules = {
  pls: rule({
    ...seed,
    id: 'seed.lot-pls',
    key: 'pls',
    label: 'Pure live seed',
    unit: '%',
    standing: 'calculation',
    says: 'Pure live seed is purity times germination. Purity is of the bag as sold; coating lies outside it.',
    inputs: { purity: '%', germination: '%' },
    formula: 'purity * germination',
    compute: ({ purity, germination }) => (purity * germination) / 100,
  }),
  lotsPls: rule({
    ...seed,
    id: 'seed.lots-pls',
    key: 'pls',
    label: 'Pure live seed, lots together',
    unit: '%',
    standing: 'calculation',
    says: 'Lots of one grass count by their weight; alike, where one of them is not weighed.',
    inputs: { weight: '%[]', pls: '%[]' },
    formula: 'dot(weight, pls)',
    compute: ({ weight, pls }) => dot(weight, pls) / 100,
  }),
  mixPls: rule({
    ...seed,
    id: 'seed.pls',
    label: 'Pure live seed of the mix',
    unit: '%',
    standing: 'calculation',
    says: 'Each grass by its share of the weight.',
    inputs: { weight: '%[]', pls: '%[]' },
    formula: 'dot(weight, pls)',
    compute: ({ weight, pls }) => dot(weight, pls) / 100,
  }),
  newRate: rule({
    ...seed,
    id: 'seed.rate-new',
    label: 'New-lawn rate, table',
    unit: 'g/m2',
    standing: 'practice',
    source: handbooks,
    says: 'New-lawn bag rate of the mix, each grass by its share of the weight, from the middle of its range.',
    inputs: { weight: '%[]', rate: 'g/m2[]' },
    formula: 'dot(weight, rate)',
    compute: ({ weight, rate }) => dot(weight, rate) / 100,
  }),
  overseedRate: rule({
    ...seed,
    id: 'seed.rate-overseed',
    label: 'Overseeding rate, table',
    unit: 'g/m2',
    standing: 'practice',
    source: handbooks,
    says: 'Overseeding bag rate of the mix, each grass by its share of the weight, from the middle of its range.',
    inputs: { weight: '%[]', rate: 'g/m2[]' },
    formula: 'dot(weight, rate)',
    compute: ({ weight, rate }) => dot(weight, rate) / 100,
  }),
  rateAtCover: rule({
    ...seed,
    id: 'seed.rate-at-cover',
    key: 'seed.rate',
    label: 'Rate for this cover',
    unit: 'g/m2',
    standing: 'model',
    says: 'The thinner the cover, the nearer to a new-lawn rate: all new at {newAt} cover, all overseed from {overAt}.',
    values: {
      newAt: value(30, '%', 'model', 'The new-lawn rate holds up to this much cover', [0, 60]),
      overAt: value(70, '%', 'model', 'The overseeding rate holds from this much cover', [61, 100]),
    },
    inputs: { overseed: 'g/m2', asNew: 'g/m2', cover: '%' },
    formula: 'overseed + (asNew - overseed) * min(1, max(0, (overAt - cover) / (overAt - newAt)))',
    compute: ({ overseed, asNew, cover }, { newAt, overAt }) =>
      overseed + (asNew - overseed) * Math.min(1, Math.max(0, (overAt - cover) / (overAt - newAt))),
  }),
  asNew: rule({
    ...seed,
    id: 'seed.rate-as-new',
    key: 'seed.rate',
    label: 'Rate for this ground',
    unit: 'g/m2',
    standing: 'practice',
    says: 'New ground takes the new-lawn rate.',
    inputs: { asNew: 'g/m2' },
    formula: 'asNew',
    compute: ({ asNew }) => asNew,
  }),
  bagRate: rule({
    ...seed,
    id: 'seed.bulk',
    label: 'Bag rate',
    unit: 'g/m2',
    standing: 'calculation',
    says: 'The table rate, for a usual bag of {usual} pure live seed, corrected to the bag you have. Germination is allowed for once.',
    values: { usual: bagValues.usual },
    inputs: { rate: 'g/m2', pls: '%' },
    formula: 'rate * usual / pls',
    compute: ({ rate, pls }, { usual }) => (rate * usual) / pls,
  }),
  sown: rule({
    ...seed,
    id: 'seed.sown-area',
    key: 'seed.area',
    label: 'Ground sown',
    unit: 'm2',
    standing: 'calculation',
    says: 'The whole zone is sown.',
    inputs: { area: 'm2' },
    formula: 'area',
    compute: ({ area }) => area,
  }),
  sownBare: rule({
    ...seed,
    id: 'seed.sown-bare',
    key: 'seed.area',
    label: 'Ground sown',
    unit: 'm2',
    standing: 'calculation',
    says: 'Only the bare share is sown.',
    inputs: { area: 'm2', bare: '%' },
    formula: 'area * bare',
    compute: ({ area, bare }) => (area * bare) / 100,
  }),
  kg: rule({
    ...seed,
    id: 'seed.kg',
    label: 'Seed',
    unit: 'kg',
    standing: 'calculation',
    says: 'Area times bag rate.',
    inputs: { area: 'm2', rate: 'g/m2' },
    formula: 'area * rate',
    compute: ({ area, rate }) => (area * rate) / 1000,
  }),
  half: rule({
    ...seed,
    id: 'seed.half',
    label: 'Each of two passes',
    unit: 'kg',
    standing: 'practice',
    says: 'Two passes at right angles, each at half the rate. Calibrate the spreader at half.',
    inputs: { kg: 'kg' },
    formula: 'kg / 2',
    compute: ({ kg }) => kg / 2,
  }),
  live: rule({
    ...seed,
    id: 'seed.live',
    label: 'Live seeds',
    unit: '/cm2',
    standing: 'calculation',
    says: 'Bag rate times share by weight, pure live seed and seeds in a gram, over the grasses.',
    inputs: { rate: 'g/m2', weight: '%[]', pls: '%[]', seeds: '/g[]' },
    formula: 'rate * dot(weight, pls, seeds)',
    compute: ({ rate, weight, pls, seeds }) =>
      (rate *
        dot(
          weight,
          pls.map((p, i) => p * seeds[i]!),
        )) /
      10_000 /
      10_000,
  }),
  plants: rule({
    ...seed,
    id: 'seed.plants',
    label: 'Share of plants',
    unit: '%',
    standing: 'calculation',
    says: 'Share of the live seeds, and so of the plants to expect: weight × seeds in a gram × pure live seed, over the sum for the mix.',
    inputs: { weight: '%', pls: '%', seeds: '/g', all: '/g' },
    formula: 'weight * pls * seeds / all',
    compute: ({ weight, pls, seeds, all }) => (all > 0 ? (weight * pls * seeds) / 100 / all : 0),
  }),
  reserve: rule({
    ...seed,
    id: 'seed.reserve',
    label: 'Reserve',
    unit: 'kg',
    standing: 'practice',
    source: 'common practice: 10–15 %',
    says: 'Kept back for wash-outs and thin places, on its own line.',
    inputs: { zones: 'kg[]', share: '%' },
    formula: 'sum(zones) * share',
    compute: ({ zones, share }) => (sum(zones) * share) / 100,
  }),
  total: rule({
    ...seed,
    id: 'seed.total',
    label: 'Seed to order',
    unit: 'kg',
    standing: 'calculation',
    says: 'All zones of this mix, with the reserve.',
    inputs: { zones: 'kg[]', share: '%' },
    formula: 'sum(zones) * (1 + share)',
    compute: ({ zones, share }) => sum(zones) * (1 + share / 100),
  }),
}

function sum(list: readonly number[]): number {
  return list.reduce((a, b) => a + b, 0)
}
