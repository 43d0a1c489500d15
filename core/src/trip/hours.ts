import { type Base, type Weekday, WEEKDAYS } from '../fleet/base';
import { type Handover, unattended } from '../policy/policy';
import { clockOf, dateOf, type Instant } from '../time/zone';
import { onStep } from '../booking/choices';
import { isDark } from './light';

/** The hours in which boats are handed over and taken back: the base's own, daylight, and the curfew of the water. */

/** What is against leaving, or being due, at an hour. */
export type HoursFault = {
  is: 'closed' | 'dark' | 'curfew';
  /** Of the hire: its departure, or its return. */
  end: 'from' | 'to';
  at: Instant;
  /** Of a curfew: by when boats are to be in, `21:30`. */
  by?: string | undefined;
};

export type HoursCase = {
  base: Pick<Base, 'zone' | 'hours' | 'closed' | 'position'>;
  /** Whether boats may be out in the dark. */
  night: 'allowed' | 'restricted' | 'forbidden';
  /** By when boats are to be in, `21:30`, where the water has such an hour. */
  curfew: string | undefined;
  handover: Handover;
};

const weekdayOf = (day: string): Weekday => WEEKDAYS[(new Date(`${day}T00:00:00Z`).getUTCDay() + 6) % 7]!;

/** Whether the base is open at an instant. One that says no hours always is. */
export const isOpen = ({ zone, hours, closed = [] }: HoursCase['base'], at: Instant): boolean => {
  const [day, clock] = [dateOf(at, zone), clockOf(at, zone)];
  if (closed.some(({ from, to }) => from <= day && day <= to)) return false;
  if (hours === undefined || hours.length === 0) return true;
  return hours.some(({ days, from, to }) => days.includes(weekdayOf(day)) && from <= clock && clock <= to);
};

/** What is against the two ends of a hire. Nobody has to be there for an end that the renter makes alone. */
export const hoursFaults = ({ from, to }: { from: Instant; to: Instant }, of: HoursCase): HoursFault[] => {
  const { base, night, curfew, handover } = of;
  return (['from', 'to'] as const).flatMap((end): HoursFault[] => {
    const at = end === 'from' ? from : to;
    const alone = unattended(handover, end === 'from' ? 'out' : 'in');
    return [
      ...(alone || isOpen(base, at) ? [] : [{ is: 'closed' as const, end, at }]),
      ...(night !== 'allowed' && base.position && isDark(at, base.position) ? [{ is: 'dark' as const, end, at }] : []),
      ...(curfew !== undefined && end === 'to' && clockOf(at, base.zone) > curfew ? [{ is: 'curfew' as const, end, at, by: curfew }] : []),
    ];
  });
};

const QUARTER_MS = 900_000;
/** So far another departure is looked for, quarters of an hour: ten days. */
const AHEAD = 10 * 96;

/**
 * Departures near the one that is wanted, for as long, that nothing is against: the last before it on the same day, and the
 * first after it.
 * @param earliest nobody leaves before this instant
 */
export const betterHours = (wanted: { from: Instant; to: Instant }, of: HoursCase, earliest: Instant): Instant[] => {
  const span = Date.parse(wanted.to) - Date.parse(wanted.from);
  const fits = (ms: number) => {
    const [from, to] = [new Date(ms).toISOString(), new Date(ms + span).toISOString()];
    return hoursFaults({ from, to }, of).length === 0;
  };
  const start = Math.floor(Date.parse(onStep(wanted.from)) / QUARTER_MS) * QUARTER_MS;
  const day = dateOf(wanted.from, of.base.zone);
  const found: number[] = [];
  for (let i = 1; i <= 96; i += 1) {
    const ms = start - i * QUARTER_MS;
    if (ms < Date.parse(earliest) || dateOf(new Date(ms).toISOString(), of.base.zone) !== day) break;
    if (fits(ms)) {
      found.push(ms);
      break;
    }
  }
  for (let i = 1; i <= AHEAD; i += 1) {
    const ms = start + i * QUARTER_MS;
    if (ms < Date.parse(earliest) || !fits(ms)) continue;
    found.push(ms);
    break;
  }
  return found.map((ms) => new Date(ms).toISOString());
};
