import { isClock, isDay, isMonth } from './calendar';

const two = (n: string) => n.padStart(2, '0');

/** A day as it is typed here: `13/06/2026`. @param day `YYYY-MM-DD` */
export const writeDay = (day: string): string => day.split('-').reverse().join('/');

/**
 * A day as somebody types it: day, month and year with whatever stands between (`13/6/2026`, `13.06.2026`, `13 6 2026`), or
 * as files write it. @returns `YYYY-MM-DD`, nothing where the calendar has no such day
 */
export const readDay = (text: string): string | undefined => {
  const typed = text.trim();
  if (isDay(typed)) return typed;
  const parts = /^(\d{1,2})[./\- ]+(\d{1,2})[./\- ]+(\d{4})$/.exec(typed);
  if (!parts) return undefined;
  const [, day = '', month = '', year = ''] = parts;
  const read = `${year}-${two(month)}-${two(day)}`;
  return isDay(read) ? read : undefined;
};

/** A month as somebody types it, or as it stands on an extinguisher: `06/2028`, `6.2028`, `2028-06`. @returns `YYYY-MM` */
export const readMonth = (text: string): string | undefined => {
  const typed = text.trim();
  if (isMonth(typed)) return typed;
  const [, month, year] = /^(\d{1,2})[./\- ]+(\d{4})$/.exec(typed) ?? [];
  if (month === undefined || year === undefined) return undefined;
  const read = `${year}-${two(month)}`;
  return isMonth(read) ? read : undefined;
};

/** An hour of a clock as somebody types it: `17:30`, `17.30`, `1730`, `9:05`, `9`. @returns `HH:MM`, nothing where no clock shows it */
export const readClock = (text: string): string | undefined => {
  const parts = /^(?:(\d{1,2})(?:[:.h ](\d{2}))?|(\d{2})(\d{2}))$/.exec(text.trim());
  if (!parts) return undefined;
  const read = `${two(parts[1] ?? parts[3]!)}:${parts[2] ?? parts[4] ?? '00'}`;
  return isClock(read) ? read : undefined;
};
