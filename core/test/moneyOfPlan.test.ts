import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { dayOf, dayNumber, weekday, type Day } from '../src/calendar/day.ts'
import type { FirmDraft } from '../src/entities/firm.ts'
import { firmSchema } from '../src/entities/firm.ts'
import { productFor } from '../src/entities/prices.ts'
import { hireFor, type HirePrices } from '../src/money/hire.ts'
import { roundedUp, toCoin } from '../src/money/moneyOfPlan.ts'
import { num } from '../src/trace/figure.ts'
import { draft, planOf, zone } from './makeJob.ts'

const lawn = zone({ area: '200 m²', thatch: 20 })
const prices = { labour: 40, travel: 25, overhead: '10 %', margin: '20 %', tax: '15 %' }
const money = (firm: FirmDraft, more: object = {}, job: object = {}) =>
  planOf(draft({ zones: [{ ...lawn, ...more }], ...job }), { firm })
const one = (plan: ReturnType<typeof money>, id: string) => plan.money!.lines.find((l) => l.id === id)! // prettier-ignore

describe('what a planned job costs', () => {
  it('is not there until the firm has entered what things cost', () => {
    expect(money({}).money).toBeNull()
  })
  it('labour by the step: hours, people, and what an hour costs, by hand', () => {
    const plan = money({ prices })
    for (const step of plan.steps.filter((s) => s.kind === 'scarify' || s.kind === 'sow'))
      expect(one(plan, `labour.${step.id}`).money).toBe(Math.round(num(step.hours) * step.people * 40 * 100) * 10) // prettier-ignore
    // What grows is mown by the customer, until the contractor says otherwise.
    expect(plan.money!.lines.some((l) => l.id.startsWith('labour.first-mow'))).toBe(false)
    const ours = money({ prices }, { operations: { 'first-mow': { byCustomer: false }, clear: { byCustomer: true } } }) // prettier-ignore
    expect(ours.money!.lines.some((l) => l.id.startsWith('labour.first-mow'))).toBe(true)
    expect(ours.money!.lines.some((l) => l.id.startsWith('labour.clear'))).toBe(false)
    expect(ours.steps.some((s) => s.kind === 'clear')).toBe(true)
  })
  it('cost, margin as a share of the price, tax on top or in it, rounding and the least charge, by hand', () => {
    const plain = money({ prices }).money!
    const direct = plain.lines.reduce((a, l) => a + l.money, 0)
    expect(plain.direct.money).toBe(direct)
    expect(plain.cost.money).toBe(toCoin(direct * 1.1, 10))
    expect(plain.net).toBe(toCoin(plain.cost.money / 0.8, 10))
    expect(plain.total).toBe(plain.net + toCoin(plain.net * 0.15, 10))
    const rounded = money({ prices: { ...prices, roundTo: 10, taxIn: true } }).money!
    expect(rounded.price.money % 10_000).toBe(0)
    expect(rounded.price.money).toBeGreaterThanOrEqual(plain.total - 10)
    expect(rounded.total).toBe(rounded.price.money)
    expect(rounded.net + rounded.tax!.money).toBe(rounded.price.money)
    expect(money({ prices: { ...prices, least: 5000 } }).money!.price.money).toBe(5_000_000)
  })
  it('adds up to the smallest coin, whatever the prices, the decimals and the tax', () => {
    const typed = fc.record({
      labour: fc.integer({ min: 0, max: 90_000 }).map((x) => (x / 1000).toFixed(3)),
      travel: fc.integer({ min: 0, max: 99_999 }).map((x) => (x / 1000).toFixed(3)),
      overhead: fc.integer({ min: 0, max: 300 }).map((x) => x / 7),
      margin: fc.integer({ min: 0, max: 630 }).map((x) => x / 7),
      tax: fc.integer({ min: 0, max: 400 }).map((x) => x / 7),
      taxIn: fc.boolean(),
    })
    fc.assert(
      fc.property(typed, fc.constantFrom(0, 2, 3), (p, coinDecimals) => {
        const m = money({ coinDecimals: coinDecimals as 0 | 2 | 3, prices: p }).money!
        const coin = 1000 / 10 ** coinDecimals
        for (const sum of [
          ...m.lines.map((l) => l.money),
          m.direct.money,
          m.cost.money,
          m.net,
          m.price.money,
          m.total,
        ])
          // prettier-ignore
          expect(Math.abs(sum / coin - Math.round(sum / coin))).toBeLessThan(1e-9)
        expect(m.lines.reduce((a, l) => a + l.money, 0)).toBe(m.direct.money)
        expect(m.direct.money + (m.overhead?.money ?? 0)).toBe(m.cost.money)
        expect(m.net - m.cost.money).toBe(m.margin)
        expect(m.net + (m.tax?.money ?? 0)).toBe(m.total)
      }),
      { numRuns: 40 },
    )
  })
  it('twice the ground doubles what goes by the ground, and no visit', () => {
    const p = { ...prices, products: [{ id: 'f', kind: 'feed' as const, packs: [{ size: '1 kg', price: 2 }] }] } // prettier-ignore
    const [small, large] = [money({ prices: p }), money({ prices: p }, { area: '400 m²' })]
    const own = (plan: typeof small) => num(plan.steps.find((s) => s.kind === 'scarify')!.hours)
    expect(own(large)).toBeGreaterThan(own(small))
    expect(one(large, 'material.feed').money / one(small, 'material.feed').money).toBeCloseTo(2, 0)
    if (
      new Set(large.steps.map((s) => s.chosen)).size ===
      new Set(small.steps.map((s) => s.chosen)).size
    )
      // prettier-ignore
      expect(one(large, 'travel').money).toBe(one(small, 'travel').money)
  })
  it('moves with the doubt about the areas: nothing of what goes by no area, by the root of two zones', () => {
    const of = (zones: object[], more: object = {}) =>
      planOf(draft({ zones: zones as never }), { firm: { prices: { labour: 40, ...more } } as FirmDraft }).money! // prettier-ignore
    const paced = { ...lawn, by: 'pacing' as const }
    // Paced ground is out by a tenth, and 90 of 100 times by no more than 1.645 of that.
    const out = 0.1 * 1.645
    expect(of([lawn]).doubt).toBeNull()
    const typed = of([paced])
    expect(typed.doubt!.money / typed.price.money).toBeCloseTo(out, 4)
    const travelled = of([paced], { travel: 60 })
    expect(travelled.doubt!.money).toBeCloseTo(typed.doubt!.money, -1)
    // Two equal zones whose errors have nothing to do with each other: less by √2.
    const two = of([paced, { ...paced, id: 'z2', name: 'Second' }])
    expect(two.doubt!.money / two.price.money).toBeCloseTo(out / Math.SQRT2, 4)
    // In the proportion of the price to the cost: overhead and margin move with it.
    const dear = of([paced], { overhead: 20, margin: 25 })
    expect(dear.doubt!.money / dear.price.money).toBeCloseTo(out, 4)
  })
  it('names what has no price, and takes it into no sum', () => {
    const plan = money({ prices: { machines: [{ id: 'm', does: 'core', name: 'Corer' }] } })
    expect(plan.money!.missing).toEqual(
      expect.arrayContaining(['an hour of work', 'Corer', 'Seed']),
    )
    expect(plan.money!.direct.money).toBe(0)
  })
  it('every amount opens to its working', () => {
    const plan = money({ prices })
    for (const line of plan.money!.lines) expect(plan.figures[line.figure], line.id).toBeDefined()
    for (const s of ['direct', 'cost', 'price', 'tax'] as const)
      expect(plan.figures[plan.money![s]!.figure]).toBeDefined()
  })
})

describe('hire', () => {
  it('a half day, a day, a weekend: whichever is cheapest over the days it is used', () => {
    const let_: HirePrices = { half: 60, day: 85, weekend: 120 }
    expect(hireFor([{ day: '2027-03-02', hours: 3 }], let_)).toMatchObject({ halves: 1, cost: 60 })
    expect(hireFor([{ day: '2027-03-02', hours: 5 }], let_)).toMatchObject({ days: 1, cost: 85 })
    // Saturday and Sunday.
    expect(hireFor([{ day: '2027-03-06', hours: 5 }, { day: '2027-03-07', hours: 5 }], let_)).toMatchObject({ weekends: 1, cost: 120 }) // prettier-ignore
    expect(hireFor([{ day: '2027-03-02', hours: 6 }], { half: 60, day: null, weekend: null })).toMatchObject({ halves: 2, cost: 120 }) // prettier-ignore
    expect(hireFor([{ day: '2027-03-02', hours: 6 }], { half: null, day: null, weekend: 5 })).toBeNull() // prettier-ignore
    expect(hireFor([], let_)).toMatchObject({ cost: 0 })
  })
  it('is never dearer than any other way, by trying all', () => {
    const day = fc.record({ at: fc.integer({ min: 0, max: 13 }), hours: fc.integer({ min: 1, max: 8 }) }) // prettier-ignore
    const cost = fc.option(fc.integer({ min: 1, max: 200 }), { nil: null })
    fc.assert(
      fc.property(
        fc.uniqueArray(day, { maxLength: 6, selector: (d) => d.at }),
        cost,
        cost,
        cost,
        (days, half, whole, weekend) => {
          // prettier-ignore
          const used = days.map((d) => ({ day: dayOf(dayNumber('2027-03-01') + d.at), hours: d.hours }))
          const sorted = [...used].sort((a, b) => a.day.localeCompare(b.day))
          const all = (i: number): number => {
            const d = sorted[i]
            if (!d) return 0
            const ways: number[] = []
            if (half !== null && (d.hours <= 4 || whole === null)) ways.push((d.hours <= 4 ? 1 : 2) * half + all(i + 1)) // prettier-ignore
            if (whole !== null) ways.push(whole + all(i + 1))
            const on = weekday(dayNumber(d.day))
            if (weekend !== null && (on === 6 || on === 0)) {
              ways.push(weekend + all(i + 1))
              const next = sorted[i + 1]
              if (on === 6 && next && dayNumber(next.day) === dayNumber(d.day) + 1) ways.push(weekend + all(i + 2)) // prettier-ignore
            }
            return Math.min(Infinity, ...ways)
          }
          const best = all(0)
          expect(hireFor(used, { half, day: whole, weekend })?.cost ?? Infinity).toBe(best)
        },
      ),
    )
  })
})

describe('orders', () => {
  const stocked = {
    ...prices,
    suppliers: [{ id: 's', name: 'Ridge Yard', days: 4, delivery: 30 }],
    products: [
      { id: 'feed', kind: 'feed' as const, name: 'Any feed', supplier: 's', packs: [{ size: '5 kg', price: 20 }, { size: '20 kg', price: 60 }] }, // prettier-ignore
      { id: 'seed', kind: 'seed' as const, name: 'Mix', supplier: 's', packs: [{ size: '5 kg', price: 70 }] }, // prettier-ignore
    ],
  }
  it('one for each supplier: its packs, one delivery, and the last day it can be ordered', () => {
    const plan = money({ prices: stocked })
    const [order, ...rest] = plan.money!.orders
    expect([rest, order!.name, order!.lines.map((l) => l.material.split('.')[0]).sort()]).toEqual([[], 'Ridge Yard', ['feed', 'seed']]) // prettier-ignore
    expect(order!.total).toBe(order!.lines.reduce((a, l) => a + l.money, 30_000))
    const sow = plan.steps.find((s) => s.kind === 'sow')!.chosen
    const needed = order!.lines.map((l) => l.neededOn!).sort()[0]!
    expect(needed <= sow).toBe(true)
    // Four working days before, weekends not counted.
    let left = 4
    let day: Day = needed
    while (left > 0) {
      day = dayOf(dayNumber(day) - 1)
      if (weekday(dayNumber(day)) % 6 !== 0) left--
    }
    expect(order!.orderBy).toBe(day)
    expect(plan.money!.lines.filter((l) => l.group === 'delivery')).toHaveLength(1)
  })
  it('too late to order is said, and what is sown is ordered no more', () => {
    const slow = money({ prices: { ...stocked, suppliers: [{ id: 's', name: 'Far', days: 90 }] } })
    expect(slow.money!.orders[0]!.late).toBe(true)
  })
  it('a product goes by its grade or kind before any other of it', () => {
    const p = firmSchema.parse({ prices: { products: [{ id: 'a', kind: 'feed', packs: [{ size: '5 kg', price: 1 }] }, { id: 'b', kind: 'feed', of: '16-20-8', packs: [{ size: '5 kg', price: 2 }] }] } }).prices // prettier-ignore
    expect(productFor(p, 'feed', '16-20-8')!.id).toBe('b')
    expect(productFor(p, 'feed', '3-12-12')!.id).toBe('a')
    expect(productFor(p, 'lime', '')).toBeNull()
  })
})

describe('prices as typed', () => {
  const wrong = (p: object) => {
    const read = firmSchema.safeParse({ prices: p })
    return read.success ? '' : read.error.issues[0]!.message
  }
  it('say what is wrong and what would be right', () => {
    expect(wrong({ labour: 1e12 })).toContain('outside 0 to 10,000,000')
    expect(wrong({ labour: '-5' })).toContain('outside')
    expect(wrong({ margin: '200 %' })).toContain('share of the price')
    expect(wrong({ products: [{ id: 'a', kind: 'feed', packs: [{ size: 0, price: 1 }] }] })).toContain('A pack holds something') // prettier-ignore
    expect(wrong({ products: [{ id: 'a', kind: 'feed', packs: [{ size: '5 m', price: 1 }] }] })).toContain('a weight') // prettier-ignore
    expect(wrong({ labour: '45,50' })).toBe('')
  })
  it('round up, never down, to what prices are rounded to', () => {
    expect([roundedUp(1001, 10, null), roundedUp(1000, 10, null), roundedUp(5, null, 80), roundedUp(5, 100, 80)]).toEqual([1010, 1000, 80, 100]) // prettier-ignore
  })
})
