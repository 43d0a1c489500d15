import type { HireRow } from '../../platform/database/tables';
import type { Figures } from '@quay/contract/problems';
import { bookOf } from '../fleet/book';
import { isEntered } from '@quay/core/events/record';
import type { Knex } from 'knex';
import { attachmentsOf } from '@quay/core/record/event';
import { rootOf } from '@quay/core/events/seal';
import { settle } from '@quay/core/settlement/settle';
import type { Statement } from '@quay/core/settlement/statement';
import { readingRecord } from '../../platform/database/broken';
import { priceList } from '../policy/prices';
import { appendQuayEvent, nextSeq } from '../record/quayEvent';
import { type Whole, wholeRecord } from '../record/record';
import { readHandoverPolicy } from '../../platform/database/setting';
import { closedStatement, keepStatement, nextNumber, type StatementBody } from '../record/statement';

/** What the hire comes to now, from its record and the price list pinned to it. */
export const draftOf = async (db: Knex, hire: HireRow, whole: Whole): Promise<Statement> => {
  const book = await bookOf(db, hire.boat, whole.record.bookVersion);
  if (!book) throw new Error(`hire ${hire.id} has no book`);
  const [prices, operator] = [await priceList(db, hire.priceVersion), await readHandoverPolicy(db)];
  return readingRecord(hire.id, () => settle(whole.record, { hire, book: book.book, prices, operator }).statement);
};

export type Closing =
  | { ok: true; number: number; digest: string }
  | { ok: false; reason: 'noSuchHire' | 'alreadyClosed' | 'notWalkedIn' | 'undecided' | 'changedMeanwhile' | 'toQuote'; figures: Figures };

/**
 * Closes a hire in one transaction: the statement gets the next number (no gaps, since a failed closing takes none)
 * and the record a closing event that covers everything held by now.
 */
export const closeHire = (db: Knex, id: string, seen: { totalMinor: number; events: number }, now: string): Promise<Closing> =>
  db.transaction(async (trx): Promise<Closing> => {
    const hire = await trx('hire').where({ id }).first();
    if (!hire) return { ok: false, reason: 'noSuchHire', figures: {} };
    const whole = await wholeRecord(trx, id);
    const no = (reason: (Closing & { ok: false })['reason'], figures: Figures = {}): Closing => ({ ok: false, reason, figures });
    if (isEntered(whole.record, ['closed'])) return no('alreadyClosed');
    if (!isEntered(whole.record, ['in', 'sealed'])) return no('notWalkedIn');
    const statement = await draftOf(trx, hire, whole);
    if (statement.open.length > 0) return no('undecided', { lines: statement.open.map(({ key }) => key).join(', ') });
    if (statement.toQuote.length > 0) return no('toQuote', { lines: statement.toQuote.map(({ key }) => key).join(', ') });
    if (statement.totalMinor !== seen.totalMinor || whole.stored.length !== seen.events) {
      return no('changedMeanwhile', { events: whole.stored.length, totalMinor: statement.totalMinor });
    }
    const number = await nextNumber(trx);
    const { statementPrefix } = await readHandoverPolicy(trx);
    const prefix = statementPrefix === '' ? {} : { prefix: statementPrefix };
    const person = (await trx('person').where({ id: hire.renter }).first('name'))!;
    const boat = (await trx('boat').where({ id: hire.boat }).first('name'))!;
    const digest = await keepStatement(trx, {
      number,
      ...prefix,
      closedAt: now,
      hire: id,
      boat: boat.name,
      renter: person.name,
      from: hire.from,
      to: hire.to,
      statement,
    });
    const photos = [...new Set(whole.stored.flatMap(({ event }) => attachmentsOf(event.body)))];
    await appendQuayEvent(trx, id, {
      seq: nextSeq(whole.stored),
      now,
      bookVersion: whole.record.bookVersion ?? 1,
      body: {
        kind: 'closed',
        number,
        ...prefix,
        statement: digest,
        covers: whole.stored.map((one) => one.event.id).sort(),
        root: rootOf(
          whole.stored.map((one) => whole.digests.get(one.event.id)!),
          photos,
          null,
        ),
      },
    });
    return { ok: true, number, digest };
  });

export const statementBody = async (db: Knex, id: string): Promise<StatementBody | undefined> => {
  const closed = await closedStatement(db, id);
  if (closed) return closed;
  const hire = (await db('hire')
    .join('person', 'person.id', 'hire.renter')
    .join('boat', 'boat.id', 'hire.boat')
    .where('hire.id', id)
    .first('hire.*', 'person.name as renterName', 'boat.name as boatName')) as
    (HireRow & { renterName: string; boatName: string }) | undefined;
  if (!hire) return undefined;
  const statement = await draftOf(db, hire, await wholeRecord(db, id));
  return { number: null, closedAt: null, hire: id, boat: hire.boatName, renter: hire.renterName, from: hire.from, to: hire.to, statement };
};
