import { afterAll, describe, expect, it } from 'vitest'
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import sharp from 'sharp'
import { pictureSent, stopThreads } from '../src/threads/pool.ts'
import { NoTurn, turns } from '../src/threads/turns.ts'

afterAll(() => stopThreads())
const folder = mkdtempSync(join(tmpdir(), 'juvena-threads-'))
afterAll(() => rmSync(folder, { recursive: true, force: true }))

/** Work that ends when it is told to. */
function held() {
  let end: () => void = () => undefined
  let begun = false
  const work = () => {
    begun = true
    return new Promise<string>((done) => (end = () => done('done')))
  }
  return { work, end: () => end(), begun: () => begun }
}
const tick = () => new Promise((done) => setTimeout(done, 0))

describe('turns', () => {
  it('so much runs at once, the rest begins in the order it came', async () => {
    const inTurn = turns(2, 10)
    const jobs = Array.from({ length: 4 }, held)
    const all = jobs.map((j) => inTurn(j.work))
    await tick()
    expect(jobs.map((j) => j.begun())).toEqual([true, true, false, false])
    jobs[1]!.end()
    await tick()
    expect(jobs.map((j) => j.begun())).toEqual([true, true, true, false])
    for (const j of [0, 2, 3]) {
      jobs[j]!.end()
      await tick()
    }
    expect(await Promise.all(all)).toEqual(['done', 'done', 'done', 'done'])
  })
  it('too much that waits is refused at once, patient work is not; work that fails gives its turn on', async () => {
    const inTurn = turns(1, 1)
    const [first, second, patient] = [held(), held(), held()]
    const one = inTurn(first.work)
    const two = inTurn(second.work)
    await expect(inTurn(held().work)).rejects.toThrow(NoTurn)
    const three = inTurn(patient.work, true)
    first.end()
    await one
    second.end()
    await two
    await tick()
    patient.end()
    expect(await three).toBe('done')
    await expect(inTurn(() => Promise.reject(new Error('x')))).rejects.toThrow('x')
    expect(await inTurn(() => Promise.resolve('next'))).toBe('next')
  })
})

describe('a thread', () => {
  it('that fails on the disk says so with its code: a full disk is told as one', async () => {
    const bytes = await sharp({
      create: { width: 4, height: 4, channels: 3, background: '#0a0' },
    })
      .jpeg()
      .toBuffer()
    const ask = { keepPosition: false, id: 'photo-0001', batch: 'b' }
    writeFileSync(join(folder, 'in-the-way'), 'x')
    const away = join(folder, 'in-the-way', 'photos')
    await expect(
      pictureSent({ ...ask, bytes: new Uint8Array(bytes), folder: away }),
    ).rejects.toMatchObject({ code: 'ENOTDIR' })
    // What the picture library cannot read is no picture, and nothing else is.
    expect(await pictureSent({ ...ask, bytes: new Uint8Array([1, 2, 3]), folder })).toBeNull()
  })
})
