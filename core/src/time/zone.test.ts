import { clockOf, dateOf, dayOf, instantOf, minutesBetween, minutesUntilClock } from './zone';

// Paris changed its clocks on 29 March and changes them back on 25 October 2026.
const PARIS = 'Europe/Paris';

describe('days of a base', () => {
  it('turns local times into instants on both sides of both changes', () => {
    expect(instantOf('2026-03-28T09:00', PARIS)).toBe('2026-03-28T08:00:00.000Z');
    expect(instantOf('2026-03-29T09:00', PARIS)).toBe('2026-03-29T07:00:00.000Z');
    expect(instantOf('2026-10-24T18:00', PARIS)).toBe('2026-10-24T16:00:00.000Z');
    expect(instantOf('2026-10-25T18:00', PARIS)).toBe('2026-10-25T17:00:00.000Z');
  });

  it('gives the days of the changes their true length', () => {
    const hours = (at: string) => {
      const { from, to } = dayOf(at, PARIS);
      return minutesBetween(from, to) / 60;
    };
    expect(hours('2026-03-29T12:00:00Z')).toBe(23);
    expect(hours('2026-10-25T12:00:00Z')).toBe(25);
    expect(hours('2026-06-13T12:00:00Z')).toBe(24);
  });

  it('knows the local date and clock when UTC is still on the day before', () => {
    expect(dateOf('2026-06-12T22:30:00Z', PARIS)).toBe('2026-06-13');
    expect(clockOf('2026-06-12T22:30:00Z', PARIS)).toBe('00:30');
    expect(dateOf('2026-06-12T22:30:00Z', 'America/New_York')).toBe('2026-06-12');
  });

  it('counts to a time of the local evening, also on the days whose clocks are changed', () => {
    // At two in the morning the clocks jump: from midnight it is an hour less until the evening.
    expect(minutesUntilClock('2026-03-28T23:00:00Z', PARIS, '21:30')).toBe(20 * 60 + 30);
    expect(minutesUntilClock('2026-10-24T22:00:00Z', PARIS, '21:30')).toBe(22 * 60 + 30);
    expect(minutesUntilClock('2026-06-13T19:00:00Z', PARIS, '21:30')).toBe(30);
    expect(minutesUntilClock('2026-06-13T20:00:00Z', PARIS, '21:30')).toBe(-30);
    // After midnight it is the next evening's.
    expect(minutesUntilClock('2026-06-13T22:30:00Z', PARIS, '21:30')).toBe(21 * 60);
  });

  it('refuses what is no local time', () => {
    expect(() => instantOf('2026-06-12 22:30', PARIS)).toThrow(RangeError);
  });
});
