import { factsFor } from '@quay/core/briefing/ofHire';
import type { Condition, NamedConditions } from '@quay/core/fleet/condition';
import { judge } from '@quay/core/fleet/judge';
import type { Knex } from 'knex';
import { sparing } from '../../platform/database/broken';
import { readHandoverPolicy } from '../../platform/database/setting';
import { type NamedHire, namedHires, toHire } from '../booking/hire';
import { bookOf } from '../fleet/book';
import { groundOf, sheetsOf } from '../party/party';
import { wholeRecord } from '../record/record';

/** So many hires are looked at, the last ones. */
const LOOKED_AT = 50;

/** On how many of the last hires a condition would have held, as its operator works now. */
export const tried = async (
  db: Knex,
  condition: Condition,
  named: NamedConditions,
  now: string,
): Promise<{ of: number; holds: number; unknown: number }> => {
  const rows = (await namedHires(db)
    .whereNot('hire.state', 'cancelled')
    .where('hire.from', '<=', now)
    .orderBy('hire.from', 'desc')
    .limit(LOOKED_AT)) as NamedHire[];
  const operator = await readHandoverPolicy(db);
  const counts = { of: 0, holds: 0, unknown: 0 };
  for (const row of rows) {
    // A hire whose record cannot be read says nothing of it.
    const record = (await sparing(db, now, () => wholeRecord(db, row.id)))?.record;
    const [ground, book] = [await groundOf(db, row.id), await bookOf(db, row.boat, row.bookVersion ?? undefined)];
    if (!record || !ground || !book) continue;
    const facts = factsFor(record, {
      hire: toHire(row),
      book: book.book,
      ...ground,
      operator,
      briefedBefore: {},
      sheets: await sheetsOf(db, row.id),
    });
    const verdict = judge(condition, facts, named);
    counts.of += 1;
    if (verdict === 'yes') counts.holds += 1;
    if (verdict === 'unknown') counts.unknown += 1;
  }
  return counts;
};
