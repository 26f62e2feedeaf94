import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { blankEntry } from '@juvena/core/entities/diary'
import { testServer, type TestServer } from './testServer.ts'

let s: TestServer
let job: string
const way = (does: string[]) => ({
  id: 'w',
  name: 'seed and water',
  does,
  theirs: 'You water.',
  first: '2027-03-02',
  last: '2027-03-10',
  right: '2027-04-24',
  odds: 76,
  leaves: '',
  price: 2_140_000,
  tax: 0,
  cost: 1_310_000,
})
const offer = (does: string[]) => ({
  number: '270222-1',
  validUntil: '2027-03-15',
  currency: { sign: '$', decimals: 2 },
  taxIn: true,
  ways: [way(does)],
  terms: 'Łódź, Őrség and 東京 are written as well as the typeface can.',
})
/** A PDF’s own text: its dictionaries are not compressed. */
async function pdf(path: string) {
  const response = await fetch(s.base + path)
  const text = Buffer.from(await response.arrayBuffer()).toString('latin1')
  return {
    status: response.status,
    type: response.headers.get('content-type'),
    named: response.headers.get('content-disposition') ?? '',
    text,
    pages: [...text.matchAll(/\/Type \/Page\b(?!s)/g)].length,
    size: /\/MediaBox \[0 0 ([\d.]+) ([\d.]+)\]/.exec(text)?.slice(1).map(Number),
    faces: new Set([...text.matchAll(/\/FontName \/\w+\+([\w-]+)/g)].map((m) => m[1])),
  }
}
const write = (id: string, more: object) =>
  s.call('POST', `/api/jobs/${job}/diary`, {
    ...blankEntry(`entry-${id}-of-it`, '2027-02-22', 'Offer'),
    who: 'Mara',
    ...more,
  })

beforeAll(async () => {
  s = await testServer()
  const made = await s.call('POST', '/api/jobs', { name: 'Lakeside lawn' })
  job = made.body.id as string
})
afterAll(() => s.stop())

describe('an offer as a PDF file', () => {
  it('is one, named by its number and job, on the firm’s paper, with the typeface in it', async () => {
    expect((await write('1', { offer: offer(['Sown crossed']) })).status).toBe(201)
    const file = await pdf(`/api/jobs/${job}/offers/entry-1-of-it/pdf`)
    expect([file.status, file.type]).toEqual([200, 'application/pdf'])
    expect(file.text).toMatch(/^%PDF-1\.\d/)
    expect(file.text.trimEnd()).toMatch(/%%EOF$/)
    expect(file.named).toContain('Offer 270222-1 Lakeside lawn.pdf')
    expect(file.pages).toBe(1)
    // ISO 216: A4 is 210 × 297 mm, in points of 1/72 inch.
    expect(file.size?.map((x) => Math.round((x / 72) * 25.4))).toEqual([210, 297])
    expect([...file.faces].every((f) => f?.startsWith('Atkinson'))).toBe(true)
    // Western letters, plain and bold, and those of the further Latin file.
    expect(file.faces.size).toBeGreaterThanOrEqual(2)
  })
  it('goes on over as many pages as it wants; nothing of it is fetched', async () => {
    const long = Array.from({ length: 40 }, (_, i) => `${i}: ${'cut low, collected '.repeat(14)}`)
    expect((await write('2', { offer: offer(long) })).status).toBe(201)
    const file = await pdf(`/api/jobs/${job}/offers/entry-2-of-it/pdf`)
    expect(file.pages).toBeGreaterThanOrEqual(3)
  })
  it('is Letter where the firm prints on Letter', async () => {
    const { revision } = (await s.call('GET', '/api/firm')).body as { revision: number }
    await s.call('PUT', '/api/firm', { revision, firm: { paper: 'letter' } })
    const file = await pdf(`/api/jobs/${job}/offers/entry-1-of-it/pdf`)
    expect(file.size).toEqual([612, 792])
  })
  it('of no offer, of another job’s, or of a change under the wrong name says so', async () => {
    for (const path of [
      `/api/jobs/${job}/offers/nothing/pdf`,
      `/api/jobs/${job}/changes/entry-1-of-it/pdf`,
      '/api/jobs/no-such-job/offers/entry-1-of-it/pdf',
    ]) {
      const { status, body } = await s.call('GET', path)
      expect([status, typeof body.detail]).toEqual([404, 'string'])
    }
  })
})
