import { describe, expect, it } from 'vitest'
import {
  type DiaryEntry,
  activeEntries,
  amountProblem,
  entriesWithTrace,
  STRUCK_OUT,
  blankEntry,
  tickedTwice,
} from '../src/entities/diary.ts'
import { firmSchema } from '../src/entities/firm.ts'
import { readJob } from '../src/entities/job.ts'
import { planJob } from '../src/pipeline.ts'
import { spine } from '../src/present/spine.ts'
import type { Stage } from '../src/rules/rule.ts'
import { render } from '../src/present/render.ts'
import { draft, planOf, said, SOUTH, TODAY, zone } from './makeJob.ts'

const entry = (id: string, change: Partial<DiaryEntry> = {}): DiaryEntry => ({
  ...blankEntry(id, '2027-03-01', 'done'),
  ...change,
})
const band = (stage: Stage, ...of: Parameters<typeof planOf>) =>
  said(spine(planOf(...of) as never, []))[stage - 1]!

describe('the eight bands', () => {
  it('an empty job begins at the walk, and the others have nothing to say', () => {
    const bands = spine(
      planJob(readJob({ name: 'x' }).job!, { today: TODAY, firm: firmSchema.parse({}), diary: [] }),
      [],
    ).map(said)
    expect(bands.map((b) => b.mark)).toEqual([
      'waiting',
      'none',
      'none',
      'none',
      'none',
      'none',
      'none',
      'none',
    ])
    expect(bands.map((b) => b.line)).toEqual([
      'nothing walked yet',
      'nothing to judge yet',
      'not chosen yet',
      'no seed yet',
      'nothing to buy yet',
      'no days yet',
      'nothing to water yet',
      'nothing done yet',
    ])
  })
  it('the walk-over counts zones, adds areas, and says what it waits for', () => {
    expect(band(1)).toMatchObject({ line: '1 zone · 200 m²', sub: 'sun 7 h', mark: 'none' })
    expect(band(1, { zones: [zone(), zone({ id: 'b', sunHours: 3.5 })] })).toMatchObject({
      line: '2 zones · 400 m²',
      sub: 'sun 3.5–7 h',
    })
    expect(band(1, { zones: [zone(), zone({ id: 'b', area: null })] })).toMatchObject({
      mark: 'waiting',
      markSays: '1 without size',
    })
    expect(band(1, { site: { ...SOUTH, frost: null } })).toMatchObject({
      markSays: 'frost date wanted',
    })
  })
  it('entries to correct come before anything else', () => {
    const read = readJob(draft({ zones: [zone({ thatch: 'deep', ph: 99 })] }))
    const plan = planJob(read.job!, { today: TODAY, firm: firmSchema.parse({}), diary: [] })
    expect(said(spine(plan, read.problems))[0]).toMatchObject({
      mark: 'waiting',
      markSays: '2 entries to correct',
    })
  })
  it('findings say what speaks against seed, and count what is not read', () => {
    expect(band(2)).toMatchObject({ line: 'thin, matted, compacted', mark: 'none' })
    expect(band(2, { zones: [zone({ thatch: null, sunHours: null })] })).toMatchObject({
      mark: 'waiting',
      markSays: '2 readings wanted',
    })
    expect(
      band(2, {
        zones: [
          zone({
            thatch: 5,
            penetration: 'easy',
            cover: { wanted: 95, weeds: 5, moss: 0, bare: 0 },
          }),
        ],
      }).line,
    ).toBe('nothing asks for work')
  })
  it('the approach says whose it is', () => {
    expect(band(3).line).toBe('overseed')
    expect(band(3, { zones: [zone({ approach: 'renovate' })] })).toMatchObject({
      line: 'renovate',
      sub: '1 asked for, not planned',
    })
    expect(band(3, { zones: [zone(), zone({ id: 'b', lowsDepth: 12, lowsShare: 20 })] }).line).toBe(
      'overseed, part levelled',
    )
  })
  it('seed and materials in kilograms, or pounds', () => {
    expect(band(4).line).toMatch(/^[\d.]+ kg, rye$/)
    expect(
      render(spine(planOf() as never, [])[3]!.line, { units: 'us', dialect: 'scarify' }),
    ).toMatch(/^[\d.]+ lb, rye/)
    expect(band(5, { dressing: { depth: 5 } }).line).toMatch(/ t of soil$/)
    expect(band(5).line).toMatch(/ kg in bags$/)
    expect(band(4, { zones: [zone({ approach: 'leave' })] })).toMatchObject({
      line: 'no seed',
      sub: 'nothing is sown',
    })
  })
  it('the order says its days and how many before the cut-off, or that it does not fit', () => {
    expect(band(6)).toMatchObject({
      line: 'Tue 23 Feb – Mon 1 Mar',
      sub: 'sown 13 days before the cut-off',
    })
    expect(band(6, { zones: [zone({ incurable: 80 })] })).toMatchObject({
      mark: 'hold',
      sub: 'does not fit this season',
    })
  })
  it('water says runs, minutes and days', () => {
    expect(band(7).line).toMatch(/^3 × \d+ min, \d+ days$/)
    expect(band(7, { schools: { watering: 'once-a-day' } }).line).toMatch(/^1 × /)
    expect(band(7, { waterer: '' })).toMatchObject({ mark: 'warning' })
  })
  it('the diary counts steps, then days of growing', () => {
    expect(band(8)).toMatchObject({
      line: 'nothing done yet',
      sub: 'next: Give notice, Mon 22 Feb',
    })
    expect(
      band(8, {}, { diary: [entry('entry-01', { step: 'sow-cool.notice', date: '2027-02-22' })] })
        .line,
    ).toBe(`1 of ${planOf().follow.of} steps done`)
    expect(
      band(
        8,
        {},
        {
          today: '2027-03-10',
          diary: [
            entry('entry-01', { step: 'sow-cool.water' }),
            entry('entry-02', { step: 'sow-cool.sow' }),
          ],
        },
      ).line,
    ).toMatch(/^day 9 of \d+$/)
  })
})

describe('the diary', () => {
  it('a step that two ticks name on shared ground was recorded twice, until both are said to stand', () => {
    const tick = (id: string, step: string, stepZones: string[], more: Partial<DiaryEntry> = {}) =>
      entry(id, { step, stepZones, ...more })
    const [a, b] = [tick('entry-01', 'sow/a', ['a', 'b']), tick('entry-02', 'sow/b', ['b'])]
    const twice = (...list: DiaryEntry[]) => tickedTwice(list).map((e) => e.id)
    expect(twice(a, b)).toEqual(['entry-02'])
    expect(twice(a, b, entry('entry-03', { stands: ['entry-01', 'entry-02'] }))).toEqual([])
    expect(twice(a, b, entry('entry-03', { what: STRUCK_OUT, corrects: 'entry-01' }))).toEqual([])
    expect(twice(a, { ...b, corrects: 'entry-01' })).toEqual([])
    // Other ground, another step, another lift of the same dressing, a note.
    expect(twice(a, tick('entry-04', 'sow/c', ['c']))).toEqual([])
    expect(twice(a, tick('entry-04', 'feed/a', ['a']))).toEqual([])
    expect(
      twice(tick('entry-05', 'dress/a', ['a']), tick('entry-06', 'dress-again#2/a', ['a'])),
    ).toEqual([])
    expect(twice(entry('entry-07'), entry('entry-08'))).toEqual([])
  })
  it('a correction stands in its place; a striking out only removes; the chain may go on', () => {
    const list = [
      entry('entry-01', { what: 'sowed 4 kg' }),
      entry('entry-02', { what: 'sowed 5 kg', corrects: 'entry-01' }),
      entry('entry-03', { what: 'mown' }),
      entry('entry-04', { what: STRUCK_OUT, corrects: 'entry-03' }),
    ]
    expect(activeEntries(list).map((e) => e.id)).toEqual(['entry-02'])
    expect(
      activeEntries([...list, entry('entry-05', { what: 'sowed 6 kg', corrects: 'entry-02' })]).map(
        (e) => e.id,
      ),
    ).toEqual(['entry-05'])
    expect(activeEntries([])).toEqual([])
  })
  it('what was struck out stays to be read, with its day; what was replaced does not', () => {
    const list = [
      entry('entry-01', { what: 'sowed 4 kg' }),
      entry('entry-02', { what: 'sowed 5 kg', corrects: 'entry-01' }),
      entry('entry-03', { what: 'mown' }),
      entry('entry-04', { what: STRUCK_OUT, corrects: 'entry-03', date: '2027-03-09' }),
    ]
    expect(entriesWithTrace(list).map((e) => [e.entry.id, e.struck])).toEqual([['entry-02', null], ['entry-03', '2027-03-09']]) // prettier-ignore
  })
  it('an amount is a number of something', () => {
    for (const good of [
      '',
      '12 kg',
      '2.5L',
      '3 bags',
      'all of it',
      'terrace 4.3 kg, lower 3.4 kg',
      '½ bag',
    ])
      expect(amountProblem(good), good).toBe('')
    for (const bare of ['12', ' 2.5 ', '1,5', '½', '8 x 15', '-3'])
      expect(amountProblem(bare), bare).toContain('kg')
  })
  it('a step struck out is not done any more', () => {
    const done = entry('entry-01', { step: 'sow-cool.notice' })
    const struck = entry('entry-02', { what: STRUCK_OUT, corrects: 'entry-01' })
    expect(planOf({}, { diary: [done] }).follow.done).toBe(1)
    expect(planOf({}, { diary: [done, struck] }).follow.done).toBe(0)
  })
  it('what is overdue is said', () => {
    const late = planOf({ pins: { 'sow-cool.visit': '2027-02-01' } })
    expect(late.notices.find((n) => n.id === 'follow.overdue')!.title).toContain(
      'One-month visit was due',
    )
  })
  it('on a growing lawn, emergence and mowing follow the day it was really sown', () => {
    const sown = (date: string) =>
      planOf(
        {},
        {
          today: '2027-03-12',
          diary: [
            entry('entry-01', { step: 'sow-cool.sow', date }),
            entry('entry-02', { step: 'sow-cool.water', date }),
          ],
        },
      )
    const handOver = (date: string) => String(sown(date).follow.packages[0]!.handOver!.value)
    expect(handOver('2027-03-05') > handOver('2027-03-01')).toBe(true)
    expect(sown('2027-03-01').packages[0]!.fits).toBe(true)
  })
})
