import { bookOf } from '../fleet/book';
import { type StoredHireEvent } from '@quay/core/record/event';
import type { Knex } from 'knex';
import { stateOf } from '@quay/core/day/board';
import type { Book } from '@quay/core/fleet/book';
import { findingsOf } from '@quay/core/findings/findings';
import type { Actor } from '@quay/core/events/stored';
import { holdsOf } from '@quay/core/castOff/hold';
import { project } from '@quay/core/record/project';
import { readEvent } from '@quay/core/record/readEvent';
import { ledgerOf } from '@quay/core/settlement/ledger';
import { type Broken, sparing } from '../../platform/database/broken';
import { type EventRow } from './record';
import { refresh } from './refresh';
import type { QuayKey } from '../../platform/database/setting';

/** An event as a manager is told of it, whether it can be read or not. */
export type Named = { id: string; kind: string; at: string; receivedAt: string; actor: Actor };
export type Repair = {
  broken: Broken | undefined;
  /** Those without which the record can be read; none where nobody can tell. */
  suspects: Named[];
  aside: (Named & { asideAt: string; asideBy: string; why: string })[];
};

const named = (row: EventRow): Named => {
  const { at, body } = JSON.parse(row.content) as { at?: unknown; body?: { kind?: unknown } };
  return {
    id: row.id,
    kind: typeof body?.kind === 'string' ? body.kind.slice(0, 64) : '?',
    at: typeof at === 'string' ? at.slice(0, 40) : '?',
    receivedAt: row.receivedAt,
    actor: { id: row.actor, role: row.role },
  };
};

/** Everything that is computed whenever a hire is looked at. @throws whatever goes wrong */
const lookThrough = (stored: readonly StoredHireEvent[], book: Book | undefined, hire: { from: string; to: string }): void => {
  const record = project(stored);
  stateOf(record);
  ledgerOf(record, 0);
  if (!book) return;
  holdsOf(record, book, hire.from.slice(0, 10), undefined, []);
  findingsOf(record, book, hire);
};

/**
 * Which events make a record unreadable: those that cannot be read themselves, else the first with which it could not be
 * computed any more.
 */
const suspectsOf = (rows: readonly EventRow[], book: Book | undefined, hire: { from: string; to: string }): EventRow[] => {
  const read = rows.map((row) => readEvent(JSON.parse(row.content)));
  const unreadable = rows.filter((_, i) => !read[i]!.ok);
  if (unreadable.length > 0) return unreadable;
  const stored = rows.map((row, i): StoredHireEvent => {
    const one = read[i]!;
    if (!one.ok) throw new Error('what cannot be read was sorted out before');
    return { event: one.event, actor: { id: row.actor, role: row.role }, receivedAt: row.receivedAt, behindMs: row.behindMs };
  });
  const breaks = (count: number): boolean => {
    try {
      lookThrough(stored.slice(0, count), book, hire);
      return false;
    } catch {
      return true;
    }
  };
  if (!breaks(stored.length)) return [];
  // Halving: more of it breaks what less of it broke, or there is another cause that is found the next time.
  let [sound, broken] = [0, stored.length];
  while (broken - sound > 1) {
    const middle = Math.floor((sound + broken) / 2);
    if (breaks(middle)) broken = middle;
    else sound = middle;
  }
  return [rows[broken - 1]!];
};

/** How a hire stands whose record could not be read. @returns nothing when there is no such hire */
export const repairOf = async (db: Knex, hire: string): Promise<Repair | undefined> => {
  const row = await db('hire').where({ id: hire }).first('boat', 'from', 'to', 'bookVersion', 'broken');
  if (!row) return undefined;
  const rows = await db('event').where({ hire }).orderBy('seq');
  const book = await bookOf(db, row.boat, row.bookVersion ?? undefined);
  return {
    broken: row.broken === null ? undefined : (JSON.parse(row.broken) as Broken),
    suspects:
      row.broken === null
        ? []
        : suspectsOf(
            rows.filter(({ asideAt }) => asideAt === null),
            book?.book,
            row,
          ).map(named),
    aside: rows.flatMap((one) =>
      one.asideAt === null ? [] : [{ ...named(one), asideAt: one.asideAt, asideBy: one.asideBy ?? '', why: one.asideWhy ?? '' }],
    ),
  };
};

export type Repaired = { ok: true } | { ok: false; reason: 'noSuchHire' | 'notBroken' | 'noSuspect' | 'notAside' };

/**
 * Takes an event out of a record that cannot be read with it. It stays where it is, named, with who did it and why; only
 * what breaks the record can be taken out, so that nothing that somebody signed goes away by this.
 */
export const setAside = async (
  db: Knex,
  hire: string,
  event: string,
  { by, why, now, key }: { by: string; why: string; now: string; key: QuayKey },
): Promise<Repaired> => {
  const found = await repairOf(db, hire);
  if (!found) return { ok: false, reason: 'noSuchHire' };
  if (!found.broken) return { ok: false, reason: 'notBroken' };
  if (!found.suspects.some(({ id }) => id === event)) return { ok: false, reason: 'noSuspect' };
  await db('event').where({ hire, id: event }).update({ asideAt: now, asideBy: by, asideWhy: why });
  await db('hire').where({ id: hire }).increment('asides', 1);
  await sparing(db, now, () => refresh(db, hire, key, now));
  return { ok: true };
};

/** Takes an event back into the record, as a newer version of this program may be able to read it. */
export const takeBack = async (db: Knex, hire: string, event: string, { now, key }: { now: string; key: QuayKey }): Promise<Repaired> => {
  const changed = await db('event')
    .where({ hire, id: event })
    .whereNotNull('asideAt')
    .update({ asideAt: null, asideBy: null, asideWhy: null });
  if (changed === 0) return { ok: false, reason: 'notAside' };
  await db('hire').where({ id: hire }).increment('asides', 1);
  await sparing(db, now, () => refresh(db, hire, key, now));
  return { ok: true };
};

/** Hires whose record cannot be read, for whoever runs the server. */
export const brokenHires = async (db: Knex): Promise<{ hire: string; boat: string; why: string }[]> =>
  (
    (await db('hire')
      .join('boat', 'boat.id', 'hire.boat')
      .whereNotNull('hire.broken')
      .select('hire.id as hire', 'boat.name as boat', 'hire.broken')) as {
      hire: string;
      boat: string;
      broken: string;
    }[]
  ).map(({ hire, boat, broken }) => ({ hire, boat, why: (JSON.parse(broken) as Broken).why }));
