import { existsSync, mkdtempSync, readFileSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { chromium, dependencies, pages, run } from './ready.mjs'

// Every check, in the order that tells soonest. Ends with one line of how many passed and failed.
const place = mkdtempSync(join(tmpdir(), 'juvena-test-'))
let passed = 0
let failed = 0

function check(name, command, args, { report, count, env } = {}) {
  console.log(`\n— ${name}`)
  const status = run(command, args, { env })
  let [good, bad] = [0, 0]
  if (report && existsSync(report)) [good, bad] = count(JSON.parse(readFileSync(report, 'utf8')))
  else good = status === 0 ? 1 : 0
  if (status !== 0 && bad === 0) bad = 1
  passed += good
  failed += bad
}

dependencies()
check('types', 'npm', ['run', '--silent', 'types'])
check('lint', 'npm', ['run', '--silent', 'lint'])
check('boundary', 'npm', ['run', '--silent', 'boundary'])
const unit = join(place, 'unit.json')
check('core and server', 'npx', ['vitest', 'run', '--reporter=default', '--reporter=json', `--outputFile.json=${unit}`], {
  report: unit,
  count: (r) => [r.numPassedTests, r.numFailedTests],
})
pages()
chromium()
const e2e = join(place, 'e2e.json')
check('end to end and accessibility', 'npx', ['playwright', 'test', '--config', 'e2e/playwright.config.ts'], {
  env: { JUVENA_REPORT: e2e },
  report: e2e,
  count: (r) => [r.stats.expected + r.stats.flaky, r.stats.unexpected],
})

rmSync(place, { recursive: true })
console.log(`\n${passed} passed, ${failed} failed`)
process.exit(failed === 0 ? 0 : 1)
