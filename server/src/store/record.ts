import { createPublicKey, hash, sign as signBytes, verify } from 'node:crypto';
import type { Knex } from 'knex';
import { stateOf } from '@quay/core/day/board';
import { Book } from '@quay/core/fleet/book';
import { canonical } from '@quay/core/record/canonical';
import type { EventKind, HireEvent } from '@quay/core/record/event';
import { type Actor, happenedAt, type Held } from '@quay/core/record/held';
import { mayAdd } from '@quay/core/record/mayAdd';
import { type HireRecord, project, slot } from '@quay/core/record/project';
import { standingsOf } from '@quay/core/settlement/correction';
import { ledgerOf } from '@quay/core/settlement/ledger';
import { checkSeal, countersignMessage, sealMessage } from '@quay/core/record/seal';
import { readEvent } from '@quay/core/record/upcast';
import { dayOfUse } from '@quay/core/record/handing';
import { holdsOf } from '@quay/core/record/hold';
import { dateOf } from '@quay/core/time/zone';
import type { Refusal } from '@quay/contract/record';
import { fitOfHire, openDrills } from './fit';
import type { QuayKey } from './setting';
import { deviceKeyOf } from './staff';
import { closedStatement } from './statement';

type EventRow = {
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
};

export type Delivery = {
  hire: string;
  device: string;
  actor: Actor;
  /** The walks that the renter of this hire makes without staff; none unless said. */
  alone?: { out: boolean; in: boolean };
  events: readonly unknown[];
  behindMs: number;
  now: string;
};
export type Taken = { held: string[]; refused: Refusal[] };

const idOf = (raw: unknown): string =>
  typeof raw === 'object' && raw !== null && typeof (raw as { id?: unknown }).id === 'string'
    ? (raw as { id: string }).id.slice(0, 64)
    : '?';

/** Reads a delivery: what fits, with its canonical content and digest, and what is refused, each with its reason. */
const sort = (delivery: Delivery): { fit: Fit[]; refused: Refusal[] } => {
  const refused: Refusal[] = [];
  const fit = delivery.events.flatMap((raw) => {
    const id = idOf(raw);
    const no = (reason: Refusal['reason'], detail: string) => {
      refused.push({ id, reason, detail });
      return [];
    };
    const read = readEvent(raw);
    if (!read.ok) return no(read.reason, read.detail);
    const { event } = read;
    if (event.stream !== delivery.hire) return no('otherHire', `it belongs to ${event.stream}`);
    if (event.device !== delivery.device) return no('otherDevice', 'it was made on another device');
    if (!mayAdd(delivery.actor.role, event.body, delivery.alone))
      return no('mayNot', `a ${delivery.actor.role} does not add ${event.body.kind}`);
    const content = canonical(raw);
    return [{ event, content, digest: hash('sha256', content) }];
  });
  return { fit, refused };
};

type Fit = { event: HireEvent; content: string; digest: string };

/** A renter corrects and undoes what a renter entered; what staff entered is answered with a remark, not replaced. */
const ownOnly = async (db: Knex, fit: Fit[], refused: Refusal[]): Promise<Fit[]> => {
  const named = [...new Set(fit.flatMap(({ event }) => event.replaces))];
  if (named.length === 0) return fit;
  const staffs = (await db('event').whereIn('id', named).whereNot({ role: 'renter' }).select('id')) as { id: string }[];
  const theirs = new Set(staffs.map(({ id }) => id));
  return fit.filter(({ event }) => {
    const others = event.replaces.some((id) => theirs.has(id));
    if (others) refused.push({ id: event.id, reason: 'mayNot', detail: 'a renter does not replace what staff entered' });
    return !others;
  });
};

/** What renters say of their statement is theirs to take back: nobody of the quay replaces or undoes it. */
const THEIR_WORD: readonly EventKind[] = ['lineAnswered', 'lineContested'];

const notOverruled = async (db: Knex, fit: Fit[], refused: Refusal[]): Promise<Fit[]> => {
  const named = [...new Set(fit.flatMap(({ event }) => event.replaces))];
  if (named.length === 0) return fit;
  const rows = (await db('event').whereIn('id', named).where({ role: 'renter' }).select('id', 'content')) as Pick<
    EventRow,
    'id' | 'content'
  >[];
  const theirs = new Set(
    rows.filter(({ content }) => THEIR_WORD.includes((JSON.parse(content) as HireEvent).body.kind)).map(({ id }) => id),
  );
  return fit.filter(({ event }) => {
    const overruled = event.replaces.some((id) => theirs.has(id));
    if (overruled) refused.push({ id: event.id, reason: 'mayNot', detail: 'nobody takes back what the renter said of a line' });
    return !overruled;
  });
};

const inserts = new Map<number, string>();
/**
 * One statement for so many rows, made once: building it anew costs more than running it. What a delivery shares is
 * bound once, each row brings id, digest and content. What is there already is left alone.
 */
const insertOf = (rows: number): string => {
  const made =
    inserts.get(rows) ??
    `insert into event (id, hire, digest, content, actor, role, device, "receivedAt", "behindMs")
     select column1, ?, column2, column3, ?, ?, ?, ?, ? from (values ${Array.from({ length: rows }, () => '(?, ?, ?)').join(', ')}) as one
     where true on conflict (id) do nothing`;
  inserts.set(rows, made);
  return made;
};

/**
 * Appends what has not been seen, in one statement, which is one transaction. Safe to repeat; the same id with other
 * content is refused. Everything that is read off the record is left to {@link refresh}: a delivery must be quick on a
 * thin line.
 */
export const appendEvents = async (db: Knex, delivery: Delivery): Promise<Taken> => {
  const { fit: sorted, refused } = sort(delivery);
  const fit = await (delivery.actor.role === 'renter' ? ownOnly : notOverruled)(db, sorted, refused);
  if (fit.length === 0) return { held: [], refused };
  const { hire, device, actor, now, behindMs } = delivery;
  // The first of an id in one delivery is tried; a second one is then judged against what is held.
  const first = new Map<string, (typeof fit)[number]>();
  for (const one of fit) if (!first.has(one.event.id)) first.set(one.event.id, one);
  const { changes } = (await db.raw(insertOf(first.size), [
    hire,
    actor.id,
    actor.role,
    device,
    now,
    behindMs,
    ...[...first.values()].flatMap(({ event, content, digest }) => [event.id, digest, content]),
  ])) as { changes: number };
  // All of them new, and each there once: nothing can stand for something else.
  if (changes === fit.length) return { held: fit.map(({ event }) => event.id), refused };
  const rows = (await db('event')
    .whereIn('id', [...first.keys()])
    .select('id', 'digest', 'hire')) as EventRow[];
  const there = new Map(rows.map((row) => [row.id, row]));
  const held: string[] = [];
  for (const { event, digest } of fit) {
    const row = there.get(event.id);
    if (row?.digest === digest && row.hire === hire) held.push(event.id);
    else refused.push({ id: event.id, reason: 'sameIdOtherContent', detail: 'this id already stands for something else' });
  }
  return { held, refused };
};

const toHeld = (row: EventRow): Held => {
  const read = readEvent(JSON.parse(row.content));
  if (!read.ok) throw new Error(`stored event ${row.id} cannot be read: ${read.reason} ${read.detail}`);
  return { event: read.event, actor: { id: row.actor, role: row.role }, receivedAt: row.receivedAt, behindMs: row.behindMs };
};

export const PAGE = 1000;

export const eventsAfter = async (
  db: Knex,
  hire: string,
  after: number,
): Promise<{ rows: { event: unknown; actor: Actor; receivedAt: string; behindMs: number }[]; cursor: number; more: boolean }> => {
  const rows = (await db('event')
    .where({ hire })
    .where('seq', '>', after)
    .orderBy('seq')
    .limit(PAGE + 1)) as EventRow[];
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

/** `seq` is the last event looked at. */
export type Whole = { held: Held[]; record: HireRecord; digests: Map<string, string>; seq: number };

/** All events of a hire and what they come to. */
export const wholeRecord = async (db: Knex, hire: string): Promise<Whole> => {
  const rows = (await db('event').where({ hire }).orderBy('seq')) as EventRow[];
  const held = rows.map(toHeld);
  return {
    held,
    record: project(held),
    digests: new Map(rows.map(({ id, digest }) => [id, digest])),
    seq: rows[rows.length - 1]?.seq ?? 0,
  };
};

type HireRow = { id: string; boat: string; base: string; from: string; bookVersion: number | null };

/** Book of a hire: the version its walk began with, or today's while it has not begun. */
export const bookOf = async (db: Knex, boat: string, version: number | undefined): Promise<{ book: Book; version: number } | undefined> => {
  const wanted =
    version ?? ((await db('boat').where({ id: boat }).first('bookVersion')) as { bookVersion: number } | undefined)?.bookVersion;
  const row =
    wanted === undefined
      ? undefined
      : ((await db('book').where({ boat, version: wanted }).first('laid', 'version')) as { laid: string; version: number } | undefined);
  // Books from before some lists were thought of are read for ever.
  return row && { book: Book.parse(JSON.parse(row.laid)), version: row.version };
};

const signatureFits = (spki: string, message: string, signature: string): boolean =>
  verify(
    'sha256',
    Buffer.from(message),
    { key: createPublicKey({ key: Buffer.from(spki, 'base64'), format: 'der', type: 'spki' }), dsaEncoding: 'ieee-p1363' },
    Buffer.from(signature, 'base64'),
  );

/** Judges the seals of a hire that are not countersigned yet, and countersigns those that fit. */
const judgeSeals = async (db: Knex, hire: HireRow, whole: Whole, key: QuayKey, now: string): Promise<number> => {
  const rows = (await db('seal').where({ hire: hire.id })) as { event: string; state: string }[];
  const done = new Map(rows.map(({ event, state }) => [event, state]));
  for (const held of whole.held) {
    const { body, id } = held.event;
    if (body.kind !== 'sealed' || done.get(id) === 'countersigned') continue;
    const check = checkSeal(body, whole.digests);
    const spki = await deviceKeyOf(db, body.key);
    const state = check.ok
      ? spki !== undefined && signatureFits(spki, sealMessage(hire.id, body.walk, body.root), body.signature)
        ? 'countersigned'
        : 'badSignature'
      : check.reason === 'eventsMissing'
        ? 'waiting'
        : 'rootDiffers';
    const signed =
      state === 'countersigned'
        ? signBytes(null, Buffer.from(countersignMessage(hire.id, body.walk, body.root, now)), key.sign).toString('base64')
        : null;
    await db('seal')
      .insert({
        event: id,
        hire: hire.id,
        walk: body.walk,
        root: body.root,
        state,
        receivedAt: now,
        signature: signed,
        key: signed && key.fingerprint,
      })
      .onConflict('event')
      .merge();
    done.set(id, state);
    if (state === 'countersigned') await db('boat').where({ id: hire.boat }).update({ lastSeal: body.root });
  }
  return [...done.values()].filter((state) => state !== 'countersigned').length;
};

/** When the first of what is still held of a deposit ends. */
const firstEnd = (record: HireRecord): string | null =>
  ledgerOf(record, 0)
    .authorisations.flatMap(({ stillHeldMinor, expiresAt }) => {
      const ends = Date.parse(expiresAt ?? '');
      return stillHeldMinor > 0 && Number.isFinite(ends) ? [new Date(ends).toISOString()] : [];
    })
    .sort()[0] ?? null;

/** Brings what is read off the record up to date: state, times, holds, seals, what a manager should see. */
export const refresh = async (db: Knex, hireId: string, key: QuayKey, now: string): Promise<Whole> => {
  const hire = (await db('hire').where({ id: hireId }).first('id', 'boat', 'base', 'from', 'bookVersion')) as HireRow;
  const whole = await wholeRecord(db, hireId);
  const { record } = whole;
  const seals = await judgeSeals(db, hire, whole, key, now);
  const book = await bookOf(db, hire.boat, record.bookVersion);
  const zone = ((await db('base').where({ id: hire.base }).first('zone')) as { zone: string }).zone;
  const state = stateOf((slotKey) => record.slots.has(slotKey));
  const waiting = state === 'booked' || state === 'walkingOut' || state === 'readyToGo';
  const left = slot(record, 'castOff', 'castOff');
  const day = left && !waiting ? dateOf(new Date(happenedAt(left.by)).toISOString(), zone) : dayOfUse({ hire, base: { zone } }, now);
  const looked = waiting || (left !== undefined && state !== 'closed');
  const fit = book && looked ? await fitOfHire(db, hireId, record, book.book, day) : undefined;
  const open = book && looked ? await openDrills(db, hireId, record, book.book) : [];
  const holds = book && looked ? holdsOf(record, book.book, day, fit, open) : [];
  const attention = {
    late: record.late.length,
    proposed: record.proposed.length,
    contradictions: record.contradictions.length,
    wrongClocks: record.wrongClocks.length,
    seals,
    // She left although something held her and no manager had let her go: a phone without signal could not know better.
    despite: waiting ? 0 : holds.filter(({ is }) => is !== 'contradiction').length,
  };
  const closed = state === 'closed' ? await closedStatement(db, hireId) : undefined;
  const at = (slotKey: 'castOff' | 'cameIn') => {
    const found = slot(record, slotKey, slotKey);
    return found ? new Date(Date.parse(found.by.event.at) + (found.by.behindMs ?? 0)).toISOString() : null;
  };
  await db('hire')
    .where({ id: hireId })
    .update({
      // Whatever arrived while we looked is newer than this, and is looked at the next time.
      seenSeq: whole.seq,
      state,
      castOffAt: at('castOff'),
      cameInAt: at('cameIn'),
      bookVersion: record.bookVersion ?? null,
      openLines: closed ? standingsOf(record, closed.statement).filter(({ open: isOpen }) => isOpen).length : 0,
      // Whether that is too early hangs on the day and is said when somebody looks.
      holdEndsAt: firstEnd(record),
      hold: waiting && holds.length > 0 ? JSON.stringify(holds[0]) : null,
      attention: Object.values(attention).some((n) => n > 0) ? JSON.stringify(attention) : null,
    });
  return whole;
};

/** Brings one hire up to date when something has come to it since it was last looked at. */
export const refreshIfStale = async (db: Knex, hireId: string, key: QuayKey, now: string): Promise<void> => {
  const [stale] = (await db.raw('select 1 from hire h join event e on e.hire = h.id and e.seq > h."seenSeq" where h.id = ? limit 1', [
    hireId,
  ])) as unknown[];
  if (stale !== undefined) await refresh(db, hireId, key, now);
};

/** Up to which event every hire has been looked at; in the database, so that a restart begins where it was. */
const LOOKED = 'lookedSeq';

/** Brings every hire up to date to which something has come since it was last looked at. */
export const refreshStale = async (db: Knex, key: QuayKey, now: string): Promise<void> => {
  const looked = Number(((await db('setting').where({ key: LOOKED }).first('value')) as { value: string } | undefined)?.value ?? 0);
  const rows = (await db.raw(
    'select e.hire as id, max(e.seq) as seq, h."seenSeq" as seen from event e join hire h on h.id = e.hire where e.seq > ? group by e.hire, h."seenSeq"',
    [looked],
  )) as { id: string; seq: number; seen: number }[];
  if (rows.length === 0) return;
  for (const { id, seq, seen } of rows) if (seq > seen) await refresh(db, id, key, now);
  await db('setting')
    .insert({ key: LOOKED, value: String(Math.max(...rows.map(({ seq }) => seq))) })
    .onConflict('key')
    .merge();
};

/** Looks again at hires whose seal could not be judged, since a key has been named. */
export const refreshUnsealed = async (db: Knex, key: QuayKey, now: string): Promise<void> => {
  const rows = (await db('seal').distinct('hire').whereNot({ state: 'countersigned' })) as { hire: string }[];
  for (const { hire } of rows) await refresh(db, hire, key, now);
};
