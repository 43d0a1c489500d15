import { dateOf, instantOf, type Instant, mondayOf, shiftDay } from '../time/zone';

/** How boats' time is laid out over days, and where a hire goes when it is pushed about there. */

export const CALENDAR_VIEWS = ['day', 'week', 'month'] as const;
export type CalendarView = (typeof CALENDAR_VIEWS)[number];

/** By so much a hire moves at once, minutes. */
export const STEP_MIN: Readonly<Record<CalendarView, number>> = { day: 15, week: 60, month: 1440 };

const DAY_MIN = 1440;

/** The days of a view round a day: the day itself, its week from Monday, its month. @returns the first, and the one after the last */
export const daysOf = (view: CalendarView, day: string): { from: string; to: string } => {
  if (view === 'day') return { from: day, to: shiftDay(day, 1) };
  if (view === 'week') return { from: mondayOf(day), to: shiftDay(mondayOf(day), 7) };
  const from = `${day.slice(0, 7)}-01`;
  return { from, to: `${shiftDay(from, 31).slice(0, 7)}-01` };
};

/** The same view earlier or later. @param by how many of them */
export const turned = (view: CalendarView, day: string, by: number): string => {
  if (view !== 'month') return shiftDay(day, by * (view === 'week' ? 7 : 1));
  const [year = 0, month = 1] = day.split('-').map(Number);
  return new Date(Date.UTC(year, month - 1 + by, 1)).toISOString().slice(0, 10);
};

/** Every day from one up to (not with) another. */
export const eachDay = (from: string, to: string): string[] => {
  const days: string[] = [];
  for (let day = from; day < to; day = shiftDay(day, 1)) days.push(day);
  return days;
};

/**
 * An instant so many minutes later by the clocks of a place: whole days leave the clock as it is, also over a night on which
 * it is changed; what is less than a day is time as it passes.
 */
export const laterBy = (at: Instant, minutes: number, zone: string): Instant => {
  const days = Math.trunc(minutes / DAY_MIN);
  const clock = new Intl.DateTimeFormat('sv-SE', { timeZone: zone, hour: '2-digit', minute: '2-digit' }).format(new Date(at));
  const shifted = days === 0 ? Date.parse(at) : Date.parse(instantOf(`${shiftDay(dateOf(at, zone), days)}T${clock}`, zone));
  return new Date(shifted + (minutes - days * DAY_MIN) * 60_000).toISOString();
};

/** Somebody's hire on the calendar. */
export type Slot = { boat: string; from: Instant; to: Instant };

/** A hire moved along, onto another boat or not; it stays as long as it was. */
export const moved = (slot: Slot, minutes: number, boat: string, zone: string): Slot => ({
  boat,
  from: laterBy(slot.from, minutes, zone),
  to: laterBy(slot.to, minutes, zone),
});

/** A hire that comes back earlier or later; it lasts a step at least. */
export const pulled = (slot: Slot, minutes: number, step: number, zone: string): Slot => {
  const to = laterBy(slot.to, minutes, zone);
  const least = laterBy(slot.from, step, zone);
  return { ...slot, to: to > slot.from && Date.parse(to) >= Date.parse(least) ? to : least };
};
