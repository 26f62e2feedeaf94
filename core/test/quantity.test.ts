import { parseDegrees, parsePair } from '../src/quantities/degrees.ts'
import fc from 'fast-check'
import { unit } from 'mathjs'
import { describe, expect, it } from 'vitest'
import { KINDS, parseQuantity, type Kind, type UnitSystem } from '../src/quantities/quantity.ts'
import {
  show,
  showNumber,
  type Unit,
  forHand,
  toldForHand,
  withDoubt,
} from '../src/quantities/show.ts'

const read = (typed: string, kind: Kind, system: UnitSystem = 'metric') => {
  const parsed = parseQuantity(typed, kind, system)
  if (!parsed.ok) throw new Error(parsed.sentence)
  return parsed.value
}
const refuse = (typed: string, kind: Kind) => {
  const parsed = parseQuantity(typed, kind)
  return parsed.ok ? `took it as ${parsed.value}` : parsed.sentence
}

describe('units against NIST SP 811, appendix B.8 (from memory, to the figures printed there)', () => {
  const cases: [string, Kind, number][] = [
    ['1 ft', 'length', 3.048e-1],
    ['1 in', 'length', 2.54e-2],
    ['1 yd', 'length', 9.144e-1],
    ['1 in', 'depth', 25.4],
    ['1 sq ft', 'area', 9.290304e-2],
    ['1 yd²', 'area', 8.361274e-1],
    ['1 acre', 'area', 4.046873e3],
    ['1 ha', 'area', 1e4],
    ['1 cu yd', 'volume', 7.645549e-1],
    ['1 cu ft', 'volume', 2.831685e-2],
    ['1 gal', 'volume', 3.785412e-3],
    ['1 imp gal', 'volume', 4.54609e-3],
    ['1 lb', 'mass', 4.535924e-1],
    ['1 oz', 'mass', 2.834952e-2],
    ['1 ton', 'mass', 9.071847e2],
    ['1 oz/yd²', 'rate', 33.90575],
    ['1 oz/sq ft', 'rate', 305.1517],
    ['1 lb/acre', 'rate', 0.1120851],
    ['1 gal/min', 'flow', 6.30902e-5 * 60000],
    ['1 in/h', 'precipitation', 25.4],
    ['212 F', 'temperature', 100],
    ['-40 °F', 'temperature', -40],
  ]
  it.each(cases)('%s', (typed, kind, si) => {
    const value = read(typed, kind)
    // The acre there is of the US survey foot: it differs by 4 parts in a million.
    expect(Math.abs(value - si)).toBeLessThanOrEqual(Math.abs(si) * 5e-6)
  })
  it('agrees with an independent unit library', () => {
    const pairs: [string, Kind, string, string][] = [
      ['7 ft', 'length', 'ft', 'm'],
      ['7 sq ft', 'area', 'sqft', 'm^2'],
      ['7 acres', 'area', 'acre', 'm^2'],
      ['7 cu yd', 'volume', 'yd^3', 'm^3'],
      ['7 gal', 'volume', 'gallon', 'm^3'],
      ['7 lb', 'mass', 'lbm', 'kg'],
      ['7 oz', 'mass', 'oz', 'kg'],
      ['7 ton', 'mass', 'ton', 'kg'],
      ['7 F', 'temperature', 'degF', 'degC'],
    ]
    for (const [typed, kind, theirs, si] of pairs)
      expect(read(typed, kind) / unit(7, theirs).toNumber(si), typed).toBeCloseTo(1, 5)
  })
  it('1 lb/1,000 ft² is 4.882 g/m², and a 1,000 ft² rate on 1,000 m² is 10.76 times too little', () => {
    expect(read('1 lb/1000 sq ft', 'rate')).toBeCloseTo(4.882, 3)
    expect(read('1 lb per 1,000 ft²', 'rate')).toBeCloseTo(4.882, 3)
    expect(1000 / read('1000 sq ft', 'area')).toBeCloseTo(10.76, 2)
  })
})

describe('what a person types', () => {
  it('understands fractions, thousands, two units and slopes', () => {
    expect(read('3/4 in', 'depth')).toBeCloseTo(19.05, 10)
    expect(read('1 1/2 in', 'depth')).toBeCloseTo(38.1, 10)
    expect(read('½ in', 'depth')).toBeCloseTo(12.7, 10)
    expect(read('2½ in', 'depth')).toBeCloseTo(63.5, 10)
    expect(read('4,435 sq ft', 'area')).toBeCloseTo(412.025, 3)
    expect(read('60 ft 6 in', 'length')).toBeCloseTo(18.4404, 6)
    expect(read('12 lb 4 oz', 'mass')).toBeCloseTo(5.55651, 5)
    expect(read('1 in 5', 'slope')).toBeCloseTo(20, 10)
    expect(read('45 deg', 'slope')).toBeCloseTo(100, 8)
    expect(read('2 weeks', 'days')).toBe(14)
  })
  it('takes a decimal comma, an area by its sides, and feet with inches after them', () => {
    expect([
      read('12,5', 'area'),
      read('1.234,5 m²', 'area'),
      read('3,5 kg', 'mass'),
      read('4,435 m²', 'area'),
    ]).toEqual([12.5, 1234.5, 3.5, 4435])
    expect(parseQuantity('8 x 15', 'area')).toEqual({ ok: true, value: 120, text: '8 m x 15 m' })
    expect(read('8x15 m', 'area')).toBe(120)
    expect(read('26 ft by 40', 'area', 'us')).toBeCloseTo(26 * 40 * 0.09290304, 9)
    expect(read('26 x 40', 'area', 'us')).toBeCloseTo(26 * 40 * 0.09290304, 9)
    expect(read("6' 4", 'length')).toBeCloseTo(1.9304, 9)
    expect(refuse('8 x', 'area')).toContain('is')
    // What is stored is read again without the firm beside it.
    for (const [typed, system] of [
      ['26 x 40', 'us'],
      ['8 x 15', 'metric'],
      ["6' 4", 'metric'],
    ] as const) {
      const kind = typed.includes('x') ? 'area' : 'length'
      const first = parseQuantity(typed, kind, system)
      expect(first.ok && parseQuantity(first.text, kind)).toMatchObject({
        ok: true,
        value: first.ok ? expect.closeTo(first.value, 9) : 0,
      })
    }
  })
  it('reads a rate by what a bag covers', () => {
    // 50 lb on 12,500 sq ft is 4 lb/1,000 sq ft.
    const four = parseQuantity('4 lb/1000 sq ft', 'rate')
    for (const typed of [
      '50 lb covers 12,500 sq ft',
      '50 lb / 12,500 ft2',
      '50 lb per 12500 sq ft',
    ])
      expect(parseQuantity(typed, 'rate')).toMatchObject({ ok: true })
    const covers = parseQuantity('50 lb covers 12,500 sq ft', 'rate')
    expect(covers.ok && four.ok && covers.value / four.value).toBeCloseTo(1, 9)
    expect(parseQuantity('50 lb covers 0 sq ft', 'rate').ok).toBe(false)
    expect(parseQuantity('10 kg on 4 hours', 'rate').ok).toBe(false)
  })
  it('takes a bare number in the firm’s units and writes the unit down', () => {
    expect(parseQuantity('412', 'area', 'metric')).toEqual({ ok: true, value: 412, text: '412 m²' })
    expect(read('412', 'area', 'us')).toBeCloseTo(38.276, 3)
    expect(parseQuantity('5', 'rate', 'us')).toMatchObject({ text: '5 lb/1000 sq ft' })
  })
  it('refuses with a sentence that says what is wrong and what would be right', () => {
    expect(refuse('abc', 'area')).toBe('“abc” is not an area. Write an area like 412 m².')
    expect(refuse('5 kg', 'area')).toBe(
      '“5 kg” is a weight; an area is wanted. Write an area like 412 m².',
    )
    expect(refuse('5 furlongs', 'area')).toContain('unit that is not known')
    expect(refuse('12,34,5 m', 'length')).toContain('is not a length')
    expect(refuse('3/0 in', 'depth')).toContain('is not a depth')
    for (const bad of ['NaN', 'Infinity', '', '--3 m', '1e999 m', '<script>alert(1)</script>'])
      expect(parseQuantity(bad, 'length').ok, bad).toBe(false)
  })
  it('reads back whatever it shows, for any kind and either system', () => {
    const kinds: [Kind, Unit][] = [
      ['area', 'm2'],
      ['depth', 'mm'],
      ['volume', 'm3'],
      ['mass', 'kg'],
      ['rate', 'g/m2'],
      ['temperature', 'C'],
      ['flow', 'L/min'],
      ['precipitation', 'mm/h'],
    ]
    fc.assert(
      fc.property(
        fc.constantFrom(...kinds),
        fc.double({ min: 1, max: 5000, noNaN: true }),
        fc.constantFrom<UnitSystem>('metric', 'us'),
        ([kind, u], value, system) => {
          const seen = show(value, u, system)
          // Three figures are shown, two decimals below one: the value lies within half of the last
          // figure.
          const x = Number(seen.number.replace('−', '-').replaceAll(',', ''))
          const half =
            (Math.abs(x) < 1 ? 0.01 : 10 ** (Math.floor(Math.log10(Math.abs(x))) - 2)) * 0.5001
          return (
            read(`${x - half} ${seen.unit}`, kind, system) <= value &&
            value <= read(`${x + half} ${seen.unit}`, kind, system)
          )
        },
      ),
    )
  })
  it('never breaks on any text, and knows every unit it lists', () => {
    fc.assert(
      fc.property(
        fc.string({ unit: 'grapheme' }),
        fc.constantFrom(...(Object.keys(KINDS) as Kind[])),
        (text, kind) => {
          const parsed = parseQuantity(text, kind)
          return parsed.ok ? Number.isFinite(parsed.value) : parsed.sentence.length > 10
        },
      ),
    )
    for (const kind of Object.keys(KINDS) as Kind[])
      for (const spelling of Object.keys(KINDS[kind].units))
        expect(parseQuantity(`2 ${spelling}`, kind).ok, `${kind} ${spelling}`).toBe(true)
  })
  it('shows three figures, thousands marked, no trailing noise', () => {
    expect([1.6834, 412.4, 8.6, 0.724, 12345.6, 0, 10.04].map((n) => showNumber(n))).toEqual([
      '1.68',
      '412',
      '8.6',
      '0.72',
      '12,346',
      '0',
      '10',
    ])
  })
})

describe('figures for the hand', () => {
  it('what is smaller than anything measured is nothing', () => {
    for (const value of [1e-175, -3e-300, 5e-324])
      expect(forHand(value, 'mm', 'metric').number).toMatch(/^−?0$/)
  })
  const metric = (value: number, unit: Unit) => toldForHand(value, unit, 'metric')
  const us = (value: number, unit: Unit) => toldForHand(value, unit, 'us')
  it('are what a person can do', () => {
    expect([0.13, 0.3, 0.5, 0.8, 1.1, 2.49, 7.9].map((h) => metric(h, 'work-h'))).toEqual([
      '15 min',
      '15 min',
      '½ h',
      '¾ h',
      '1 h',
      '2½ h',
      '8 h',
    ])
    expect([0.2, 23.6, 124.4].map((m) => metric(m, 'min'))).toEqual(['1 min', '24 min', '124 min'])
    expect([0.043, 0.724, 0.996, 4.321, 8.26, 43.27, 412.4].map((k) => metric(k, 'kg'))).toEqual([
      '43 g',
      '720 g',
      '1 kg',
      '4.3 kg',
      '8.25 kg',
      '43.3 kg',
      '412 kg',
    ])
    expect([1.68, 0.34, 0.06, 12.04].map((v) => metric(v, 'm3'))).toEqual([
      '1.7 m³',
      '0.3 m³',
      '60 L',
      '12 m³',
    ])
    expect([3128, 47.3, 6.04].map((l) => metric(l, 'L'))).toEqual(['3,100 L', '47 L', '6 L'])
    expect([98.8, 0.42].map((p) => metric(p, '%'))).toEqual(['99 %', '0.4 %'])
    expect([4.42, 0.24].map((t) => metric(t, 't'))).toEqual(['4.4 t', '240 kg'])
    expect([12.7, 3.45].map((d) => metric(d, 'mm'))).toEqual(['13 mm', '3.5 mm'])
  })
  it('are native ones for a US firm: eighths of an inch, ounces, gallons', () => {
    expect([12.7, 76.2, 38.1, 0.5].map((d) => us(d, 'mm'))).toEqual([
      '½ in',
      '3 in',
      '1½ in',
      '0.02 in',
    ])
    expect(us(7.62, 'rain')).toBe('0.3 in')
    expect([0.2, 4.4, 22.7].map((k) => us(k, 'kg'))).toEqual(['7 oz', '9.7 lb', '50 lb'])
    expect([1000, 11.4].map((l) => us(l, 'L'))).toEqual(['260 gal', '3 gal'])
    expect([1.3, 0.05].map((v) => us(v, 'm3'))).toEqual(['1.7 yd³', '1.8 ft³'])
    // Loose cover goes by the foot and the yard, not by the gallon; 1,440 L is 50.9 ft³.
    expect([1440, 3000, 20].map((l) => us(l, 'loose-L'))).toEqual(['51 ft³', '3.9 yd³', '0.71 ft³'])
    expect(metric(1440, 'loose-L')).toBe('1,400 L')
    expect(us(20, 'C')).toBe('68 °F')
  })
  it('tell a number by its doubt, and the doubt to one figure', () => {
    expect(withDoubt(212.4, 2.32, 'm2', 'metric')).toEqual({
      number: '212',
      doubt: '2',
      unit: 'm²',
    })
    expect(withDoubt(418, 24, 'm2', 'metric')).toEqual({ number: '420', doubt: '20', unit: 'm²' })
    expect(withDoubt(7.443, 0.081, 'm', 'metric')).toEqual({
      number: '7.44',
      doubt: '0.08',
      unit: 'm',
    })
  })
  it('lie near what they stand for, whatever the size, and are never empty', () => {
    const units: Unit[] = [
      'kg',
      'm3',
      'L',
      't',
      'm2',
      'mm',
      'g/m2',
      'min',
      'work-h',
      '%',
      '/cm2',
      'rain',
    ]
    fc.assert(
      fc.property(
        fc.constantFrom(...units),
        fc.double({ min: 1, max: 5000, noNaN: true }),
        fc.constantFrom<UnitSystem>('metric', 'us'),
        (unit, value, system) => {
          const { number, unit: sign } = forHand(value, unit, system)
          if (/[⅛¼⅜½⅝¾⅞]/.test(number) || sign !== show(value, unit, system).unit)
            return number !== ''
          const exact = Number(show(value, unit, system).number.replaceAll(',', ''))
          const told = Number(number.replaceAll(',', ''))
          return Math.abs(told - exact) <= Math.max(0.5, 0.06 * exact)
        },
      ),
    )
  })
})

describe('what is written on a walk', () => {
  const value = (
    typed: string,
    kind: Parameters<typeof parseQuantity>[1],
    system: 'metric' | 'us' = 'metric',
  ) => {
    // prettier-ignore
    const read = parseQuantity(typed, kind, system)
    return read.ok ? Number(read.value.toFixed(4)) : read.sentence
  }
  it('a range is its middle, whichever end has the unit; what is written is kept', () => {
    expect(['45-50', '45–50 %', '45 to 50 %'].map((t) => value(t, 'percent'))).toEqual([47.5, 47.5, 47.5]) // prettier-ignore
    expect(['4-6 mm', '4 mm to 6 mm'].map((t) => value(t, 'depth'))).toEqual([5, 5])
    expect(value('1-2', 'depth', 'us')).toBe(38.1)
    expect(parseQuantity('4-6', 'depth')).toMatchObject({ text: '4-6 mm' })
    // A mixed number, a slope and sides are none.
    expect(value('3-1/2 in', 'depth')).toBe(88.9)
    expect([value('1 in 5', 'slope'), value('8 x 15', 'area')]).toEqual([20, 120])
    expect(value('50-45', 'percent')).toMatch(/Write a percentage/)
    // However it is stored, it is read as the same again.
    for (const [typed, kind] of [
      ['45-50', 'percent'],
      ['4-6', 'depth'],
      ['200-220 sq ft', 'area'],
    ] as const) {
      // prettier-ignore
      const read = parseQuantity(typed, kind)
      expect(read.ok && parseQuantity(read.text, kind)).toMatchObject({ value: read.ok && read.value }) // prettier-ignore
    }
  })
  it('a bucket and a watch give a flow', () => {
    expect(['10 L in 40 s', '10 L/40 s', 'a 10 L bucket in 40 seconds', '30 L in 2 min'].map((t) => value(t, 'flow'))).toEqual([15, 15, 15, 15]) // prettier-ignore
  })
  it('a place is read in every manner of writing it, and a pasted pair as both', () => {
    const at = (typed: string, axis: 'latitude' | 'longitude' = 'latitude') => {
      const read = parseDegrees(typed, axis)
      return read.ok ? read.value : read.sentence
    }
    for (const typed of ['52.5 N', '52,5', '52°30′N', '52° 30\' 0" N', 'N 52 30', '52 30 0 north'])
      expect([typed, at(typed)]).toEqual([typed, 52.5])
    for (const typed of ['−44.2', '-44.2', '44.2 S', 'S 44 12 0'])
      expect([typed, at(typed)]).toEqual([typed, -44.2])
    expect(at('1°15′W', 'longitude')).toBe(-1.25)
    for (const [typed, says] of [
      ['91', /over 90/],
      ['52.5 W', /is a longitude/],
      ['-52 N', /one of them/],
      ['Tarnmere', /Write a latitude like/],
    ] as const)
      // prettier-ignore
      expect(at(typed)).toMatch(says)
    for (const typed of [
      '52.5, -1.25',
      '52.5N 1.25W',
      "(52°30'N, 1°15'W)",
      'geo:52.5,-1.25',
      '52.5 -1.25',
    ])
      expect([typed, parsePair(typed)]).toEqual([typed, { latitude: 52.5, longitude: -1.25 }])
    for (const typed of ['52,5', '52.5', 'Bob, Ann', '']) expect(parsePair(typed)).toBeNull()
  })
})
