import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { currencyOf, firmSchema } from '../src/entities/firm.ts'
import { showMoney } from '../src/quantities/money.ts'
import { parseQuantity } from '../src/quantities/quantity.ts'
import { show, shown } from '../src/quantities/show.ts'
import { planOf, zone } from './makeJob.ts'

const price = (typed: string) => parseQuantity(typed, 'price')
const DOLLARS = { sign: '$', decimals: 2 } as const

describe('a price as typed', () => {
  it('is a number, with or without the sign of its money', () => {
    for (const [typed, thousandths] of [
      ['168', 168_000],
      ['12.50', 12_500],
      ['$12.50', 12_500],
      ['12,50 €', 12_500],
      ['NZ$ 1,234.50', 1_234_500],
      ['EUR 9', 9000],
      ['0.001', 1],
    ] as const)
      expect(price(typed), typed).toMatchObject({ ok: true, value: thousandths })
  })
  it('is refused in a sentence where it is none', () => {
    for (const typed of ['12 kg', 'dear', '12 13', '1e400', '$', '<b>5</b>']) {
      const read = price(typed)
      expect(read.ok, typed).toBe(false)
      if (!read.ok)
        expect(read.sentence).toMatch(/is not a price\. Write a price like 168 or 12\.50\.$/)
    }
  })
  it('is kept exactly: a thousandth is the smallest coin there is', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 1e9 }), (n) => {
        expect(price((n / 1000).toFixed(3))).toMatchObject({ ok: true, value: n })
      }),
    )
  })
  it('stored before as a plain number, it is the same money', () => {
    const firm = firmSchema.parse({ seedBags: [{ id: 'b', size: '20 kg', price: 168 }] })
    expect(firm.seedBags[0]!.price).toBe(168_000)
    const wrong = firmSchema.safeParse({ seedBags: [{ id: 'b', size: '20 kg', price: -1 }] })
    expect(wrong.error!.issues[0]!.message).toContain('−1 is outside 0 to 1,000,000')
  })
})

describe('money shown', () => {
  it('has the firm’s sign and the decimals of its coins, thousands marked', () => {
    expect(showMoney(1_234_500, DOLLARS)).toBe('$1,234.50')
    expect(showMoney(1_234_500, { sign: '¥', decimals: 0 })).toBe('¥1,235')
    expect(showMoney(1_234_567, { sign: '', decimals: 3 })).toBe('1,234.567')
    expect(showMoney(-5000, DOLLARS)).toBe('−$5.00')
    expect(showMoney(0, DOLLARS)).toBe('$0.00')
    expect(showMoney(0.42, DOLLARS)).toBe('$0.00042')
    expect(currencyOf(firmSchema.parse({ currency: '£' }))).toEqual({ sign: '£', decimals: 2 })
  })
  it('a price by weight follows the units: one kilogram is 2.2046 lb (NIST SP 811)', () => {
    expect(shown(8400, 'money/kg', 'metric', DOLLARS)).toBe('$8.40 a kg')
    expect(show(8400, 'money/kg', 'us', DOLLARS)).toEqual({ number: '$3.81', unit: 'a lb' })
  })
})

describe('bags on the list of materials', () => {
  // 100 m² at 50 g/m² is 5 kg and a tenth kept back: 10 kg in the cheapest bags, 92 [calculation].
  const plan = planOf(
    {
      zones: [
        zone({
          area: 100,
          seedRate: '50 g/m2',
          mix: [{ grass: 'perennial-ryegrass', share: 100 }],
        }),
      ],
    },
    {
      firm: {
        seedBags: [
          { id: 'a', size: '10 kg', price: 92 },
          { id: 'b', size: '5 kg', price: '51' },
        ],
        reserve: 10,
      },
    },
  )
  it('say what they cost, with their working', () => {
    const line = plan.materials.find((m) => m.kind === 'seed')!
    expect(line.packs!.counts).toEqual([{ size: 10, count: 1 }])
    expect(plan.figures[line.packs!.costs!]).toMatchObject({
      value: 92_000,
      unit: 'money',
      rule: 'materials.bag-cost',
    })
  })
  it('cost nothing that is told until every size has its price', () => {
    const unknown = planOf(
      { zones: [zone({})] },
      { firm: { seedBags: [{ id: 'a', size: '10 kg' }] } },
    )
    expect(unknown.materials.find((m) => m.kind === 'seed')!.packs).toMatchObject({
      cost: null,
      costs: null,
    })
  })
})
