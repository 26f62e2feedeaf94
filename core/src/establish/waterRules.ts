import { sure } from '../quantities/sure.ts'
import { sum } from '../quantities/sum.ts'
import type { Schools } from '../reference/schools.ts'
import { reading, rule, tradeValues, value, type TradeValue } from '../rules/rule.ts'

const water = { stage: 7 } as const

export const waterReadings = {
  dose: reading({ key: 'water.dose', stage: 7, label: 'Each run lays down', unit: 'rain' }),
  flow: reading({ key: 'water.flow', stage: 7, label: 'Tap flow', unit: 'L/min' }),
  stations: reading({ key: 'water.stations', stage: 7, label: 'Stations', unit: '1' }),
  rate: reading({
    key: 'water.pr',
    stage: 7,
    label: 'Precipitation rate',
    unit: 'mm/h',
    otherwise: [12, [1, 100]],
  }),
  uniformity: reading({
    key: 'water.du',
    stage: 7,
    label: 'Distribution uniformity',
    unit: '1',
    otherwise: [0.65, [0.1, 1]],
  }),
}

/** Clock times at the site, by school. Common practice. */
export const WATERING_TIMES: Record<Schools['watering'], string[]> = {
  'little-often': ['10:00', '13:00', '16:00'],
  'once-a-day': ['06:00'],
  'day-dusk': ['13:00', '19:00'],
}
export const doseValues = tradeValues('dose', {
  'little-often': value(2, 'rain', 'model', 'Little and often lays down a run', [0.5, 10]),
  'once-a-day': value(5, 'rain', 'model', 'Once a day lays down a run', [1, 20]),
  'day-dusk': value(3, 'rain', 'model', 'Day and dusk lays down a run', [0.5, 15]),
} satisfies Record<Schools['watering'], TradeValue>)

/**
 * Share of flat ground's intake that is left, up to each slope in percent. Irrigation handbooks,
 * from memory.
 */
const LEFT_ON_SLOPE: readonly (readonly [number, number])[] = [
  [4.999999, 1],
  [8, 0.8],
  [12, 0.6],
  [20, 0.4],
  [Infinity, 0.25],
]
export const slopeIntake = (slope: number): number =>
  sure(LEFT_ON_SLOPE.find(([most]) => slope <= most))[1]

export const waterRules = {
  bucket: rule({
    ...water,
    id: 'water.bucket',
    key: 'water.flow',
    label: 'Tap flow',
    unit: 'L/min',
    standing: 'reading',
    source: 'your bucket',
    says: 'A bucket under the tap, and a watch.',
    inputs: { bucket: 'm3', seconds: 's' },
    formula: 'bucket / seconds',
    compute: ({ bucket, seconds }) => (60_000 * bucket) / seconds,
  }),
  dose: rule({
    ...water,
    id: 'water.dose',
    label: 'Each run lays down',
    unit: 'rain',
    standing: 'model',
    says: 'What a run lays down, by school; three runs of 2 hold the top moist through a day that dries 4.',
    inputs: { bySchool: 'rain' },
    formula: 'bySchool',
    compute: ({ bySchool }) => bySchool,
  }),
  growing: rule({
    ...water,
    id: 'water.growing',
    label: 'Growing on, each',
    unit: 'rain',
    standing: 'practice',
    says: 'Growing on: every other day, longer, for a week or so.',
    values: { dose: value(8, 'rain', 'model', 'Growing on, each watering lays down', [2, 25]) },
    formula: 'dose',
    compute: (_, { dose }) => dose,
  }),
  settled: rule({
    ...water,
    id: 'water.settled',
    label: 'Established, each',
    unit: 'rain',
    standing: 'practice',
    says: 'Then about {dose} each three to four days, counting rain.',
    values: {
      dose: value(12, 'rain', 'practice', 'Established, each watering lays down', [4, 40]),
    },
    formula: 'dose',
    compute: (_, { dose }) => dose,
  }),
  fromTap: rule({
    ...water,
    id: 'water.from-tap',
    key: 'water.pr',
    label: 'Precipitation rate',
    unit: 'mm/h',
    standing: 'calculation',
    says: 'What the tap gives, spread over the zone. Stations run one after another: the whole tap on one of them at a time.',
    inputs: { flow: 'L/min', area: 'm2', stations: '1' },
    formula: 'flow * stations / area',
    compute: ({ flow, area, stations }) => (60 * flow * stations) / area,
  }),
  fromHeads: rule({
    ...water,
    id: 'water.from-heads',
    key: 'water.pr',
    label: 'Precipitation rate',
    unit: 'mm/h',
    standing: 'calculation',
    says: 'What one head of a full circle gives, over the ground between it and its neighbours; a half circle gives it half the ground.',
    inputs: { flow: 'L/min', apart: 'm', rows: 'm' },
    formula: 'flow / (apart * rows)',
    compute: ({ flow, apart, rows }) => (60 * flow) / (apart * rows),
  }),
  places: rule({
    ...water,
    id: 'water.places',
    key: 'water.stations',
    label: 'Places of the sprinkler',
    unit: '1',
    standing: 'model',
    says: 'The ground over what one place of a moved sprinkler wets evenly, {overlap} of which the next one wets again; a place begun is a place.',
    values: {
      overlap: value(20, '%', 'model', 'Of what one place wets, the next wets again', [0, 60]),
    },
    inputs: { area: 'm2', wets: 'm2' },
    formula: 'ceil(area / (wets * (1 - overlap)))',
    compute: ({ area, wets }, { overlap }) => Math.ceil(area / (wets * (1 - overlap / 100))),
  }),
  clock: rule({
    ...water,
    id: 'water.clock',
    label: 'By the clock, all stations',
    unit: 'min',
    standing: 'calculation',
    says: 'Stations of a zone run one after another: each run’s minutes times its stations, all runs of the day.',
    inputs: { minutes: 'min', stations: '1', runs: '1' },
    formula: 'minutes * stations * runs',
    compute: ({ minutes, stations, runs }) => minutes * stations * runs,
  }),
  full: rule({
    ...water,
    id: 'water.run-full',
    key: 'water.minutes',
    label: 'Each run',
    unit: 'min',
    standing: 'practice',
    says: 'Run = need ÷ precipitation rate, times 1 ÷ DU: enough for the driest quarter.',
    inputs: { need: 'rain', rate: 'mm/h', uniformity: '1' },
    formula: 'need / rate / uniformity',
    compute: ({ need, rate, uniformity }) => (60 * need) / rate / uniformity,
  }),
  milder: rule({
    ...water,
    id: 'water.run-milder',
    key: 'water.minutes',
    label: 'Each run',
    unit: 'min',
    standing: 'practice',
    says: 'Run = need ÷ precipitation rate, times 1 ÷ (0.4 + 0.6 DU); the milder allowance, for seedbeds.',
    inputs: { need: 'rain', rate: 'mm/h', uniformity: '1' },
    formula: 'need / rate / (0.4 + 0.6 * uniformity)',
    compute: ({ need, rate, uniformity }) => (60 * need) / rate / (0.4 + 0.6 * uniformity),
  }),
  litres: rule({
    ...water,
    id: 'water.litres',
    label: 'Each run uses',
    unit: 'L',
    standing: 'calculation',
    says: 'Rate times minutes times area: a millimetre on a square metre is a litre.',
    inputs: { rate: 'mm/h', minutes: 'min', area: 'm2' },
    formula: 'rate * minutes * area',
    compute: ({ rate, minutes, area }) => (rate / 60) * minutes * area,
  }),
  byCan: rule({
    ...water,
    id: 'water.by-can',
    key: 'water.litres',
    label: 'Each run uses',
    unit: 'L',
    standing: 'calculation',
    says: 'Too small for a sprinkler: a millimetre on a square metre is a litre, by can, rose or hose.',
    inputs: { need: 'rain', area: 'm2' },
    formula: 'need * area',
    compute: ({ need, area }) => need * area,
  }),
  daily: rule({
    ...water,
    id: 'water.daily',
    label: 'Water a day',
    unit: 'L',
    standing: 'calculation',
    says: 'All zones, all runs of the day.',
    inputs: { zones: 'L[]', runs: '1' },
    formula: 'sum(zones) * runs',
    compute: ({ zones, runs }) => sum(zones) * runs,
  }),
  tap: rule({
    ...water,
    id: 'water.tap',
    key: 'water.tap-minutes',
    label: 'Tap open a day',
    unit: 'min',
    standing: 'calculation',
    says: 'Litres over the flow of the tap.',
    inputs: { litres: 'L', flow: 'L/min' },
    formula: 'litres / flow',
    compute: ({ litres, flow }) => litres / flow,
  }),
}

export const splitValues = tradeValues('water', {
  stores: value(
    2.5,
    'rain',
    'practice',
    'Flat raked ground stores before it runs; 2 to 3 mm',
    [0.5, 8],
  ),
  oneThrow: value(
    100,
    'm2',
    'model',
    'Ground over which one sprinkler is moved, where no stations are noted, from',
    [20, 1000],
  ),
  tapSlack: value(2, '%', 'model', 'Rate over what the tap gives is told from', [0, 20]),
})
