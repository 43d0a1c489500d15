import * as z from 'zod/mini';
import { Mark } from '@quay/core/condition/marks';
import { Base } from '@quay/core/fleet/base';
import { Book } from '@quay/core/fleet/book';
import { HandoverPolicy } from '@quay/core/fleet/handoverPolicy';
import { POLICIES } from '@quay/core/policy/policy';
import { Day as CalendarDay } from '@quay/core/time/calendar';
import { RuleSet } from '@quay/core/party/rules';
import { Waters } from '@quay/core/waters/zone';
import { HIRE_STATES } from '@quay/core/day/board';
import { PriceList } from '@quay/core/settlement/prices';
import { endpoint } from './endpoint';
import { Sheet } from './fit';
import { hireParams, Id, Instant, nothing, Sha256 } from './parts';

export const Hire = z.object({
  id: Id,
  boat: Id,
  base: Id,
  renter: z.string(),
  /** Number or mail of whoever hires. */
  contact: z.string(),
  language: z.string(),
  handover: z.enum(POLICIES.handover),
  party: z.object({ adults: z.int().check(z.gte(1), z.lte(60)), children: z.int().check(z.gte(0), z.lte(60)) }),
  from: Instant,
  to: Instant,
  depositMinor: z.int().check(z.gte(0)),
  notes: z.string(),
  version: z.int(),
});
export type Hire = z.infer<typeof Hire>;

export const SealState = z.object({
  walk: z.enum(['out', 'in']),
  root: Sha256,
  receivedAt: Instant,
  state: z.enum(['countersigned', 'waiting', 'rootDiffers', 'badSignature']),
  signature: z.nullable(z.string()),
  key: z.nullable(Sha256),
  /** So many of the entries it covers a manager has set aside since. */
  aside: z.int().check(z.gte(0)),
});

const defect = { hire: Id, key: z.string(), station: z.optional(Id) };
const Defect = z.discriminatedUnion('is', [
  z.object({ ...defect, is: z.literal('repair'), mark: Mark }),
  z.object({ ...defect, is: z.literal('said'), note: z.string() }),
  z.object({ ...defect, is: z.literal('thing'), thing: z.string() }),
]);

/** Everything a phone needs to walk this hire without signal. */
export const HirePack = z.object({
  hire: Hire,
  boat: z.object({ id: Id, name: z.string(), hullNumber: z.string() }),
  base: Base,
  waters: z.nullable(Waters),
  /** The rules that hold on these waters; none where nobody named any, and then nobody is fitted. */
  rules: z.nullable(RuleSet),
  operator: z.extend(HandoverPolicy, { name: z.string() }),
  /** When this renter was last told a point, on any boat of a class of hers: point → ISO instant. */
  briefedBefore: z.record(z.string(), Instant),
  /** Who is aboard, by the digest that events name. */
  sheets: z.array(Sheet),
  book: Book,
  bookVersion: z.int(),
  /** What the boat's last record leaves to this hire; nothing for a boat that has none. */
  before: z.optional(
    z.object({
      /** Not named to a renter. */
      hire: z.nullable(Id),
      marks: z.array(Mark),
      shown: z.record(z.string(), z.number()),
      pictures: z.record(z.string(), Sha256),
      /** What earlier hires left that holds the boat until it is done. */
      defects: z.array(Defect),
    }),
  ),
  /** Another hire that has the boat now. To a renter neither is named. */
  away: z.nullable(z.object({ hire: z.string(), renter: z.string(), castOffAt: Instant, due: Instant })),
  prices: PriceList,
  /** The boat's last seal, which the next one takes in. */
  previousSeal: z.nullable(Sha256),
  seals: z.array(SealState),
  /** Salts of the commitments that signatures on this hire carry. */
  signerSalt: z.string(),
  statementNumber: z.nullable(z.int()),
});
export type HirePack = z.infer<typeof HirePack>;

export const getHire = endpoint({
  name: 'getHire',
  summary: 'One hire with its boat’s book in the version its walk began with.',
  method: 'GET',
  path: '/hires/:hireId',
  roles: ['hand', 'manager', 'renter'],
  params: hireParams,
  query: nothing,
  body: nothing,
  reply: HirePack,
});

/** What somebody left, on some hire of the boat, to whoever takes her in hand next. */
const BoatNote = z.object({ id: z.string(), hire: Id, by: z.string(), at: Instant, text: z.string() });
export type BoatNote = z.infer<typeof BoatNote>;

export const boatNotes = endpoint({
  name: 'boatNotes',
  summary: 'What was noted about the boat of this hire on it and on the few before it, the newest first.',
  method: 'GET',
  path: '/hires/:hireId/notes',
  roles: ['hand', 'manager'],
  params: hireParams,
  query: nothing,
  body: nothing,
  reply: z.object({ notes: z.array(BoatNote) }),
});

export const closeHire = endpoint({
  name: 'closeHire',
  summary: 'Closes the hire: numbers the statement and seals the record in one transaction.',
  method: 'POST',
  path: '/hires/:hireId/close',
  roles: ['hand', 'manager'],
  params: hireParams,
  query: nothing,
  /** The statement as it was shown; when the record says otherwise by now, nothing is closed. */
  body: z.object({ totalMinor: z.int(), events: z.int().check(z.gte(0)) }),
  reply: z.object({ number: z.int(), digest: Sha256 }),
});

export const statementPdf = endpoint({
  name: 'statementPdf',
  summary: 'The statement on paper; a draft until the hire is closed.',
  method: 'GET',
  path: '/hires/:hireId/statement.pdf',
  roles: ['hand', 'manager', 'renter'],
  params: hireParams,
  /** Of a hire with several, the one with this number; else the first. */
  query: z.object({ number: z.optional(z.string().check(z.regex(/^\d{1,9}$/))) }),
  body: nothing,
  gives: 'application/pdf',
  reply: z.unknown(),
});

export const DayHire = z.object({
  id: Id,
  boat: z.string(),
  renter: z.string(),
  party: z.int(),
  from: Instant,
  to: Instant,
  state: z.enum(HIRE_STATES),
  castOffAt: z.nullable(Instant),
  cameInAt: z.nullable(Instant),
  hold: z.nullable(z.string()),
  broken: z.boolean(),
  openWork: z.int(),
});
export const Day = z.object({
  now: Instant,
  base: z.object({ id: Id, name: z.string(), zone: z.string() }),
  bases: z.array(z.object({ id: Id, name: z.string() })),
  hires: z.array(DayHire),
});
export type Day = z.infer<typeof Day>;

export const getDay = endpoint({
  name: 'getDay',
  summary: 'The hires of a base around today: coming, out, in.',
  method: 'GET',
  path: '/day',
  roles: ['hand', 'manager'],
  params: nothing,
  query: z.object({ base: z.optional(Id) }),
  body: nothing,
  reply: Day,
});

/** So many days at most are asked for at once. */
const BOOKING_DAYS = 62;
/** Some days of a base, from the first up to (not with) the last. */
export const SomeDays = z
  .object({ base: z.optional(Id), from: CalendarDay, to: CalendarDay })
  .check(z.refine(({ from, to }) => from < to && Date.parse(to) - Date.parse(from) <= BOOKING_DAYS * 86_400_000, 'not so many days'));
export const getBookings = endpoint({
  name: 'getBookings',
  summary: 'The hires of a base that touch some of its days, from the first up to (not with) the last.',
  method: 'GET',
  path: '/bookings',
  roles: ['hand', 'manager'],
  params: nothing,
  query: SomeDays,
  body: nothing,
  reply: Day,
});
