import { describe, expect, it } from 'vitest'
import { firmSchema } from '../src/entities/firm.ts'
import { blankEntry, diaryEntry, type DiaryEntry } from '../src/entities/diary.ts'
import { readJob } from '../src/entities/job.ts'
import { offerSchema, type Offer } from '../src/entities/offer.ts'
import { offerNumber, offersOf } from '../src/money/offerOf.ts'
import { planJob } from '../src/pipeline.ts'
import { jobWays } from '../src/plannedWays.ts'
import { rungsWorth } from '../src/rungsWorth.ts'
import { waysOfJob } from '../src/waysOfJob.ts'
import { ownWayOf, zonesByOwnWay } from '../src/work/ownWays.ts'
import { draft, said, TODAY, zone } from './makeJob.ts'

const prices = { labour: 40, travel: 25, margin: '20 %', disposal: 30, machines: [{ id: 'c', name: 'Corer', does: 'core', half: 90, day: 130 }], products: [{ id: 's', kind: 'seed' as const, packs: [{ size: '5 kg', price: 70 }] }, { id: 'f', kind: 'feed' as const, packs: [{ size: '5 kg', price: 20 }] }] } // prettier-ignore
const context = { today: TODAY, firm: firmSchema.parse({ prices }), diary: [] }
const two = [zone({ area: '300 m²' }), zone({ id: 'z2', name: 'Back', area: '120 m²', cover: { wanted: 10, weeds: 5, moss: 0, bare: 85 } })] // prettier-ignore
const jobOf = (zones: object[], more: object = {}) => readJob(draft({ zones: zones as never, ...more })).job! // prettier-ignore
const waysOf = (zones: object[], more: object = {}) => {
  const job = jobOf(zones, more)
  const plan = planJob(job, context)
  const chosen = Object.fromEntries(plan.zones.map((z) => [z.id, z.approach.chosen]))
  return { job, plan, ways: said(jobWays(job, context, waysOfJob(job, context), chosen)) }
}

describe('ways of a whole job', () => {
  it('begin with the job as it is planned, at its own price, and name the zones where they differ', () => {
    const { plan, ways } = waysOf(two)
    expect(ways[0]!.chosen).toBe(true)
    expect(ways[0]!.money!.price).toBe(plan.money!.price.money)
    expect(ways[0]!.name).toContain('Back')
    for (const w of ways) expect(w.does.length).toBeGreaterThan(0)
  })
  it('are each the plan of that way: leaving it sows nothing, and costs less than sowing it', () => {
    const { ways } = waysOf([two[0]!])
    const leave = ways.find((w) => w.approach === 'leave')!
    expect(leave.does.join(' ')).not.toMatch(/seed goes down/i)
    expect(leave.money!.price).toBeLessThan(ways[0]!.money!.price)
    expect(leave.hours).toBeLessThan(ways[0]!.hours)
  })
  it('are no two alike, and none but itself once it is sown', () => {
    const { ways } = waysOf(two)
    expect(new Set(ways.map((w) => JSON.stringify([w.money, w.does, w.days]))).size).toBe(
      ways.length,
    )
    const job = jobOf([two[0]!])
    const sown = { ...context, today: '2027-03-10', diary: [{ ...blankEntry('sow-tick-1', '2027-03-03', 'Sow'), step: 'sow/z1', stepZones: ['z1'] }] } // prettier-ignore
    expect(jobWays(job, sown, waysOfJob(job, sown), { z1: 'overseed' })).toHaveLength(1)
  })
  it('say what is over the budget, in what the firm tells its prices', () => {
    const { ways } = waysOf([two[0]!], { budget: 300 })
    for (const w of ways) expect(w.overBudget).toBe(w.money!.price > 300_000 ? w.money!.price - 300_000 : null) // prettier-ignore
  })
})

describe('what a rung adds', () => {
  it('is the difference of two whole plans: with it, and without it', () => {
    const job = jobOf([two[0]!])
    const plan = planJob(job, context)
    const worth = [...rungsWorth(job, context, 'z1')]
    const core = worth.find((w) => w.operation === 'core')!
    const without = planJob(jobOf([{ ...two[0]!, operations: { core: { on: false } } }]), context)
    expect(core.price).toBe(plan.money!.price.money - without.money!.price.money)
    expect(core.price!).toBeGreaterThan(90_000)
  })
  it('a cover on a bank is worth years in a hundred, on the day of the plan', () => {
    const bank = zone({
      area: '300 m²',
      slope: 20,
      cover: { wanted: 5, weeds: 5, moss: 0, bare: 90 },
    })
    const worth = [...rungsWorth(jobOf([bank]), context, 'z1')]
    expect(worth.find((w) => w.operation === 'cover')!.odds!).toBeGreaterThan(5)
    for (const w of worth) if (w.odds !== null && w.operation !== 'kill') expect(w.odds, w.operation).toBeGreaterThanOrEqual(0) // prettier-ignore
  })
  it('without prices tells the odds alone', () => {
    const worth = [
      ...rungsWorth(jobOf([two[0]!]), { ...context, firm: firmSchema.parse({}) }, 'z1'),
    ]
    expect(worth.every((w) => w.price === null)).toBe(true)
  })
})

describe('a way of one’s own', () => {
  const light = [
    { ...two[0]!, operations: { core: { on: false }, scarify: { on: false } } },
    { ...two[1]!, approach: 'hold-over' as const },
  ]
  it('stands beside the plan under its name, with the price and days of the plan it was', () => {
    const saved = ownWayOf('w1', 'Light', light)
    const { ways } = waysOf(two, { ownWays: [saved] })
    const was = planJob(jobOf(light), context)
    const own = ways.find((w) => w.id === 'own.w1')!
    expect([own.name, own.chosen, own.money!.price]).toEqual(['Light', false, was.money!.price.money]) // prettier-ignore
    expect(own.money!.price).not.toBe(ways[0]!.money!.price)
  })
  it('changes nothing in the plan until it is made the plan, and then it is it', () => {
    const saved = ownWayOf('w1', 'Light', light)
    const plain = JSON.stringify(planJob(jobOf(two), context))
    expect(JSON.stringify(planJob(jobOf(two, { ownWays: [saved] }), context))).toBe(plain)
    const opened = zonesByOwnWay(two as never[], saved as never)
    expect(JSON.stringify(planJob(jobOf(opened), context))).toBe(
      JSON.stringify(planJob(jobOf(light), context)),
    )
  })
  it('leaves a zone that came later as it is, and forgets one that is gone', () => {
    const saved = ownWayOf('w1', 'Light', [...light, zone({ id: 'gone' })])
    const later = zone({ id: 'z3', approach: 'leave' })
    expect(zonesByOwnWay([later], saved as never)).toEqual([later])
    expect(waysOf([...two, later], { ownWays: [saved] }).ways.length).toBeGreaterThan(1)
  })
  it('four are kept, and a fifth is refused in a sentence', () => {
    const list = (n: number) => Array.from({ length: n }, (_, i) => ownWayOf(`w${i}`, `Way ${i}`, light)) // prettier-ignore
    const read = (n: number) => readJob(draft({ zones: two, ownWays: list(n) as never }))
    expect(read(4).problems).toEqual([])
    expect(JSON.stringify(read(5).problems)).toContain('up to 4 are kept')
  })
})

describe('an offer', () => {
  const way = { id: 'overseed', name: 'Overseed', does: ['Seed goes down.'], theirs: 'water', first: TODAY, last: TODAY, right: null, odds: 76, leaves: '', price: 2_990_000, tax: 390_000, cost: 2_025_000 } // prettier-ignore
  const offer: Offer = offerSchema.parse({ number: '270222-1', validUntil: '2027-03-24', currency: { sign: '$', decimals: 2 }, taxIn: true, ways: [way, { ...way, id: 'leave', name: 'Leave and feed', price: 900_000 }] }) // prettier-ignore
  const given: DiaryEntry = { ...blankEntry('offer-entry-1', TODAY, 'Offer given'), offer }
  const answer = (id: string, taken: string | null, date = TODAY): DiaryEntry => ({ ...blankEntry(id, date, 'Answer'), offerAnswer: { offer: given.id, way: taken, extras: [] } }) // prettier-ignore
  it('stays as it was given, whatever comes after, and goes through a file as it is', () => {
    expect(diaryEntry.parse(JSON.parse(JSON.stringify(given))).offer).toEqual(offer)
    expect(offersOf([given, answer('answer-1', 'overseed')], TODAY)[0]!.offer).toEqual(offer)
  })
  it('is open, lapses, is accepted or declined; the last answer counts', () => {
    const state = (today: string, ...diary: DiaryEntry[]) => offersOf([given, ...diary], today)[0]!
    expect(state(TODAY).state).toBe('open')
    expect(state('2027-03-25').state).toBe('lapsed')
    expect(state('2027-04-01', answer('answer-1', 'overseed')).way!.price).toBe(2_990_000)
    expect(state(TODAY, answer('answer-1', null), answer('answer-2', 'leave', '2027-02-25')).way!.id).toBe('leave') // prettier-ignore
    expect(state(TODAY, answer('answer-1', 'no such way')).state).toBe('declined')
    expect(state(TODAY, { ...answer('answer-1', 'leave') }, { ...blankEntry('strike-1', TODAY, 'struck out'), corrects: 'answer-1' }).state).toBe('open') // prettier-ignore
  })
  it('has a number of its own each day', () => {
    expect(offerNumber([], '2027-02-22')).toBe('270222-1')
    expect(offerNumber([given], '2027-02-22')).toBe('270222-2')
  })
  it('with no way, five ways, or a price below zero is refused', () => {
    for (const ways of [
      [],
      [way, way, way, way, way],
      [{ ...way, price: -1 }],
      [{ ...way, price: 0.5 }],
    ])
      // prettier-ignore
      expect(offerSchema.safeParse({ ...offer, ways }).success).toBe(false)
  })
})
