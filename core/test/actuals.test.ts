import { describe, expect, it } from 'vitest'
import { blankEntry, STRUCK_OUT, type DiaryEntry } from '../src/entities/diary.ts'
import { firmSchema } from '../src/entities/firm.ts'
import { changeOrderSchema, offerSchema } from '../src/entities/offer.ts'
import { readJob } from '../src/entities/job.ts'
import { agreedOn, changeNumber, changesOf } from '../src/money/offerOf.ts'
import { planJob } from '../src/pipeline.ts'
import { actualsOf } from '../src/present/actuals.ts'
import { draft, TODAY, zone } from './makeJob.ts'

const firm = firmSchema.parse({ prices: { labour: 40 } })
const currency = { sign: '$', decimals: 2 as const }
const way = { id: 'w', name: 'Overseed', does: [], theirs: '', first: null, last: null, right: null, odds: null, leaves: '', price: 1_000_000, tax: 0, cost: 700_000, tasks: [{ kind: 'scarify', hours: 2 }, { kind: 'sow', hours: 1 }] } // prettier-ignore
const offer = offerSchema.parse({ number: '270201-1', validUntil: '2027-03-30', currency, taxIn: false, ways: [way], extras: [{ what: 'lime', price: 95_000 }] }) // prettier-ignore
const entry = (id: string, more: Partial<DiaryEntry>): DiaryEntry => ({ ...blankEntry(id, '2027-02-20', id), ...more }) // prettier-ignore
const given = entry('offer-given', { offer })
const taken = (extras: string[] = []) => entry('offer-taken', { offerAnswer: { offer: 'offer-given', way: 'w', extras } }) // prettier-ignore
const change = (id: string, price: number, number: string) => entry(id, { changeOrder: changeOrderSchema.parse({ number, offer: 'offer-given', what: 'a gate moved', price, currency, taxIn: false, agreedBy: 'A. Customer' }) }) // prettier-ignore
const tick = (id: string, kind: string, more: Partial<DiaryEntry>) => entry(id, { step: `${kind}/z1`, stepZones: ['z1'], ...more }) // prettier-ignore
function read(diary: DiaryEntry[]) {
  const { job } = readJob(draft({ zones: [zone()] }))
  return actualsOf(planJob(job!, { today: TODAY, firm, diary }), diary, firm, TODAY)
}
const task = (a: ReturnType<typeof read>, kind: string) => a!.tasks.find((t) => t.kind === kind)!

describe('what a job took beside what it was quoted', () => {
  it('says nothing while nothing is written down', () => {
    expect(read([])).toBeNull()
    expect(read([given])).toBeNull()
  })
  it('by work, in hours and in wages, by hand', () => {
    const a = read([given, taken(), tick('scar', 'scarify', { hours: 3 }), tick('sown', 'sow', { hours: 0.5 })]) // prettier-ignore
    expect([task(a, 'scarify').quoted, task(a, 'scarify').taken]).toEqual([2, 3])
    // 3.5 h where 3 were quoted, at 40 an hour: 20 more.
    expect(a!.hours).toEqual({ expected: 3, taken: 3.5 })
    expect(a!.money).toBe(20_000)
    expect(task(a, 'core').taken).toBeNull()
  })
  it('is held against the plan where nothing was quoted', () => {
    const a = read([tick('scar', 'scarify', { hours: 3 })])
    expect(task(a, 'scarify').quoted).toBeNull()
    expect(a!.hours.expected).toBeCloseTo(task(a, 'scarify').planned, 9)
    expect(a!.sold).toBeNull()
  })
  it('struck out hours and a second record of the same step are not counted', () => {
    const once = [tick('scar', 'scarify', { hours: 3 }), tick('scar-2', 'scarify', { hours: 9 })]
    expect(task(read(once), 'scarify').taken).toBe(3)
    expect(read([...once.slice(0, 1), entry('strike', { what: STRUCK_OUT, corrects: 'scar' })])).toBeNull() // prettier-ignore
  })
  it('kilograms: seed by its lots, feed as typed; nothing where it is told otherwise', () => {
    const lots = [{ lot: 'shelf', zone: 'z1', kg: 5.5 }]
    expect(task(read([tick('sown', 'sow', { lots })]), 'sow').amount!.used).toBe(5.5)
    const fed = task(read([tick('fed', 'feed', { amount: '4.2 kg' })]), 'feed').amount!
    expect([fed.used, fed.planned]).toEqual([4.2, expect.closeTo(4, 6)])
    expect(task(read([tick('fed', 'feed', { amount: 'two bags', hours: 1 })]), 'feed').amount).toBeNull() // prettier-ignore
  })
})

describe('changes to an offer', () => {
  const diary = [given, taken(['lime']), change('c1', 120_000, '270201-1/C1'), change('c2', -40_000, '270201-1/C2')] // prettier-ignore
  it('add up with the way and its extras; the offer itself stays as it was', () => {
    expect(agreedOn(diary, TODAY)).toBe(1_000_000 + 95_000 + 120_000 - 40_000)
    expect(diary[0]!.offer).toEqual(offer)
    expect(read(diary)!.sold).toEqual({ quoted: 1_000_000, agreed: 1_175_000 })
  })
  it('are numbered on from the offer, and a struck one is gone but its number is not taken again', () => {
    expect(changeNumber(diary, '270201-1', TODAY)).toBe('270201-1/C3')
    const struck = [...diary, entry('strike', { what: STRUCK_OUT, corrects: 'c2' })]
    expect(changesOf(struck).map((c) => c.order.number)).toEqual(['270201-1/C1'])
    expect(changeNumber(struck, '270201-1', TODAY)).toBe('270201-1/C3')
  })
  it('want a price, words and a name', () => {
    const wrong = (more: object) => changeOrderSchema.safeParse({ number: 'n', what: 'x', price: 1, currency, taxIn: false, agreedBy: 'y', ...more }).success // prettier-ignore
    expect([wrong({}), wrong({ what: '' }), wrong({ agreedBy: '' }), wrong({ price: 1e14 }), wrong({ price: 0.5 })]).toEqual([true, false, false, false, false]) // prettier-ignore
  })
})
