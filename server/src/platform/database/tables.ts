import type { Comparison } from '@quay/contract/compare';
import type { SealState } from '@quay/contract/hire';
import type { HireState } from '@quay/core/day/board';
import type { Handover } from '@quay/core/policy/policy';
import type { Walk } from '@quay/core/events/parts';
import type { Knex } from 'knex';
import type * as z from 'zod';

/**
 * The tables as the last migration leaves them: what each row holds, so that no query's answer needs to be told what it is.
 * Instants are ISO texts, `body` and its like JSON.
 */

type Setting = { key: string; value: string };
type Person = { id: string; salt: string; name: string; contact: string };
type StaffMember = {
  id: string;
  name: string;
  nameFolded: string;
  role: 'hand' | 'manager';
  secret: string;
  withdrawnAt: string | null;
  version: number;
  /** JSON: languages they speak with renters. */
  languages: string;
  /** JSON: bases they work at; of none, at every one. */
  bases: string;
};
type Device = {
  id: string;
  name: string;
  token: string;
  /** SQLite has no truth values, and takes them all the same. */
  enrolled: 0 | 1;
  createdAt: string;
  seenAt: string | null;
  withdrawnAt: string | null;
  key: string | null;
  keyFingerprint: string | null;
};
type Enrolment = { code: string; expiresAt: string; madeBy: string };
type Session = {
  token: string;
  staff: string;
  device: string;
  grant: string;
  expiresAt: string;
  grantExpiresAt: string;
  endedAt: string | null;
};
type Base = { id: string; name: string; zone: string; body: string; version: number; madeAt: string | null; madeBy: string | null };
type Waters = { id: string; name: string; body: string; version: number };
type Boat = {
  id: string;
  name: string;
  hullNumber: string;
  base: string;
  bookVersion: number;
  lastSeal: string | null;
  waters: string;
};
type BookVersion = {
  boat: string;
  version: number;
  digest: string;
  classBook: string;
  boatBook: string;
  resolved: string;
  /** So many her plate allows. */
  people: number;
  madeAt: string | null;
  madeBy: string | null;
};
type PriceListVersion = {
  version: number;
  digest: string;
  body: string;
  madeAt: string | null;
  madeBy: string | null;
  /** Local day from which it holds; nothing: as long as there has been a list. */
  validFrom: string | null;
  withdrawnAt: string | null;
};
export type HireRow = {
  id: string;
  boat: string;
  base: string;
  renter: string;
  language: string;
  adults: number;
  children: number;
  from: string;
  to: string;
  depositMinor: number;
  notes: string;
  version: number;
  bookVersion: number | null;
  priceVersion: number;
  state: HireState;
  castOffAt: string | null;
  cameInAt: string | null;
  hold: string | null;
  attention: string | null;
  seenSeq: number;
  handover: Handover;
  openLines: number;
  holdEndsAt: string | null;
  /** JSON of `Broken`, of a hire whose record cannot be read. */
  broken: string | null;
  asides: number;
  openWork: number;
  /** Booked where there was no signal, and taken although somebody else had the boat then. */
  clashed: 0 | 1;
};
type StoredEvent = {
  seq: number;
  id: string;
  hire: string;
  digest: string;
  content: string;
  actor: string;
  role: 'hand' | 'manager' | 'renter' | 'quay';
  device: string;
  receivedAt: string;
  behindMs: number;
  weight: number;
  asideAt: string | null;
  asideBy: string | null;
  asideWhy: string | null;
};
type Photo = {
  hire: string;
  sha: string;
  media: string;
  bytes: number;
  width: number;
  height: number;
  receivedAt: string;
  role: string | null;
};
type PhotoPart = { hire: string; sha: string; device: string; role: string; size: number; touchedAt: string };
type Seal = {
  event: string;
  hire: string;
  walk: Walk;
  root: string;
  state: z.infer<typeof SealState>['state'];
  receivedAt: string;
  signature: string | null;
  key: string | null;
};
type StatementMade = { number: number; hire: string; corrects: number | null; digest: string; body: string; closedAt: string };
type Versioned = { id: string; body: string; version: number };
type ClassBookVersion = Versioned & { madeAt: string | null; madeBy: string | null };
type PastBook = { shelf: string; book: string; version: number; body: string; madeAt: string | null; madeBy: string | null };
type Sheet = { hire: string; sha: string; body: string; receivedAt: string };
type RenterLink = { token: string; hire: string; madeBy: string; createdAt: string; expiresAt: string; withdrawnAt: string | null };
type RenterSession = { token: string; link: string; hire: string; device: string; expiresAt: string };
type KeyCode = { hire: string; code: string; setBy: string; setAt: string };
type ComparisonJob = {
  hire: string;
  surface: string;
  out: string;
  back: string;
  state: Comparison['state'];
  attempts: number;
  leaseUntil: string | null;
  reason: string | null;
  boxes: string | null;
};
/** What a person made of a box on a photograph of a boat's surface; `box` is its name on that photograph. */
export type JudgedBoxRow = {
  hire: string;
  back: string;
  box: string;
  boat: string;
  surface: string;
  strength: number;
  flaw: 0 | 1;
  forgotten: 0 | 1;
};
/** `report`: JSON of what the track shows; the fixes themselves are not kept. */
export type TrackRow = { id: string; hire: string; name: string; addedAt: string; addedBy: string; report: string };
type AttentionAside = { key: string; by: string; at: string };
export type OutOfServiceRow = {
  id: string;
  boat: string;
  from: string;
  to: string | null;
  why: string;
  madeBy: string;
  madeAt: string;
};
type IncomingFile = { sha: string; name: string; bytes: Buffer; at: string };
export type BookingSourceRow = {
  id: string;
  name: string;
  /** JSON of `Reading`. */
  reading: string;
  heads: string | null;
  address: string | null;
  everyMinutes: number | null;
  etag: string | null;
  checkedAt: string | null;
  /** JSON of the last `Outcome`. */
  last: string | null;
  madeAt: string;
  madeBy: string;
  withdrawnAt: string | null;
};
/** Which hire a booking of elsewhere became; `was` is JSON of what it said when it was taken last. */
type BookingFrom = { source: string; key: string; hire: string; sequence: number; was: string };
export type CalendarAddressRow = {
  id: string;
  token: string;
  base: string;
  boat: string | null;
  names: 0 | 1;
  madeAt: string;
  madeBy: string;
  askedAt: string | null;
  withdrawnAt: string | null;
};
type ToTranslate = { book: string; texts: string };

type NullableIn<R> = { [K in keyof R]-?: null extends R[K] ? K : never }[keyof R];
/** A new row: what has a value of its own when nothing is said may be left out. */
type Row<R, Own extends keyof R = never> = Omit<R, Own | NullableIn<R>> & Partial<Pick<R, Own | NullableIn<R>>>;
type Change<R> = { [K in keyof R]?: R[K] | Knex.Raw };
type Table<R extends object, Own extends keyof R = never> = Knex.CompositeTableType<R, Row<R, Own>, Change<R>>;

declare module 'knex/types/tables' {
  interface Tables {
    setting: Table<Setting>;
    person: Table<Person, 'contact'>;
    staff: Table<StaffMember, 'version' | 'languages' | 'bases'>;
    device: Knex.CompositeTableType<Device, Row<Omit<Device, 'enrolled'>> & { enrolled: boolean }, Change<Device>>;
    enrolment: Table<Enrolment>;
    session: Table<Session>;
    base: Table<Base, 'version'>;
    waters: Table<Waters, 'version'>;
    boat: Table<Boat, 'waters'>;
    book: Table<BookVersion>;
    priceList: Table<PriceListVersion>;
    hire: Table<HireRow, 'notes' | 'version' | 'state' | 'seenSeq' | 'handover' | 'openLines' | 'asides' | 'openWork' | 'clashed'>;
    incomingFile: Table<IncomingFile>;
    bookingSource: Table<BookingSourceRow>;
    bookingFrom: Table<BookingFrom>;
    calendarAddress: Table<CalendarAddressRow>;
    event: Table<StoredEvent, 'seq' | 'weight'>;
    photo: Table<Photo>;
    photoPart: Table<PhotoPart>;
    seal: Table<Seal>;
    statement: Table<StatementMade>;
    rules: Table<Versioned, 'version'>;
    classBook: Table<ClassBookVersion, 'version'>;
    pastBook: Table<PastBook>;
    sheet: Table<Sheet>;
    renterLink: Table<RenterLink>;
    renterSession: Table<RenterSession>;
    keyCode: Table<KeyCode>;
    comparison: Table<ComparisonJob>;
    judgedBox: Table<JudgedBoxRow, 'forgotten'>;
    track: Table<TrackRow>;
    attentionAside: Table<AttentionAside>;
    toTranslate: Table<ToTranslate>;
    outOfService: Table<OutOfServiceRow>;
  }
}
