import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { addDays } from '@juvena/core/calendar/day'
import { modelFromNormals } from '@juvena/core/climate/climateModel'
import { fillDemo } from '../src/demo/fill.ts'
import { demoStation, DEMO_TODAY } from '../src/demo/jobs.ts'
import { simulatedStationDays } from '../src/standIns/simulatedWeather.ts'

import { testServer, type TestServer } from './testServer.ts'

let served: TestServer
let call: TestServer['call']
beforeAll(async () => {
  served = await testServer(fillDemo)
  call = served.call
})
afterAll(() => served.stop())

const place = { name: 'Ridge road', latitude: -45.4, longitude: 169.2, elevation: '120 m' }
const normals = demoStation.normals
/** Days of a real-looking station, three years of them. */
const threeYears = simulatedStationDays(
  'ridge',
  modelFromNormals(normals),
  '2024-02-22',
  addDays(DEMO_TODAY, 4),
).map((d) => ({ ...d, soil: null }))

describe('stations', () => {
  it('the demo has one: eight years with a few days missing, simulated, and it says so', async () => {
    const { stations } = (await call('GET', '/api/stations')).body
    expect(stations).toHaveLength(1)
    expect([
      stations[0].simulated,
      stations[0].weather.station.basis,
      stations[0].weather.station.record.missing,
    ]).toEqual([true, 'record', 12])
    expect(stations[0].weather.outlook.days).toHaveLength(10)
    expect(stations[0].weather.outlook.source).toContain('simulated')
    expect(
      (await call('POST', '/api/stations/tarnmere/days', { days: threeYears.slice(0, 2) })).status,
    ).toBe(409)
  })

  it('one is added, given days twice and named the same; the second time changes nothing', async () => {
    const added = await call('POST', '/api/stations', { station: place })
    expect(added.status).toBe(201)
    const { id } = added.body.station
    const once = await call('POST', `/api/stations/${id}/days`, { days: threeYears })
    expect([once.status, once.body.added, once.body.changed, once.body.same]).toEqual([
      201,
      threeYears.length,
      0,
      0,
    ])
    const again = await call('POST', `/api/stations/${id}/days`, { days: threeYears })
    expect([again.body.added, again.body.changed, again.body.same]).toEqual([
      0,
      0,
      threeYears.length,
    ])
    // A day with one reading more keeps the others.
    const more = await call('POST', `/api/stations/${id}/days`, {
      days: [{ day: threeYears[5]!.day, low: null, high: null, rain: null, soil: 7 }],
    })
    expect(more.body.changed).toBe(1)
    const kept = (await call('GET', `/api/stations/${id}/days`)).body.days
    expect(kept[5]).toMatchObject({ low: threeYears[5]!.low, soil: 7 })
    expect(kept).toHaveLength(threeYears.length)
    // Days dated ahead are its outlook; what lies behind makes its climate.
    const shown = (await call('GET', '/api/stations')).body.stations.find(
      (s: { id: string }) => s.id === id,
    )
    expect([shown.weather.outlook.simulated, shown.weather.outlook.days.length]).toEqual([false, 5])
    expect(shown.weather.station.record.to).toBe(addDays(DEMO_TODAY, -1))
  })

  it('is refused with a sentence: no name, a place off the map, a minimum over the maximum, 30 February, nothing at all', async () => {
    expect(
      (await call('POST', '/api/stations', { station: { ...place, name: ' ' } })).body.detail,
    ).toContain('name')
    expect(
      (await call('POST', '/api/stations', { station: { ...place, latitude: 95 } })).status,
    ).toBe(400)
    const id = (await call('POST', '/api/stations', { station: place })).body.station.id
    const day = { day: '2026-02-01', low: 3, high: 9, rain: 0 }
    for (const wrong of [
      { ...day, low: 12 },
      { ...day, day: '2026-02-30' },
      { ...day, soil: 99 },
      { ...day, rain: -1 },
      { ...day, low: 'x' },
      { ...day, extra: 1 },
    ]) {
      const answer = await call('POST', `/api/stations/${id}/days`, { days: [day, wrong] })
      expect(answer.status, JSON.stringify(wrong)).toBe(400)
    }
    expect((await call('POST', `/api/stations/${id}/days`, { days: [] })).status).toBe(400)
    expect((await call('GET', `/api/stations/${id}/days`)).body.days).toEqual([])
    expect((await call('GET', '/api/stations/none/days')).status).toBe(404)
    await call('DELETE', `/api/stations/${id}`)
    expect(
      (await call('GET', '/api/stations')).body.stations.some((s: { id: string }) => s.id === id),
    ).toBe(false)
  })

  it('two windows: the second save on an old version is refused', async () => {
    const { id, revision } = (await call('POST', '/api/stations', { station: place })).body.station
    expect(
      (await call('PUT', `/api/stations/${id}`, { revision, station: { ...place, name: 'First' } }))
        .status,
    ).toBe(200)
    expect(
      (
        await call('PUT', `/api/stations/${id}`, {
          revision,
          station: { ...place, name: 'Second' },
        })
      ).status,
    ).toBe(409)
    await call('DELETE', `/api/stations/${id}`)
  })

  it('a job goes by the station chosen, else the nearest; new weather lists the jobs it moved', async () => {
    const station = (
      await call('POST', '/api/stations', { station: { ...place, latitude: 44.3, longitude: 10 } })
    ).body.station
    const job = (await call('POST', '/api/jobs', { name: 'Northern lawn' })).body
    const zone = {
      id: 'z1',
      name: 'Lawn',
      area: '200 m²',
      sunHours: 7,
      cover: { wanted: 55, weeds: 20, moss: 5, bare: 20 },
      heightOfCut: '40 mm',
      present: ['perennial-ryegrass'],
    }
    const draft = {
      name: 'Northern lawn',
      waterer: 'x',
      site: { latitude: 44.2, longitude: 10.1 },
      zones: [zone],
    }
    await call('PUT', `/api/jobs/${job.id}`, { revision: 1, draft })
    expect((await call('GET', `/api/weather?job=${job.id}`)).body.station).toBeNull()
    // A warm place: winters hardly freeze, spring comes early.
    const warm = {
      low: [3, 4, 6, 9, 12, 15, 17, 17, 15, 11, 7, 4],
      high: [12, 13, 16, 19, 22, 25, 27, 27, 25, 21, 16, 13],
      rain: normals.rain,
      wetDays: normals.wetDays,
    }
    const days = simulatedStationDays(
      'warm',
      modelFromNormals(warm),
      '2024-02-22',
      addDays(DEMO_TODAY, -1),
    )
    // Planned once before the weather changes: only then can it be said to move.
    while ((await call('GET', '/api/season')).body.working > 0);
    const answer = await call('POST', `/api/stations/${station.id}/days`, { days })
    let { moves } = answer.body
    while (moves.working > 0) moves = (await call('GET', `/api/season/moves/${moves.id}`)).body
    const moved = moves.moved.find((m: { id: string }) => m.id === job.id)
    expect(moved.name).toBe('Northern lawn')
    expect(moved.to < moved.from).toBe(true)
    const weather = (await call('GET', `/api/weather?job=${job.id}`)).body
    expect([weather.station.station.id, weather.station.basis]).toEqual([station.id, 'record'])
    expect(weather.recent.at(-1).day).toBe(addDays(DEMO_TODAY, -1))
    const plan = (await call('GET', `/api/jobs/${job.id}/plan`)).body
    expect(plan.figures['job.frost'].rule).toMatch(/^frost\.(recorded|seldom)$/)
  })

  it('the year at a station, and at a job’s site', async () => {
    const { place: at, year } = (await call('GET', '/api/year?station=tarnmere')).body
    expect([at.name, year.basis, year.rows.length, year.low.length]).toEqual([
      'Tarnmere',
      'record',
      8,
      365,
    ])
    const rye = year.rows[0]
    // Spans cover the year, and the odds are counts of a hundred years.
    expect(
      rye.spans.reduce(
        (sum: number, s: { from: number; to: number }) => sum + s.to - s.from + 1,
        0,
      ),
    ).toBe(365)
    rye.odds.succeed.forEach((n: number, i: number) => {
      const fails = Object.values(rye.odds.fails as Record<string, number[]>).reduce(
        (sum, list) => sum + list[i]!,
        0,
      )
      expect(n + fails).toBe(100)
    })
    expect((await call('GET', '/api/year?job=guesthouse')).body.place.frost).toBe('04-25')
    expect((await call('GET', '/api/year?station=none')).status).toBe(404)
    expect((await call('GET', '/api/year')).status).toBe(404)
  })

  it('forty years of days are kept, and a request that is cut off keeps none of its own', async () => {
    const { id } = (
      await call('POST', '/api/stations', { station: { ...place, latitude: 10, longitude: 10 } })
    ).body.station
    const days = Array.from({ length: 14_600 }, (_, i) => ({
      day: addDays('1987-01-01', i),
      low: 5,
      high: 15,
      rain: 1,
    }))
    expect((await call('POST', `/api/stations/${id}/days`, { days })).body.added).toBe(14_600)
    const wrong = [
      ...days.slice(0, 3).map((d) => ({ ...d, low: 6 })),
      { day: '2030-01-01', low: 9, high: 1, rain: 0 },
    ]
    expect((await call('POST', `/api/stations/${id}/days`, { days: wrong })).status).toBe(400)
    expect((await call('GET', `/api/stations/${id}/days`)).body.days[0].low).toBe(5)
  })
})
