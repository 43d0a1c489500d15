import { hash } from 'node:crypto';
import type { Knex } from 'knex';
import { canonical } from '@quay/core/events/canonical';
import type { EventKind, HireEvent } from '@quay/core/record/event';
import { isManagers, mayAdd, namesTooMuch } from '@quay/core/record/mayAdd';
import { readEvent } from '@quay/core/record/readEvent';
import type { Refusal } from '@quay/contract/record';
import type { Delivery, Fit } from './delivered';
import { noteWeight, weightOf, withinQuota } from './quota';
import type { EventRow } from './record';
import { readHandoverPolicy } from '../../platform/database/setting';

export type Taken = { synced: string[]; refused: Refusal[] };

const idOf = (raw: unknown): string =>
  typeof raw === 'object' && raw !== null && typeof (raw as { id?: unknown }).id === 'string'
    ? (raw as { id: string }).id.slice(0, 64)
    : '?';

/** Reads a delivery: what fits, with its canonical content and digest, and what is refused, each with its reason. */
const validateDelivery = (delivery: Delivery): { fit: Fit[]; refused: Refusal[] } => {
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
    if (event.bookVersion > delivery.newestBook(event.boat)) return no('doesNotFit', `there is no book ${event.bookVersion} of this boat`);
    if (event.stream !== delivery.hire) return no('otherHire', `it belongs to ${event.stream}`);
    if (event.device !== delivery.device) return no('otherDevice', 'it was made on another device');
    if (!mayAdd(delivery.actor.role, event.body, delivery.alone))
      return no('mayNot', `a ${delivery.actor.role} does not add ${event.body.kind}`);
    const content = canonical(raw);
    return [{ event, content, digest: hash('sha256', content), weight: weightOf(event) }];
  });
  return { fit, refused };
};

/** So many values one question to the database takes. */
const ASKED_AT_ONCE = 500;

type Named = Pick<EventRow, 'id' | 'hire' | 'content'>;
/**
 * The stored events of a hire that a delivery names, however many: what belongs to another hire is nobody's to replace.
 * They are sought by their ids alone: asked for the hire as well, the database goes through all of it.
 */
const namedBy = async (db: Knex, hire: string, fit: readonly Fit[], role: 'renter' | 'quay' | 'staff'): Promise<Named[]> => {
  const named = [...new Set(fit.flatMap(({ event }) => event.replaces))];
  const found: Named[] = [];
  for (let i = 0; i < named.length; i += ASKED_AT_ONCE) {
    const some = db('event').whereIn('id', named.slice(i, i + ASKED_AT_ONCE));
    const theirs = role === 'staff' ? some.whereNot({ role: 'renter' }) : some.where({ role });
    found.push(...((await theirs.select('id', 'hire', 'content')) as Named[]));
  }
  return found.filter((one) => one.hire === hire);
};

/** A renter corrects and undoes what a renter entered; what staff entered is answered with a remark, not replaced. */
const ownOnly = async (db: Knex, hire: string, fit: Fit[], refused: Refusal[]): Promise<Fit[]> => {
  const theirs = new Set((await namedBy(db, hire, fit, 'staff')).map(({ id }) => id));
  return fit.filter(({ event }) => {
    const others = event.replaces.some((id) => theirs.has(id));
    if (others) refused.push({ id: event.id, reason: 'mayNot', detail: 'a renter does not replace what staff entered' });
    return !others;
  });
};

/** What renters say of their statement is theirs to take back: nobody of the quay replaces or undoes it. */
const THEIR_WORD: readonly EventKind[] = ['lineAnswered', 'lineContested'];

/** What became of a booking is said where the booking is; nobody takes it back on a phone. */
const QUAYS_WORD: readonly EventKind[] = ['bookingChanged', 'boatSwapped', 'hireCancelled', 'hireReinstated'];

const notUnsaid = async (db: Knex, hire: string, fit: Fit[], refused: Refusal[]): Promise<Fit[]> => {
  const quays = new Set(
    (await namedBy(db, hire, fit, 'quay'))
      .filter(({ content }) => QUAYS_WORD.includes((JSON.parse(content) as HireEvent).body.kind))
      .map(({ id }) => id),
  );
  return fit.filter(({ event }) => {
    const unsaid = event.replaces.some((id) => quays.has(id));
    if (unsaid) refused.push({ id: event.id, reason: 'mayNot', detail: 'a booking is changed where it is kept' });
    return !unsaid;
  });
};

const notOverruled = async (db: Knex, hire: string, fit: Fit[], refused: Refusal[]): Promise<Fit[]> => {
  const theirs = new Set(
    (await namedBy(db, hire, fit, 'renter'))
      .filter(({ content }) => THEIR_WORD.includes((JSON.parse(content) as HireEvent).body.kind))
      .map(({ id }) => id),
  );
  return fit.filter(({ event }) => {
    const overruled = event.replaces.some((id) => theirs.has(id));
    if (overruled) refused.push({ id: event.id, reason: 'mayNot', detail: 'nobody takes back what the renter said of a line' });
    return !overruled;
  });
};

/** A sum that a hand names freely has the operator's limit; few deliveries hold one. */
const withinLimit = async (db: Knex, { actor }: Delivery, fit: Fit[], refused: Refusal[]): Promise<Fit[]> => {
  if (actor.role !== 'hand' || !fit.some(({ event: { body } }) => body.kind === 'extraNoted')) return fit;
  const { handMinor } = (await readHandoverPolicy(db)).freeLine;
  return fit.filter(({ event }) => {
    const over = namesTooMuch(actor.role, event.body, handMinor);
    if (over) refused.push({ id: event.id, reason: 'mayNot', detail: 'a sum so large is a manager’s to add' });
    return !over;
  });
};

/** A phone's clock and the way to the quay are off by so much even when both are well, ms. */
const JUST_LEFT_MS = 10_000;

/**
 * Whoever holds a phone on which somebody else was signed in may deliver what that one made until they left, and nothing
 * that only a manager says: such a thing waits until its maker is signed in there again. What is there already stays.
 */
const whileHere = async (db: Knex, { hire, leftAt, behindMs }: Delivery, fit: Fit[], refused: Refusal[]): Promise<Fit[]> => {
  if (leftAt === undefined) return fit;
  const { handMinor } = (await readHandoverPolicy(db)).freeLine;
  const gone = fit.filter(
    ({ event }) => Date.parse(event.at) + behindMs > Date.parse(leftAt) + JUST_LEFT_MS || isManagers(event.body, handMinor),
  );
  const there = new Map<string, string>();
  for (let i = 0; i < gone.length; i += ASKED_AT_ONCE) {
    const ids = gone.slice(i, i + ASKED_AT_ONCE).map(({ event }) => event.id);
    const rows = await db('event').where({ hire }).whereIn('id', ids).select('id', 'digest');
    for (const { id, digest } of rows) there.set(id, digest);
  }
  const late = new Set(gone.filter(({ event, digest }) => there.get(event.id) !== digest));
  for (const { event } of late)
    refused.push({ id: event.id, reason: 'makerGone', detail: 'its maker signs in once more on this phone, then it goes out' });
  return fit.filter((one) => !late.has(one));
};

const inserts = new Map<number, string>();
/**
 * One statement for so many rows, made once: building it anew costs more than running it. What a delivery shares is
 * bound once, each row brings id, digest, content and weight. What is there already is left alone.
 */
const insertOf = (rows: number): string => {
  const made =
    inserts.get(rows) ??
    `insert into event (id, hire, digest, content, weight, actor, role, device, "receivedAt", "behindMs")
     select column1, ?, column2, column3, column4, ?, ?, ?, ?, ? from (values ${Array.from({ length: rows }, () => '(?, ?, ?, ?)').join(', ')}) as one
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
  const { fit: sorted, refused } = validateDelivery(delivery);
  const { hire, device, actor, now, behindMs } = delivery;
  const made = await whileHere(db, delivery, sorted, refused);
  const named = await withinLimit(db, delivery, made, refused);
  const theirs = await (actor.role === 'renter' ? ownOnly : notOverruled)(db, hire, named, refused);
  const allowed = actor.role === 'renter' ? theirs : await notUnsaid(db, hire, theirs, refused);
  const fit = await withinQuota(db, delivery, allowed, refused);
  if (fit.length === 0) return { synced: [], refused };
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
    ...[...first.values()].flatMap(({ event, content, digest, weight }) => [event.id, digest, content, weight]),
  ])) as { changes: number };
  // All of them new, and each there once: nothing can stand for something else.
  noteWeight(db, delivery, changes, [...first.values()]);
  if (changes === fit.length) return { synced: fit.map(({ event }) => event.id), refused };
  const rows = await db('event')
    .whereIn('id', [...first.keys()])
    .select('id', 'digest', 'hire');
  const there = new Map(rows.map((row) => [row.id, row]));
  const synced: string[] = [];
  for (const { event, digest } of fit) {
    const row = there.get(event.id);
    if (row?.digest === digest && row.hire === hire) synced.push(event.id);
    else refused.push({ id: event.id, reason: 'sameIdOtherContent', detail: 'this id already stands for something else' });
  }
  return { synced, refused };
};
