import { existsSync, mkdtempSync, readdirSync, readFileSync, rmSync } from 'node:fs'
import { createServer, type Server } from 'node:http'
import type { AddressInfo } from 'node:net'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import type { Knex } from 'knex'
import sharp from 'sharp'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { createApp } from '../src/app.ts'
import { stoppedClock } from '../src/clock.ts'
import { partsOver } from '../src/parts.ts'
import { openDatabase } from '../src/store/database.ts'

let db: Knex
let server: Server
let base: string
let job: string
const folder = join(mkdtempSync(join(tmpdir(), 'juvena-photos-')), 'photos')

beforeAll(async () => {
  db = await openDatabase(':memory:')
  const parts = partsOver(db, join(folder, '..'), stoppedClock('2027-02-22'))
  server = createServer(createApp(parts, { pages: null, loopbackOnly: true })).listen(
    0,
    '127.0.0.1',
  )
  await new Promise((done) => server.once('listening', done))
  base = `http://127.0.0.1:${(server.address() as AddressInfo).port}/api`
  job = (await parts.jobs.create({ name: 'Lawn' }, 'now')).id
})
afterAll(async () => {
  server.close()
  await db.destroy()
  rmSync(folder, { recursive: true })
})

/** A photograph as a phone writes it: turned on its side, with its day and place in its record. */
const photograph = (width = 4000, height = 3000) =>
  sharp({ create: { width, height, channels: 3, background: '#4a7a3c' } })
    .jpeg()
    .withExif({
      IFD0: { Orientation: '6' },
      IFD2: { DateTimeOriginal: '2027:02:19 10:30:00' },
      IFD3: {
        GPSLatitudeRef: 'S',
        GPSLatitude: '44/1 12/1 0/1',
        GPSLongitudeRef: 'E',
        GPSLongitude: '170/1 6/1 0/1',
      },
    })
    .toBuffer()
const send = (bytes: Buffer | string, query = '', type = 'image/jpeg') =>
  fetch(`${base}/jobs/${job}/photos${query}`, {
    method: 'POST',
    headers: { 'content-type': type },
    body: typeof bytes === 'string' ? bytes : new Uint8Array(bytes),
  })

describe('photographs', () => {
  it('are written anew: sized, and with none of the camera’s record, in the file or its thumbnail', async () => {
    const answer = await send(await photograph(), '?zone=z1&note=from%20the%20gate')
    expect(answer.status).toBe(201)
    const kept = (await answer.json()) as {
      id: string
      width: number
      height: number
      takenOn: string
      position: unknown
      zone: string
    }
    expect(kept).toMatchObject({
      takenOn: '2027-02-19',
      position: null,
      zone: 'z1',
      note: 'from the gate',
    })
    expect(Math.max(kept.width, kept.height)).toBe(2400)
    for (const size of ['', '?size=small']) {
      const got = await fetch(`${base}/photos/${kept.id}${size}`)
      expect(got.headers.get('content-type')).toBe('image/jpeg')
      const bytes = Buffer.from(await got.arrayBuffer())
      expect((await sharp(bytes).metadata()).exif).toBeUndefined()
      expect(bytes.includes('GPS') || bytes.includes('Exif')).toBe(false)
    }
    const list = (await (await fetch(`${base}/jobs/${job}/photos`)).json()) as { id: string }[]
    expect(list.map((p) => p.id)).toContain(kept.id)
  })

  it('take their day from the camera, else from whoever sends them, else from the calendar', async () => {
    const bare = await sharp({ create: { width: 60, height: 40, channels: 3, background: '#444' } })
      .jpeg()
      .toBuffer()
    const dayOf = async (bytes: Buffer, query = '') =>
      ((await (await send(bytes, query)).json()) as { takenOn: string }).takenOn
    expect([
      await dayOf(await photograph(90, 60), '?on=2027-02-20'),
      await dayOf(bare, '?on=2027-02-20'),
      await dayOf(bare),
    ]).toEqual(['2027-02-19', '2027-02-20', '2027-02-22'])
  })

  it('keep where they were taken only when asked, and never in the file', async () => {
    const kept = (await (await send(await photograph(800, 600), '?keepPosition=yes')).json()) as {
      id: string
      position: { latitude: number; longitude: number }
    }
    expect(kept.position.latitude).toBeCloseTo(-44.2, 5)
    expect(kept.position.longitude).toBeCloseTo(170.1, 5)
    expect(
      (await sharp(readFileSync(join(folder, `${kept.id}.jpg`))).metadata()).exif,
    ).toBeUndefined()
  })

  it('are archived and restored; the file stays', async () => {
    const { id } = (await (await send(await photograph(600, 400))).json()) as { id: string }
    const ids = async () =>
      ((await (await fetch(`${base}/jobs/${job}/photos`)).json()) as { id: string }[]).map(
        (p) => p.id,
      )
    expect((await fetch(`${base}/photos/${id}`, { method: 'DELETE' })).status).toBe(200)
    expect(await ids()).not.toContain(id)
    expect(existsSync(join(folder, `${id}.jpg`))).toBe(true)
    await fetch(`${base}/photos/${id}/restore`, { method: 'POST' })
    expect(await ids()).toContain(id)
  })

  it.each([
    ['nothing', async () => Buffer.alloc(0), 400, 'no picture'],
    [
      'text called a picture',
      async () => Buffer.from('<script>alert(1)</script>'),
      415,
      'could not be read',
    ],
    [
      'a picture cut short',
      async () => (await photograph(2000, 1500)).subarray(0, 2000),
      415,
      'cut short',
    ],
    [
      'a drawing that runs scripts',
      async () => Buffer.from('<svg xmlns="http://www.w3.org/2000/svg"><script/></svg>'),
      415,
      'could not be read',
    ],
  ])('refuse %s in a sentence, and leave nothing behind', async (_, bytes, status, says) => {
    const before = readdirSync(folder).length
    const answer = await send(await bytes())
    expect(answer.status).toBe(status)
    expect(((await answer.json()) as { detail: string }).detail).toContain(says)
    expect(readdirSync(folder)).toHaveLength(before)
  })

  it('sent twice under the id made where they were taken are kept once, at the same moment too', async () => {
    const bytes = await photograph(700, 500)
    const count = async () =>
      ((await (await fetch(`${base}/jobs/${job}/photos`)).json()) as unknown[]).length
    const before = await count()
    const answers = await Promise.all([
      send(bytes, '?id=0123456789abcdef'),
      send(bytes, '?id=0123456789abcdef'),
    ])
    expect(answers.every((a) => a.ok)).toBe(true)
    expect((await send(bytes, '?id=0123456789abcdef')).status).toBe(200)
    expect(await count()).toBe(before + 1)
    const other = (await (
      await fetch(`${base}/jobs`, {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: '{"name":"Other"}',
      })
    ).json()) as { id: string }
    const elsewhere = await fetch(`${base}/jobs/${other.id}/photos?id=0123456789abcdef`, {
      method: 'POST',
      headers: { 'content-type': 'image/jpeg' },
      body: new Uint8Array(bytes),
    })
    expect(elsewhere.status).toBe(409)
    expect((await send(bytes, '?id=../../x')).status).toBe(400)
  })

  it('say where a path leads nowhere', async () => {
    for (const id of ['nothing', '..%2F..%2Fjuvena.sqlite'])
      expect((await fetch(`${base}/photos/${id}`)).status).toBe(404)
    expect((await send(await photograph(50, 50), '?zone=../../x')).status).toBe(400)
  })

  it('go out with the job file and come in with it, written anew, with the plan traced over its own copy', async () => {
    const first = (await (await send(await photograph(1000, 700), '?kind=plan')).json()) as {
      id: string
    }
    const draft = {
      name: 'Traced',
      plan: {
        picture: {
          photo: first.id,
          width: 700,
          height: 1000,
          metresPerPixel: 0.02,
          turned: 0,
          x: 0,
          y: 0,
          scaled: true,
        },
      },
    }
    const stored = (await (await fetch(`${base}/jobs/${job}`)).json()) as { revision: number }
    const saved = await fetch(`${base}/jobs/${job}`, {
      method: 'PUT',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ revision: stored.revision, draft }),
    })
    expect(saved.status).toBe(200)
    const file = await (await fetch(`${base}/jobs/${job}/file`)).text()
    const takeIn = (body: string) =>
      fetch(`${base}/job-files`, {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body,
      })
    const taken = (await (await takeIn(file)).json()) as {
      id: string
      draft: { drawing: { picture: { photo: string } } }
    }
    type Listed = {
      id: string
      kind: string
      takenOn: string
      note: string
      zone: string
      position: unknown
    }
    const photosOf = async (id: string) =>
      (await (await fetch(`${base}/jobs/${id}/photos`)).json()) as Listed[]
    const [before, after] = [await photosOf(job), await photosOf(taken.id)]
    const said = (list: Listed[]) =>
      list
        .map(({ kind, takenOn, note, zone, position }) =>
          JSON.stringify({ kind, takenOn, note, zone, position }),
        )
        .sort()
    expect(after.length).toBeGreaterThan(2)
    expect(said(after)).toEqual(said(before))
    const copy = taken.draft.drawing.picture.photo
    expect(copy).not.toBe(first.id)
    expect(after.map((p) => p.id)).toContain(copy)
    const size = async (id: string) => {
      const { width, height, exif } = await sharp(
        readFileSync(join(folder, `${id}.jpg`)),
      ).metadata()
      return { width, height, exif }
    }
    expect(await size(copy)).toEqual({ ...(await size(first.id)), exif: undefined })

    const without = JSON.parse(
      await (await fetch(`${base}/jobs/${job}/file?photos=no`)).text(),
    ) as { photos: unknown[] }
    expect(without.photos).toEqual([])
    const spoilt = JSON.parse(file) as { photos: { jpeg: string }[] }
    const whole = spoilt.photos[1]!.jpeg
    spoilt.photos[1]!.jpeg = whole.slice(0, 4 * Math.floor(whole.length / 8))
    const refused = await takeIn(JSON.stringify(spoilt))
    expect([refused.status, ((await refused.json()) as { detail: string }).detail]).toEqual([
      400,
      expect.stringContaining('Photograph 2 of this file'),
    ])
    // A camera's own record put into a file does not get in by this door either.
    spoilt.photos = [
      { ...spoilt.photos[0]!, jpeg: (await photograph(300, 200)).toString('base64') },
    ]
    const bare = (await (await takeIn(JSON.stringify(spoilt))).json()) as { id: string }
    const [kept] = await photosOf(bare.id)
    expect(
      (await sharp(readFileSync(join(folder, `${kept!.id}.jpg`))).metadata()).exif,
    ).toBeUndefined()
  })
})
