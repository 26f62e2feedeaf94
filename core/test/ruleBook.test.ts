import { describe, expect, it } from 'vitest'
import fc from 'fast-check'
import { bookPages, checkFirmValues, VALUES } from '../src/ruleBook.ts'
import { readFirmValue } from '../src/present/firmValue.ts'
import { planOf, valueOf } from './makeJob.ts'

const all = [...VALUES.values()]

describe('the rule book', () => {
  it('shows every number of the trade on a page, with a range around it', () => {
    const shown = new Set(bookPages().flatMap((p) => p.values.map((v) => v.id)))
    expect(all.filter((v) => !shown.has(v.id)).map((v) => v.id)).toEqual([])
    for (const v of all) expect(v.range[0] <= v.is && v.is <= v.range[1], v.id).toBe(true)
  })
  it('takes any number within its range and no other, saying which would be right', () => {
    fc.assert(
      fc.property(fc.constantFrom(...all), fc.double({ noDefaultInfinity: false }), (v, own) => {
        const fits = own >= v.range[0] && own <= v.range[1]
        const problems = checkFirmValues({ [v.id]: own })
        expect(problems.length).toBe(fits ? 0 : 1)
        if (!fits) expect(problems[0]!.sentence).toContain(`${v.range[0]} to ${v.range[1]}`)
      }),
    )
    for (const v of all)
      expect(
        checkFirmValues({ [v.id]: v.range[0] }).concat(checkFirmValues({ [v.id]: v.range[1] })),
        v.id,
      ).toEqual([])
    expect(checkFirmValues({ 'no.such': 1 })[0]!.sentence).toContain(
      'is no number of the rule book',
    )
  })
  it('reads a number as typed, in either system, and keeps Juvena’s own through it', () => {
    for (const v of all)
      for (const system of ['metric', 'us'] as const) {
        for (const nonsense of ['', 'abc', 'NaN', '1e999', '<b>'])
          expect(readFirmValue(v, nonsense, system), `${v.id} ${nonsense}`).toMatchObject({
            ok: false,
          })
      }
    const depth = all.find((v) => v.unit === 'mm')!
    const inches = readFirmValue(depth, `${depth.is / 25.4} in`, 'metric')
    expect(inches.ok && inches.value).toBeCloseTo(depth.is, 6)
  })
})

describe('a number the firm sets', () => {
  it('counts wherever it is used, is marked as its own, and back again leaves no trace', () => {
    const usual = planOf()
    const wanted = VALUES.get('fit.wear')!
    const own = planOf({}, { firm: { values: { [wanted.id]: wanted.range[1] } } })
    expect(own.firmValues).toEqual({ [wanted.id]: wanted.range[1] })
    expect(own.figures).not.toEqual(usual.figures)
    expect(planOf({}, { firm: { values: {} } }).figures).toEqual(usual.figures)
  })
  it('of any kind leaves every figure finite', () => {
    fc.assert(
      fc.property(fc.constantFrom(...all), fc.boolean(), (v, high) => {
        const plan = planOf({}, { firm: { values: { [v.id]: v.range[high ? 1 : 0] } } })
        for (const f of Object.values(plan.figures))
          if (typeof f.value === 'number')
            expect(Number.isFinite(f.value), `${v.id}: ${f.id}`).toBe(true)
        expect(valueOf(plan, 'zone:z1.area')).toBe(200)
      }),
      { numRuns: 150 },
    )
  })
})
