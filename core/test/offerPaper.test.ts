import { describe, expect, it } from 'vitest'
import { blankEntry, type DiaryEntry } from '../src/entities/diary.ts'
import type { Offer } from '../src/entities/offer.ts'
import { changePaper, offerPaper, type PaperFor } from '../src/present/offerPaper.ts'
import { sure } from '../src/quantities/sure.ts'
import { TODAY } from './makeJob.ts'

const who: PaperFor = {
  firm: { name: 'Tussock Lane Turf', address: '4 Mill Road', phone: '' },
  customer: '',
  address: '12 Lake Street',
  job: 'Lakeside / event lawn',
}
const way = (id: string, change: Partial<Offer['ways'][number]> = {}): Offer['ways'][number] => ({
  id,
  name: 'seed and water',
  does: ['Sown crossed'],
  tasks: [{ kind: 'sow', hours: 7.77 }],
  theirs: 'You water.',
  first: '2027-03-02',
  last: '2027-03-10',
  right: null,
  odds: 76.4,
  leaves: '',
  price: 2_140_000,
  tax: 279_000,
  cost: 1_313_131,
  ...change,
})
const offer = (change: Partial<Offer> = {}): Offer => ({
  number: '270222-1',
  validUntil: '2027-03-15',
  currency: { sign: '$', decimals: 2 },
  taxIn: true,
  ways: [way('a'), way('b', { first: null, tax: 0 })],
  extras: [{ what: 'Lime', price: 95_000 }],
  terms: 'Half on the day.',
  assumptions: ['One.', 'Two.'],
  ...change,
})
const entry = (id: string, more: Partial<DiaryEntry>): DiaryEntry => ({
  ...blankEntry(id, TODAY, 'Offer'),
  who: 'Mara',
  ...more,
})
const paper = (change: Partial<Offer> = {}, more: DiaryEntry[] = []) =>
  sure(offerPaper([entry('o', { offer: offer(change) }), ...more], 'o', TODAY, who))

describe('an offer as the customer is handed it', () => {
  it('holds ways, days, prices and terms, and nothing of cost, margin or hours', () => {
    const [a, b] = paper().ways
    expect(a).toMatchObject({
      title: 'A. Seed and water',
      price: '$2,140.00',
      tax: 'with $279.00 of tax in it',
    })
    expect(a?.says).toEqual([
      { term: 'When', text: 'Tue 2 Mar to Wed 10 Mar' },
      { term: 'Looks right', text: 'no day can be promised' },
      { term: 'The sowing takes', text: 'in about 76 years of 100' },
      { term: 'What you do', text: 'You water.' },
    ])
    expect([b?.tax, b?.says.map((s) => s.term)]).toEqual([
      '',
      ['Looks right', 'The sowing takes', 'What you do'],
    ])
    expect(paper().small).toBe('One. Two.')
    expect(JSON.stringify(paper())).not.toMatch(/1,?313|7\.77|hours|margin|cost/i)
  })
  it('tells tax on top with the sum of both', () => {
    expect(paper({ taxIn: false }).ways[0]?.tax).toBe('and $279.00 of tax: $2,419.00')
  })
  it('of one way asks for no letter, and one without extras for none', () => {
    expect(paper().sign).toEqual(['I would like way', 'with these extras', 'name and day'])
    expect(paper({ ways: [way('a')], extras: [] }).sign).toEqual([
      'I would like this',
      'name and day',
    ])
    expect(paper({ ways: [way('a')] }).opening).toContain('what we would do')
    expect(paper().opening).toContain('two ways')
  })
  it('marks the way that was accepted, and is saved under a name any computer takes', () => {
    const answer = entry('p', { offerAnswer: { offer: 'o', way: 'b', extras: [] } })
    expect(paper({}, [answer]).ways.map((w) => w.taken)).toEqual([false, true])
    expect(paper().fileName).toBe('Offer 270222-1 Lakeside - event lawn')
    expect(paper().to).toEqual(['To the customer', '12 Lake Street', 'Lakeside / event lawn'])
  })
  it('is none where the diary has none', () => {
    expect(offerPaper([], 'o', TODAY, who)).toBeNull()
    expect(changePaper([], 'o', TODAY, who)).toBeNull()
  })
})

describe('a change to the work', () => {
  const change = (of: string) =>
    entry('c', {
      changeOrder: {
        number: '270222-1/C1',
        offer: of,
        what: 'Two shrubs lifted',
        price: -120_000,
        currency: { sign: '$', decimals: 2 },
        taxIn: false,
        agreedBy: 'Ms Long',
      },
    })
  it('names the offer it stands beside, what is done, and a price that may be less', () => {
    const handed = sure(changePaper([entry('o', { offer: offer() }), change('o')], 'c', TODAY, who))
    expect(handed).toMatchObject({
      title: 'Change 270222-1/C1',
      fileName: 'Change 270222-1-C1 Lakeside - event lawn',
      change: { what: 'Two shrubs lifted', tax: 'before tax' },
      small: 'Agreed to by Ms Long.',
      ways: [],
    })
    expect(handed.change?.price).toMatch(/^.?\$?.?120\.00$/)
    expect(handed.opening).toContain('offer 270222-1 of Mon 22 Feb 2027')
    expect(sure(changePaper([change('')], 'c', TODAY, who)).opening).toBe('Work agreed on:')
  })
})
