import { describe, expect, it } from 'vitest'
import { CEILINGS, badlyShaped, overCeilings } from '../src/entities/ceilings.ts'

const bytes = (text: string) => new TextEncoder().encode(text)
const many = (n: number, of: (i: number) => object = (i) => ({ id: `i${i}` })) =>
  Array.from({ length: n }, (_, i) => of(i))

describe('ceilings', () => {
  it('a job at its ceilings passes; one more of anything is named, with its count', () => {
    const full = { zones: many(CEILINGS.zones), treatments: many(CEILINGS.treatments), lots: many(CEILINGS.lots), drawing: { levels: many(CEILINGS.levels), shapes: many(CEILINGS.shapes, (i) => ({ kind: i < CEILINGS.obstacles ? 'tree' : 'bed', at: [many(CEILINGS.corners / CEILINGS.shapes)] })) } } // prettier-ignore
    expect(overCeilings(full)).toEqual([])
    expect(overCeilings({ ...full, zones: many(100_000) })).toEqual([{ path: 'zones', sentence: 'This job has 100,000 zones; up to 500 are taken. Split it into several jobs.' }]) // prettier-ignore
    for (const key of ['treatments', 'lots'] as const)
      expect(overCeilings({ [key]: many(CEILINGS[key] + 1) }).map((p) => p.path)).toEqual([key])
    expect(overCeilings({ drawing: { levels: many(CEILINGS.levels + 1) } })[0]!.sentence).toContain(
      '5,001 levels',
    )
    const trees = many(CEILINGS.obstacles + 1, () => ({ kind: 'wall', at: [[]] }))
    expect(overCeilings({ drawing: { shapes: trees } })[0]!.sentence).toContain(
      '601 trees, walls and buildings',
    )
    expect(
      overCeilings({
        drawing: { shapes: [{ kind: 'lawn', at: [many(CEILINGS.corners + 1)] }] },
      })[0]!.sentence,
    ).toContain('corners')
  })
  it('says nothing of what is no job', () => {
    for (const value of [
      null,
      undefined,
      3,
      'job',
      [],
      { zones: 'many', drawing: 4 },
      { drawing: { shapes: [null, 3, { at: 'x' }] } },
    ])
      expect(overCeilings(value)).toEqual([])
  })
})

describe('depth of JSON', () => {
  it('counts brackets that stand open, and none inside texts', () => {
    const deep = (text: string, nested: number) =>
      badlyShaped(bytes(text), { nested, fields: 9 }) !== null
    expect(deep('[[[]]]', 3)).toBe(false)
    expect(deep('[[[[]]]]', 3)).toBe(true)
    expect(deep('{"a":[{"b":1}]}', 3)).toBe(false)
    expect(deep('[[]],[[]],[[]]', 2)).toBe(false)
    expect(deep('["[[[[[[", "\\"[[[["]', 1)).toBe(false)
    expect(badlyShaped(bytes('['.repeat(1_000_000)))).toContain('brackets')
  })
  it('counts the fields of each object alone', () => {
    const broad = (text: string) => badlyShaped(bytes(text), { nested: 9, fields: 2 }) !== null
    expect(broad('{"a":1,"b":":::"}')).toBe(false)
    expect(broad('[{"a":1,"b":2},{"a":1,"b":2}]')).toBe(false)
    expect(broad('{"a":{"a":1,"b":2},"b":2}')).toBe(false)
    expect(broad('{"a":1,"b":2,"c":3}')).toBe(true)
    expect(broad('{"a":{"a":1,"b":2},"b":2,"c":3}')).toBe(true)
  })
})
