import { TZDate } from '@date-fns/tz';
import { addDays, startOfDay } from 'date-fns';
import { isClock, isDay } from './calendar';

/** Instants are ISO 8601 in UTC; a *day* is a local matter of the base's IANA zone. */
export type Instant = string;

/**
 * The instant at which clocks in the zone show the given local time. In the gap of a spring change it is the
 * instant as far after the change as the time is after the gap's start; in an autumn overlap it is the first of the two.
 * @param local `YYYY-MM-DDTHH:MM` @param zone IANA, for example `Europe/Paris` @throws RangeError when no calendar or clock has it
 */
export const instantOf = (local: string, zone: string): Instant => {
  const match = /^(\d{4})-(\d\d)-(\d\d)T(\d\d):(\d\d)$/.exec(local);
  if (!match || !isDay(local.slice(0, 10)) || !isClock(local.slice(11))) throw new RangeError(`not a local time: ${local}`);
  const [year = 0, month = 1, day = 1, hour = 0, minute = 0] = match.slice(1).map(Number);
  return new Date(new TZDate(year, month - 1, day, hour, minute, zone).getTime()).toISOString();
};

/** The local calendar day, from its first instant up to (not with) the next day's first: 23, 24 or 25 hours. */
export const dayOf = (at: Instant, zone: string): { from: Instant; to: Instant } => {
  const start = startOfDay(new TZDate(Date.parse(at), zone));
  return { from: new Date(start.getTime()).toISOString(), to: new Date(addDays(start, 1).getTime()).toISOString() };
};

/** `YYYY-MM-DD` on the calendar of the zone. */
export const dateOf = (at: Instant, zone: string): string => {
  const parts = new TZDate(Date.parse(at), zone);
  const two = (n: number) => String(n).padStart(2, '0');
  return `${parts.getFullYear()}-${two(parts.getMonth() + 1)}-${two(parts.getDate())}`;
};

/** `HH:MM` as clocks of the zone show it. */
export const clockOf = (at: Instant, zone: string): string => {
  const parts = new TZDate(Date.parse(at), zone);
  const two = (n: number) => String(n).padStart(2, '0');
  return `${two(parts.getHours())}:${two(parts.getMinutes())}`;
};

/** Whole minutes from one instant to another, towards zero; negative when `to` lies before. */
export const minutesBetween = (from: Instant, to: Instant): number => Math.trunc((Date.parse(to) - Date.parse(from)) / 60_000);

/** Whole minutes until clocks of the zone show a time on the local day of `now`; negative once they have. @param clock `HH:MM` */
export const minutesUntilClock = (now: Instant, zone: string, clock: string): number =>
  minutesBetween(now, instantOf(`${dateOf(now, zone)}T${clock}`, zone));

/** So many days after a day of the calendar, or before it. @param day `YYYY-MM-DD` @param days whole */
export const shiftDay = (day: string, days: number): string =>
  new Date(Date.parse(`${day}T00:00:00Z`) + days * 86_400_000).toISOString().slice(0, 10);

/** Monday of the week that a day lies in. @param day `YYYY-MM-DD` */
export const mondayOf = (day: string): string => shiftDay(day, -((new Date(`${day}T00:00:00Z`).getUTCDay() + 6) % 7));
