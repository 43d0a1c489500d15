import { deadlinesAt } from './deadlines';

const base = { zone: 'Europe/Dublin', position: [-38.04, 48] as const as [number, number] };
const of = { base, to: '2026-06-13T15:00:00.000Z', night: 'forbidden' as const, curfew: '21:30' };

describe('what to be home before', () => {
  it('are the due time, the dark and the curfew, the nearest first', () => {
    const found = deadlinesAt('2026-06-13T10:00:00.000Z', of);
    expect(found[0]).toEqual({ is: 'due', atMs: Date.parse(of.to) });
    // Half past nine in Dublin's summer is half past eight by UTC.
    expect(found.find(({ is }) => is === 'curfew')!.atMs).toBe(Date.parse('2026-06-13T20:30:00.000Z'));
    expect(found.map(({ is }) => is)).toContain('dark');
  });

  it('come again on the evening after', () => {
    const late = deadlinesAt('2026-06-13T20:45:00.000Z', { ...of, to: '2026-06-16T09:00:00.000Z' });
    expect(late.find(({ is }) => is === 'curfew')!.atMs).toBe(Date.parse('2026-06-14T20:30:00.000Z'));
    // Across the change of clocks the evening keeps its hour by the clock.
    const autumn = deadlinesAt('2026-10-24T20:45:00.000Z', { ...of, to: '2026-10-27T09:00:00.000Z' });
    expect(autumn.find(({ is }) => is === 'curfew')!.atMs).toBe(Date.parse('2026-10-25T21:30:00.000Z'));
  });

  it('leave out what nobody set: no curfew, and darkness where boats may be out in it', () => {
    expect(deadlinesAt('2026-06-13T10:00:00.000Z', { ...of, night: 'allowed', curfew: undefined }).map(({ is }) => is)).toEqual(['due']);
  });
});
