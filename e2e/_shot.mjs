import { chromium } from '@playwright/test'
const [, , url, out, w = '1280', h = '800', ...acts] = process.argv
const b = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox', '--disable-gpu'] })
const p = await b.newPage({ viewport: { width: +w, height: +h } })
p.on('console', (m) => ['error', 'warning'].includes(m.type()) && console.log('console', m.type(), m.text().slice(0, 300)))
p.on('pageerror', (e) => console.log('pageerror', e.message.slice(0, 500)))
await p.goto('http://127.0.0.1:4999' + url)
await p.waitForTimeout(2500)
for (const a of acts) {
  try {
    await new Function('p', `return (async()=>{${a}})()`)(p)
  } catch (e) {
    console.log('ACT', a.slice(0, 80), String(e).slice(0, 400))
  }
  await p.waitForTimeout(500)
}
await p.screenshot({ path: out, fullPage: process.env.FULL === '1' })
await b.close()
