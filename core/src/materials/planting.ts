import { num } from '../trace/figure.ts'
import { quantity, say, type Message } from '../rules/message.ts'
import { allZones, rule, tradeValues, value } from '../rules/rule.ts'
import { JOB, zoneScope } from '../trace/scope.ts'
import type { Trace } from '../trace/trace.ts'
import { operationOf, type ZoneWork } from '../work/workTypes.ts'
import { cellsOf, plain, type MaterialLine } from './materialLine.ts'

export const plugValues = tradeValues('plugs', {
  apart: value(250, 'mm', 'model', 'Plugs and runners are set apart by', [50, 600]),
  size: value(50, 'mm', 'practice', 'A plug is across', [20, 150]),
})

/** What is set or laid instead of sown. */
export const plantRules = {
  turf: rule({
    id: 'materials.turf',
    key: 'turf',
    stage: 5,
    label: 'Turf',
    unit: 'm2',
    standing: 'practice',
    says: 'The ground laid, and {waste} for cuts at edges.',
    values: { waste: value(5, '%', 'practice', 'Turf lost to cuts at edges', [0, 30]) },
    inputs: { ground: 'm2' },
    formula: 'ground * (1 + waste)',
    compute: ({ ground }, { waste }) => ground * (1 + waste / 100),
  }),
  plugs: rule({
    id: 'materials.plugs',
    key: 'plugs',
    stage: 5,
    label: 'Plugs or runners',
    unit: '1',
    standing: 'model',
    says: 'Gaps set at {apart}, from the edge and inside.',
    values: { apart: plugValues.apart },
    inputs: { ground: 'm2' },
    formula: 'ceil(ground / (apart * apart) - 0.000000001)',
    compute: ({ ground }, { apart }) => Math.ceil(ground / (apart / 1000) ** 2 - 1e-9),
  }),
  closes: rule({
    id: 'materials.plugs-close',
    key: 'plugs-close',
    stage: 5,
    label: 'Weeks of growth until the gaps close',
    unit: 'wk',
    standing: 'model',
    says: 'Runners of neighbours meet halfway: what lies between two plugs of {size} at {apart}, by how fast the grass spreads in a week of growth. From the edge alone a gap takes far longer.',
    values: { apart: plugValues.apart, size: plugValues.size },
    inputs: { spread: 'mm', week: 'wk' },
    formula: '(max(apart, size) - size) / 2 / spread * week',
    compute: ({ spread, week }, { apart, size }) =>
      ((Math.max(apart, size) - size) / 2 / spread) * week,
  }),
  rolls: rule({
    id: 'materials.turf-rolls',
    key: 'turf-rolls',
    stage: 5,
    label: 'Rolls or slabs of turf',
    unit: '1',
    standing: 'practice',
    says: 'Rolls or slabs of {roll}, whole ones. Joints are staggered like bricks.',
    values: { roll: value(1, 'm2', 'practice', 'A roll or slab of turf covers', [0.1, 50]) },
    inputs: { order: 'm2' },
    formula: 'ceil(order / roll)',
    compute: ({ order }, { roll }) => Math.ceil(order / roll),
  }),
  turfTotal: rule({
    id: 'materials.turf-total',
    key: 'turf',
    stage: 5,
    label: 'Turf, to order',
    standing: 'calculation',
    ...allZones('m2'),
  }),
  plugsTotal: rule({
    id: 'materials.plugs-total',
    key: 'plugs',
    stage: 5,
    label: 'Plugs or runners',
    standing: 'calculation',
    ...allZones('1'),
  }),
}

const planted = (works: readonly ZoneWork[], kind: 'turf' | 'plugs') =>
  works.flatMap((work) => {
    const operation = operationOf(work, kind)
    return operation ? [{ work, ground: operation.ground }] : []
  })

/** Turf to lay, and plugs or runners to set. */
export const plantLines = (works: readonly ZoneWork[], trace: Trace): MaterialLine[] => [
  ...turfLine(works, trace),
  ...plugLine(works, trace),
]

function turfLine(works: readonly ZoneWork[], trace: Trace): MaterialLine[] {
  const zones = planted(works, 'turf').map(({ work, ground }) => ({
    zone: work.r.id,
    amount: trace.work(plantRules.turf, zoneScope(work.r.id), { ground }),
  }))
  if (zones.length === 0) return []
  const total = trace.work(plantRules.turfTotal, JOB, { zones: zones.map((z) => z.amount) })
  const rolls = trace.work(plantRules.rolls, JOB, { order: total })
  return [
    {
      ...plain,
      id: 'turf',
      kind: 'turf',
      of: '',
      name: 'Turf',
      detail: 'laid the day it comes',
      cells: cellsOf('turf', zones, trace),
      total: total.id,
      also: [rolls.id],
    },
  ]
}

function plugLine(works: readonly ZoneWork[], trace: Trace): MaterialLine[] {
  const all = planted(works, 'plugs')
  const zones = all.map(({ work, ground }) => ({
    zone: work.r.id,
    amount: trace.work(plantRules.plugs, zoneScope(work.r.id), { ground }),
  }))
  if (zones.length === 0) return []
  const total = trace.work(plantRules.plugsTotal, JOB, { zones: zones.map((z) => z.amount) })
  const closes = all.flatMap(({ work: { r } }) => {
    const creeps = Math.max(0, ...r.present.map((g) => g.creeps))
    return creeps > 0
      ? [trace.work(plantRules.closes, zoneScope(r.id), { spread: creeps, week: 1 })]
      : []
  })
  const slowest = closes.reduce<number | null>((most, f) => Math.max(most ?? 0, num(f)), null)
  const detail: Message =
    slowest === null
      ? 'of the turf there'
      : say`of the turf there; gaps close in about ${quantity(Math.ceil(slowest), 'wk')} of growth, with the edges setting runners too`
  return [
    {
      ...plain,
      id: 'plugs',
      kind: 'plugs',
      of: '',
      name: 'Plugs or runners',
      detail,
      cells: cellsOf('plugs', zones, trace),
      total: total.id,
      also: closes.map((f) => f.id),
    },
  ]
}
