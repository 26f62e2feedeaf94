import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { DiaryEntry } from '../src/entities/diary.ts'
import { firmSchema } from '../src/entities/firm.ts'
import { readJob, type JobDraft, type ZoneDraft } from '../src/entities/job.ts'
import { planJob, type JobPlan } from '../src/pipeline.ts'
import { GRASS_IDS } from '../src/reference/grasses.ts'
import { AIMS, APPROACHES, MOWERS, PENETRATIONS, TEXTURES, TREATMENTS, WEARS } from '../src/reference/lists.ts'
import { seasonRow } from '../src/present/seasonRow.ts'
import { spine } from '../src/present/spine.ts'
import { SCHOOL_CHOICES } from '../src/reference/schools.ts'
import { explain } from '../src/present/explain.ts'
import { said } from './makeJob.ts'

const US = { units: 'us', dialect: 'dethatch' } as const

/** Any job a contractor could enter: whatever the readings, the plan holds together. */
const maybe = <T>(arb: fc.Arbitrary<T>) => fc.option(arb, { nil: null })
const num = (min: number, max: number) => fc.double({ min, max, noNaN: true })
const share = fc.integer({ min: 0, max: 100 })
const cover = fc.tuple(share, share, share, share).map(([a, b, c, d]) => {
  const sum = a + b + c + d || 1
  const part = (x: number) => Math.floor((100 * x) / sum)
  const [wanted, weeds, moss] = [part(a), part(b), part(c)]
  return { wanted, weeds, moss, bare: 100 - wanted - weeds - moss }
})
const anyZone: fc.Arbitrary<ZoneDraft> = fc.record({
  id: fc.constant('z'),
  name: fc.constantFrom('Back lawn', ''),
  area: maybe(num(0.5, 20_000)),
  slope: maybe(num(0, 60)),
  sunHours: maybe(num(0, 14)),
  cover: fc.oneof(fc.constant({}), cover),
  incurable: maybe(share),
  thatch: maybe(num(0, 60)),
  penetration: maybe(fc.constantFrom(...PENETRATIONS)),
  soilMoist: maybe(fc.boolean()),
  texture: maybe(fc.constantFrom(...TEXTURES)),
  ph: maybe(num(3.5, 9)),
  heightOfCut: maybe(num(5, 110)),
  mower: maybe(fc.constantFrom(...MOWERS)),
  present: fc.uniqueArray(fc.constantFrom(...GRASS_IDS), { maxLength: 3 }),
  wear: maybe(fc.constantFrom(...WEARS)),
  lowsDepth: maybe(num(0, 80)),
  lowsShare: maybe(share),
  approach: maybe(fc.constantFrom(...APPROACHES)),
  precipitation: maybe(num(1, 60)),
  uniformity: maybe(num(0.2, 1)),
})
const schools = fc.record(
  Object.fromEntries(Object.entries(SCHOOL_CHOICES).map(([choice, c]) => [choice, fc.constantFrom(...Object.keys(c.schools))])),
  { requiredKeys: [] },
)
const anyDay = fc.integer({ min: 0, max: 700 }).map((d) => new Date(Date.UTC(2026, 0, 1 + d)).toISOString().slice(0, 10))
const anyJob: fc.Arbitrary<{ draft: JobDraft; today: string }> = fc.record({
  today: anyDay,
  draft: fc.record({
    name: fc.string({ maxLength: 20 }),
    site: fc.record({
      latitude: maybe(fc.oneof(num(-55, -20), num(20, 60))),
      frost: maybe(fc.constantFrom('25 Apr', '14 Oct', '18 Nov', '10 Jan', '29 Feb')),
      soilTemperature: maybe(num(0, 32)),
      tapFlow: maybe(num(2, 80)),
      waterMinutes: maybe(num(0.5, 12)),
    }),
    customerDate: maybe(anyDay),
    aims: fc.uniqueArray(fc.constantFrom(...AIMS), { maxLength: 3 }),
    zones: fc.array(anyZone, { maxLength: 4 }).map((zones) => zones.map((z, i) => ({ ...z, id: `z${i}` }))),
    treatments: fc
      .array(fc.record({ kind: fc.constantFrom(...TREATMENTS), date: maybe(anyDay) }), { maxLength: 2 })
      .map((list) => list.map((t, i) => ({ id: `t${i}`, ...t }))),
    dressing: fc.record({ depth: maybe(num(1, 40)) }),
    schools,
  }) as fc.Arbitrary<JobDraft>,
})
const plan = ({ draft, today }: { draft: JobDraft; today: string }, diary: DiaryEntry[] = []): JobPlan => {
  const read = readJob(draft)
  if (!read.job || read.problems.length > 0) throw new Error(JSON.stringify(read.problems))
  return planJob(read.job, { today, firm: firmSchema.parse({}), diary })
}
const forAny = (holds: (p: JobPlan, job: { draft: JobDraft; today: string }) => void) =>
  fc.assert(
    fc.property(anyJob, (job) => holds(plan(job), job)),
    { numRuns: 150 },
  )

describe('of any job', () => {
  it('every number is finite and none is below nothing; every day exists; every figure explains itself', () =>
    forAny((p) => {
      for (const f of Object.values(p.figures)) {
        if (typeof f.value === 'number') {
          expect(Number.isFinite(f.value), f.id).toBe(true)
          if (f.unit !== 'C' && f.unit !== 'deg' && f.rule !== 'seed.score') expect(f.value, f.id).toBeGreaterThanOrEqual(0)
        }
        if (f.unit === 'date')
          for (const day of typeof f.value === 'object' ? [f.value.low, f.value.high] : [f.value])
            expect(new Date(`${day}T00:00Z`).toISOString().slice(0, 10), f.id).toBe(day)
        expect(explain(p, f.id, US)!.formula, f.id).not.toMatch(/[{}]|NaN|undefined/)
      }
    }))
  it('ground that is to be sown has seed or a hold that says why not; its mix makes 100', () =>
    forAny((p) => {
      for (const z of p.zones) {
        if (!z.area || z.approach.chosen === 'leave') expect(z.seed).toBeNull()
        else if (!z.seed) expect(p.notices.some((n) => n.id === `zone:${z.id}.no-seed` && n.level === 'hold')).toBe(true)
        else expect(z.seed.plants.reduce((s, x) => s + Number(x.share.value), 0)).toBeCloseTo(100, 6)
      }
    }))
  it('offers at least two approaches, the asked-for first, and a cheaper one unless it is the cheapest', () =>
    forAny((p) => {
      for (const z of p.zones) {
        const [first, ...others] = z.approach.candidates
        expect(first!.fit).toBe('best')
        expect(others.length).toBeGreaterThanOrEqual(1)
        expect(z.approach.candidates.some((c) => c.approach === z.approach.chosen)).toBe(true)
        if (!['leave', 'mend'].includes(z.approach.suggested)) expect(others.some((c) => c.fit === 'cheaper')).toBe(true)
      }
    }))
  it('a strand that does not fit says so before all else, with what instead; one that fits sows by its cut-off, and not inside a wait', () =>
    forAny((p) => {
      for (const s of p.packages) {
        const sow = s.steps.find((x) => x.kind === 'sow')
        if (!sow) continue
        if (s.fits) {
          expect(sow.chosen <= String(s.cutOff.value)).toBe(true)
          for (const f of Object.values(p.figures)) if (f.id.endsWith('.until')) expect(sow.chosen >= String(f.value), f.id).toBe(true)
        } else {
          expect(said(s.verdict).length).toBeGreaterThan(20)
          expect(p.notices[0]!.id.endsWith('.fits')).toBe(true)
        }
      }
    }))
  it('steps come in the order of work, none before today', () =>
    forAny((p, { today }) => {
      for (const s of p.packages)
        for (let i = 1; i < s.steps.length; i++) expect(s.steps[i]!.chosen >= s.steps[i - 1]!.chosen, s.steps[i]!.id).toBe(true)
      for (const s of p.steps) expect(s.chosen >= today, s.id).toBe(true)
    }))
  it('notices speak in sentences, and never twice under one name', () =>
    forAny((p) => {
      expect(new Set(p.notices.map((n) => n.id)).size).toBe(p.notices.length)
      for (const n of said(p.notices)) {
        expect(n.title.length, n.id).toBeGreaterThan(8)
        expect(`${n.title} ${n.says}`, n.id).not.toMatch(/NaN|undefined|null|\{(?!scar|core|top|rake|scalp)/i)
      }
    }))
  it('the spine and the season can lay it out, and it is the same plan every time', () =>
    forAny((p, job) => {
      for (const b of said(spine(p, []))) expect(`${b.line} ${b.sub}`).not.toMatch(/NaN|undefined|Infinity/)
      const row = seasonRow('id', readJob(job.draft).job!, p)
      expect(row.steps.length).toBe(p.steps.length)
      expect(plan(job)).toEqual(p)
    }))
  it('ticking off its next step leaves one less to do, until all is done', () => {
    fc.assert(
      fc.property(anyJob, (job) => {
        const diary: DiaryEntry[] = []
        for (let i = 0; i < 40; i++) {
          const p = plan(job, diary)
          const next = p.follow.next
          if (!next) return
          diary.push({
            id: `entry-${String(i).padStart(4, '0')}`,
            date: job.today,
            zone: null,
            step: next.id,
            stepZones: next.zones,
            what: 'done',
            amount: '',
            who: '',
            note: '',
            corrects: null,
          })
          const after = plan(job, diary)
          expect(after.follow.done, next.id).toBeGreaterThan(p.follow.done)
        }
        expect(plan(job, diary).follow.next).toBeNull()
      }),
      { numRuns: 12 },
    )
  })
})
