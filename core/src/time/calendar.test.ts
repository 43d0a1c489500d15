import fc from 'fast-check';
import { Instant, isClock, isDay, isInstant, isMonth } from './calendar';
import { instantOf } from './zone';

describe('times that are some', () => {
  it('takes every instant that a clock shows, and gives nothing of it away', () => {
    fc.assert(
      fc.property(fc.date({ min: new Date('2000-01-01'), max: new Date('2099-12-31T23:59:59.999Z'), noInvalidDate: true }), (at) => {
        const text = at.toISOString();
        expect([isInstant(text), isDay(text.slice(0, 10)), isMonth(text.slice(0, 7)), isClock(text.slice(11, 16))]).toEqual([
          true,
          true,
          true,
          true,
        ]);
      }),
    );
  });

  it.each([
    '2026-13-01T00:00:00.000Z',
    '2026-00-10T00:00:00.000Z',
    '2026-02-31T10:00:00.000Z',
    '2026-06-00T10:00:00.000Z',
    '2026-06-13T24:00:00.000Z',
    '2026-06-13T10:60:00.000Z',
    '2026-06-13T10:42:61.000Z',
    '0000-06-13T10:42:00.000Z',
    '9999-12-31T23:59:59.999Z',
    '2026-06-13T10:42:00.000',
    '2026-06-13T10:42:00.000+01:00',
    '',
  ])('%s is no instant, and the wire does not take it', (text) => {
    expect(isInstant(text)).toBe(false);
    expect(Instant.safeParse(text).success).toBe(false);
  });

  it('a day in February is one of its days', () => {
    expect(['2026-02-28', '2026-02-29', '2026-02-31', '2028-02-29'].map(isDay)).toEqual([true, false, false, true]);
    expect(['2026-06', '2026-13', '2026-00', '2026-6'].map(isMonth)).toEqual([true, false, false, false]);
    expect(['00:00', '23:59', '24:00', '09:60', '9:30'].map(isClock)).toEqual([true, true, false, false, false]);
  });

  it.each(['2026-02-31T09:00', '2026-13-01T09:00', '2026-06-13T24:00', '2026-06-13T09:60', '2026-6-13T09:00', 'today'])(
    'the local time %s is refused, not turned into another day',
    (local) => {
      expect(() => instantOf(local, 'Europe/Dublin')).toThrow(RangeError);
    },
  );
});
