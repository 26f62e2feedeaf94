import fc from 'fast-check'
import highsLoader from 'highs'
import { beforeAll, describe, expect, it } from 'vitest'
import {
  allowed,
  composeMix,
  valueOf,
  withinPlants,
  type Component,
  type MixProblem,
} from '../src/seed/composeMix.ts'
import { render } from '../src/present/render.ts'
import { whatHolds } from '../src/seed/binding.ts'
import type { Fit } from '../src/seed/fit/fit.ts'
import { mixAsProgram } from './mixAsProgram.ts'

let highs: Awaited<ReturnType<typeof highsLoader>>
beforeAll(async () => {
  highs = await highsLoader()
})

const component = (id: number, grasses: number) =>
  fc
    .record({
      fit: fc.integer({ min: 20, max: 100 }),
      quick: fc.integer({ min: 0, max: 10 }),
      knits: fc.integer({ min: 0, max: 10 }),
      seeds: fc.constantFrom(350, 550, 1000, 3000, 15_000),
      least: fc.constantFrom(5, 10, 20),
      most: fc.constantFrom(20, 60, 80, 95),
      mostPlants: fc.constantFrom(60, 100),
    })
    .map(({ quick, knits, ...c }): Component => ({
      id: `c${id}`,
      grass: `g${id % grasses}`,
      serves: [quick / 10, knits / 10],
      cost: (id * 7) % 5,
      ...c,
    }))
const problem = fc.integer({ min: 1, max: 7 }).chain((n) =>
  fc
    .record({
      components: fc.tuple(...Array.from({ length: n }, (_, i) => component(i, 5))),
      quick: fc.integer({ min: 0, max: 15 }),
      knits: fc.integer({ min: 0, max: 15 }),
      enough: fc.constantFrom(0.15, 0.2, 0.5),
      most: fc.integer({ min: 1, max: 4 }),
      company: fc.integer({ min: 0, max: 4 }),
      apart: fc.uniqueArray(fc.constantFrom('g0 g1', 'g0 g2', 'g1 g3', 'g2 g4'), { maxLength: 3 }),
    })
    .map(({ components, quick, knits, enough, most, company, apart }): MixProblem => ({
      components,
      needs: [
        { weight: quick, enough },
        { weight: knits, enough },
      ],
      most,
      step: 5,
      company,
      each: 1,
      together: (a, b) => !(apart as string[]).includes([a.grass, b.grass].sort().join(' ')),
    })),
)

describe('the best mix', () => {
  it('is what a mixed-integer solver finds too, on hundreds of made-up problems (HiGHS)', () => {
    fc.assert(
      fc.property(problem, (p) => {
        const found = composeMix(p)!
        const solved = highs.solve(mixAsProgram(p))
        expect(solved.Status).toBe('Optimal')
        expect(found.value).toBeCloseTo(solved.ObjectiveValue, 5)
      }),
      { numRuns: 200 },
    )
  })
  it('keeps every limit, makes 100, and holds no two of a grass', () => {
    fc.assert(
      fc.property(problem, (p) => {
        const { parts, value } = composeMix(p)!
        const set = parts.map((x) => x.component)
        const shares = parts.map((x) => x.share)
        expect(shares.reduce((a, b) => a + b, 0)).toBe(100)
        expect(allowed(set, shares)).toBe(true)
        expect(new Set(set.map((c) => c.grass)).size).toBe(set.length)
        expect(set.length).toBeLessThanOrEqual(p.most)
        for (const a of set) for (const b of set) if (a !== b) expect(p.together(a, b)).toBe(true)
        expect(valueOf(p, set, shares)).toBeCloseTo(value, 9)
      }),
      { numRuns: 200 },
    )
  })
  it('does not hang on the order of candidates, and of equals takes the cheaper', () => {
    fc.assert(
      fc.property(problem, fc.nat(), (p, seed) => {
        const turned = [...p.components].sort(
          (a, b) => ((a.id.charCodeAt(1) * 31 + seed) % 7) - ((b.id.charCodeAt(1) * 31 + seed) % 7),
        )
        const say = (m: ReturnType<typeof composeMix>) =>
          m!.parts.map((x) => `${x.component.id} ${x.share}`).sort()
        expect(say(composeMix({ ...p, components: turned }))).toEqual(say(composeMix(p)))
        const dear = p.components.map((c): Component => ({
          ...c,
          id: `a${c.id}`,
          cost: c.cost + 1,
        }))
        const both = composeMix({ ...p, components: [...dear, ...p.components] })!
        expect(both.parts.some((x) => x.component.id.startsWith('a'))).toBe(false)
      }),
      { numRuns: 150 },
    )
  })
  it('of one grass is that grass; without it there is another or none', () => {
    fc.assert(
      fc.property(component(0, 5), problem, (only, p) => {
        expect(composeMix({ ...p, components: [only] })!.parts).toEqual([
          { component: only, share: 100 },
        ])
        expect(composeMix({ ...p, components: [only] }, new Set([only.grass]))).toBeNull()
      }),
      { numRuns: 50 },
    )
  })
})

describe('limits by plants', () => {
  it('a tenth of bent by weight is 150,000 of 195,000 seeds, 76.9 %: within 77 and over 76 (by hand)', () => {
    const made = (id: string, seeds: number, mostPlants: number): Component => ({ id, grass: id, fit: 90, serves: [], seeds, least: 5, most: 95, mostPlants, cost: 0 }) // prettier-ignore
    const within = (most: number) =>
      withinPlants([made('rye', 500, 100), made('bent', 15_000, most)], [90, 10])
    expect([within(77), within(76)]).toEqual([true, false])
  })
})

describe('of equals', () => {
  it('the cheaper goes into the mix, the whole of it counted', () => {
    const made = (id: string, fit: number, serves: number[], cost: number): Component => ({ id, grass: id, fit, serves, seeds: 500, least: 20, most: 80, mostPlants: 100, cost }) // prettier-ignore
    const components = [
      made('main', 95, [0, 1], 2),
      made('dear', 90, [1, 0], 5),
      made('cheap', 90, [1, 0], 1),
    ]
    const needs = [{ weight: 6, enough: 0.2 }, { weight: 4, enough: 0.15 }] // prettier-ignore
    const found = composeMix({
      components,
      needs,
      most: 2,
      step: 5,
      company: 1,
      each: 1,
      together: () => true,
    })!
    expect(found.parts.map((p) => [p.component.id, p.share])).toEqual([
      ['main', 80],
      ['cheap', 20],
    ])
    expect(found.cost).toBeCloseTo(0.8 * 2 + 0.2 * 1, 9)
  })
})

describe('what holds a share, by hand', () => {
  const part = (id: string, fit: number, serves: number[], more: Partial<Component> = {}): Component => ({
    id, grass: id, fit, serves, seeds: 500, least: 5, most: 95, mostPlants: 100, cost: 0, ...more,
  }) // prettier-ignore
  const fitOf = (short: string, parts: [string, number, number][]) =>
    ({
      grass: { short },
      parts: parts.map(([part, weight, rating]) => ({
        part,
        weight,
        rating,
        says: `${short} at ${rating}`,
      })),
    }) as unknown as Fit
  const stand = [fitOf('slow', [['wear', 2, 90], ['soil', 1, 60]]), fitOf('quick', [['wear', 2, 80], ['soil', 1, 100]])] // prettier-ignore
  /** Six points for a fifth that shows soon, four for a sixth that knits. */
  const problem = (set: Component[]): MixProblem => ({
    components: set, most: 3, step: 5, company: 1, each: 1, together: () => true,
    needs: [{ weight: 6, enough: 0.2 }, { weight: 4, enough: 0.15 }],
  }) // prettier-ignore
  const holds = (set: Component[], shares: number[], index: number, fits = stand) => {
    const found = whatHolds(problem(set), set, shares, fits, index)
    return found === null ? null : render(found, { units: 'metric', dialect: 'scarify' })
  }
  const [slow, quick] = [part('slow', 95, [0, 1]), part('quick', 90, [1, 0])]
  it('a need that a step less would leave short: 15 of the 20 % is three quarters, which costs 1.5 points and brings 0.25', () => {
    expect(holds([slow, quick], [80, 20], 1)).toBe('less of it would show too late')
    expect(holds([slow, quick], [15, 85], 0)).toBe('less of it would knit too slowly')
  })
  it('with the needs served, the reading in which it is most ahead; nothing where a step less serves as well', () => {
    // 40 of 100 is twice what is enough: a step less of the slow one loses its 5 points of fit in
    // the hundred, by the wear that it bears.
    expect(holds([slow, quick], [60, 40], 0)).toBe('wear: slow at 90')
    expect(holds([part('slow', 90, [0, 1]), quick], [60, 40], 0)).toBeNull()
    // What is poor in the other is said of the other.
    const poor = [stand[0]!, fitOf('quick', [['wear', 2, 60], ['soil', 1, 100]])] // prettier-ignore
    expect(holds([slow, quick], [60, 40], 0, poor)).toBe('quick, wear: quick at 60')
    // Nowhere ahead, though the sum is: nothing is said.
    expect(
      holds([slow, quick], [60, 40], 0, [fitOf('slow', [['wear', 2, 80]]), stand[1]!]),
    ).toBeNull()
  })
  it('a limit that a step would break', () => {
    expect(holds([{ ...slow, least: 60 }, quick], [60, 40], 0)).toBe(
      'in company at least 60 % of it',
    )
    expect(holds([slow, { ...quick, most: 40 }], [60, 40], 0)).toBe('in company at most 40 % quick')
    expect(holds([slow, { ...quick, mostPlants: 40 }], [60, 40], 0)).toBe(
      'more quick would be too many of the plants',
    )
  })
})
