import type { CalendarHire } from '@quay/contract/calendar';
import type { Slot } from '@quay/core/booking/calendar';

/** Width of the column with the boats' names, and height of a row, px. */
export const NAMES = 190;
export const ROW = 50;

/** Time as it lies across: where it begins, ms, and how wide it is. */
export type Grid = { start: number; pxPerMin: number; lane: number; zone: string; days: readonly string[] };

/** Where an instant lies, px from the left of the first day. */
export const leftOf = (at: number, { start, pxPerMin }: Grid): number => ((at - start) / 60_000) * pxPerMin;

/** A hire that was pushed elsewhere on the calendar, and is not kept there yet. */
export type Wish = { hire: CalendarHire; slot: Slot; /** Pushed by keys, which go on being its own. */ byKeys: boolean };

/** What a hire may be moved by: all of it until she leaves, her return while she is out. */
export const movable = ({ state }: CalendarHire): { along: boolean; end: boolean } => {
  const before = state === 'booked' || state === 'walkingOut' || state === 'readyToGo';
  return { along: before, end: before || state === 'out' };
};
