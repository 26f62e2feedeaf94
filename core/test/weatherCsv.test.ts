import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { addDays } from '../src/calendar/day.ts'
import { stationSchema, weatherDay } from '../src/entities/station.ts'
import { parseNormals } from '../src/formats/normalsTable.ts'
import {
  dateOf,
  guessMapping,
  numberOf,
  orderOf,
  readWeather,
  type WeatherMapping,
} from '../src/formats/weatherCsv.ts'

const table = (text: string, separator = ',') =>
  text.split('\n').map((line) => line.split(separator))
const read = (text: string, change: Partial<WeatherMapping> = {}, separator = ',') => {
  const rows = table(text, separator)
  return readWeather(rows, { ...guessMapping(rows, 'dmy'), ...change }, 45)
}

describe('what a weather table holds is guessed', () => {
  it('columns by their headings, units by signs or by what cannot be', () => {
    const m = guessMapping(
      table(
        'Date,Max Temp (°F),Min Temp (°F),Precip (in),Wind (mph),RH %,Soil 2in\n3/28/2027,61,39,0.12,7,80,51',
      ),
      'mdy',
    )
    expect(m.heading).toBe(true)
    expect(m.dates).toBe('mdy')
    const is = (what: keyof typeof m.columns) => [m.columns[what]?.index, m.columns[what]?.unit]
    expect([is('high'), is('low'), is('rain'), is('wind'), is('humidity'), is('soil')]).toEqual([
      [1, 'F'],
      [2, 'F'],
      [3, 'in'],
      [4, 'mph'],
      [5, '%'],
      [6, 'F'],
    ])
    // No sign: a maximum of 88 is no °C.
    expect(
      guessMapping(table('day,tmin,tmax\n2027-07-01,60,88\n2027-07-02,61,90'), 'dmy').columns.high!
        .unit,
    ).toBe('F')
    expect(
      guessMapping(table('day,tmin,tmax,wind_m/s,solar W/m2\n2027-07-01,10,21,3,210'), 'dmy')
        .columns,
    ).toMatchObject({
      wind: { unit: 'm/s' },
      radiation: { unit: 'W/m2' },
    })
  })
  it('without a heading: the date, then the lower of two columns as the minimum, then rain', () => {
    const m = guessMapping(table('1.2.2027;12,5;3,1;0,4\n2.2.2027;14;2,2;0', ';'), 'dmy')
    expect([
      m.heading,
      m.columns.date!.index,
      m.columns.low!.index,
      m.columns.high!.index,
      m.columns.rain!.index,
    ]).toEqual([false, 0, 2, 1, 3])
  })
  it('the order of dates by the part that can only be a day; else what is usual', () => {
    expect([
      orderOf(['3/4/2027', '28/4/2027'], 'mdy'),
      orderOf(['3/28/2027'], 'dmy'),
      orderOf(['2027-03-04'], 'dmy'),
      orderOf(['3/4/2027'], 'mdy'),
    ]).toEqual(['dmy', 'mdy', 'ymd', 'mdy'])
  })
  it('dates in several orders and words; days that do not exist are none', () => {
    expect([
      dateOf('3/4/2027', 'dmy'),
      dateOf('3/4/2027', 'mdy'),
      dateOf('2027-04-03', 'dmy'),
      dateOf('20270403', 'ymd'),
      dateOf('3 Apr 2027', 'mdy'),
      dateOf('3.4.27', 'dmy'),
      dateOf('2027-04-03 00:00', 'ymd'),
    ]).toEqual([
      '2027-04-03',
      '2027-03-04',
      '2027-04-03',
      '2027-04-03',
      '2027-04-03',
      '2027-04-03',
      '2027-04-03',
    ])
    expect([
      dateOf('30/2/2027', 'dmy'),
      dateOf('2027-13-01', 'ymd'),
      dateOf('29/2/2027', 'dmy'),
      dateOf('rain', 'dmy'),
      dateOf('29/2/2028', 'dmy'),
    ]).toEqual([null, null, null, null, '2028-02-29'])
  })
  it('any day written in any of the three orders comes back', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 20_000 }),
        fc.constantFrom('/', '-', '.'),
        (n, sign) => {
          const day = addDays('1980-01-01', n)
          const [y, m, d] = day.split('-')
          expect([
            dateOf([y, m, d].join(sign), 'ymd'),
            dateOf([d, m, y].join(sign), 'dmy'),
            dateOf([m, d, y].join(sign), 'mdy'),
          ]).toEqual([day, day, day])
        },
      ),
    )
  })
})

describe('readings', () => {
  it('in the core’s units: 50 °F is 10 °C, 1 in 25.4 mm, 10 mph 16.09 km/h, 10 knots 18.52 (NIST SP 811)', () => {
    const day = read('date,max F,min F,rain in,wind mph\n2027-03-01,50,32,1,10').days[0]!
    expect([day.high, day.low, day.rain, day.wind]).toEqual([10, 0, 25.4, 16.09])
    expect(read('date,max,min,wind knots\n2027-03-01,12,3,10').days[0]!.wind).toBe(18.52)
    // 100 W/m² through a day is 8.64 MJ/m².
    expect(read('date,max,min,solar W/m2\n2027-03-01,12,3,100').days[0]!.radiation).toBe(8.64)
  })
  it('decimal commas, minus signs, blanks and traces', () => {
    expect([
      numberOf('12,5'),
      numberOf('−3.2'),
      numberOf('.5'),
      numberOf('1e3'),
      numberOf('12 C'),
      numberOf(''),
    ]).toEqual([12.5, -3.2, 0.5, 1000, null, null])
    const [a, b] = read('date;max;min;rain\n1.3.2027;12,5;-3,1;T\n2.3.2027;NA;-;', {}, ';').days
    expect(a).toMatchObject({ high: 12.5, low: -3.1, rain: 0 })
    expect(b).toMatchObject({ high: null, low: null, rain: null })
  })
  it('what nobody believes is left out and listed with its line: sentinels, min over max, soil 99, 30 February, another kind of text', () => {
    const { days, report } = read(
      'date,max,min,rain,soil\n2027-02-01,12,3,-999,9\n2027-02-02,3,12,0,9\n2027-02-03,12,3,0,99\n2027-02-30,12,3,0,9\nhello,12,3,0,9\n2027-02-05,12,3,5000,9',
    )
    expect(days.map((d) => [d.day, d.high, d.rain, d.soil])).toEqual([
      ['2027-02-01', 12, null, 9],
      ['2027-02-02', null, 0, 9],
      ['2027-02-03', 12, 0, null],
      ['2027-02-05', 12, null, 9],
    ])
    expect(report.suspects.map((s) => s.line)).toEqual([3, 4, 5, 6])
    expect([report.noDate, report.suspectCount]).toEqual([2, 4])
    for (const s of report.suspects) expect(s.says.length).toBeGreaterThan(12)
  })
  it('gaps and days given twice are told', () => {
    const { report, days } = read(
      'date,max,min\n2027-02-01,10,1\n2027-02-04,11,2\n2027-02-04,12,2\n2027-02-05,9,0\n2027-02-05,9,0',
    )
    expect(report.gaps).toEqual([{ from: '2027-02-02', to: '2027-02-03', days: 2 }])
    expect([report.duplicates, days.length, days[1]!.high]).toEqual([1, 3, 12])
  })
  it('a mapping corrected by hand is read by it', () => {
    const rows = table('a,b,c\n2027-02-01,50,32')
    const { days } = readWeather(
      rows,
      {
        heading: true,
        dates: 'ymd',
        columns: {
          date: { index: 0, unit: null },
          high: { index: 1, unit: 'F' },
          low: { index: 2, unit: 'F' },
        },
      },
      45,
    )
    expect(days[0]).toMatchObject({ high: 10, low: 0 })
  })
  it('whatever text is in the cells, it never throws and keeps only what the store takes', () => {
    fc.assert(
      fc.property(
        fc.array(
          fc.array(
            fc.oneof(
              fc.string(),
              fc.constantFrom('2027-02-01', '-999', '12,5', '<script>', '1e9', 'NaN'),
            ),
            { maxLength: 6 },
          ),
          {
            maxLength: 12,
          },
        ),
        (rows) => {
          const mapping = guessMapping(rows, 'dmy')
          for (const day of readWeather(rows, mapping, 45).days)
            expect(weatherDay.safeParse(day).success).toBe(true)
        },
      ),
    )
  })
})

describe('stations', () => {
  it('normals are read across or down, in the firm’s units', () => {
    const across = [
      'low 1 2 3 4 5 6 7 8 9 10 11 12',
      'high 11 12 13 14 15 16 17 18 19 20 21 22',
      '50 50 50 50 50 50 50 50 50 50 50 50',
      '9 9 9 9 9 9 9 9 9 9 9 9',
    ].join('\n')
    const found = parseNormals(across, 'metric')
    expect(
      found.ok && [found.normals.low[0], found.normals.high[11], found.normals.rain[3]],
    ).toEqual([1, 22, 50])
    const down = parseNormals(Array(12).fill('32 50 1 9').join('\n'), 'us')
    expect(down.ok && [down.normals.low[0], down.normals.high[0], down.normals.rain[0]]).toEqual([
      0, 10, 25.4,
    ])
    expect(parseNormals('1 2 3', 'metric').ok).toBe(false)
  })
  it('are refused with a sentence where they cannot be', () => {
    const twelve = (x: number) => Array(12).fill(x) as number[]
    const wrong = (change: object) =>
      stationSchema.safeParse({ name: 'S', latitude: 45, longitude: 1, ...change }).error?.issues[0]
        ?.message
    expect(wrong({ name: ' ' })).toContain('name')
    expect(wrong({ latitude: 95 })).toContain('Latitude')
    expect(
      wrong({ normals: { low: twelve(9), high: twelve(5), rain: twelve(50), wetDays: twelve(9) } }),
    ).toContain('minimum has to lie under')
    expect(
      wrong({
        normals: { low: twelve(1).slice(1), high: twelve(5), rain: twelve(50), wetDays: twelve(9) },
      }),
    ).toContain('twelve numbers')
    expect(wrong({})).toBeUndefined()
    expect(weatherDay.safeParse({ day: '2027-02-30', low: 1, high: 2, rain: 0 }).success).toBe(
      false,
    )
  })
})
