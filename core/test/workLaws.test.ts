import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { addDays } from '../src/calendar/day.ts'
import { GRASSES } from '../src/reference/grasses.ts'
import { OPERATIONS } from '../src/reference/operations.ts'
import type { JobPlan, ZoneSummary } from '../src/plan/jobPlan.ts'
import { stepAmounts } from '../src/present/dayWork.ts'
import { MOST_LIFTS } from '../src/reference/materialValues.ts'
import type { PackagePlan } from '../src/plan/order.ts'
import { zoneOf } from '../src/trace/scope.ts'
import { said } from './makeJob.ts'
import { anyJob, forAny, plan } from './randomJob.ts'

/** Zones that are worked: those with a size, but for ground that is to be sown and has no seed. */
const worked = (p: JobPlan): ZoneSummary[] =>
  p.zones.filter((z) => z.area && !p.notices.some((n) => n.id === `zone:${z.id}.no-seed`))
const stepsOn = (pack: PackagePlan, zone: string) =>
  pack.steps.filter((s) => s.zones.some((z) => zoneOf(z) === zone))

/**
 * Laws of the work, on any job. Common practice, and the promise that nothing asked for is dropped
 * without a word.
 */
describe('the work of any job', () => {
  it('whatever a finding asks for is planned, or listed as not planned with the reason', () =>
    forAny((p) => {
      for (const f of p.findings)
        for (const want of f.wants) {
          const rung = p.zones
            .find((z) => z.id === f.zone)!
            .rungs.find(
              (r) =>
                r.operation === want.operation ||
                // Where only spots are sown the lawn has a feed of its own.
                (want.operation === 'feed' && r.operation === 'feed-lawn'),
            )
          const zone = p.zones.find((z) => z.id === f.zone)!
          if (!zone.area) continue
          expect(rung, `${f.kind} ${want.operation}`).toBeDefined()
          if (!rung!.planned)
            expect(said(rung!.reason).length, `${f.kind} ${want.operation}`).toBeGreaterThan(5)
        }
    }))
  it('every rung that is planned has a step, and every step comes from a rung', () =>
    forAny((p) => {
      for (const z of worked(p)) {
        const first = p.packages.filter((k) => k.zones.includes(z.id))
        const later = p.follow.later.filter((s) => s.zones.includes(z.id)).map((s) => s.kind)
        const kinds = new Set([
          ...first.flatMap((k) => stepsOn(k, z.id).map((s) => s.kind)),
          ...later,
        ])
        const planned = new Set(z.rungs.filter((r) => r.planned).map((r) => r.operation))
        for (const kind of kinds)
          if (kind !== 'dress-again')
            expect(planned.has(kind), `${z.id} ${kind} has no rung`).toBe(true)
        for (const kind of planned)
          expect(kinds.has(kind), `${z.id} ${kind} has no step`).toBe(true)
      }
    }))
  it('no operation that a grass forbids: runners above ground only are never scarified nor cut to the ground', () =>
    forAny((p, { draft }) => {
      for (const z of draft.zones!) {
        if (!z.present?.some((g) => GRASSES[g]!.stolonOnly)) continue
        for (const s of p.steps)
          if (s.zones.some((id) => zoneOf(id) === z.id))
            expect(['scarify', 'cut-second'].includes(s.kind), `${z.id} ${s.kind}`).toBe(false)
      }
    }))
  it('every material that is ordered has a step that puts it down, and the other way round', () =>
    forAny((p) => {
      const kinds = new Set(p.steps.map((s) => s.kind))
      const ordered = (start: string) => p.materials.some((m) => m.id.startsWith(start))
      expect(ordered('seed.')).toBe(kinds.has('sow'))
      expect(ordered('feed')).toBe(
        ['feed', 'feed-later', 'feed-lawn'].some((k) => kinds.has(k as never)),
      )
      expect(ordered('cover.')).toBe(kinds.has('cover'))
      expect([ordered('turf'), ordered('plugs')]).toEqual([kinds.has('turf'), kinds.has('plugs')])
      expect(ordered('dressing') || ordered('soil.')).toBe(
        ['dress', 'trench', 'lay-back', 'sand-in', 'dog-soil', 'dig-clumps'].some((k) =>
          kinds.has(k as never),
        ),
      )
      for (const m of p.materials)
        expect(Number(p.figures[m.total]!.value), m.id).toBeGreaterThan(0)
    }))
  it('what the steps put down is what is ordered: soil, sand, feed, covers, edging', () =>
    forAny((p, { draft }) => {
      const told = new Map<string, number>()
      const add = (to: Map<string, number>, name: unknown, amount: number) =>
        to.set(said(name as never), (to.get(said(name as never)) ?? 0) + amount)
      for (const s of p.steps)
        for (const a of stepAmounts(s, p, { lots: [] }))
          if (typeof a.value === 'number') add(told, a.what, a.value)
      const ordered = new Map<string, number>()
      const KINDS = ['dressing', 'soil', 'feed', 'cover', 'edging', 'turf', 'plugs']
      // Only the first lifts of very many get days.
      const many = p.materials.some((m) => m.spread?.some((s) => s.lifts > MOST_LIFTS))
      if (many || draft.zones!.length === 0) return
      for (const m of p.materials.filter((x) => KINDS.includes(x.kind)))
        add(ordered, m.name, Number(p.figures[m.total]!.value))
      for (const [name, amount] of ordered)
        expect(Math.abs((told.get(name) ?? 0) - amount), name).toBeLessThan(1e-6 * Math.max(1, amount)) // prettier-ignore
    }))
  it('seed never without an opened surface, or a word that nothing opens it', () =>
    forAny((p) => {
      for (const pack of p.packages) {
        const sow = pack.steps.find((s) => s.kind === 'sow')
        for (const zone of sow?.zones ?? []) {
          const before = stepsOn(pack, zoneOf(zone)).filter((s) => s.chosen <= sow!.chosen)
          const warned = p.notices.some((n) => n.id === `zone:${zone}.unopened`)
          expect(before.some((s) => OPERATIONS[s.kind].opens) || warned, zone).toBe(true)
        }
      }
    }))
  it('water begins on the day of seed, whatever is pinned', () =>
    fc.assert(
      fc.property(
        anyJob,
        fc.integer({ min: 0, max: 60 }),
        fc.integer({ min: 0, max: 9 }),
        (job, days, at) => {
          const free = plan(job)
          const step = free.packages[0]?.steps[at]
          const day = new Date(Date.parse(job.today) + days * 86_400_000).toISOString().slice(0, 10)
          const pinned = step
            ? plan({
                ...job,
                draft: { ...job.draft, pins: { [`${step.kind}/${step.zones[0]}`]: day } },
              })
            : free
          for (const pack of pinned.packages) {
            const seed = pack.steps.filter((s) => ['sow', 'turf', 'plugs'].includes(s.kind))
            const water = pack.steps.find((s) => s.kind === 'water')
            if (seed.length > 0 && water && seed.every((s) => s.span === 1))
              expect(water.chosen, pack.id).toBe(seed.at(-1)!.chosen)
          }
          // With the pin let go, the plan is the one before.
          expect(
            said(
              plan({ ...job, draft: { ...job.draft, pins: {} } }).steps.map((s) => [
                s.id,
                s.chosen,
              ]),
            ),
          ).toEqual(said(free.steps.map((s) => [s.id, s.chosen])))
        },
      ),
      { numRuns: 100 },
    ))
  it('no step of one kind stands twice on a zone on one day, and every piece of work is in one package', () =>
    forAny((p) => {
      const at = new Map<string, string>()
      const days = new Set<string>()
      for (const pack of p.packages)
        for (const s of pack.steps)
          for (const zone of s.zones) {
            const on = `${s.kind} ${zone} ${s.chosen}`
            expect(days.has(on), on).toBe(false)
            days.add(on)
            if (OPERATIONS[s.kind].eachPiece) continue
            const key = `${s.kind} ${zone}`
            expect(at.get(key) ?? pack.id, key).toBe(pack.id)
            at.set(key, pack.id)
          }
    }))
  it('seedlings and swards are mown in growth alone: weekly mows a week apart, none under a sheet', () =>
    forAny((p) => {
      for (const pack of p.packages) {
        const after = p.follow.later.filter((s) => s.workPackage === pack.id)
        const free = (s: (typeof after)[number]) => s.state === 'planned'
        const mows = after.filter((s) => OPERATIONS[s.kind].mows && free(s)).map((s) => s.chosen)
        expect(new Set(mows).size, mows.join()).toBe(mows.length)
        const sheet = after.find((s) => s.kind === 'uncover' && free(s))
        const first = after.find((s) => s.kind === 'first-mow' && free(s))
        if (sheet && first) expect(first.chosen >= sheet.chosen).toBe(true)
      }
    }))
  it('no odds are certain, and watering never outlasts growth', () =>
    forAny((p) => {
      for (const c of p.packages.flatMap((k) => k.choices))
        if (c.odds) expect(Number(c.odds.value)).toBeLessThan(100)
      for (const f of p.follow.packages)
        if (f.rest && f.wateringDays && f.handOver && f.rest.from <= String(f.handOver.value))
          expect(addDays(f.sown, Number(f.wateringDays.value))).toBe(f.rest.from)
    }))
  it('a person’s switch is obeyed, or said to be impossible', () =>
    forAny((p, { draft }) => {
      for (const z of worked(p)) {
        const own = draft.zones!.find((d) => d.id === z.id)!.operations ?? {}
        for (const [kind, set] of Object.entries(own)) {
          const rung = z.rungs.find((r) => r.operation === kind)
          if (set?.on === true)
            expect(rung!.planned || said(rung!.reason).length > 5, kind).toBe(true)
          if (set?.on === false) expect(rung?.planned ?? false, kind).toBe(false)
        }
      }
    }))
})
