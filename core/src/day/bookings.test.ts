import { HIRE_STATES } from './board';
import { mondayOf } from '../time/zone';
import { bookedOn, phaseOf } from './bookings';

const ZONE = 'Europe/Dublin';
const hire = (id: string, from: string, to: string) => ({ id, from, to });

describe('bookings of a day', () => {
  const hires = [
    hire('day', '2026-06-13T09:00:00.000Z', '2026-06-13T15:00:00.000Z'),
    // Half past midnight of the 13th by the clocks of the base.
    hire('night', '2026-06-12T23:30:00.000Z', '2026-06-15T09:00:00.000Z'),
    hire('late', '2026-06-11T09:00:00.000Z', '2026-06-13T17:00:00.000Z'),
    hire('early', '2026-06-10T09:00:00.000Z', '2026-06-13T08:00:00.000Z'),
    hire('week', '2026-06-10T09:00:00.000Z', '2026-06-17T09:00:00.000Z'),
  ];
  const ids = (day: string) =>
    Object.fromEntries(Object.entries(bookedOn(hires, day, ZONE)).map(([key, rows]) => [key, rows.map(({ id }) => id)]));

  it('leave, come back in the order they are due, or are away all through it', () => {
    expect(ids('2026-06-13')).toEqual({ leaving: ['day', 'night'], returning: ['early', 'late'], away: ['week'] });
    expect(ids('2026-06-15')).toEqual({ leaving: [], returning: ['night'], away: ['week'] });
    expect(ids('2026-06-18')).toEqual({ leaving: [], returning: [], away: [] });
  });
});

it('a week begins on its Monday, over months as well', () => {
  expect(['2026-06-08', '2026-06-13', '2026-06-14', '2026-03-01'].map(mondayOf)).toEqual([
    '2026-06-08',
    '2026-06-08',
    '2026-06-08',
    '2026-02-23',
  ]);
});

it('every state is of one phase', () => {
  expect(HIRE_STATES.map(phaseOf)).toEqual(['leaving', 'leaving', 'leaving', 'out', 'back', 'back', 'closed', 'cancelled']);
});
