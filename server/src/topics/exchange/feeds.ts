import { INCOMING_LIMIT_BYTES, type Outcome } from '@quay/contract/exchange';
import { Reading } from '@quay/core/booking/reading';
import type { Knex } from 'knex';
import type { BookingSourceRow } from '../../platform/database/tables';
import { fail, ProblemError } from '../../platform/http/problem';
import { refreshStale } from '../record/refresh';
import type { Quay } from '../../platform/http/mount';
import { loadPlan } from './load';
import { planIncoming, readIncoming } from './plan';

/** Calendars that are fetched from an address, again and again. */

const PATIENCE_MS = 20_000;

const read = async (response: Response): Promise<Buffer> => {
  const pieces: Uint8Array[] = [];
  let bytes = 0;
  for await (const piece of response.body ?? []) {
    pieces.push(piece as Uint8Array);
    bytes += (piece as Uint8Array).length;
    if (bytes > INCOMING_LIMIT_BYTES) return fail(502, 'feedSilent', { why: 'tooLarge' });
  }
  return Buffer.concat(pieces);
};

/**
 * What stands at an address. @param etag of what was there last
 * @returns nothing where it is still the same @throws ProblemError `feedSilent`
 */
export const fetchAddress = async (address: string, etag: string | null): Promise<{ bytes: Buffer; etag: string | null } | undefined> => {
  try {
    const response = await fetch(address.replace(/^webcal:/i, 'https:'), {
      headers: { accept: 'text/calendar', ...(etag === null ? {} : { 'if-none-match': etag }) },
      signal: AbortSignal.timeout(PATIENCE_MS),
    });
    if (response.status === 304) return undefined;
    if (!response.ok) return fail(502, 'feedSilent', { why: String(response.status) });
    return { bytes: await read(response), etag: response.headers.get('etag') };
  } catch (error) {
    if (error instanceof ProblemError) throw error;
    return fail(502, 'feedSilent', { why: (error as Error).name });
  }
};

const nothing = { new: 0, changed: 0, cancelled: 0, conflicts: 0, gone: 0, faults: 0 };

/** Fetches a feed and takes over what can be; what cannot be waits for somebody, and is told. */
export const fetchFeed = async (quay: Quay, row: BookingSourceRow, by: string): Promise<void> => {
  const { db } = quay.store;
  const now = quay.now().toISOString();
  let outcome: Outcome;
  let { etag } = row;
  try {
    const found = await fetchAddress(row.address ?? '', etag);
    if (found) {
      await refreshStale(db, quay.key, now);
      const reading = Reading.parse(JSON.parse(row.reading));
      const content = await readIncoming(db, quay.reader, found.bytes, reading, now);
      outcome = await db.transaction(async (trx) =>
        loadPlan(trx, await planIncoming(trx, content, reading, row.id, now), { source: row, by, cancelGone: false, now }),
      );
      // What waits may be free the next time: it is asked for anew as long as something does.
      etag = outcome.conflicts + outcome.gone + outcome.faults > 0 ? null : found.etag;
    } else outcome = { ...nothing, at: now, is: 'same', why: '' };
  } catch (error) {
    // One feed that breaks something stops no other; what it was stands in the log.
    if (!(error instanceof ProblemError)) console.error(`quay: the feed ${row.name} could not be taken over`, error);
    outcome = {
      ...nothing,
      at: now,
      is: 'failed',
      why: error instanceof ProblemError ? `${error.code} ${String(error.figures.why ?? '')}`.trim() : 'fault',
    };
  }
  await db('bookingSource')
    .where({ id: row.id })
    .update({ checkedAt: now, last: JSON.stringify(outcome), etag });
};

const due = async (db: Knex, now: Date): Promise<BookingSourceRow[]> =>
  (await db('bookingSource').whereNull('withdrawnAt').whereNotNull('address')).filter(
    ({ checkedAt, everyMinutes }) =>
      everyMinutes !== null && (checkedAt === null || Date.parse(checkedAt) + everyMinutes * 60_000 <= now.getTime()),
  );

/** Fetches each feed that is due, one after the other. @returns how many */
export const fetchDue = async (quay: Quay): Promise<number> => {
  const rows = await due(quay.store.db, quay.now());
  for (const row of rows) await fetchFeed(quay, row, 'quay');
  return rows.length;
};

/** How often it is looked which feeds are due, ms. */
const LOOK_EVERY_MS = 60_000;

/** Fetches feeds as they are due, one round at a time. @returns how to end it, and how to wait until nothing is under way */
export const watchFeeds = (quay: Quay): { idle: () => Promise<void>; stop: () => Promise<void> } => {
  let round: Promise<void> | undefined;
  const timer = setInterval(() => {
    round ??= fetchDue(quay)
      .then(
        () => undefined,
        (error: unknown) => console.error('quay: a feed could not be taken over', error),
      )
      .finally(() => (round = undefined));
  }, LOOK_EVERY_MS).unref();
  const idle = async () => {
    await round;
  };
  return {
    idle,
    stop: () => {
      clearInterval(timer);
      return idle();
    },
  };
};
