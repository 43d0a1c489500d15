import * as z from 'zod/mini';
import { DAY_ORDERS, COLUMN_FIELDS, FAULTS, Reading } from '@quay/core/booking/reading';
import { FOLLOWED } from '@quay/core/booking/incoming';
import { endpoint } from './endpoint';
import { SomeDays } from './hire';
import { Id, Instant, nothing, Sha256 } from './parts';

/** Bookings from elsewhere, tables and calendars, and bookings for elsewhere. */

/** No season’s bookings are larger, bytes. */
export const INCOMING_LIMIT_BYTES = 8 * 1024 * 1024;

const Address = z.string().check(z.maxLength(2000), z.regex(/^(https?|webcal):\/\/\S+$/i, 'no address of the web'));
/** A feed is asked for so often, min. */
export const FEED_MINUTES = [15, 30, 60, 240, 1440] as const;

const Outcome = z.object({
  at: Instant,
  is: z.enum(['loaded', 'same', 'failed']),
  /** Of one that failed: why. */
  why: z.string(),
  new: z.int(),
  changed: z.int(),
  cancelled: z.int(),
  /** Those that somebody has to look at. */
  conflicts: z.int(),
  gone: z.int(),
  faults: z.int(),
});
export type Outcome = z.infer<typeof Outcome>;

const Source = z.object({
  id: Id,
  name: z.string(),
  reading: Reading,
  /** Where it is fetched from; none of one that somebody brings. */
  address: z.nullable(z.string()),
  everyMinutes: z.nullable(z.int()),
  last: z.nullable(Outcome),
  hires: z.int(),
});
export type Source = z.infer<typeof Source>;

const Looked = z.discriminatedUnion('kind', [
  z.object({
    kind: z.literal('table'),
    heads: z.array(z.string()),
    /** The first rows, a cell a column. */
    samples: z.array(z.array(z.string())),
    rows: z.int(),
    columns: z.partialRecord(z.enum(COLUMN_FIELDS), z.string()),
    /** None where no day shows which figure is which. */
    days: z.nullable(z.enum(DAY_ORDERS)),
  }),
  z.object({ kind: z.literal('calendar'), name: z.string(), events: z.int() }),
]);
const Look = z.object({
  /** The file as it is kept until it is loaded. */
  file: Sha256,
  looked: Looked,
  /** Another one of which was read before. */
  source: z.nullable(Source),
});
export type Look = z.infer<typeof Look>;

export const lookAtFile = endpoint({
  name: 'lookAtFile',
  summary: 'Keeps a table or calendar for a day and says what it is.',
  method: 'POST',
  path: '/incoming',
  roles: ['manager'],
  params: nothing,
  query: z.object({ name: z.string().check(z.maxLength(200)) }),
  body: nothing,
  takesBytes: true,
  reply: Look,
});

export const lookAtAddress = endpoint({
  name: 'lookAtAddress',
  summary: 'Fetches a calendar from an address, keeps it for a day and says what it is.',
  method: 'POST',
  path: '/incoming/address',
  roles: ['manager'],
  params: nothing,
  query: nothing,
  body: z.object({ address: Address }),
  reply: Look,
});

const PreviewRow = z.object({
  key: z.string(),
  is: z.enum(['new', 'changed', 'cancelled', 'same', 'past', 'gone', 'conflict']),
  why: z.nullable(z.enum(['taken', 'overPlate', 'tooLong', 'backwards', 'longPast', 'changedHere', 'begun'])),
  /** Who is in its way. */
  with: z.array(z.string()),
  changes: z.array(z.enum(FOLLOWED)),
  hire: z.nullable(Id),
  boat: z.nullable(Id),
  renter: z.string(),
  from: z.nullable(Instant),
  to: z.nullable(Instant),
});
export type PreviewRow = z.infer<typeof PreviewRow>;

export const Preview = z.object({
  /** Of all that would be done: what is loaded is what was seen, or nothing. */
  digest: Sha256,
  counts: z.object({ new: z.int(), changed: z.int(), cancelled: z.int(), same: z.int(), past: z.int(), gone: z.int(), conflict: z.int() }),
  /** What would be done and what cannot be, the first of them. */
  rows: z.array(PreviewRow),
  faults: z.array(z.object({ at: z.string(), is: z.enum(FAULTS), text: z.string() })),
  faultCount: z.int(),
  /** What boats are called there that are none of ours, and how often. */
  unknownBoats: z.array(z.object({ text: z.string(), count: z.int() })),
  boats: z.array(z.object({ id: Id, name: z.string() })),
});
export type Preview = z.infer<typeof Preview>;

const fileParams = z.object({ file: Sha256 });
const sourceId = z.optional(Id);

export const previewIncoming = endpoint({
  name: 'previewIncoming',
  summary: 'What a kept file would change of the bookings, read in some way. Nothing is changed.',
  method: 'POST',
  path: '/incoming/:file/preview',
  roles: ['manager'],
  params: fileParams,
  query: nothing,
  body: z.object({ source: sourceId, reading: Reading }),
  reply: Preview,
});

export const loadIncoming = endpoint({
  name: 'loadIncoming',
  summary: 'Takes over what was previewed, all of it or nothing; remembers how it was read, and fetches it again where that is wished.',
  method: 'POST',
  path: '/incoming/:file/load',
  roles: ['manager'],
  params: fileParams,
  query: nothing,
  body: z.object({
    source: sourceId,
    name: z.string().check(z.minLength(1), z.maxLength(80)),
    reading: Reading,
    digest: Sha256,
    /** Cancels also what is not there any more. */
    cancelGone: z.boolean(),
    feed: z.optional(z.object({ address: Address, everyMinutes: z.literal(FEED_MINUTES) })),
  }),
  reply: z.object({ source: Source, outcome: Outcome }),
});

export const listSources = endpoint({
  name: 'listSources',
  summary: 'Where bookings come from: tables and calendars that were read before, and feeds.',
  method: 'GET',
  path: '/sources',
  roles: ['manager'],
  params: nothing,
  query: nothing,
  body: nothing,
  reply: z.object({ sources: z.array(Source) }),
});

const sourceParams = z.object({ sourceId: Id });
export const fetchSource = endpoint({
  name: 'fetchSource',
  summary: 'Fetches a feed now.',
  method: 'POST',
  path: '/sources/:sourceId/fetch',
  roles: ['manager'],
  params: sourceParams,
  query: nothing,
  body: nothing,
  reply: Source,
});

export const dropSource = endpoint({
  name: 'dropSource',
  summary: 'A source is read no more; its hires stay.',
  method: 'DELETE',
  path: '/sources/:sourceId',
  roles: ['manager'],
  params: sourceParams,
  query: nothing,
  body: nothing,
  reply: z.object({ ok: z.literal(true) }),
});

const CalendarAddress = z.object({
  id: Id,
  /** The boat whose hires they are; all of the base's where there is none. */
  boat: z.nullable(Id),
  base: Id,
  /** Whether renters are named in it. */
  names: z.boolean(),
  madeAt: Instant,
  askedAt: z.nullable(Instant),
});
export type CalendarAddress = z.infer<typeof CalendarAddress>;

export const listAddresses = endpoint({
  name: 'listAddresses',
  summary: 'Addresses under which others read the bookings as a calendar.',
  method: 'GET',
  path: '/calendar-addresses',
  roles: ['manager'],
  params: nothing,
  query: nothing,
  body: nothing,
  reply: z.object({
    addresses: z.array(CalendarAddress),
    bases: z.array(z.object({ id: Id, name: z.string(), zone: z.string(), boats: z.array(z.object({ id: Id, name: z.string() })) })),
  }),
});

export const makeAddress = endpoint({
  name: 'makeAddress',
  summary: 'A new address of a calendar. Its token is told this once.',
  method: 'POST',
  path: '/calendar-addresses',
  roles: ['manager'],
  params: nothing,
  query: nothing,
  body: z.object({ base: Id, boat: z.nullable(Id), names: z.boolean() }),
  reply: z.object({ address: CalendarAddress, token: z.string() }),
});

export const withdrawAddress = endpoint({
  name: 'withdrawAddress',
  summary: 'Nobody reads a calendar under this address any more.',
  method: 'DELETE',
  path: '/calendar-addresses/:id',
  roles: ['manager'],
  params: z.object({ id: Id }),
  query: nothing,
  body: nothing,
  reply: z.object({ ok: z.literal(true) }),
});

export const readCalendar = endpoint({
  name: 'readCalendar',
  summary: 'The bookings of a base or boat as iCalendar, for whoever has the address.',
  method: 'GET',
  path: '/calendars/:token',
  roles: 'open',
  params: z.object({ token: z.string().check(z.regex(/^[\w-]{22}(\.ics)?$/)) }),
  query: nothing,
  body: nothing,
  gives: 'text/calendar',
  reply: z.unknown(),
});

export const bookingsCsv = endpoint({
  name: 'bookingsCsv',
  summary: 'The bookings of some days of a base as a table.',
  method: 'GET',
  path: '/bookings.csv',
  roles: ['manager'],
  params: nothing,
  query: SomeDays,
  body: nothing,
  gives: 'text/csv',
  reply: z.unknown(),
});
