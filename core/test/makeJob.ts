import type { DiaryEntry } from '../src/entities/diary.ts'
import { firmSchema, type FirmDraft } from '../src/entities/firm.ts'
import { readJob, type JobDraft, type ZoneDraft } from '../src/entities/job.ts'
import { planJob, type JobPlan } from '../src/pipeline.ts'

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

export const SOUTH = { latitude: -44.2, longitude: 170.1, frost: '25 Apr', soilTemperature: 17.4, soilReadOn: TODAY }

export const draft = (change: Partial<JobDraft> = {}): JobDraft => ({
  name: 'Test lawn',
  waterer: 'someone',
  site: SOUTH,
  zones: [zone()],
  ...change,
})

export function planOf(
  change: Partial<JobDraft> = {},
  { today = TODAY, firm = {}, diary = [] }: { today?: string; firm?: FirmDraft; diary?: DiaryEntry[] } = {},
): JobPlan {
  const read = readJob(draft(change))
  if (!read.job || read.problems.length > 0) throw new Error(JSON.stringify(read.problems))
  return planJob(read.job, { today, firm: firmSchema.parse(firm), diary })
}

export const step = (plan: JobPlan, kind: string) => plan.steps.find((s) => s.kind === kind)
export const valueOf = (plan: JobPlan, id: string) => Number(plan.figures[id]?.value)
