import { describe, expect, it } from 'vitest'
import { addDays, dayNumber, dayOf, daysBetween, nextOn, parseDay, parseMonthDay, showDay, weekday } from '../src/calendar/day.ts'

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
  it('refuses days that do not exist, and dates that could be two', () => {
    expect(parseMonthDay('30 February')).toEqual({
      ok: false,
      sentence: '“30 February” does not exist: February ends on 28 (29 in a leap year). Write a day up to that.',
    })
    expect(parseDay('29 Feb 2027')).toMatchObject({ ok: false })
    for (const bad of ['3/4/2027', '31-04', '2027-13-01', 'soon', '', '0 Apr 2027']) expect(parseDay(bad, '2027-02-22').ok, bad).toBe(false)
  })
})
