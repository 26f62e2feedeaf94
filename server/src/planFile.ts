import { readFileSync } from 'node:fs'
import { defaultFirm } from '@juvena/core/entities/firm'
import { readJobFile } from '@juvena/core/formats/jobFile'
import { planJob } from '@juvena/core/pipeline'

/** Command line: plans a job file and prints the plan as JSON. Problems go to standard error, exit 1. */
const name = process.argv[2]
if (!name) fail(['Name a job file, or - for standard input: npm run --silent plan -- examples/cold-town-autumn-overseed.json'])

let value: unknown
try {
  value = JSON.parse(readFileSync(name === '-' ? 0 : name!, 'utf8'))
} catch (error) {
  fail([
    error instanceof SyntaxError
      ? `(whole file): This is not JSON, or the file is cut short: ${error.message}`
      : `(whole file): ${(error as Error).message}`,
  ])
}
const read = readJobFile(value)
if (!read.ok) fail(read.problems.map((p) => `${p.path}: ${p.sentence}`))
else {
  const today = read.today ?? new Date().toISOString().slice(0, 10)
  console.log(JSON.stringify(planJob(read.job, { today, firm: defaultFirm(), diary: read.diary }), null, 2))
}

function fail(lines: string[]): never {
  console.error(lines.join('\n'))
  process.exit(1)
}
