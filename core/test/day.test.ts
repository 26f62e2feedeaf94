import { describe, expect, it } from 'vitest'
import {
  addDays,
  dayNumber,
  dayOf,
  daysBetween,
  nextOn,
  parseDay,
  parseMonthDay,
  showDay,
  weekday,
} from '../src/calendar/day.ts'

describe('days', () => {
  it('adds over month ends, year ends and leap days', () => {
    expect(addDays('2027-12-31', 1)).toBe('2028-01-01')
    expect(addDays('2028-02-28', 1)).toBe('2028-02-29')
    expect(addDays('2027-02-28', 1)).toBe('2027-03-01')
    expect(daysBetween('2028-02-01', '2028-03-01')).toBe(29)
    expect(dayOf(dayNumber('1999-12-31'))).toBe('1999-12-31')
  })
  it('knows its weekdays', () => {
    // 1 January 2000 was a Saturday; 22 February 2027 is a Monday (calendar).
    expect(weekday(dayNumber('2000-01-01'))).toBe(6)
    expect(showDay('2027-02-22')).toBe('Mon 22 Feb')
  })
  it('finds the next time a day of the year comes round', () => {
    expect(nextOn('04-25', '2027-02-22')).toBe('2027-04-25')
    expect(nextOn('04-25', '2027-04-26')).toBe('2028-04-25')
    expect(nextOn('02-29', '2027-01-01')).toBe('2027-02-28')
    expect(nextOn('02-29', '2028-01-01')).toBe('2028-02-29')
  })
  it('reads named and ISO dates, nearest year first', () => {
    expect(parseDay('24 Apr', '2027-02-22')).toEqual({ ok: true, value: '2027-04-24' })
    expect(parseDay('Dec 30', '2027-01-05')).toEqual({ ok: true, value: '2026-12-30' })
    expect(parseDay('Tue 2 March 2027')).toEqual({ ok: true, value: '2027-03-02' })
    expect(parseMonthDay('Apr 25th')).toEqual({ ok: true, value: '04-25' })
  })
  it('reads a day told from today, and dates in numbers by the firm’s order', () => {
    // 22 February 2027 is a Monday.
    const told = (text: string) => (parseDay(text, '2027-02-22') as { value: string }).value
    expect(
      [
        'today',
        'tomorrow',
        'yesterday',
        'thu',
        'Monday',
        'next tue',
        'in 2 weeks',
        'in 3 days',
        '+10',
      ].map(told),
    ).toEqual([
      '2027-02-22',
      '2027-02-23',
      '2027-02-21',
      '2027-02-25',
      '2027-03-01',
      '2027-02-23',
      '2027-03-08',
      '2027-02-25',
      '2027-03-04',
    ])
    const read = (text: string, order: 'day-first' | 'month-first') =>
      parseDay(text, '2027-02-22', order)
    expect(read('26/2', 'day-first')).toEqual({ ok: true, value: '2027-02-26' })
    expect(read('2/26', 'month-first')).toEqual({ ok: true, value: '2027-02-26' })
    expect(read('3.5.27', 'day-first')).toEqual({ ok: true, value: '2027-05-03' })
    expect(read('12/30', 'day-first')).toMatchObject({
      ok: false,
      sentence: expect.stringContaining('no month 30'),
    })
    // What is stored names no order and no today: there it stays refused.
    expect([
      parseDay('26/2').ok,
      parseDay('tomorrow').ok,
      parseDay('march', '2027-02-22').ok,
    ]).toEqual([false, false, false])
  })
  it('refuses days that do not exist, and dates that could be two', () => {
    expect(parseMonthDay('30 February')).toEqual({
      ok: false,
      sentence:
        '“30 February” does not exist: February ends on 28 (29 in a leap year). Write a day up to that.',
    })
    expect(parseDay('29 Feb 2027')).toMatchObject({ ok: false })
    for (const bad of ['3/4/2027', '31-04', '2027-13-01', 'soon', '', '0 Apr 2027'])
      expect(parseDay(bad, '2027-02-22').ok, bad).toBe(false)
  })
})

describe('a part of a month', () => {
  it('is a day of it; its end is its last day', () => {
    for (const [typed, day] of [
      ['end of June', '06-30'],
      ['late October', '10-25'],
      ['mid-May', '05-15'],
      ['early Sept', '09-05'],
      ['the beginning of March', '03-01'],
      ['end Feb', '02-28'],
    ])
      // prettier-ignore
      expect([typed, parseMonthDay(typed!)]).toEqual([typed, { ok: true, value: day }])
    expect(parseDay('late October 2028', '2027-02-22')).toEqual({ ok: true, value: '2028-10-25' })
    expect(parseDay('end of Feb', '2028-02-22')).toMatchObject({ ok: true })
    expect(parseMonthDay('the end of it').ok).toBe(false)
  })
})
