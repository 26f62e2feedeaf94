import { readdirSync } from 'node:fs'
import { join } from 'node:path'
import { describe, expect, it } from 'vitest'
import { RUNG_GROUPS } from '../src/reference/operation.ts'
import { isStepKind, OPERATIONS, orderOf, STEP_KINDS } from '../src/reference/operations.ts'
import { OPERATION_LIST } from '../src/reference/operations/list.ts'
import { planOf, zone } from './makeJob.ts'

const FOLDER = join(import.meta.dirname, '../src/reference/operations')

describe('the operations', () => {
  it('stand one in a file, and every file is on the list once', () => {
    const kebab = (name: string) => name.replace(/[A-Z]/g, (c) => `-${c.toLowerCase()}`)
    const files = readdirSync(FOLDER).flatMap((f) =>
      f === 'list.ts' ? [] : [kebab(f.slice(0, -3))],
    )
    expect([...STEP_KINDS].sort()).toEqual(files.sort())
  })
  it('name only operations that there are, and earlier ones', () => {
    for (const { id, leadsTo = [], follows = [] } of OPERATION_LIST.map(
      (o) => OPERATIONS[o.id] as (typeof OPERATIONS)['sow'],
    )) {
      for (const { operation } of leadsTo)
        expect(isStepKind(operation), `${id} leads to ${operation}`).toBe(true)
      for (const { after } of follows)
        expect(
          isStepKind(after) && isStepKind(id) && orderOf(after) < orderOf(id),
          `${id} follows ${after}`,
        ).toBe(true)
    }
  })
  it('each stands on the ladder, takes a time that a person could, and closes the lawn where it opens it', () => {
    for (const kind of STEP_KINDS) {
      const { group, by, rate, setUp, opens, closes } = OPERATIONS[kind]
      expect(RUNG_GROUPS).toContain(group)
      expect(setUp.is).toBeLessThanOrEqual(2)
      // 500 m², or 50 m along an edge, within a month of one person's days.
      if (by !== 'nothing') expect((by === 'area' ? 500 : 50) / rate.is, kind).toBeLessThan(170)
      if (opens && kind !== 'worn') expect(closes, kind).toBe(true)
    }
  })
})

describe('a worn line that is switched on and not drawn', () => {
  const plan = planOf({
    zones: [
      zone({ area: 400, dogs: true, operations: { worn: { on: true }, 'dog-soil': { on: true } } }),
    ],
  })
  // Once across: √400 m × 0.6 m = 12 m²; scorched rings are 1 % of 400 m² [calculation].
  it('is a line across the zone, not the share of scorched rings', () => {
    expect(plan.figures['zone:z1.ground.worn']!.value).toBeCloseTo(12, 9)
    expect(plan.figures['zone:z1.ground.dog-soil']!.value).toBeCloseTo(4, 9)
  })
  it('takes no more than the zone', () => {
    const small = planOf({ zones: [zone({ area: 0.25, operations: { worn: { on: true } } })] })
    expect(small.figures['zone:z1.ground.worn']!.value).toBeCloseTo(0.25, 9)
  })
})
