import { describe, expect, it } from 'vitest'
import { type ZoneDraft, readJob } from '../src/entities/job.ts'
import type { FindingKind } from '../src/findings/finding.ts'
import { firmSchema } from '../src/entities/firm.ts'
import { waysOfJob } from '../src/waysOfJob.ts'
import { planOf, zone, draft, TODAY } from './makeJob.ts'

/** The lines of the trade are common practice; each is tried on both sides. */
const finding = (kind: FindingKind, change: Partial<ZoneDraft>, schools = {}) => {
  const found = planOf({ zones: [zone(change)], schools }).findings.find((f) => f.kind === kind)
  return found ? `${found.verdict}: ${found.word}` : 'none'
}
const cover = (wanted: number, moss = 0) => ({
  cover: { wanted, weeds: 0, moss, bare: 100 - wanted - moss },
})

describe('findings, either side of every line', () => {
  it.each<[string, FindingKind, Partial<ZoneDraft>, string]>([
    ['cover under 30 %', 'cover', cover(29), 'act: start over'],
    ['cover at 30 %', 'cover', cover(30), 'act: thin'],
    ['cover at 84 %', 'cover', cover(84), 'act: thin'],
    ['cover at 85 %', 'cover', cover(85), 'fine: well covered'],
    ['incurable 39 %', 'cover', { ...cover(60), incurable: 39 }, 'act: thin'],
    ['incurable 40 %', 'cover', { ...cover(60), incurable: 40 }, 'hold: incurable grass'],
    ['thatch 12 mm', 'thatch', { thatch: 12 }, 'fine: fine'],
    [
      'thatch half an inch, which is 12 mm to the trade',
      'thatch',
      { thatch: '1/2 in' },
      'fine: fine',
    ],
    ['thatch 13 mm', 'thatch', { thatch: 13 }, 'act: matted'],
    ['thatch 25 mm', 'thatch', { thatch: 25 }, 'act: matted'],
    ['thatch 26 mm', 'thatch', { thatch: 26 }, 'hold: deep mat'],
    ['thatch not read', 'thatch', { thatch: null }, 'unread: not read'],
    [
      'pressure just under the line',
      'compaction',
      { penetration: null, pressure: 999 },
      'fine: open',
    ],
    [
      'pressure at the first line',
      'compaction',
      { penetration: null, pressure: 1000 },
      'act: firm',
    ],
    [
      'pressure at the line where roots stop',
      'compaction',
      { penetration: null, pressure: 2000 },
      'act: compacted',
    ],
    ['goes in, moist', 'compaction', { penetration: 'easy' }, 'fine: open'],
    [
      'goes in even when dry',
      'compaction',
      { penetration: 'easy', soilMoist: false },
      'fine: open',
    ],
    ['effort, moist', 'compaction', { penetration: 'effort' }, 'act: firm'],
    ['stops, moist', 'compaction', { penetration: 'stops' }, 'act: compacted'],
    [
      'stops, moisture unknown',
      'compaction',
      { penetration: 'stops', soilMoist: null },
      'unread: not read',
    ],
    ['7 h', 'light', { sunHours: 7 }, 'fine: full sun'],
    ['6.9 h', 'light', { sunHours: 6.9 }, 'fine: part sun'],
    ['4 h', 'light', { sunHours: 4 }, 'fine: part sun'],
    ['3.9 h', 'light', { sunHours: 3.9 }, 'act: shade'],
    ['2.9 h', 'light', { sunHours: 2.9 }, 'act: deep shade'],
    ['1.9 h', 'light', { sunHours: 1.9, present: [] }, 'hold: too dark for grass'],
    ['1.9 h, and grass stands', 'light', { sunHours: 1.9 }, 'act: too dark for grass'],
    ['sun not noted', 'light', { sunHours: null }, 'unread: not read'],
    ['1 in 11', 'slope', { slope: '1 in 11' }, 'none'],
    ['1 in 10', 'slope', { slope: '1 in 10' }, 'act: sloping'],
    ['1 in 5', 'slope', { slope: '1 in 5' }, 'act: bank'],
    ['1 in 4', 'slope', { slope: '1 in 4' }, 'hold: steep bank'],
    ['pH 5.9', 'ph', { ph: 5.9 }, 'act: acid'],
    ['pH 6.0', 'ph', { ph: 6 }, 'fine: fine'],
    ['pH 7.5', 'ph', { ph: 7.5 }, 'fine: fine'],
    ['pH 7.6', 'ph', { ph: 7.6 }, 'act: limy'],
    ['pH 5.6 under fescues', 'ph', { ph: 5.6, present: ['hard-fescue'] }, 'fine: fine'],
    ['pH 5.4 under fescues', 'ph', { ph: 5.4, present: ['hard-fescue'] }, 'act: acid'],
    ['pH not read', 'ph', { ph: null }, 'none'],
    ['moss 4 %', 'moss', cover(60, 4), 'none'],
    ['moss 5 %', 'moss', cover(60, 5), 'fine: some moss'],
    ['moss 20 %', 'moss', cover(60, 20), 'act: mossy'],
    [
      '6 mm lows under a rotary at 50 mm',
      'lows',
      { lowsDepth: 6, heightOfCut: 50 },
      'fine: true enough',
    ],
    [
      '6 mm lows under a reel',
      'lows',
      { lowsDepth: 6, heightOfCut: 50, mower: 'reel' },
      'act: bumpy',
    ],
    ['6 mm lows cut at 40 mm', 'lows', { lowsDepth: 6, heightOfCut: 40 }, 'act: bumpy'],
    [
      '16 mm lows under a rotary at 50 mm',
      'lows',
      { lowsDepth: 16, heightOfCut: 50 },
      'act: bumpy',
    ],
    ['ponding an hour', 'moisture', { ponding: 1 }, 'fine: takes water'],
    ['ponding longer', 'moisture', { ponding: 1.1, damp: 'dry' }, 'act: ponding'],
    ['a drop that stands 60 s', 'moisture', { dropSeconds: 60 }, 'fine: takes water'],
    ['a drop that stands longer', 'moisture', { dropSeconds: 61 }, 'act: water-repellent'],
    ['brown, unsure', 'browned', { browned: 'unsure' }, 'hold: dead or dormant?'],
    ['green', 'browned', { browned: 'no' }, 'none'],
    ['no dogs', 'dogs', { dogs: false }, 'none'],
    ['dogs', 'dogs', { dogs: true }, 'act: dogs'],
    ['a tree gone', 'trees', { treeGone: true }, 'act: light has changed'],
    ['needles', 'trees', { litter: 'needles' }, 'act: under needles'],
    ['no litter', 'trees', { litter: 'none' }, 'none'],
    ['19 years', 'age', { laidIn: 2008 }, 'none'],
    ['20 years', 'age', { laidIn: 2007 }, 'fine: old sward'],
    [
      'a ride-on at 1 in 4',
      'mowing',
      { mowerWeight: 200, slope: '1 in 4' },
      'hold: too steep to ride',
    ],
    ['a ride-on at 1 in 5', 'mowing', { mowerWeight: 200, slope: '1 in 5' }, 'none'],
    [
      'a light mower at 1 in 4',
      'mowing',
      { mowerWeight: 40, slope: '1 in 4', oneWay: true },
      'act: mown one way',
    ],
    ['edges bulged', 'edges', { edges: 'bulged' }, 'act: edges bulged'],
    ['edges straight', 'edges', { edges: 'straight' }, 'none'],
    ['organic matter of loam', 'organic', { texture: 'loam', lab: { organic: 5 } }, 'none'],
    [
      'organic matter of a sand green',
      'organic',
      { texture: 'sand', heightOfCut: 6, lab: { organic: 2 } },
      'fine: as it should be',
    ],
    [
      'too much of it',
      'organic',
      { texture: 'sand', heightOfCut: 6, lab: { organic: 3 } },
      'act: too rich for sand',
    ],
    [
      'the same on a lawn mown high, which is no green',
      'organic',
      { texture: 'sand', heightOfCut: 30, lab: { organic: 5 } },
      'none',
    ],
  ])('%s', (_, kind, change, expected) => expect(finding(kind, change)).toBe(expected))

  it('the fifty school draws its line at half', () => {
    expect([
      finding('cover', cover(49), { cover: 'fifty' }),
      finding('cover', cover(50), { cover: 'fifty' }),
    ]).toEqual(['act: start over', 'act: thin'])
  })
  it('moss names the causes that were read beside it', () => {
    const says = (change: Partial<ZoneDraft>) =>
      planOf({ zones: [zone({ ...cover(50, 30), ...change })] }).findings.find(
        (f) => f.kind === 'moss',
      )!.says
    expect(says({ sunHours: 3, thatch: 20, ph: 5.5 })).toBe(
      'One story with shade, thatch, acid, compaction.',
    )
    const sound = { sunHours: 8, thatch: 5, ph: 6.5, penetration: 'easy', soilMoist: true } as const
    expect(says(sound)).toContain('Look for')
    const alone = (change: Partial<ZoneDraft>) => says({ ...sound, ...change })
    const named = (cause: string) => `One story with ${cause}.`
    const redThread = (active: boolean) => ({ diseases: [{ kind: 'red-thread' as const, active }] })
    // One cause at a time, on both sides of its line.
    const table: [Partial<ZoneDraft>, string][] = [
      [{ sunHours: 3.9 }, named('shade')],
      [{ sunHours: 4 }, 'Look for'],
      [{ thatch: 13 }, named('thatch')],
      [{ thatch: 12 }, 'Look for'],
      [{ ph: 5.9 }, named('acid')],
      [{ ph: 6 }, 'Look for'],
      [{ penetration: 'effort' }, named('compaction')],
      [{ penetration: null, packedSigns: ['wheels'] }, named('compaction')],
      [{ penetration: null }, 'Look for'],
      [{ damp: 'wet' }, named('wet')],
      [{ ponding: 1.5 }, named('wet')],
      [{ ponding: 1 }, 'Look for'],
      [{ damp: 'moist' }, 'Look for'],
      [{ weedsSeen: ['clover'] }, named('hunger')],
      [redThread(true), named('hunger')],
      [redThread(false), 'Look for'],
    ]
    for (const [change, expected] of table)
      expect(alone(change), JSON.stringify(change)).toContain(expected)
  })
  it('asks for digging, feed and new soil only where they are called for', () => {
    const asks = (change: Partial<ZoneDraft>) => {
      const { rungs } = planOf({ zones: [zone({ ...cover(90), ...change })] }).zones[0]!
      return rungs.map((x) => x.operation)
    }
    const weedy = (weeds: number) => ({ cover: { wanted: 100 - weeds, weeds, moss: 0, bare: 0 } })
    const dandelions = { weedsSeen: ['dandelion' as const] }
    expect(asks({ ...weedy(5), ...dandelions })).toContain('hand-weed')
    expect(asks({ ...weedy(30), ...dandelions })).not.toContain('hand-weed')
    expect(asks({ ...weedy(5), weedsSeen: ['clover'] })).not.toContain('hand-weed')
    const rings = (active: boolean) => ({ diseases: [{ kind: 'dog-rings' as const, active }] })
    expect(asks(rings(true))).toContain('dog-soil')
    expect(asks(rings(false))).not.toContain('dog-soil')
    const patch = { diseases: [{ kind: 'brown-patch' as const, active: true }] }
    expect(asks(patch)).not.toContain('dog-soil')
  })
  it('water that stands, or soil dry at depth, is told by what was read', () => {
    const seen = (change: Partial<ZoneDraft>) => {
      const plan = planOf({ zones: [zone(change)] })
      const found = plan.findings.find((f) => f.kind === 'moisture')!
      return Object.values(plan.figures[found.figure!]!.inputs)
        .map((id) => plan.figures[String(id)]?.value)
        .join()
    }
    expect(seen({ damp: 'dry' })).toBe('dry at depth')
    expect(seen({ dropSeconds: 61 })).toBe('drop stands 61 s')
  })
  it('bare ground is not asked for its thatch', () => {
    expect(finding('thatch', { ...cover(10), thatch: null })).toBe('none')
  })
  it('each finding says what it means, and asks for something or nothing', () => {
    for (const f of planOf({
      zones: [
        zone({ slope: '1 in 5', ph: 5, lowsDepth: 20 }),
        zone({ id: 'z2', thatch: null, sunHours: null, penetration: null, cover: {} }),
      ],
    }).findings) {
      expect(f.says.length, f.kind).toBeGreaterThan(8)
      expect(f.asks.length, f.kind).toBeGreaterThan(5)
      expect(f.figure === null).toBe(f.verdict === 'unread')
    }
  })
  it('packed soil that sheds water is not cored, and the ladder says why', () => {
    const core = (change: Partial<ZoneDraft>) => {
      const plan = planOf({ zones: [zone({ penetration: 'stops', soilMoist: true, ...change })] })
      const not = plan.zones[0]!.rungs.find((x) => x.operation === 'core' && !x.planned)
      return [
        plan.steps.some((s) => s.kind === 'core'),
        not?.reason.includes('sheds water') ?? false,
      ]
    }
    expect(core({})).toEqual([true, false])
    expect(core({ dropSeconds: 120 })).toEqual([false, true])
    // A sand green too rich in organic matter is cored though a blade goes in.
    const green = {
      penetration: 'easy',
      texture: 'sand',
      heightOfCut: 6,
      cover: { wanted: 95, weeds: 3, moss: 2, bare: 0 },
    } as const
    expect([core(green), core({ ...green, lab: { organic: 3 } })].map(([cored]) => cored)).toEqual([
      false,
      true,
    ])
  })
  it('brown grass that may be asleep is not started over without a word; dead grass is', () => {
    const warned = (browned: 'dormant' | 'unsure' | 'dead', wanted = 20) =>
      planOf({ zones: [zone({ ...cover(wanted), browned })] }).notices.some(
        (n) => n.id === 'zone:z1.dormant',
      )
    expect([warned('dormant'), warned('unsure'), warned('dead'), warned('dormant', 60)]).toEqual([
      true,
      true,
      false,
      true,
    ])
  })
})

describe('on a line itself', () => {
  it('a cut of 40 mm is low still: 10 mm of lows show in it, and not at 41 mm (Juvena’s model)', () => {
    const lows = { lowsDepth: 10, lowsShare: 20, mower: 'rotary' as const }
    expect(finding('lows', { ...lows, heightOfCut: 40 })).toMatch(/^act/)
    expect(finding('lows', { ...lows, heightOfCut: 41 })).toMatch(/^fine/)
  })
  it('a slope of 1 in 4 is not scarified, one just under is (common practice)', () => {
    const scarified = (slope: number) =>
      planOf({ zones: [zone({ slope })] }).steps.some((s) => s.kind === 'scarify')
    expect([scarified(24.9), scarified(25)]).toEqual([true, false])
  })
  it('mending spots is offered only where there are some', () => {
    const offers = (bare: number) =>
      waysOfJob(
        readJob(
          draft({ zones: [zone({ cover: { wanted: 80, weeds: 20 - bare, moss: 0, bare } })] }),
        ).job!,
        {
          today: TODAY,
          firm: firmSchema.parse({}),
          diary: [],
        },
      ).z1!.map((w) => w.approach)
    expect([offers(1).includes('mend'), offers(0).includes('mend')]).toEqual([true, false])
  })
})

describe('what a finding says and asks, of each thing that was seen', () => {
  const of = (kind: FindingKind, change: Partial<ZoneDraft>) => {
    const plan = planOf({ zones: [zone(change)] })
    const found = plan.findings.find((f) => f.kind === kind)
    return { plan, found, text: JSON.stringify([found?.says, found?.asks]) }
  }
  it('a tree that went, leaf and needles each have their own words', () => {
    expect(of('trees', { treeGone: true }).text).toMatch(/for the old shade/)
    expect(of('trees', { treeGone: true, litter: 'needles' }).text).toMatch(/for the old shade/)
    expect(of('trees', { litter: 'needles' }).text).toMatch(/Light and dryness first/)
    expect(of('trees', { litter: 'leaf' }).text).not.toMatch(/old shade|dryness first/)
  })
  it('weeds ask for work by what they are: seed heads and clover do, a daisy does not', () => {
    const verdict = (change: Partial<ZoneDraft>) => of('weeds', { thatch: 5, penetration: 'easy', ...change }).found?.verdict // prettier-ignore
    expect(verdict({ seedHeads: true })).toBe('act')
    expect(verdict({ weedsSeen: ['clover'] })).toBe('act')
    expect(verdict({ weedsSeen: ['dandelion'] })).toBe('fine')
    expect(of('weeds', { seedHeads: true }).text).toMatch(/Clip and bag/)
  })
  it('an uneven surface is forgiven by a rotary set high, not by a low cut', () => {
    expect(of('felt', { surface: 'uneven', mower: 'rotary', heightOfCut: 50 }).text).toMatch(/forgives small dips/) // prettier-ignore
    expect(of('felt', { surface: 'uneven', mower: 'reel', heightOfCut: 12 }).text).toMatch(/every dip/) // prettier-ignore
  })
  it('three plugs are wanted near the line until there are three', () => {
    const wanted = (plugs: string[]) =>
      Object.values(of('thatch', { thatch: '12 mm', plugs: plugs as never }).plan.wanted).flat().some((w) => w.what === 'Three plugs of thatch') // prettier-ignore
    expect([wanted([]), wanted(['12 mm', '12 mm', '12 mm'])]).toEqual([true, false])
  })
})
