import * as z from 'zod/mini';

/**
 * Instants, days, months and hours that really are some: the pattern alone lets the thirteenth month and the 31st of
 * February through, which then break whatever computes with them. Years from 2000 to 2099 are all that a quay sees.
 */

const INSTANT = /^20\d\d-\d\d-\d\dT\d\d:\d\d:\d\d(\.\d{3})?Z$/;
const DAY = /^20\d\d-\d\d-\d\d$/;
const CLOCK = /^([01]\d|2[0-3]):[0-5]\d$/;

/** Whether a text is an instant in UTC, `2026-06-13T10:42:00.000Z`, with or without its milliseconds. */
export const isInstant = (text: string): boolean => {
  if (!INSTANT.test(text)) return false;
  const at = Date.parse(text);
  return Number.isFinite(at) && new Date(at).toISOString().slice(0, 19) === text.slice(0, 19);
};
/** Whether a text is a day of the calendar, `2026-06-13`. */
export const isDay = (text: string): boolean => DAY.test(text) && isInstant(`${text}T00:00:00Z`);
/** Whether a text is a month, `2026-06`. */
export const isMonth = (text: string): boolean => isDay(`${text}-01`);
/** Whether a text is an hour of a clock, `09:30`; there is no `24:00`. */
export const isClock = (text: string): boolean => CLOCK.test(text);

export const Instant = z.string().check(z.maxLength(24), z.refine(isInstant, 'no such instant'));
/** As events carry it: to the millisecond, in one spelling. */
export const ExactInstant = z.string().check(z.length(24), z.refine(isInstant, 'no such instant'));
export const Day = z.string().check(z.maxLength(10), z.refine(isDay, 'no such day'));
export const Month = z.string().check(z.maxLength(7), z.refine(isMonth, 'no such month'));
export const Clock = z.string().check(z.regex(CLOCK, 'no such hour'));
