import * as z from 'zod/mini';
import { Clock } from '../time/calendar';

/** How bookings from elsewhere are to be read: which of their words is which boat, which column is what. */

const Name = z.string().check(z.minLength(1), z.maxLength(200));
const Id = z.string().check(z.regex(/^[a-z0-9][a-z0-9-]{0,63}$/i));

/** What a column of a table may hold. */
export const COLUMN_FIELDS = [
  'key',
  'boat',
  'from',
  'fromClock',
  'to',
  'toClock',
  'hours',
  'renter',
  'contact',
  'adults',
  'children',
  'people',
  'deposit',
  'notes',
  'language',
  'state',
] as const;
export type ColumnField = (typeof COLUMN_FIELDS)[number];

/** Which of two figures is the day, where a day is written with strokes or dots; years first are read as they are. */
export const DAY_ORDERS = ['dayFirst', 'monthFirst'] as const;
export type DayOrder = (typeof DAY_ORDERS)[number];

const shared = {
  /** The base whose clocks are meant. */
  base: Id,
  /** All of them are of this boat; else each says of which. */
  boat: z.nullable(Id),
  /** What a boat is called there, and which one that is here. */
  boats: z.record(Name, Id),
  /** When a hire begins and ends that is given by its days alone. */
  clocks: z.object({ from: Clock, to: Clock }),
  /** So many come where nobody says. */
  adults: z.int().check(z.gte(1), z.lte(60)),
};

export const TableReading = z.object({
  ...shared,
  kind: z.literal('table'),
  /** By the name at the head of the column. */
  columns: z.partialRecord(z.enum(COLUMN_FIELDS), Name),
  days: z.enum(DAY_ORDERS),
});
export type TableReading = z.infer<typeof TableReading>;

export const CalendarReading = z.object({ ...shared, kind: z.literal('calendar') });
export type CalendarReading = z.infer<typeof CalendarReading>;

export const Reading = z.discriminatedUnion('kind', [TableReading, CalendarReading]);
export type Reading = z.infer<typeof Reading>;

/** A booking as it was read, with its boat in their words. */
export type Raw = {
  key: string;
  sequence: number;
  /** When it was written, as far as it says. */
  stamp: string;
  cancelled: boolean;
  /** Where it stands: a line, an event. */
  at: string;
  /** In which the boat's name may stand, the likeliest first. */
  boatIn: string[];
  from: string;
  to: string;
  renter: string;
  contact: string;
  adults?: number | undefined;
  children?: number | undefined;
  notes: string;
  depositMinor?: number | undefined;
  language?: string | undefined;
};

export const FAULTS = [
  'noBoat',
  'noDay',
  'noClock',
  'skippedHour',
  'noEnd',
  'noRenter',
  'noPeople',
  'noSum',
  'twice',
  'ragged',
  'noZone',
  'zoneDiffers',
  'tooOften',
  'unreadable',
] as const;
/** One that cannot be taken, where it stands, and what stands there. */
export type ReadFault = { at: string; is: (typeof FAULTS)[number]; text: string };
