import type { EventBody, StoredHireEvent } from '@quay/core/record/event';
import { type HireRecord } from '@quay/core/events/record';
import type { Knex } from 'knex';
import { LRUCache } from 'lru-cache';
import type { Actor } from '@quay/core/events/stored';
import { project } from '@quay/core/record/project';
import { readEvent } from '@quay/core/record/readEvent';
import { BrokenRecord, readingRecord } from '../../platform/database/broken';

/** A row of `event`: the event as it was signed, who made it, what its delivery showed, and whether a manager set it aside. */
export type EventRow = {
  seq: number;
  id: string;
  hire: string;
  digest: string;
  content: string;
  actor: string;
  role: Actor['role'];
  device: string;
  receivedAt: string;
  behindMs: number;
  weight: number;
  asideAt: string | null;
  asideBy: string | null;
  asideWhy: string | null;
};

const toHeld = (row: EventRow): StoredHireEvent => {
  const read = readEvent(JSON.parse(row.content));
  if (!read.ok) throw new BrokenRecord(row.hire, `event ${row.id} cannot be read: ${read.reason} ${read.detail}`, row.id);
  return { event: read.event, actor: { id: row.actor, role: row.role }, receivedAt: row.receivedAt, behindMs: row.behindMs };
};

export const PAGE = 1000;

/** Events of a hire after a cursor as they were signed, those set aside as well, which are named. */
export const eventsAfter = async (
  db: Knex,
  hire: string,
  after: number,
): Promise<{ rows: { event: unknown; actor: Actor; receivedAt: string; behindMs: number }[]; cursor: number; more: boolean }> => {
  const rows = await db('event')
    .where({ hire })
    .where('seq', '>', after)
    .orderBy('seq')
    .limit(PAGE + 1);
  const page = rows.slice(0, PAGE);
  return {
    rows: page.map((row) => ({
      event: JSON.parse(row.content) as unknown,
      actor: { id: row.actor, role: row.role },
      receivedAt: row.receivedAt,
      behindMs: row.behindMs,
    })),
    cursor: page[page.length - 1]?.seq ?? after,
    more: rows.length > PAGE,
  };
};

/** An event that a manager took out of the record: it stays where it is, with who did it and why. */
export type Aside = { id: string; at: string; by: string; why: string };

/** Ids of the events of a hire that were set aside; the hire itself says whether there are any. */
export const asideOf = async (db: Knex, hire: string): Promise<string[]> => {
  const found = await db('hire').where({ id: hire }).first('asides');
  if (!found || found.asides === 0) return [];
  return (await db('event').where({ hire }).whereNotNull('asideAt').select('id')).map(({ id }) => id);
};

export type Whole = {
  /** Events that make the record, in the order in which they were taken. */
  stored: StoredHireEvent[];
  record: HireRecord<EventBody>;
  /** Digests of every stored event by id, those set aside included: seals over them can still be checked. */
  digests: ReadonlyMap<string, string>;
  aside: Aside[];
  /** The last event looked at. */
  seq: number;
};

/** So many events are kept read in memory: some hundred hires of a usual length. */
const KEPT_EVENTS = 100_000;

type Read = Whole & { /** How often something of the hire was set aside or taken back. */ asides: number };
const caches = new WeakMap<object, LRUCache<string, Read>>();
const cacheOf = (db: Knex): LRUCache<string, Read> => {
  // A transaction has a face of its own; the client behind it is the connection's.
  const key = db.client as object;
  const known = caches.get(key);
  if (known) return known;
  const made = new LRUCache<string, Read>({ maxSize: KEPT_EVENTS, sizeCalculation: ({ stored: held }) => held.length + 1 });
  caches.set(key, made);
  return made;
};

/**
 * All events of a hire and what they come to. What was read before is not read again: only what has come since.
 * @throws BrokenRecord
 */
export const wholeRecord = async (db: Knex, hire: string): Promise<Whole> => {
  const found = await db('hire').where({ id: hire }).first('asides');
  const asides = found?.asides ?? 0;
  // What stands in a transaction may never have been: it is read there, and not remembered.
  const remembered = db.isTransaction ? undefined : cacheOf(db);
  const before = remembered?.get(hire);
  const known = before?.asides === asides ? before : undefined;
  const rows = await db('event')
    .where({ hire })
    .where('seq', '>', known?.seq ?? 0)
    .orderBy('seq');
  if (known && rows.length === 0) return known;
  const stored = [...(known?.stored ?? []), ...rows.filter(({ asideAt }) => asideAt === null).map(toHeld)];
  const digests = new Map(known?.digests);
  for (const { id, digest } of rows) digests.set(id, digest);
  const aside = rows.flatMap(({ id, asideAt, asideBy, asideWhy }) =>
    asideAt === null ? [] : [{ id, at: asideAt, by: asideBy ?? '', why: asideWhy ?? '' }],
  );
  const whole: Read = {
    stored,
    record: readingRecord(hire, () => project(stored)),
    digests,
    aside: [...(known?.aside ?? []), ...aside],
    seq: rows[rows.length - 1]?.seq ?? 0,
    asides,
  };
  remembered?.set(hire, whole);
  return whole;
};
