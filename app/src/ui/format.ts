import { localeOf } from '../i18n';
import { measures } from './units';
import { clockOf, dateOf } from '@quay/core/time/zone';

/** `1 h 18`, `0 h 21`, `3 d 4 h`: as one says it on the quay. @param minutes whole, not negative */
export const spanOf = (minutes: number): string => {
  const size = Math.abs(Math.round(minutes));
  if (size >= 48 * 60) return `${Math.floor(size / 1440)} d ${Math.floor((size % 1440) / 60)} h`;
  if (size < 60) return `${size} min`;
  return `${Math.floor(size / 60)} h ${String(size % 60).padStart(2, '0')}`;
};

/** The clock, with the day before it when that is not today. */
export const whenOf = (at: string, zone: string, now: number, language: string): string => {
  const clock = clockOf(at, zone);
  if (dateOf(at, zone) === dateOf(new Date(now).toISOString(), zone)) return clock;
  return `${new Intl.DateTimeFormat(localeOf(language), { weekday: 'short', day: 'numeric', month: 'short', timeZone: zone }).format(Date.parse(at))} ${clock}`;
};

export const dayName = (now: number, zone: string, language: string): string =>
  new Intl.DateTimeFormat(localeOf(language), { weekday: 'short', day: 'numeric', month: 'long', timeZone: zone }).format(now);

/** At most one decimal, none when it is whole. */
export const figure = (value: number): string => String(Math.round(value * 10) / 10);

/** What stands in a field for a figure of ours; where it is typed in another unit no digit is taken off before it is converted. */
export const fieldText = (value: number, unit = ''): string => (measures().converts(unit) ? String(value) : figure(value));

/** Near things in millimetres, the rest in metres, or in what the operator says instead. */
export const distanceOf = (metres: number): string => (metres < 1 ? measures().small(metres * 1000) : measures().metres(metres));

/** A day in few letters: `13 Jun`. */
export const dayOf = (at: string, zone: string, language: string): string =>
  new Intl.DateTimeFormat(localeOf(language), { day: 'numeric', month: 'short', timeZone: zone }).format(Date.parse(at));

/** A day of the calendar in full: `1 January 2027`. @param day `YYYY-MM-DD` */
export const longDay = (day: string, language: string): string =>
  new Intl.DateTimeFormat(localeOf(language), { day: 'numeric', month: 'long', year: 'numeric', timeZone: 'UTC' }).format(
    Date.parse(`${day}T00:00:00Z`),
  );
