import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { addDays, daysBetween } from '../src/calendar/day.ts'
import type { FirmDraft } from '../src/entities/firm.ts'
import type { JobDraft, ZoneDraft } from '../src/entities/job.ts'
import { nitrogenBanOn, nitrogenFrom } from '../src/firm/nitrogenLaw.ts'
import { nitrogenValues } from '../src/materials/feedRules.ts'
import { programmeValues } from '../src/reference/programmeValues.ts'
import { stepAmounts } from '../src/present/dayWork.ts'
import type { JobPlan } from '../src/plan/jobPlan.ts'
import type { PlannedStep } from '../src/plan/order.ts'
import { declared, draft, planOf, said, valueOf, zone } from './makeJob.ts'

const FINE = { wanted: 92, weeds: 4, moss: 2, bare: 2 }
const NORTH = { latitude: 52, longitude: 0, frost: '1 Nov' }
const WARM = { latitude: 33, longitude: -84, frost: '12 Nov' }
const standing = (programme: string, more: Partial<JobDraft> = {}, at: Partial<ZoneDraft> = {}) =>
  draft({ site: NORTH, schools: { programme }, zones: [zone({ cover: FINE, ...at })], ...more })
const rounds = (plan: ReturnType<typeof planOf>) =>
  plan.steps.filter((s) => s.kind === 'feed-round').map((s) => s.chosen)
const feeds = (plan: ReturnType<typeof planOf>) => plan.materials.filter((m) => m.kind === 'feed')
const AUGUST = { today: '2027-08-25' }

describe('how ground is fed on', () => {
  it('off leaves no task and no line', () => {
    const plan = planOf(standing('one-dose', { aims: ['thicker'] }), AUGUST)
    expect([rounds(plan), feeds(plan).length]).toEqual([[], 1])
    const off = planOf(standing('autumn', {}, { operations: { 'feed-round': { on: false } } }), AUGUST) // prettier-ignore
    expect([rounds(off), feeds(off).length]).toEqual([[], 1])
    expect(off.zones[0]!.rungs.find((r) => r.operation === 'feed-round')!.planned).toBe(false)
  })
  it('autumn: three quarters of what rye wants, less the first feed, in equal doses, by hand', () => {
    // Rye 10 to 20 g/m² a year, so 15 (common practice); 11.25 of it in autumn; 3.2 at first; 8.05 left
    // in two doses of 4.025, 20.1 g/m² of 20-0-5 each: on 200 m² with the first feed's 16 g/m², 11.25 kg.
    const plan = planOf(standing('autumn'), AUGUST)
    expect(rounds(plan)).toHaveLength(2)
    expect(valueOf(plan, 'rounds:feed-cool.feed.rate')).toBeCloseTo(8.05 / 2 / 0.2, 6)
    expect(valueOf(plan, feeds(plan)[0]!.total)).toBeCloseTo(0.2 * (16 + 2 * 20.125), 6)
  })
  it('a product that goes down at several times is bought once', () => {
    const [line, ...others] = feeds(planOf(standing('autumn'), AUGUST))
    expect(others).toEqual([])
    expect(line!.packs!.counts).toEqual([{ size: 20, count: 1 }])
  })
  it('each feed of the crew’s day is a part of it, and they add up to what is ordered', () => {
    const job = standing('autumn')
    const plan = planOf(job, AUGUST)
    const told = plan.steps
      .filter((s) => s.kind === 'feed' || s.kind === 'feed-round')
      .map((s) =>
        stepAmounts(s as PlannedStep, plan as unknown as JobPlan, { lots: [] }).find(
          (a) => a.unit === 'kg',
        )!,
      )
    expect(said(told.map((a) => a.detail))).toEqual([
      'strip test 160 g',
      'feed 1 of 2; strip test 200 g',
      'feed 2 of 2; strip test 200 g',
    ])
    expect(told.reduce((sum, a) => sum + Number(a.value), 0)).toBeCloseTo(valueOf(plan, feeds(plan)[0]!.total), 6) // prettier-ignore
  })
  it('phosphorus and potassium of a year add up, by hand: a first feed of 40 g/m² of 10-10-10 and each that follows lay 4 g/m² of both', () => {
    const bag = { grade: '10-10-10', bagRate: '40 g/m2' }
    const fed = (feed: object, zone: Partial<ZoneDraft> = {}, firm: FirmDraft = {}) =>
      planOf(standing('spoon', { feed: { ...bag, next: bag, ...feed } }, zone), {
        ...AUGUST,
        firm,
      })
    const ids = (plan: JobPlan | ReturnType<typeof planOf>) => plan.notices.map((n) => n.id).filter((id) => id.startsWith('feed-year')) // prettier-ignore
    const plan = fed({ givenPhosphate: '2 g/m2' })
    const times = 1 + rounds(plan).length
    expect(times).toBeGreaterThan(2)
    expect(valueOf(plan, 'zone:z1.feed.year-p2o5')).toBeCloseTo(4 * times + 2, 6)
    expect(valueOf(plan, 'zone:z1.feed.year-k2o')).toBeCloseTo(4 * times, 6)
    expect(ids(plan)).toContain('feed-year.p2o5')
    expect(ids(plan).includes('feed-year.k2o')).toBe(4 * times > 20)
    // A test that asks for phosphorus, and a bag without it, end that.
    expect(ids(fed({}, { lab: { phosphorus: 'low' } }))).not.toContain('feed-year.p2o5')
    expect(ids(fed({ grade: '10-0-10', next: { ...bag, grade: '10-0-10' } }))).not.toContain('feed-year.p2o5') // prettier-ignore
    // One dose is held by its own limit, and nothing is worked for the year.
    expect(planOf(standing('one-dose', { feed: bag }), AUGUST).figures['zone:z1.feed.year-p2o5']).toBeUndefined() // prettier-ignore
    // By its label no more than 100 g/m² of it a year, or as much as is given.
    const labelled = (yearMost: string) => ({ prices: { products: [{ id: 'f', kind: 'feed' as const, name: 'Ten', of: '10-10-10', yearMost }] } }) // prettier-ignore
    expect(ids(fed({}, {}, labelled('100 g/m2')))).toContain('feed-year.label-10-10-10')
    expect(ids(fed({}, {}, labelled(`${40 * times} g/m2`)))).not.toContain('feed-year.label-10-10-10') // prettier-ignore
  })
  it('a quarter of the year is returned by clippings that lie (common practice)', () => {
    const plan = planOf(standing('autumn', { feed: { clippings: true } }), AUGUST)
    expect(valueOf(plan, 'package:feed-cool.feed.year')).toBeCloseTo(15 * 0.75, 9)
  })
  it('seedlings are fed every two weeks once they are mown, half a gram a week', () => {
    const plan = planOf(draft({ site: NORTH, schools: { programme: 'spoon' } }), AUGUST)
    const mown = plan.steps.find((s) => s.kind === 'first-mow')!.chosen
    const days = rounds(plan)
    expect(days[0]! > mown).toBe(true)
    expect(Math.min(...days.slice(1).map((d, i) => daysBetween(days[i]!, d)))).toBeGreaterThanOrEqual(14) // prettier-ignore
    expect(valueOf(plan, 'rounds:sow-cool.feed.rate') * 0.2).toBeCloseTo(1, 9)
  })
  it('a mostly slow starter is all for seven weeks', () => {
    const plan = planOf(draft({ site: NORTH, schools: { programme: 'spoon' }, feed: { slowShare: 60 } }), AUGUST) // prettier-ignore
    const fed = plan.steps.find((s) => s.kind === 'feed')!.chosen
    expect(daysBetween(fed, rounds(plan)[0]!)).toBeGreaterThanOrEqual(49)
  })
  it('hardened: 30 g/m² of 3-12-12 is 0.9 g N and 3.6 g P₂O₅, about four weeks before frost (common practice)', () => {
    const plan = planOf(standing('harden'), AUGUST)
    const [day] = rounds(plan)
    expect(daysBetween(day!, '2027-11-01')).toBeGreaterThanOrEqual(28)
    expect(daysBetween(day!, '2027-11-01')).toBeLessThan(35)
    const of = (quantity: string) => valueOf(plan, `rounds:feed-cool.feed.${quantity}`)
    expect([of('nitrogen'), of('p2o5')]).toEqual([expect.closeTo(0.9, 9), expect.closeTo(3.6, 9)])
    const frostless = planOf(standing('harden', { site: { latitude: 10, longitude: 100 } }, { present: ['bermudagrass'] }), AUGUST) // prettier-ignore
    expect(frostless.notices.find((n) => n.id.startsWith('programme.'))!.says).toContain('no frost')
  })
  it('warm turf gets nothing in the seven weeks before frost, whatever the school', () => {
    for (const programme of ['spoon', 'autumn', 'harden']) {
      const plan = planOf(standing(programme, { site: WARM }, { present: ['bermudagrass'] }), { today: '2027-06-10' }) // prettier-ignore
      expect(rounds(plan).length).toBeGreaterThan(0)
      expect(rounds(plan).every((d) => daysBetween(d, '2027-11-12') >= 49)).toBe(true)
    }
  })
  it('what it has had this year counts: less, or nothing, and it says so', () => {
    const some = planOf(standing('autumn', { feed: { given: '8 g/m²' } }), AUGUST)
    expect(rounds(some)).toHaveLength(1)
    const all = planOf(standing('autumn', { feed: { given: '15 g/m²' } }), AUGUST)
    expect([rounds(all), feeds(all)]).toEqual([[], []])
    const rung = all.zones[0]!.rungs.find((r) => r.operation === 'feed')!
    expect([rung.planned, rung.reason]).toEqual([false, 'No feed: it has had its nitrogen for this year.']) // prettier-ignore
  })
  it('a strip along water is not fed', () => {
    const plan = planOf(standing('one-dose', { aims: ['thicker'] }, { alongWater: '20 m' }), AUGUST)
    expect(valueOf(plan, feeds(plan)[0]!.total)).toBeCloseTo((0.016 * (200 - 20 * 3)), 9) // prettier-ignore
  })
  it('a bag of the price list goes by the rate on its label', () => {
    const products = [{ id: 'p', kind: 'feed', of: '3-12-12', name: 'made up', rate: '20 kg on 500 m²' }] // prettier-ignore
    const plan = planOf(standing('one-dose', { aims: ['thicker'], feed: { grade: '3-12-12' } }), { ...AUGUST, firm: { prices: { products } } as FirmDraft }) // prettier-ignore
    expect(valueOf(plan, feeds(plan)[0]!.total)).toBeCloseTo(200 * 0.04, 9)
  })
  it('phosphorus that the law bars is not in a bag that nobody named', () => {
    const plan = planOf(draft({ site: NORTH }), { ...AUGUST, firm: { phosphorusLaw: 'barred' } })
    expect(feeds(plan)[0]!.of).toBe('16-0-8')
    expect(plan.notices.some((n) => n.id.includes('p-law'))).toBe(false)
  })
})

describe('dates on which the law allows no nitrogen', () => {
  const bans = [{ id: 'a', from: '11-15', to: '04-01' }]
  it('run over the turn of the year, the last day with them', () => {
    expect(['2027-11-14', '2027-11-15', '2028-02-29', '2028-04-01', '2028-04-02'].map((d) => nitrogenBanOn(bans, d) !== null)).toEqual([false, true, true, true, false]) // prettier-ignore
    expect(nitrogenFrom(bans, '2027-12-24')).toBe('2028-04-02')
    expect(nitrogenFrom([{ id: 'b', from: '01-01', to: '12-31' }], '2027-12-24')).toBeNull()
  })
  it('a starter that would fall on one is left out, the seed is not, and it says when', () => {
    const plan = planOf(draft({ site: NORTH }), { ...AUGUST, firm: { nitrogenBans: [{ id: 'a', from: '20 Aug', to: '1 Apr' }] } }) // prettier-ignore
    expect(plan.steps.some((s) => s.kind === 'sow')).toBe(true)
    expect([plan.steps.some((s) => s.kind === 'feed'), feeds(plan)]).toEqual([false, []])
    expect(plan.notices.find((n) => n.id.startsWith('feed-law'))!.says).toContain('2 Apr 2028')
  })
  it('a starter is held until the seedlings are mown where the law lets it down soon enough, once, and is bought', () => {
    const banned = (to: string) => planOf(draft({ site: NORTH }), { ...AUGUST, firm: { nitrogenBans: [{ id: 'a', from: '20 Aug', to }] } }) // prettier-ignore
    const plan = banned('10 Sep')
    const fed = plan.steps.filter((s) => s.kind === 'feed' || s.kind === 'feed-later')
    const [sown, mown] = ['sow', 'first-mow'].map((k) => plan.steps.find((s) => s.kind === k)!.chosen) // prettier-ignore
    expect(sown! <= '2027-09-10').toBe(true)
    expect(fed.map((s) => s.kind)).toEqual(['feed-later'])
    expect(fed[0]!.chosen >= mown! && fed[0]!.chosen > '2027-09-10').toBe(true)
    expect(feeds(plan)[0]!.of).toBe('16-20-8')
    expect(plan.notices.filter((n) => n.id.startsWith('feed-law')).map((n) => n.id)).toEqual(['feed-law.held']) // prettier-ignore
    expect(plan.zones[0]!.rungs.find((r) => r.operation === 'feed-later')?.planned).toBe(true)
    // By hand: 84 days after the seed is the latest.
    expect(daysBetween(sown!, fed[0]!.chosen)).toBeLessThanOrEqual(84)
    expect(banned('31 Dec').notices.some((n) => n.id === 'feed-law.held')).toBe(false)
  })
})

describe('laws of any programme', () => {
  const PROGRAMMES = ['spoon', 'autumn', 'harden'] as const
  const anyLawn = fc.record({
    programme: fc.constantFrom(...PROGRAMMES),
    today: fc.integer({ min: 0, max: 364 }).map((i) => addDays('2027-01-01', i)),
    site: fc.constantFrom(NORTH, WARM, { latitude: -44.2, longitude: 170.1, frost: '25 Apr' }, { latitude: 60, longitude: 25, frost: '5 Oct' }), // prettier-ignore
    present: fc.constantFrom('perennial-ryegrass', 'chewings-fescue', 'bermudagrass', 'zoysiagrass'), // prettier-ignore
    cover: fc.constantFrom(FINE, { wanted: 55, weeds: 20, moss: 5, bare: 20 }),
    waterer: fc.constantFrom('', 'someone'),
    given: fc.constantFrom(null, '4 g/m²', '9 g/m²'),
    ban: fc.constantFrom(null, ['15 Nov', '1 Apr'], ['1 Jun', '30 Sep']),
  })
  it('no feed inside a ban, none over its ceiling, no year over what its grass wants, none too close', () => {
    fc.assert(
      fc.property(anyLawn, ({ programme, today, site, present, cover, waterer, given, ban }) => {
        const nitrogenBans = ban ? [{ id: 'b', from: ban[0]!, to: ban[1]! }] : []
        const plan = planOf(
          draft({ site, waterer, schools: { programme }, feed: { given }, zones: [zone({ present: [present], cover })] }), // prettier-ignore
          { today, firm: { nitrogenBans } },
        )
        const bans = nitrogenBans.map((b) => ({ id: 'b', from: b.from === '1 Jun' ? '06-01' : '11-15', to: b.to === '30 Sep' ? '09-30' : '04-01' })) // prettier-ignore
        const fed = plan.steps.filter((s) => s.kind.startsWith('feed'))
        for (const s of fed) expect(nitrogenBanOn(bans, s.chosen), `${s.name} ${s.chosen}`).toBeNull() // prettier-ignore
        const days = rounds(plan)
        const { seedlingsEvery } = declared(programmeValues)
        days.slice(1).forEach((d, i) => expect(daysBetween(days[i]!, d)).toBeGreaterThanOrEqual(seedlingsEvery)) // prettier-ignore
        for (const [id, f] of Object.entries(plan.figures)) {
          if (f.rule !== 'feed.ceiling') continue
          const nitrogen = plan.figures[id.replace('ceiling', 'nitrogen')] ?? plan.figures[`package:${id.split(':')[1]?.split('.')[0]}.feed.round`] // prettier-ignore
          if (nitrogen) expect(Number(nitrogen.value)).toBeLessThanOrEqual(Number(f.value) + 1e-9)
        }
        const year = Object.values(plan.figures).find((f) => f.id.startsWith('package:') && f.rule === 'feed.year') // prettier-ignore
        const dose = Object.values(plan.figures).find((f) => f.id.endsWith('feed.round'))
        if (year && dose && days.length > 0) {
          const had = given && !String(dose.inputs.given ?? '').startsWith('0') ? Number(dose.inputs.given) : 0 // prettier-ignore
          expect(Number(dose.value) * days.length + (Number.isFinite(had) ? had : 0)).toBeLessThanOrEqual(Number(year.value) + 1e-9) // prettier-ignore
          expect(Number(dose.value)).toBeLessThanOrEqual(declared(nitrogenValues).quick + 1e-9)
        }
      }),
      { numRuns: 120 },
    )
  })
})
