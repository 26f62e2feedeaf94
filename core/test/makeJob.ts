import type { Outlook } from '../src/climate/station.ts'
import type { DiaryEntry } from '../src/entities/diary.ts'
import { firmSchema, type FirmDraft } from '../src/entities/firm.ts'
import { readJob, type JobDraft, type ZoneDraft } from '../src/entities/job.ts'
import { planJob } from '../src/pipeline.ts'
import type { JobPlan } from '../src/plan/jobPlan.ts'
import { render } from '../src/present/render.ts'
import type { StockLot } from '../src/stock/lotsOfJob.ts'
import type { Message } from '../src/rules/message.ts'
import type { TradeValues } from '../src/rules/rule.ts'
import { Memo } from '../src/trace/memo.ts'
import { Trace } from '../src/trace/trace.ts'

export const TODAY = '2027-02-22'

/** A usual zone; change what a test is about. */
export const zone = (change: Partial<ZoneDraft> = {}): ZoneDraft => ({
  id: 'z1',
  name: 'Lawn',
  area: 200,
  slope: 0,
  sunHours: 7,
  cover: { wanted: 55, weeds: 20, moss: 5, bare: 20 },
  thatch: 15,
  penetration: 'stops',
  soilMoist: true,
  texture: 'loam',
  heightOfCut: 40,
  mower: 'rotary',
  present: ['perennial-ryegrass'],
  wear: 'mid',
  precipitation: 10,
  uniformity: 0.7,
  ...change,
})

export const SOUTH = {
  latitude: -44.2,
  longitude: 170.1,
  frost: '25 Apr',
  soilTemperature: 17.4,
  soilReadOn: TODAY,
}

export const draft = (change: Partial<JobDraft> = {}): JobDraft => ({
  name: 'Test lawn',
  waterer: 'someone',
  site: SOUTH,
  zones: [zone()],
  ...change,
})

/** A plan with every message in it spelled out, metric and in one dialect. */
export type Said<T> = [Message] extends [T]
  ? string
  : T extends string
    ? T
    : T extends readonly (infer U)[]
      ? Said<U>[]
      : T extends object
        ? { [K in keyof T]: Said<T[K]> }
        : T
export const READER = { units: 'metric', dialect: 'scarify' } as const

export function said<T>(value: T): Said<T> {
  if (Array.isArray(value)) return value.map(said) as Said<T>
  if (typeof value !== 'object' || value === null || ArrayBuffer.isView(value))
    return value as Said<T>
  if ('template' in value && 'parts' in value)
    return render(value as unknown as Message, READER) as Said<T>
  return Object.fromEntries(
    Object.entries(value).map(([key, part]) => [key, said(part)]),
  ) as Said<T>
}

/** The numbers of a group as declared. */
export const declared = <V extends TradeValues>(values: V) => new Trace().values(values)

/** The year of a place is the same from test to test. */
const KEPT = new Memo(10_000)

export function planOf(
  change: Partial<JobDraft> = {},
  {
    today = TODAY,
    firm = {},
    diary = [],
    outlook = null,
    stock = [],
  }: {
    today?: string
    firm?: FirmDraft
    diary?: DiaryEntry[]
    outlook?: Outlook | null
    stock?: StockLot[]
  } = {},
): Said<JobPlan> {
  const read = readJob(draft(change))
  if (!read.job || read.problems.length > 0) throw new Error(JSON.stringify(read.problems))
  return said(
    planJob(read.job, { today, firm: firmSchema.parse(firm), diary, outlook, stock, memo: KEPT }),
  )
}

export const step = (plan: Said<JobPlan>, kind: string) => plan.steps.find((s) => s.kind === kind)
export const valueOf = (plan: Said<JobPlan>, id: string) => Number(plan.figures[id]?.value)
