import { sure } from '@juvena/core/quantities/sure'
import { readFileSync } from 'node:fs'
import { currencyOf, defaultFirm, firmSchema, type Firm } from '@juvena/core/entities/firm'
import { problemsOf } from '@juvena/core/entities/problem'
import { readJobFile } from '@juvena/core/formats/jobFile'
import { planJob } from '@juvena/core/pipeline'
import type { Job } from '@juvena/core/entities/job'
import { pricesSchema } from '@juvena/core/entities/prices'
import type { Context } from '@juvena/core/plan/context'
import type { JobPlan } from '@juvena/core/plan/jobPlan'
import { jobWays, plannedWays, type JobWay } from '@juvena/core/plannedWays'
import { moneyAnswer, type WaysOfZone } from '@juvena/core/present/moneyAnswer'
import { Memo } from '@juvena/core/trace/memo'
import { waysOfJob } from '@juvena/core/waysOfJob'
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
/** The file named after an option, which leaves the list with it. */
function named(option: string): string | null | undefined {
  const at = args.indexOf(option)
  return at < 0 ? undefined : (args.splice(at, 2)[1] ?? null)
}
const firmName = named('--firm')
const pricesName = named('--prices')
const [name] = args
if (!name || firmName === null || pricesName === null)
  fail([
    'Name a job file, or - for standard input: npm run --silent plan -- examples/cold-town-autumn-overseed.json [--text] [--firm FILE] [--prices FILE]',
  ])

const value = json(sure(name), '(whole file)')
const own = typeof value === 'object' && value !== null && 'firm' in value ? value.firm : undefined
const settings = firmName
  ? firmOf(json(firmName, '(firm file)'))
  : own === undefined
    ? defaultFirm()
    : firmOf(own)
const firm = pricesName ? pricedBy(json(pricesName, '(prices file)'), settings) : settings
const read = readJobFile(withoutFirm(value))
if (!read.ok) fail(read.problems.map((p) => `${p.path}: ${p.sentence}`))
else {
  const today = read.today ?? new Date().toISOString().slice(0, 10)
  const context = { today, firm, diary: read.diary, memo: new Memo() }
  const plan = planJob(read.job, context)
  const reader = { units: firm.units, dialect: firm.dialect, currency: currencyOf(firm) }
  process.stdout.write(
    asText
      ? planText(read.job, plan, reader)
      : `${JSON.stringify({ ...plan, ...moneyAnswer(plan, ...waysOf(read.job, context, plan), firm, reader) }, null, 2)}\n`,
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

/** The ways of the job and of each zone planned whole, where prices are known. */
function waysOf(job: Job, context: Context, plan: JobPlan): [JobWay[], WaysOfZone[]] {
  if (!plan.money) return [[], []]
  const ways = waysOfJob(job, context)
  const chosen = Object.fromEntries(plan.zones.map((z) => [z.id, z.approach.chosen]))
  return [
    jobWays(job, context, ways, chosen),
    plan.zones.map(({ id, approach }) => ({
      zone: id,
      chosen: approach.chosen,
      ways: plannedWays(job, context, id, ways[id] ?? [], approach.chosen).ways,
    })),
  ]
}

/** The firm with a file of prices laid over its own; its currency may stand there too. */
function pricedBy(file: unknown, firm: Firm): Firm {
  if (typeof file !== 'object' || file === null || Array.isArray(file))
    return fail(['(prices file): This has to be an object with named parts.'])
  const { currency, coinDecimals, ...prices } = file as Record<string, unknown>
  const parsed = pricesSchema.safeParse(prices)
  if (!parsed.success)
    return fail(problemsOf(parsed.error).map((p) => `prices.${p.path}: ${p.sentence}`))
  const money = firmSchema.pick({ currency: true, coinDecimals: true }).safeParse({ currency: currency ?? firm.currency, coinDecimals: coinDecimals ?? firm.coinDecimals }) // prettier-ignore
  if (!money.success)
    return fail(problemsOf(money.error).map((p) => `prices.${p.path}: ${p.sentence}`))
  return { ...firm, ...money.data, prices: parsed.data }
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
