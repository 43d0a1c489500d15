import { LATEST_ENTRY_HOURS, LONGEST_HIRE_DAYS } from '@quay/core/booking/limits';
import { contactOf } from '@quay/core/booking/contact';
import { onStep } from '@quay/core/booking/choices';
import { POLICIES } from '@quay/core/policy/policy';
import { clockOf, dateOf, instantOf, shiftDay } from '@quay/core/time/zone';
import { readClock, readDay, writeDay } from '@quay/core/time/typedDay';
import { LANGUAGES } from '@quay/core/words/words';
import * as z from 'zod/mini';
import type { Form } from '../../../ui/controls/form';
import * as typed from '../../../ui/controls/typed';

/** A new hire as it is typed, and what becomes of it. */

/** Usual lengths, h; anything else is typed. */
export const LENGTHS_H = [2, 4, 8, 24, 72, 168] as const;
const HOUR_MS = 3_600_000;

/** When somebody who asks now can leave: the next five minutes; on another day in the morning. @param day `YYYY-MM-DD` */
export const startOn = (day: string | undefined, now: number, zone: string): { date: string; clock: string } => {
  const at = onStep(new Date(now).toISOString());
  const today = dateOf(at, zone);
  return day === undefined || day <= today ? { date: writeDay(today), clock: clockOf(at, zone) } : { date: writeDay(day), clock: '10:00' };
};

type Times = { date: string; clock: string; hours: string; backDate: string; backClock: string };

/** What was typed as instants; nothing as long as it is none. `hours` is empty where the return is typed. */
export const timesOf = ({ date, clock, hours, backDate, backClock }: Times, zone: string): { from: string; to: string } | undefined => {
  const at = (day: string, hour: string) => {
    const [found, time] = [readDay(day), readClock(hour)];
    return found === undefined || time === undefined ? undefined : instantOf(`${found}T${time}`, zone);
  };
  const from = at(date, clock);
  if (from === undefined) return undefined;
  const long = Number(hours);
  // So many days later the clock shows the same, also over the night on which it is changed.
  const to =
    hours === ''
      ? at(backDate, backClock)
      : long % 24 === 0
        ? at(writeDay(shiftDay(readDay(date)!, long / 24)), clock)
        : new Date(Date.parse(from) + long * HOUR_MS).toISOString();
  return to !== undefined && from < to && Date.parse(to) - Date.parse(from) <= LONGEST_HIRE_DAYS * 24 * HOUR_MS ? { from, to } : undefined;
};

/** A number to ring or an address to write to, as far as one can see that; or nothing. */
export const contactField = z.string().check(
  z.maxLength(120),
  z.refine((text) => {
    const { numbers, mails } = contactOf(text);
    return text.trim() === '' || numbers.length + mails.length > 0;
  }, 'newHire.badContact'),
);

/** @param now ms, by which it is judged whether a hire may still be entered */
export const newHireForm = (zone: string, now: number) =>
  z
    .object({
      date: typed.day('change.badDay'),
      clock: typed.clock('change.badClock'),
      hours: z.string(),
      backDate: z.string(),
      backClock: z.string(),
      adults: z.int().check(z.gte(1), z.lte(60)),
      children: z.int().check(z.gte(0), z.lte(60)),
      /** Empty: whichever is offered first. */
      boat: z.string(),
      renter: typed.words(80, 'newHire.renterWanted'),
      /** Somebody who hired before. */
      person: z.optional(z.string()),
      contact: contactField,
      language: z.enum(LANGUAGES),
      /** Empty: as on the boat's last hire. */
      deposit: z.string(),
      handover: z.enum(POLICIES.handover),
      notes: z.string().check(z.maxLength(2000)),
    })
    .check((context) => {
      const { value } = context;
      const no = (path: string, message: string) => context.issues.push({ code: 'custom', path: [path], message, input: value });
      const from = instantOf(`${value.date}T${value.clock}`, zone);
      if (Date.parse(from) < now - LATEST_ENTRY_HOURS * HOUR_MS) no('date', 'newHire.longPast');
      if (value.hours === '') {
        if (readDay(value.backDate) === undefined) no('backDate', 'change.badDay');
        else if (readClock(value.backClock) === undefined) no('backClock', 'change.badClock');
        else {
          const to = instantOf(`${readDay(value.backDate)!}T${readClock(value.backClock)!}`, zone);
          if (to <= from) no('backDate', 'change.beforeStart');
          else if (Date.parse(to) - Date.parse(from) > LONGEST_HIRE_DAYS * 24 * HOUR_MS) no('backDate', 'newHire.tooLong');
        }
      }
    });
type Schema = ReturnType<typeof newHireForm>;
export type NewHireForm = Form<z.input<Schema>, z.output<Schema>>;

/** As it stands before anything is typed; when she leaves is for who opens it to say. */
export const BLANK_HIRE = {
  hours: '4',
  backDate: '',
  backClock: '',
  adults: 2,
  children: 0,
  renter: '',
  contact: '',
  language: 'en',
  deposit: '',
  handover: 'staffed',
  notes: '',
} as const;
