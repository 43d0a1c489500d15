import fc from 'fast-check';
import { clockOf, dateOf, minutesBetween, shiftDay } from '../time/zone';
import { CALENDAR_VIEWS, daysOf, eachDay, laterBy, moved, pulled, turned } from './calendar';

const ZONES = ['Europe/Dublin', 'America/New_York', 'Australia/Lord_Howe', 'UTC'];
const zone = fc.constantFrom(...ZONES);
const instant = fc
  .integer({ min: Date.parse('2024-01-01T00:00:00Z') / 60_000, max: Date.parse('2028-01-01T00:00:00Z') / 60_000 })
  .map((minute) => new Date(minute * 60_000).toISOString());
const day = instant.map((at) => at.slice(0, 10));
const view = fc.constantFrom(...CALENDAR_VIEWS);

describe('the days of a view', () => {
  it('hold the day that was asked for, and turning forth and back leads to the same ones', () => {
    fc.assert(
      fc.property(view, day, fc.integer({ min: -30, max: 30 }), (one, asked, by) => {
        const { from, to } = daysOf(one, asked);
        expect(from <= asked && asked < to).toBe(true);
        expect(eachDay(from, to)).toContain(asked);
        expect(daysOf(one, turned(one, turned(one, asked, by), -by))).toEqual({ from, to });
        // The next view begins where this one ends.
        expect(daysOf(one, turned(one, asked, 1)).from).toBe(to);
      }),
    );
  });
  it('are as many as a week and a month have', () => {
    const count = (...of: Parameters<typeof daysOf>) => eachDay(daysOf(...of).from, daysOf(...of).to).length;
    expect([count('day', '2026-06-13'), count('week', '2026-06-13'), count('month', '2026-02-13'), count('month', '2024-02-29')]).toEqual([
      1, 7, 28, 29,
    ]);
  });
});

describe('a hire that is pushed about', () => {
  it('by whole days shows the same clock, unless that hour is not there', () => {
    fc.assert(
      fc.property(instant, zone, fc.integer({ min: -40, max: 40 }), (at, place, days) => {
        const then = laterBy(at, days * 1440, place);
        expect(Math.abs(minutesBetween(at, then) - days * 1440)).toBeLessThanOrEqual(60);
        // In the hour that spring leaves out, and in the one that autumn has twice, one clock cannot tell.
        const hour = Number(clockOf(at, place).slice(0, 2));
        if (hour >= 4) expect([dateOf(then, place), clockOf(then, place)]).toEqual([shiftDay(dateOf(at, place), days), clockOf(at, place)]);
      }),
    );
  });

  it('by less is time as it passes, stays as long as it was, and never ends before it begins', () => {
    fc.assert(
      fc.property(instant, zone, fc.integer({ min: 15, max: 600 }), fc.integer({ min: -1439, max: 1439 }), (from, place, long, by) => {
        const slot = { boat: 'a', from, to: laterBy(from, long, place) };
        const then = moved(slot, by, 'b', place);
        expect([then.boat, minutesBetween(from, then.from), minutesBetween(then.from, then.to)]).toEqual(['b', by, long]);
        const shorter = pulled(slot, by, 15, place);
        expect(shorter.from).toBe(from);
        expect(minutesBetween(from, shorter.to)).toBe(Math.max(15, long + by));
      }),
    );
  });
});
