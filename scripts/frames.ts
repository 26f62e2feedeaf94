import { sure } from '../core/src/quantities/sure.ts'
import { spawn } from 'node:child_process'
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join, resolve } from 'node:path'
import { chromium, type Page } from '@playwright/test'
import sharp from 'sharp'
import { atMost, told } from './speed.ts'
import type { JobDraft } from '../core/src/entities/job.ts'
import type { ShapeDraft } from '../core/src/entities/drawing.ts'

/**
 * Frame times of the plan on a large site: 60 zones, 300 shapes, a 12-megapixel photograph beneath.
 * Software rendering, as in the tests.
 */
const root = resolve(import.meta.dirname, '..')
const folder = mkdtempSync(join(tmpdir(), 'juvena-frames-'))
const port = 47830
const base = `http://127.0.0.1:${port}`
const server = spawn(process.execPath, ['server/dist/main.js'], {
  cwd: root,
  env: {
    ...process.env,
    JUVENA_PORT: String(port),
    JUVENA_DATA: folder,
    JUVENA_TODAY: '2027-02-22',
  },
  stdio: 'ignore',
})
const box = (x: number, y: number, w: number, h: number): [number, number][] => [
  [x, y],
  [x + w, y],
  [x + w, y + h],
  [x, y + h],
]
const site = (photo: { id: string; width: number; height: number }): JobDraft => {
  const shapes: ShapeDraft[] = []
  for (let i = 0; i < 60; i++) {
    const [x, y] = [(i % 10) * 12, Math.floor(i / 10) * 12]
    shapes.push({ id: `l${i}`, kind: 'lawn', zone: `z${i}`, at: [box(x, y, 11, 11)] })
    shapes.push({ id: `b${i}`, kind: 'bed', at: [box(x + 2, y + 2, 2, 2)] })
    shapes.push({ id: `t${i}`, kind: 'tree', height: 6, crown: 4, at: [[[x + 11.5, y + 5]]] })
    shapes.push({ id: `p${i}`, kind: 'bare', at: [box(x + 6, y + 6, 1.5, 1)] })
    shapes.push({
      id: `w${i}`,
      kind: i % 2 ? 'worn' : 'cable',
      at: [
        [
          [x, y],
          [x + 5, y + 9],
          [x + 11, y + 10],
        ],
      ],
    })
  }
  return {
    name: 'Sixty zones',
    site: { latitude: -44.2, longitude: 170.1, frost: '25 Apr' },
    zones: Array.from({ length: 60 }, (_, i) => ({ id: `z${i}`, name: `Zone ${i + 1}` })),
    drawing: {
      shapes,
      picture: {
        photo: photo.id,
        width: photo.width,
        height: photo.height,
        metresPerPixel: 120 / photo.width,
        scaled: true,
      },
    },
  }
}

/**
 * Times between frames while something is done, ms. The page's part is text: it runs there, not
 * here.
 */
async function frames(page: Page, act: () => Promise<void>): Promise<number[]> {
  await page.evaluate(`(() => {
    window.frameTimes = []
    window.framesOn = true
    let last = performance.now()
    const tick = (now) => {
      window.frameTimes.push(now - last)
      last = now
      if (window.framesOn) requestAnimationFrame(tick)
    }
    requestAnimationFrame(tick)
  })()`)
  await act()
  return page.evaluate<number[]>(
    `(() => { window.framesOn = false; return window.frameTimes.slice(1) })()`,
  )
}
function say(what: string, times: number[]): void {
  const sorted = [...times].sort((a, b) => a - b)
  const at = (share: number) =>
    sorted[Math.min(sorted.length - 1, Math.floor(share * sorted.length))]!.toFixed(0)
  console.log(
    `  ${what}: ${times.length} frames, median ${told(what, Number(at(0.5)))}, 95 % under ${at(0.95)} ms, worst ${at(1)} ms`,
  )
}

try {
  for (let i = 0; ; i++) {
    const up = await fetch(`${base}/api/today`).then(
      () => true,
      () => false,
    )
    if (up) break
    if (i > 100) throw new Error('The server did not start')
    await new Promise((go) => setTimeout(go, 200))
  }
  const send = async (method: string, path: string, body: unknown, type = 'application/json') =>
    (
      await fetch(`${base}/api${path}`, {
        method,
        headers: { 'content-type': type },
        body:
          type === 'application/json' ? JSON.stringify(body) : (body as Uint8Array<ArrayBuffer>),
      })
    ).json() as Promise<{
      id: string
      width: number
      height: number
    }>
  const noise = await sharp({
    create: {
      width: atMost(4000) < 10 ? 400 : 4000,
      height: atMost(3000) < 10 ? 300 : 3000,
      channels: 3,
      noise: { type: 'gaussian', mean: 128, sigma: 40 },
      background: '#777',
    },
  })
    .blur(3)
    .jpeg()
    .toBuffer()
  const { id } = await send('POST', '/jobs', { name: 'Sixty zones' })
  const photo = await send(
    'POST',
    `/jobs/${id}/photos?kind=plan`,
    new Uint8Array(noise),
    'image/jpeg',
  )
  await send('PUT', `/jobs/${id}`, { revision: 1, draft: site(photo) })
  const browser = await chromium.launch({
    executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium',
    args: ['--no-sandbox', '--disable-gpu'],
  })
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } })
  await page.goto(`${base}/jobs/${id}/walk-over?part=plan`)
  const map = page.getByRole('application', { name: /Plan of the site/ })
  await map.waitFor()
  await page.waitForTimeout(2500)
  const at = sure(await map.boundingBox())
  console.log(
    `the plan with 60 zones, 300 shapes and a 12-megapixel photograph (kept at ${photo.width} × ${photo.height}), drawn in software:`,
  )
  const sweep = async (steps: number) => {
    for (let i = 0; i < atMost(steps); i++)
      await page.mouse.move(at.x + 150 + i * 4, at.y + 180 + 40 * Math.sin(i / 6))
  }
  say(
    'dragging the plan',
    await frames(page, async () => {
      await page.mouse.move(at.x + 150, at.y + 180)
      await page.mouse.down()
      await sweep(80)
      await page.mouse.up()
    }),
  )
  await page.getByRole('button', { name: '+ lawn' }).click()
  say(
    'drawing a lawn',
    await frames(page, async () => {
      for (const [x, y] of [
        [200, 120],
        [420, 130],
        [430, 260],
        [210, 250],
      ] as const) {
        await page.mouse.move(at.x + x, at.y + y, { steps: 20 })
        await page.mouse.click(at.x + x, at.y + y)
        await page.waitForTimeout(260)
      }
      await sweep(40)
    }),
  )
  await browser.close()
} finally {
  server.kill()
  rmSync(folder, { recursive: true, force: true })
}
