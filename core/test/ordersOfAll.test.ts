import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { firmSchema, type FirmDraft } from '../src/entities/firm.ts'
import { ordersOfAll, ordersWanted, type OrderWanted } from '../src/money/ordersOfAll.ts'
import type { JobPlan } from '../src/plan/jobPlan.ts'
import { draft, planOf, said, zone } from './makeJob.ts'

const products = [
  { id: 'f', kind: 'feed', name: 'Granules', of: '16-20-8', supplier: 's', packs: [{ size: '20 kg', price: 60 }, { size: '5 kg', price: 20 }] },
  { id: 'm', kind: 'seed', name: 'Lawn mix', supplier: 's', packs: [{ size: '10 kg', price: 90 }] },
] // prettier-ignore
const firm: FirmDraft = { prices: { labour: 40, suppliers: [{ id: 's', name: 'Yard', days: 2, delivery: 18 }], products } } as FirmDraft // prettier-ignore
const settings = firmSchema.parse(firm)
const want = (id: string, area: number, more: object = {}): OrderWanted[] =>
  ordersWanted(id, id, planOf(draft({ zones: [zone({ area, ...more })] }), { firm }) as unknown as JobPlan) // prettier-ignore
const feedOf = (orders: ReturnType<typeof ordersOfAll>) => orders[0]!.lines.find((l) => l.product === 'Granules')! // prettier-ignore

describe('one order for several jobs', () => {
  it('for one job is its own order', () => {
    const mine = want('a', 200)
    const [order] = ordersOfAll(mine, settings, '2027-02-22')
    expect([order!.total, order!.name, order!.delivery]).toEqual([order!.apart, 'Yard', 18_000])
  })
  it('packs once for all, and one delivery, by hand', () => {
    // Each of 200 m² takes 4 kg: one bag of 5 at 20. Four take 16 kg: one bag of 20 at 60, not four at 80.
    const all = ['a', 'b', 'c', 'd'].flatMap((id) => want(id, 200))
    const orders = ordersOfAll(all, settings, '2027-02-22')
    const feed = feedOf(orders)
    expect([said(feed.says), feed.money]).toEqual(['1 × 20 kg', 60_000])
    expect(feed.jobs.map((j) => j.job)).toEqual(['a', 'b', 'c', 'd'])
    expect(orders[0]!.delivery).toBe(18_000)
    expect(orders[0]!.apart - orders[0]!.total).toBeGreaterThanOrEqual(20_000 + 3 * 18_000)
  })
  it('never bags two mixes together', () => {
    const shade = want('b', 200, { sunHours: 3, present: [] })
    const seed = ordersOfAll([...want('a', 200), ...shade], settings, '2027-02-22')[0]!.lines.filter((l) => l.product === 'Lawn mix') // prettier-ignore
    expect(seed.map((l) => l.jobs.map((j) => j.job))).toEqual([['a'], ['b']])
  })
  it('is ordered by the day that the soonest of them wants', () => {
    const late = want('b', 200).map((w) => ({ ...w, neededOn: '2027-03-30' }))
    const soon = want('a', 200).map((w) => ({ ...w, neededOn: '2027-03-05' }))
    const [order] = ordersOfAll([...late, ...soon], settings, '2027-02-22')
    expect([order!.orderBy, order!.late]).toEqual(['2027-03-03', false])
    expect(ordersOfAll(soon, settings, '2027-03-04')[0]!.late).toBe(true)
  })
  it('is never dearer than job by job, whatever is wanted', () => {
    const [one] = want('a', 200).filter((w) => w.productId === 'f') as [OrderWanted]
    const bags = (kg: number) => Math.min(...[0, 1, 2, 3, 4, 5].map((big) => big * 60_000 + Math.max(0, Math.ceil((kg - big * 20) / 5 - 1e-9)) * 20_000)) // prettier-ignore
    fc.assert(
      fc.property(fc.array(fc.double({ min: 0.1, max: 60, noNaN: true }), { minLength: 1, maxLength: 8 }), (needs) => {
        const list = needs.map((need, i) => ({ ...one, job: `j${i}`, need, money: bags(need) }))
        const [order] = ordersOfAll(list, settings, '2027-02-22')
        expect(order!.total).toBeLessThanOrEqual(order!.apart)
      }), // prettier-ignore
      { numRuns: 200 },
    )
  })
})

describe('what lies on the shelf', () => {
  const lots = (amount: string) => [{ id: 'l', grass: 'perennial-ryegrass' as const, stock: 'shelf-1', amount }] // prettier-ignore
  const seedLine = (job: object) =>
    planOf(draft({ zones: [zone({ mix: [{ grass: 'perennial-ryegrass', share: 100 }] })], ...job }), { firm }).money!.orders.flatMap((o) => o.lines).find((l) => l.product === 'Lawn mix') // prettier-ignore
  it('is not ordered again: only the reserve is left to buy, or nothing', () => {
    const all = seedLine({})!.need
    const some = seedLine({ lots: lots('50 kg') })
    expect(some?.need ?? 0).toBeLessThan(all * 0.2)
  })
})
