import fc from 'fast-check';
import { readClock, readDay, writeDay } from './typedDay';

const days = fc
  .date({ min: new Date('2000-01-01T00:00:00Z'), max: new Date('2099-12-31T00:00:00Z'), noInvalidDate: true })
  .map((date) => date.toISOString().slice(0, 10));

describe('a day that is typed', () => {
  it('is read again as it was written', () => {
    fc.assert(fc.property(days, (day) => readDay(writeDay(day)) === day && readDay(day) === day));
  });
  it('may have any sign between its parts, and no zero before them', () => {
    for (const text of ['3/6/2026', '03.06.2026', '3 6 2026', '3-6-2026', ' 03/06/2026 ']) expect(readDay(text)).toBe('2026-06-03');
  });
  it('is none where the calendar has none: never another one instead', () => {
    for (const text of ['31/2/2026', '29/02/2027', '0/6/2026', '6/13/2026', '13/06/26', '2026-02-30', 'tomorrow', '', '1/1/1999'])
      expect(readDay(text)).toBeUndefined();
  });
});

describe('an hour that is typed', () => {
  it('may be short', () => {
    expect(['17:30', '17.30', '1730', '9:05', '9', '0930', '17h30'].map(readClock)).toEqual([
      '17:30',
      '17:30',
      '17:30',
      '09:05',
      '09:00',
      '09:30',
      '17:30',
    ]);
  });
  it('is none that no clock shows', () => {
    for (const text of ['24:00', '12:60', '9:5', '25', 'noon', '', '123', '-1']) expect(readClock(text)).toBeUndefined();
  });
});
