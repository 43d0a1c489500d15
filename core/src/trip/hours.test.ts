import fc from 'fast-check';
import { demoCase } from '../testing/demoHire';
import { dateOf, instantOf } from '../time/zone';
import { WEEKDAYS } from '../fleet/base';
import { betterHours, type HoursCase, hoursFaults, isOpen } from './hours';

const ZONE = 'Europe/Paris';
const of: HoursCase = {
  base: {
    zone: ZONE,
    position: [2.3, 48.8],
    hours: [
      { days: ['mon', 'tue', 'wed', 'thu', 'fri'], from: '09:00', to: '18:00' },
      { days: ['sat', 'sun'], from: '08:00', to: '20:00' },
    ],
    closed: [{ from: '2026-07-14', to: '2026-07-15' }],
  },
  night: 'forbidden',
  curfew: '19:30',
  handover: 'staffed',
};
const at = (local: string) => instantOf(local, ZONE);
const said = (from: string, to: string, more: Partial<HoursCase> = {}) =>
  hoursFaults({ from: at(from), to: at(to) }, { ...of, ...more }).map(({ is, end }) => `${is} ${end}`);

describe('the hours of a hire', () => {
  it('are open from the first minute to the last, on the days that are named, and not on those that are taken out', () => {
    // 13 June 2026 is a Saturday.
    expect(['2026-06-13T08:00', '2026-06-13T20:00', '2026-06-12T09:00'].map((one) => isOpen(of.base, at(one)))).toEqual([true, true, true]);
    expect(['2026-06-13T07:59', '2026-06-12T18:01', '2026-07-14T12:00'].map((one) => isOpen(of.base, at(one)))).toEqual([
      false,
      false,
      false,
    ]);
    expect(isOpen({ zone: ZONE }, at('2026-06-13T03:00'))).toBe(true);
  });

  it('each end is told for itself, and whoever comes alone needs nobody there', () => {
    expect(said('2026-06-12T08:30', '2026-06-12T18:30')).toEqual(['closed from', 'closed to']);
    expect(said('2026-06-12T08:30', '2026-06-12T18:30', { handover: 'unattended' })).toEqual([]);
    expect(said('2026-06-12T08:30', '2026-06-12T18:30', { handover: 'staffedOut' })).toEqual(['closed from']);
    expect(said('2026-06-13T12:00', '2026-06-13T19:45')).toEqual(['curfew to']);
  });

  it('in winter the day ends early: that is said where boats may not be out in the dark', () => {
    expect(said('2026-12-12T12:00', '2026-12-12T18:00')).toEqual(['dark to']);
    expect(said('2026-12-12T12:00', '2026-12-12T18:00', { night: 'allowed' })).toEqual([]);
    // Where nobody said where the base lies, nobody knows when its dusk is.
    expect(said('2026-12-12T12:00', '2026-12-12T18:00', { base: { ...of.base, position: undefined } })).toEqual([]);
  });

  it('other hours that are offered have nothing against them, are as long, and are none that have gone by', () => {
    const minute = 60_000;
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 365 * 96 }),
        fc.integer({ min: 1, max: 40 }),
        fc.integer({ min: 0, max: 600 }),
        (quarters, length, sinceMin) => {
          const from = Date.parse('2026-01-01T00:00:00Z') + quarters * 15 * minute;
          const wanted = { from: new Date(from).toISOString(), to: new Date(from + length * 15 * minute).toISOString() };
          const earliest = new Date(from - sinceMin * minute).toISOString();
          for (const start of betterHours(wanted, of, earliest)) {
            const to = new Date(Date.parse(start) + length * 15 * minute).toISOString();
            expect(hoursFaults({ from: start, to }, of)).toEqual([]);
            expect(start >= earliest).toBe(true);
            if (start < wanted.from) expect(dateOf(start, ZONE)).toBe(dateOf(wanted.from, ZONE));
          }
        },
      ),
      { numRuns: 60 },
    );
    const [before, after] = betterHours({ from: at('2026-12-12T12:00'), to: at('2026-12-12T18:00') }, of, at('2026-12-12T07:00'));
    expect(before! > at('2026-12-12T10:30') && before! < at('2026-12-12T11:45')).toBe(true);
    expect(after).toBe(at('2026-12-13T08:00'));
  });

  it('the demo’s own bases say hours that can be read', () => {
    expect(demoCase.base.hours?.every(({ days }) => days.every((day) => WEEKDAYS.includes(day))) ?? true).toBe(true);
  });
});
