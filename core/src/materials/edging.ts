import { allZones, rule, tradeValues, value } from '../rules/rule.ts'
import { JOB, zoneScope } from '../trace/scope.ts'
import type { Trace } from '../trace/trace.ts'
import { operationOf, type ZoneWork } from '../work/workTypes.ts'
import { cellsOf, plain, type MaterialLine } from './materialLine.ts'

export const edgingValues = tradeValues('edging', {
  waste: value(5, '%', 'practice', 'Edging lost to cuts and overlaps', [0, 30]),
  stakes: value(0.9, 'm', 'practice', 'A stake stands every', [0.2, 3]),
  piece: value(2.4, 'm', 'practice', 'A piece of edging is as long as', [0.5, 20]),
})

const edging = { stage: 5 } as const

export const edgingRules = {
  length: rule({
    ...edging,
    id: 'materials.edging',
    key: 'edging',
    label: 'Edging',
    unit: 'm',
    standing: 'practice',
    says: 'The edge that is set, and {waste} for cuts and overlaps.',
    values: { waste: edgingValues.waste },
    inputs: { length: 'm' },
    formula: 'length * (1 + waste)',
    compute: ({ length }, { waste }) => length * (1 + waste / 100),
  }),
  total: rule({
    ...edging,
    id: 'materials.edging-total',
    key: 'edging',
    label: 'Edging, to order',
    standing: 'calculation',
    ...allZones('m'),
  }),
  stakes: rule({
    ...edging,
    id: 'materials.edging-stakes',
    key: 'edging-stakes',
    label: 'Stakes',
    unit: '1',
    standing: 'practice',
    says: 'One every {stakes}, and one at the end; more where the level changes.',
    values: { stakes: edgingValues.stakes },
    inputs: { order: 'm' },
    formula: 'ceil(order / stakes) + 1',
    compute: ({ order }, { stakes }) => Math.ceil(order / stakes) + 1,
  }),
  joints: rule({
    ...edging,
    id: 'materials.edging-joints',
    key: 'edging-joints',
    label: 'Joints',
    unit: '1',
    standing: 'practice',
    says: 'Between pieces of {piece}.',
    values: { piece: edgingValues.piece },
    inputs: { order: 'm' },
    formula: 'max(0, ceil(order / piece) - 1)',
    compute: ({ order }, { piece }) => Math.max(0, Math.ceil(order / piece) - 1),
  }),
}

/** Edging where an edge is set: metres, stakes and joints. */
export function edgingLines(works: readonly ZoneWork[], trace: Trace): MaterialLine[] {
  const zones = works.flatMap((work) => {
    const edge = operationOf(work, 'edge')
    return edge
      ? [
          {
            zone: work.r.id,
            amount: trace.work(edgingRules.length, zoneScope(work.r.id), { length: edge.ground }),
          },
        ]
      : []
  })
  if (zones.length === 0) return []
  const total = trace.work(edgingRules.total, JOB, { zones: zones.map((z) => z.amount) })
  const stakes = trace.work(edgingRules.stakes, JOB, { order: total })
  const joints = trace.work(edgingRules.joints, JOB, { order: total })
  return [
    {
      ...plain,
      id: 'edging',
      kind: 'edging',
      of: '',
      name: 'Edging',
      detail: 'with stakes and joints; the kind that is there, or as agreed',
      cells: cellsOf('edging', zones, trace),
      total: total.id,
      also: [stakes.id, joints.id],
    },
  ]
}
