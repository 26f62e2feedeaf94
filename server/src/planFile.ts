import { sure } from '@juvena/core/quantities/sure'
import { readFileSync } from 'node:fs'
import { currencyOf, defaultFirm, firmSchema, type Firm } from '@juvena/core/entities/firm'
import { problemsOf } from '@juvena/core/entities/problem'
import { readJobFile } from '@juvena/core/formats/jobFile'
import { planJob } from '@juvena/core/pipeline'
import { planText } from '@juvena/core/present/planText'

/**
 * Command line: plans a job file and prints the plan as JSON, or with --text as a contractor reads
 * it. The firm's settings come from --firm
 * FILE, or from "firm" in the file, or are the usual ones. Problems go to standard error, exit 1. A
 * reader that closes the pipe early ends it quietly.
 */
process.stdout.on('error', (error: NodeJS.ErrnoException) =>
  process.exit(error.code === 'EPIPE' ? 0 : 1),
)

const asText = process.argv.includes('--text')
const args = process.argv.slice(2).filter((a) => a !== '--text')
const at = args.indexOf('--firm')
const firmName = at >= 0 ? args[at + 1] : undefined
const name = args.find((_, i) => at < 0 || (i !== at && i !== at + 1))
if (!name || (at >= 0 && !firmName))
  fail([
    'Name a job file, or - for standard input: npm run --silent plan -- examples/cold-town-autumn-overseed.json [--text] [--firm FILE]',
  ])

const value = json(sure(name), '(whole file)')
const own = typeof value === 'object' && value !== null && 'firm' in value ? value.firm : undefined
const firm = firmName
  ? firmOf(json(firmName, '(firm file)'))
  : own === undefined
    ? defaultFirm()
    : firmOf(own)
const read = readJobFile(withoutFirm(value))
if (!read.ok) fail(read.problems.map((p) => `${p.path}: ${p.sentence}`))
else {
  const today = read.today ?? new Date().toISOString().slice(0, 10)
  const plan = planJob(read.job, { today, firm, diary: read.diary })
  const reader = { units: firm.units, dialect: firm.dialect, currency: currencyOf(firm) }
  process.stdout.write(
    asText ? planText(read.job, plan, reader) : `${JSON.stringify(plan, null, 2)}\n`,
  )
}

function json(file: string, what: string): unknown {
  try {
    return JSON.parse(readFileSync(file === '-' ? 0 : file, 'utf8'))
  } catch (error) {
    return fail([
      error instanceof SyntaxError
        ? `${what}: This is not JSON, or the file is cut short: ${error.message}`
        : `${what}: ${(error as Error).message}`,
    ])
  }
}

function firmOf(settings: unknown): Firm {
  const parsed = firmSchema.safeParse(settings)
  return parsed.success
    ? parsed.data
    : fail(problemsOf(parsed.error).map((p) => `firm.${p.path}: ${p.sentence}`))
}

function withoutFirm(file: unknown): unknown {
  if (typeof file !== 'object' || file === null || !('firm' in file)) return file
  return Object.fromEntries(Object.entries(file).filter(([key]) => key !== 'firm'))
}

function fail(lines: string[]): never {
  console.error(lines.join('\n'))
  process.exit(1)
}
