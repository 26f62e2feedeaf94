import { afterAll, beforeAll, describe, expect, it } from 'vitest'

import { testServer, type TestServer } from './testServer.ts'

let served: TestServer
let call: TestServer['call']
beforeAll(async () => {
  served = await testServer()
  call = served.call
})
afterAll(() => served.stop())

const label = (number: string) => ({
  number,
  parts: [{ grass: 'perennial-ryegrass', cultivar: 'Tarn', pure: '97.5 %', germination: '88 %' }],
  inert: '2.5',
  tested: '2026-10-01',
})
const add = async (number: string, kg: number | null = 20) =>
  (
    await call('POST', '/api/stock', {
      lots: [{ lot: label(number), received: kg === null ? null : { kg, on: '2027-02-01' } }],
    })
  ).body.lots[0]
const move = (lot: string, id: string, kind: string, kg: number, more: object = {}) =>
  call('POST', `/api/stock/${lot}/movements`, {
    movements: [{ id: `movement-${id}`, lot, kind, kg, on: '2027-02-20', ...more }],
  })
const shelf = async (lot: string) =>
  (await call('GET', '/api/stock')).body.lots.find((l: { id: string }) => l.id === lot).shelf

describe('lots of seed', () => {
  it('are kept as typed, with what came in', async () => {
    const lot = await add('27-001')
    expect(lot).toMatchObject({ revision: 1, shelf: { held: 20, free: 20 } })
    expect((await call('GET', '/api/stock')).body.lots[0].draft).toEqual(label('27-001'))
  })
  it('a wrong label is refused whole, with where; none of the lots beside it is kept', async () => {
    const before = (await call('GET', '/api/stock')).body.lots.length
    const wrong = {
      ...label('27-003'),
      parts: [{ grass: 'perennial-ryegrass', pure: '120 %', germination: 0 }],
    }
    const answer = await call('POST', '/api/stock', {
      lots: [{ lot: label('27-002') }, { lot: wrong }],
    })
    expect(answer.status).toBe(400)
    expect(answer.body.problems.map((p: { path: string }) => p.path)).toContain(
      'lots[1].lot.parts[0].pure',
    )
    expect((await call('GET', '/api/stock')).body.lots).toHaveLength(before)
  })
  it('two of one number are refused, alone and in one request', async () => {
    expect((await call('POST', '/api/stock', { lots: [{ lot: label('27-001') }] })).status).toBe(
      409,
    )
    expect(
      (
        await call('POST', '/api/stock', {
          lots: [{ lot: label('27-009') }, { lot: label('27-009') }],
        })
      ).status,
    ).toBe(409)
  })
  it('a label saved on an old revision is refused', async () => {
    const lot = await add('27-004')
    const changed = { ...label('27-004'), notes: 'opened' }
    expect(
      (await call('PUT', `/api/stock/${lot.id}`, { revision: 1, lot: changed })).body,
    ).toMatchObject({ revision: 2, draft: changed })
    expect(
      (await call('PUT', `/api/stock/${lot.id}`, { revision: 1, lot: label('27-004') })).status,
    ).toBe(409)
  })
})

describe('movements', () => {
  it('count once however often they are sent, and say when there is less than nothing', async () => {
    const { id } = await add('27-010')
    await move(id, 'a1', 'used', 15)
    expect((await move(id, 'a1', 'used', 15)).body.shelf.held).toBe(5)
    const short = await move(id, 'a2', 'used', 8)
    expect([short.status, short.body.shelf.held, short.body.shelf.short.kg]).toEqual([201, -3, 3])
    expect((await call('GET', `/api/stock/${id}/movements`)).body.movements).toHaveLength(3)
  })
  it('of another lot, of nothing, or of an unknown kind are refused', async () => {
    const { id } = await add('27-011')
    expect((await call('POST', `/api/stock/${id}/movements`, { movements: [{ id: 'movement-b', lot: 'other', kind: 'used', kg: 1, on: '2027-02-20' }] })).status).toBe(400) // prettier-ignore
    expect((await move(id, 'c', 'used', -1)).status).toBe(400)
    expect((await move(id, 'd', 'eaten', 1)).status).toBe(400)
    expect((await call('GET', '/api/stock/none/movements')).status).toBe(404)
  })
})

describe('the diary and the shelf', () => {
  const entry = (id: string, lot: string, kg: number, more: object = {}) => ({
    id: `entry-0000-${id}`,
    date: '2027-02-22',
    what: 'Sow',
    lots: [{ lot, zone: 'east', kg }],
    ...more,
  })
  it('what is sown goes off the shelf once, by zone; a correction gives it back', async () => {
    const lot = await add('27-020')
    const job = (await call('POST', '/api/jobs', { name: 'Quad' })).body.id
    for (let i = 0; i < 2; i++) await call('POST', `/api/jobs/${job}/diary`, entry('1', lot.id, 4))
    expect(await shelf(lot.id)).toMatchObject({ held: 16, usedIn: { [`${job}/east`]: 4 } })
    await call(
      'POST',
      `/api/jobs/${job}/diary`,
      entry('2', lot.id, 5, { corrects: 'entry-0000-1' }),
    )
    expect(await shelf(lot.id)).toMatchObject({ held: 15, usedIn: { [`${job}/east`]: 5 } })
  })
  it('a step recorded from two phones takes its seed once, until both are said to stand', async () => {
    const lot = await add('27-023')
    const job = (await call('POST', '/api/jobs', { name: 'Two phones' })).body.id
    const post = (id: string, kg: number, more: object = {}) =>
      call('POST', `/api/jobs/${job}/diary`, entry(id, lot.id, kg, { step: 'sow/east', stepZones: ['east'], ...more })) // prettier-ignore
    const held = async () => (await shelf(lot.id)).held
    await post('5', 4)
    await post('6', 3)
    expect(await held()).toBe(16)
    // The first is struck out: the other is what was sown.
    await post('7', 0.001, { what: 'struck out', lots: [], step: null, corrects: 'entry-0000-5' })
    expect(await held()).toBe(17)
    await post('8', 2)
    expect(await held()).toBe(17)
    await post('9', 1, { what: 'both', lots: [], step: null, stands: ['entry-0000-6', 'entry-0000-8'] }) // prettier-ignore
    expect(await held()).toBe(15)
    // Another step, or the same on other ground, is work of its own.
    await post('10', 1, { step: 'sow/west', stepZones: ['west'] })
    expect(await held()).toBe(14)
  })
  it('a lot that is not on the shelf is noted in the diary, and nothing else happens', async () => {
    const job = (await call('POST', '/api/jobs', { name: 'Green' })).body.id
    expect((await call('POST', `/api/jobs/${job}/diary`, entry('3', 'gone', 4))).status).toBe(201)
  })
  it('a job file brought in a second time does not take its seed again', async () => {
    const lot = await add('27-021')
    const job = (await call('POST', '/api/jobs', { name: 'Bank' })).body.id
    await call('POST', `/api/jobs/${job}/diary`, entry('4', lot.id, 4))
    const file = (await call('GET', `/api/jobs/${job}/file`)).body
    const again = await call('POST', '/api/job-files', file)
    expect(again.status).toBe(201)
    expect(again.body.diary[0].lots).toEqual([{ lot: lot.id, zone: 'east', kg: 4 }])
    expect((await shelf(lot.id)).held).toBe(16)
  })
  it('a plan goes by the lot on the shelf', async () => {
    const lot = await add('27-022', 1)
    const { id } = (await call('POST', '/api/jobs', { name: 'Strip' })).body
    const zone = { id: 'z', name: 'Strip', area: 200, sunHours: 7, cover: { wanted: 55, weeds: 20, moss: 5, bare: 20 }, mix: [{ grass: 'perennial-ryegrass', share: 100 }] }
    await call('PUT', `/api/jobs/${id}`, { revision: 1, draft: { name: 'Strip', zones: [zone], lots: [{ id: 'l', grass: 'perennial-ryegrass', stock: lot.id }] } })
    const plan = (await call('GET', `/api/jobs/${id}/plan`)).body
    expect(plan.figures['lot:perennial-ryegrass.pls'].value).toBeCloseTo(85.8, 9)
    expect(plan.notices.some((n: { id: string }) => n.id === 'lot:l.short')).toBe(true)
  }) // prettier-ignore
})
