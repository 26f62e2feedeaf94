import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { addDays } from '../src/calendar/day.ts'
import { blankEntry, type DiaryEntry } from '../src/entities/diary.ts'
import { firmSchema } from '../src/entities/firm.ts'
import { readJob, type JobDraft } from '../src/entities/job.ts'
import { OPERATIONS } from '../src/reference/operations.ts'
import { waysOfJob } from '../src/waysOfJob.ts'
import { planJob } from '../src/pipeline.ts'
import { Memo } from '../src/trace/memo.ts'
import { seasonRow } from '../src/present/seasonRow.ts'
import { spine } from '../src/present/spine.ts'
import { explain } from '../src/present/explain.ts'
import { said, zone } from './makeJob.ts'
import { isDeepStrictEqual } from 'node:util'
import { anyJob, forAny, KEPT, plan } from './randomJob.ts'

const US = { units: 'us', dialect: 'dethatch' } as const

/** Steps that follow the sowing on their own days: one need not wait for another. */
const AFTER = ['feed', 'cover', 'work-in']

/** Two plans are alike; where they are not, what differs is told. */
const same = (a: unknown, b: unknown) => {
  if (!isDeepStrictEqual(a, b)) expect(a).toEqual(b)
}

describe('of any job', () => {
  it('every number is finite and none is below zero; every day exists; every figure explains itself', () =>
    forAny((p) => {
      // One figure of each rule is opened: the others show their working by the same text.
      const opened = new Set<string>()
      for (const f of Object.values(p.figures)) {
        if (typeof f.value === 'number') {
          expect(Number.isFinite(f.value), f.id).toBe(true)
          if (f.unit !== 'C' && f.unit !== 'deg' && f.rule !== 'seed.score')
            expect(f.value, f.id).toBeGreaterThanOrEqual(0)
        }
        if (f.unit === 'date')
          for (const day of typeof f.value === 'object' ? [f.value.low, f.value.high] : [f.value])
            expect(new Date(`${day}T00:00Z`).toISOString().slice(0, 10), f.id).toBe(day)
        if (opened.has(f.rule)) continue
        opened.add(f.rule)
        expect(explain(p, f.id, US)!.formula, f.id).not.toMatch(/[{}]|NaN|undefined/)
      }
    }))
  it('ground that is to be sown has seed or a hold that says why not; its mix makes 100', () =>
    forAny((p) => {
      for (const z of p.zones) {
        if (!z.area || z.sowing === 'none' || z.sowing === 'plugs' || z.sowing === 'turf')
          expect(z.seed).toBeNull()
        else if (!z.seed)
          expect(p.notices.some((n) => n.id === `zone:${z.id}.no-seed` && n.level === 'hold')).toBe(
            true,
          )
        else
          expect(z.seed.plants.reduce((s, x) => s + Number(x.share.value), 0)).toBeCloseTo(100, 6)
      }
    }))
  it('planned again with what was kept, after an edit of a zone, of the site, of a school or of the day, it is the plan worked anew', () => {
    const firm = firmSchema.parse({})
    fc.assert(
      fc.property(fc.array(anyJob, { minLength: 2, maxLength: 4 }), fc.nat(), (jobs, pick) => {
        const memo = new Memo()
        const planned = (draft: JobDraft, today: string, kept?: Memo) =>
          planJob(readJob(draft).job!, { today, firm, diary: [], ...(kept ? { memo: kept } : {}) })
        for (const { draft, today } of jobs) {
          const zones = draft.zones ?? []
          const edited = zones.map((z, i) =>
            i === pick % Math.max(1, zones.length)
              ? { ...z, thatch: '31 mm', heightOfCut: '25 mm' }
              : z,
          )
          for (const [next, day] of [
            [draft, today],
            [{ ...draft, zones: edited }, today],
            [{ ...draft, zones: edited, site: { ...draft.site, soilTemperature: 12 } }, today],
            [{ ...draft, schools: { season: 'autumn', cutOff: 'safe' } }, today],
            [{ ...draft, waterer: 'x' }, addDays(today, 40)],
          ] as const)
            same(planned(next, day, memo), planned(next, day))
        }
      }),
      { numRuns: 6 },
    )
  })
  it('so it is when one of several zones of one grass is edited, added, renamed, moved in the list or taken out', () => {
    const firm = firmSchema.parse({})
    const lawn = (id: string, change: object = {}) => zone({ id, name: id, ...change })
    const memo = new Memo()
    for (const zones of [
      [lawn('a'), lawn('b')],
      [lawn('a'), lawn('b', { thatch: 30 })],
      [lawn('a', { thatch: 5 }), lawn('b', { thatch: 30 }), lawn('c', { sunHours: 3 })],
      [lawn('c', { sunHours: 3 }), lawn('a', { thatch: 5 })],
      [lawn('c', { sunHours: 3, name: 'Shade' }), lawn('a', { thatch: 5, approach: 'hold-over' })],
      [lawn('a', { thatch: 5 })],
    ]) {
      const { job } = readJob({
        name: 'x',
        waterer: 'x',
        site: { latitude: -44.2, frost: '25 Apr' },
        zones,
      })
      const context = { today: '2027-02-22', firm, diary: [] }
      expect(planJob(job!, { ...context, memo })).toEqual(planJob(job!, context))
      // The ways are worked over the same pieces, between two plans.
      expect(waysOfJob(job!, { ...context, memo })).toEqual(waysOfJob(job!, context))
    }
  })
  it('offers at least two ways, the asked-for first, the chosen among them', () =>
    forAny((p, { draft, today }) => {
      const ways = waysOfJob(readJob(draft).job!, {
        today,
        firm: firmSchema.parse({}),
        diary: [],
        memo: KEPT,
      })
      for (const z of p.zones.filter((x) => x.area)) {
        const list = ways[z.id]!
        expect(list[0]!.fit).toBe('suggested')
        expect(list[0]!.approach).toBe(z.approach.suggested)
        expect(list.length).toBeGreaterThanOrEqual(2)
        expect(list.some((w) => w.approach === z.approach.chosen)).toBe(true)
        for (const w of list)
          expect(Number.isFinite(w.hours) && w.hours >= 0 && w.badDays >= 0, w.approach).toBe(true)
      }
    }))
  it('a strand that does not fit says so before all else, with what instead; one that fits sows by its cut-off, and not inside a wait', () =>
    forAny((p) => {
      for (const s of p.packages) {
        const sow = s.steps.find((x) => x.kind === 'sow')
        if (!sow) continue
        if (s.fits) {
          // A quick cover may still be sown after it, a pinned day in the season a person took, a
          // sward that lives bears a late sowing, and a school may sow on.
          if (
            s.kind !== 'hold' &&
            s.kind !== 'later' &&
            sow.state === 'planned' &&
            p.schools.late === 'stop' &&
            s.window.find((w) => w.from <= sow.chosen && sow.chosen <= w.to)?.reason !== 'past-rule'
          )
            expect(sow.chosen <= String(s.cutOff.value)).toBe(true)
          if (s.kind !== 'later')
            for (const f of Object.values(p.figures))
              if (f.id.endsWith('.until')) expect(sow.chosen >= String(f.value), f.id).toBe(true)
        } else {
          expect(said(s.verdict).length).toBeGreaterThan(20)
          expect(p.notices[0]!.id.endsWith('.fits')).toBe(true)
        }
      }
    }))
  it('steps come in the order of work, none before today', () =>
    forAny((p, { today }) => {
      for (const s of p.packages)
        for (const [i, x] of s.steps.entries()) {
          const before = s.steps
            .slice(0, i)
            .filter((b) => !OPERATIONS[b.kind].evening && !AFTER.includes(b.kind))
          if (!OPERATIONS[x.kind].evening)
            for (const b of before) expect(x.chosen >= b.chosen, `${b.id} ${x.id}`).toBe(true)
        }
      for (const s of p.steps) expect(s.chosen >= today, s.id).toBe(true)
    }))
  it('notices speak in sentences, and never twice under one name', () =>
    forAny((p) => {
      expect(new Set(p.notices.map((n) => n.id)).size).toBe(p.notices.length)
      for (const n of said(p.notices)) {
        expect(n.title.length, n.id).toBeGreaterThan(8)
        expect(`${n.title} ${n.says}`, n.id).not.toMatch(
          /NaN|undefined|null|\{(?!scar|core|top|rake|scalp)/i,
        )
      }
    }))
  it('the spine and the season can lay it out, and it is the same plan every time', () =>
    forAny((p, job) => {
      for (const b of said(spine(p, [])))
        expect(`${b.line} ${b.sub}`).not.toMatch(/NaN|undefined|Infinity/)
      const row = seasonRow('id', readJob(job.draft).job!, p)
      expect(row.steps.length).toBe(p.steps.length)
      same(plan(job), p)
    }))
  it('ticking off its next step leaves one less to do, until all is done', () => {
    fc.assert(
      fc.property(anyJob, (job) => {
        const diary: DiaryEntry[] = []
        for (let i = 0; i < 300; i++) {
          const p = plan(job, diary)
          const next = p.follow.next
          if (!next) return
          diary.push({
            ...blankEntry(`entry-${String(i).padStart(4, '0')}`, job.today, 'done'),
            step: next.id,
            stepZones: next.zones,
          })
          const after = plan(job, diary)
          expect(after.follow.done, next.id).toBeGreaterThan(p.follow.done)
        }
        expect(plan(job, diary).follow.next).toBeNull()
      }),
      { numRuns: 8 },
    )
  })
})
