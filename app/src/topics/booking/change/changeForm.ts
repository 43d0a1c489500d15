import { LONGEST_HIRE_DAYS } from '@quay/core/booking/limits';
import type { BodyOf } from '@quay/contract/endpoint';
import type { changeHire } from '@quay/contract/change';
import { CHANGE_REASONS } from '@quay/core/booking/events';
import type { HirePack } from '@quay/contract/hire';
import { POLICIES } from '@quay/core/policy/policy';
import { writeMinor } from '@quay/core/money/minor';
import { writeDay } from '@quay/core/time/typedDay';
import { clockOf, dateOf, instantOf } from '@quay/core/time/zone';
import { LANGUAGES } from '@quay/core/words/words';
import * as z from 'zod/mini';
import * as typed from '../../../ui/controls/typed';
import { sumOf } from '../../settlement/SumField';
import { contactField } from '../newHire/newHireForm';

/** A booking that is changed, as it is typed, and what of it differs from what was booked. */

/** So many of a party at most, as the contract has it. */
const MOST = 60;

/** @param zone of the base, whose clocks are meant @param currency of the deposit */
export const changeForm = (zone: string, currency: string) =>
  z
    .object({
      fromDate: typed.day('change.badDay'),
      fromClock: typed.clock('change.badClock'),
      date: typed.day('change.badDay'),
      clock: typed.clock('change.badClock'),
      adults: typed.number({ from: 1, to: MOST, whole: true }, 'change.badAdults'),
      children: typed.number({ from: 0, to: MOST, whole: true }, 'change.badChildren'),
      boat: z.string(),
      renter: typed.words(80, 'newHire.renterWanted'),
      contact: contactField,
      language: z.enum(LANGUAGES),
      handover: z.enum(POLICIES.handover),
      deposit: z.string().check(z.refine((text) => sumOf(text, currency) !== undefined, 'settle.badSum')),
      notes: z.string().check(z.maxLength(2000)),
      why: z.optional(z.enum(CHANGE_REASONS)),
      note: z.string().check(z.maxLength(1000)),
    })
    .check((context) => {
      const { fromDate, fromClock, date, clock } = context.value;
      const [from, to] = [instantOf(`${fromDate}T${fromClock}`, zone), instantOf(`${date}T${clock}`, zone)];
      const no = (message: string) => context.issues.push({ code: 'custom', path: ['date'], message, input: date });
      if (to <= from) no('change.beforeStart');
      else if (Date.parse(to) - Date.parse(from) > LONGEST_HIRE_DAYS * 86_400_000) no('newHire.tooLong');
    });
type Schema = ReturnType<typeof changeForm>;
export type Changed = z.output<Schema>;

/** A booking as it stands, in the fields of its form. */
export const bookedAs = ({ hire, base, prices }: Pick<HirePack, 'hire' | 'base' | 'prices'>): z.input<Schema> => ({
  fromDate: writeDay(dateOf(hire.from, base.zone)),
  fromClock: clockOf(hire.from, base.zone),
  date: writeDay(dateOf(hire.to, base.zone)),
  clock: clockOf(hire.to, base.zone),
  adults: String(hire.party.adults),
  children: String(hire.party.children),
  boat: hire.boat,
  renter: hire.renter,
  contact: hire.contact,
  language: LANGUAGES.find((one) => one === hire.language) ?? 'en',
  handover: hire.handover,
  deposit: writeMinor(hire.depositMinor, prices.currency),
  notes: hire.notes,
  note: '',
});

/** To the minute: a clock shows no seconds, and what was not touched stays as it was. */
const sameMinute = (a: string, b: string) => Math.floor(Date.parse(a) / 60_000) === Math.floor(Date.parse(b) / 60_000);

/** What of a booking is otherwise than it was. */
export const changesOf = (
  entered: Changed,
  { hire, base, prices }: Pick<HirePack, 'hire' | 'base' | 'prices'>,
): BodyOf<typeof changeHire> => {
  const from = instantOf(`${entered.fromDate}T${entered.fromClock}`, base.zone);
  const to = instantOf(`${entered.date}T${entered.clock}`, base.zone);
  const party = { adults: entered.adults, children: entered.children };
  const depositMinor = sumOf(entered.deposit, prices.currency);
  return {
    ...(sameMinute(from, hire.from) ? {} : { from }),
    ...(sameMinute(to, hire.to) ? {} : { to }),
    ...(party.adults === hire.party.adults && party.children === hire.party.children ? {} : { party }),
    ...(entered.boat === hire.boat ? {} : { boat: entered.boat }),
    ...(entered.renter.trim() === hire.renter ? {} : { renter: entered.renter.trim() }),
    ...(entered.contact.trim() === hire.contact ? {} : { contact: entered.contact.trim() }),
    ...(entered.language === hire.language ? {} : { language: entered.language }),
    ...(entered.handover === hire.handover ? {} : { handover: entered.handover }),
    ...(depositMinor === undefined || depositMinor === hire.depositMinor ? {} : { depositMinor }),
    ...(entered.notes.trim() === hire.notes ? {} : { notes: entered.notes.trim() }),
  };
};
