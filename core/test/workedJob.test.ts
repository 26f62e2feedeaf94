import { describe, expect, it } from 'vitest'
import { planOf, SOUTH, step, valueOf, zone } from './makeJob.ts'

/**
 * One small job worked with a pencil beside the program: every amount on the sheets, from the
 * readings down. The lawn: 12 m × 8 m less a bed of 6 m² = 90 m²; 50 % wanted grass; rye and red
 * fescue; cut at 30 mm; lows of 8 mm over a quarter of it.
 */
const plan = planOf(
  {
    site: { ...SOUTH, tapFlow: 15, waterMinutes: 3 },
    zones: [
      zone({
        area: null,
        length: 12,
        width: 8,
        deductions: [{ what: 'bed', area: 6 }],
        cover: { wanted: 50, weeds: 20, moss: 5, bare: 25 },
        thatch: 16,
        heightOfCut: 30,
        lowsDepth: 8,
        lowsShare: 25,
        precipitation: 8,
        uniformity: 0.75,
        mix: [
          { grass: 'perennial-ryegrass', share: 60 },
          { grass: 'creeping-red-fescue', share: 40 },
        ],
      }),
    ],
    lots: [
      { id: 'a', grass: 'perennial-ryegrass', purity: 98, germination: 90 },
      { id: 'b', grass: 'creeping-red-fescue', purity: 96, germination: 85 },
    ],
    feed: { grade: '12-24-8', nitrogen: 3 },
    dressing: { kind: 'topsoil' },
  },
  { firm: { reserve: 10, settling: 15, oversize: 5, barrow: '75 L', crew: 2 } },
)
const v = (id: string) => valueOf(plan, id)

describe('a job worked by hand', () => {
  it('ground: 12 × 8 − 6', () => {
    expect(v('zone:z1.area.gross')).toBe(96)
    expect(v('zone:z1.area')).toBe(90)
  })
  it('approach: half covered and bumpy at a 30 mm cut, so overseed and level', () => {
    expect(plan.zones[0]!.approach.chosen).toBe('overseed-level')
  })
  it('seed', () => {
    // New: 0.6 × 35 + 0.4 × 22.5 = 30; overseed: 0.6 × 20 + 0.4 × 12.5 = 17 g/m².
    expect(v('zone:z1.seed.rate-new')).toBeCloseTo(30, 10)
    expect(v('zone:z1.seed.rate-overseed')).toBeCloseTo(17, 10)
    // At 50 % cover, half way: (0.7 − 0.5) ÷ 0.4 = 0.5; 17 + 13 × 0.5 = 23.5.
    expect(v('zone:z1.seed.rate')).toBeCloseTo(23.5, 10)
    // PLS: rye 0.98 × 0.90 = 0.882, fescue 0.96 × 0.85 = 0.816; the mix 0.6 × 0.882 + 0.4 × 0.816 =
    // 0.8556.
    expect(v('lot:perennial-ryegrass.pls')).toBeCloseTo(88.2, 10)
    expect(v('zone:z1.seed.pls')).toBeCloseTo(85.56, 10)
    // Bag rate 23.5 × 0.85 ÷ 0.8556 = 23.3462 g/m²; × 90 m² = 2.10116 kg; two passes of 1.05058; a
    // tenth kept back.
    expect(v('zone:z1.seed.bulk')).toBeCloseTo(23.34619, 4)
    expect(v('zone:z1.seed.passes')).toBeCloseTo(2.101157, 5)
    // A quarter lies bare, 22.5 m²: it takes 30 − 23.5 g/m² more by hand, of the bag 6.45746: 145 g.
    expect(v('zone:z1.seed.bare-rate')).toBeCloseTo(6.457456, 5)
    expect(v('zone:z1.seed.kg')).toBeCloseTo(2.101157 + 0.145293, 5)
    expect(v('zone:z1.seed.hand-pan')).toBeCloseTo(0.15, 10)
    expect(v('zone:z1.seed.half')).toBeCloseTo(1.050578, 5)
    const total = plan.materials.find((m) => m.id.startsWith('seed'))!
    expect(v(total.total)).toBeCloseTo(1.1 * 2.24645, 5)
    expect(v(total.also[0]!)).toBeCloseTo(0.224645, 5)
    // Live seeds: 23.34619 × (0.6 × 0.882 × 550 + 0.4 × 0.816 × 1,000) ÷ 10,000 = 23.34619 × 617.46
    // ÷ 10,000 = 1.44153 per cm².
    expect(v('zone:z1.seed.live')).toBeCloseTo(1.441534, 5)
    // Plants: rye 291.06 of 617.46 = 47.14 %.
    expect(v('zone:z1.seed.plants.perennial-ryegrass')).toBeCloseTo(47.13827, 4)
    expect(v('zone:z1.seed.plants.creeping-red-fescue')).toBeCloseTo(52.86173, 4)
  })
  it('feed: 3 ÷ 0.12 = 25 g/m² would lay 6 g P₂O₅, so 5 ÷ 0.24 = 20.8333; 1.875 kg; P 2.182; K₂O 1.6667, K 1.3835', () => {
    expect(v('job.feed.rate')).toBeCloseTo(20.833333, 5)
    expect(v('zone:z1.feed.kg')).toBeCloseTo(1.875, 10)
    expect(v('job.feed.p2o5')).toBeCloseTo(5, 10)
    expect(v('job.feed.p')).toBeCloseTo(2.182, 10)
    expect(v('job.feed.k')).toBeCloseTo(1.3835, 10)
  })
  it('dressing: 90 × 0.25 × 0.008 = 0.18 m³; × 1.15 ÷ 0.95 = 0.217895; 0.261474 t; 3 barrows of 75 L', () => {
    expect(v('zone:z1.dressing.volume')).toBeCloseTo(0.18, 10)
    expect(v('job.dressing.total')).toBeCloseTo(0.2178947, 6)
    expect(v('job.dressing.tonnes')).toBeCloseTo(0.2614737, 6)
    expect(v('job.dressing.barrows')).toBe(3)
    // Leaf on the day 15 mm, limit 5 mm, so 8 mm goes down in two lifts.
    expect([
      v('zone:z1.dressing.leaf'),
      v('zone:z1.dressing.limit'),
      v('zone:z1.dressing.lifts'),
    ]).toEqual([15, 5, 2])
  })
  it('off: a quarter of 12 mm of mat and 5 % of 10 mm of moss, four times as loose: 90 × 0.0035 × 4 = 1.26 m³', () => {
    expect(v('zone:z1.debris')).toBeCloseTo(1.26, 10)
  })
  it('hours: scarify 0.5 + 90 ÷ 500, core 0.5 + 3 × 90 ÷ 800, shared by two', () => {
    expect(v('step:scarify/z1.hours')).toBeCloseTo((0.5 + 0.18) / 2, 10)
    expect(v('step:core/z1.hours')).toBeCloseTo((0.5 + 0.3375) / 2, 10)
    // The first lift by shovel: half of 0.217895 m³ at 0.6 m³/h, spreading 90 ÷ 400 and setting up.
    expect(v('step:dress/z1.hours')).toBeCloseTo((0.5 + 0.225 + 0.2178947 / 2 / 0.6) / 2, 6)
  })
  it('days: cut Tue 23, down Thu 25, scarify Fri 26, then after the weekend core, dress and sow Mon 1 March', () => {
    expect(
      ['cut-first', 'cut-second', 'scarify', 'core', 'dress', 'sow'].map(
        (k) => step(plan, k)!.chosen,
      ),
    ).toEqual(['2027-02-23', '2027-02-25', '2027-02-26', '2027-03-01', '2027-03-01', '2027-03-01'])
    expect(plan.packages[0]!.cutOff.value).toBe('2027-03-14')
  })
  it('water: 2 mm at 8 mm/h is 15 min, × 1 ÷ (0.4 + 0.6 × 0.75) = 17.647 min; 211.76 L a run, 635.3 L a day, 42.35 min of tap', () => {
    expect(v('zone:z1.water.minutes')).toBeCloseTo(17.6470588, 6)
    expect(v('zone:z1.water.litres')).toBeCloseTo(211.764706, 5)
    expect(v('job.water.daily')).toBeCloseTo(635.294118, 5)
    expect(v('job.water.tap-minutes')).toBeCloseTo(42.352941, 5)
    expect(plan.notices.some((n) => n.id === 'water.allowed')).toBe(false)
  })
  it('what stands is kept mown at 1.25 × 30 = 37.5 mm', () => {
    expect(v('zone:z1.mow.height')).toBe(37.5)
  })
  it('every zone’s cells add up to the line’s order, but for seed’s reserve', () => {
    for (const line of plan.materials) {
      const cells = Object.values(line.cells).reduce((sum, id) => sum + v(id), 0)
      expect(v(line.total) / cells, line.id).toBeCloseTo(line.id.startsWith('seed') ? 1.1 : 1, 8)
    }
  })
})
