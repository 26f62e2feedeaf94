import { spawn } from 'node:child_process'
import { existsSync, mkdtempSync, readFileSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { measureSlowness } from './limits.mjs'
import { chromium, dependencies, pages, root, server } from './ready.mjs'

// Every check, side by side; `npm test -- unit` runs one kind. Each kind's output is told whole
// when it ends; the last line counts what passed and failed.
const place = mkdtempSync(join(tmpdir(), 'juvena-test-'))
const unit = join(place, 'unit.json')
const e2e = join(place, 'e2e.json')

/** Room for what lives briefly: compilers spend a fifth less on collecting it. */
const ROOM = { NODE_OPTIONS: '--max-semi-space-size=64' }
/** Tests that failed by a limit of time, from the reports. */
const BY_TIME = /time ?out|timed out/i
const lateInUnits = (r) =>
  r.testResults.flatMap((f) =>
    f.assertionResults
      .filter((t) => t.status === 'failed' && t.failureMessages.some((m) => BY_TIME.test(m)))
      .map((t) => t.fullName),
  )
const inside = (suite) => [...(suite.specs ?? []), ...(suite.suites ?? []).flatMap(inside)]
const byTime = (result) =>
  result.status === 'timedOut' || (result.errors ?? []).some((e) => BY_TIME.test(e.message ?? ''))
const lateInPages = (r) =>
  r.suites
    .flatMap(inside)
    .filter((s) => !s.ok && s.tests.some((t) => t.results.some(byTime)))
    .map((s) => s.title)

/**
 * Kinds of check. `count` reads how many passed and failed from a report; a kind without one counts
 * as one.
 */
const KINDS = {
  types: { run: ['npm', 'run', '--silent', 'types'], env: ROOM },
  lint: { run: ['npm', 'run', '--silent', 'lint'], env: ROOM },
  boundary: { run: ['npm', 'run', '--silent', 'boundary'] },
  bench: {
    run: [process.execPath, 'scripts/bench.mjs', '--tiny'],
    ready: () => (pages(), server(), chromium()),
  },
  unit: {
    run: [
      'npx',
      'vitest',
      'run',
      '--reporter=default',
      '--reporter=json',
      `--outputFile.json=${unit}`,
    ],
    report: unit,
    late: lateInUnits,
    count: (r) => [r.numPassedTests, r.numFailedTests],
  },
  e2e: {
    run: ['npx', 'playwright', 'test', '--config', 'e2e/playwright.config.ts'],
    env: { JUVENA_REPORT: e2e },
    late: lateInPages,
    ready: () => (pages(), server(), chromium()),
    report: e2e,
    count: (r) => [r.stats.expected + r.stats.flaky, r.stats.unexpected],
  },
}
/**
 * What runs one after another in each lane: the end-to-end tests wait a good deal, so others go on
 * beside them. Both lanes take about as long.
 */
const LANES = [
  ['e2e', 'types'],
  ['unit', 'lint', 'boundary', 'bench'],
]

const asked = process.argv.slice(2)
const unknown = asked.filter((kind) => !(kind in KINDS))
if (unknown.length > 0) {
  console.error(
    `No such kind of check: ${unknown.join(', ')}. There are ${Object.keys(KINDS).join(', ')}.`,
  )
  process.exit(1)
}
const wanted = (kind) => asked.length === 0 || asked.includes(kind)

let passed = 0
let failed = 0
function check(name) {
  const { run, env, report, count, late } = KINDS[name]
  const began = Date.now()
  return new Promise((done) => {
    let said = ''
    const [command, ...args] = run
    const child = spawn(command, args, {
      cwd: root,
      env: { ...process.env, ...env },
      stdio: ['ignore', 'pipe', 'pipe'],
    })
    const hear = (text) => (said += text)
    child.stdout.on('data', hear)
    child.stderr.on('data', hear)
    child.on('close', (status) => {
      let [good, bad] = [status === 0 ? 1 : 0, 0]
      let slow = []
      if (report && existsSync(report)) {
        const read = JSON.parse(readFileSync(report, 'utf8'))
        ;[good, bad] = count(read)
        slow = late(read)
      }
      if (status !== 0 && bad === 0) bad = 1
      passed += good
      failed += bad
      console.log(
        `\n— ${name}, ${Math.round((Date.now() - began) / 1000)} s: ${good} passed, ${bad} failed\n${said.trimEnd()}`,
      )
      if (slow.length > 0)
        console.log(
          `${slow.length} of them ended by a limit of time (limits were × ${slowness.toFixed(1)} here), which may say more of the machine than of the code:\n${slow.map((t) => `  ${t}`).join('\n')}`,
        )
      done()
    })
  })
}

dependencies()
const slowness = measureSlowness()
process.env.JUVENA_SLOWNESS = String(slowness)
if (slowness > 1.2)
  console.log(
    `This machine takes ${slowness.toFixed(1)} × as long as usual: limits of time are stretched by as much.`,
  )
for (const kind of Object.keys(KINDS).filter(wanted)) KINDS[kind].ready?.()
await Promise.all(
  LANES.map(async (lane) => {
    for (const kind of lane.filter(wanted)) await check(kind)
  }),
)
rmSync(place, { recursive: true })
console.log(`\n${passed} passed, ${failed} failed`)
process.exit(failed === 0 ? 0 : 1)
