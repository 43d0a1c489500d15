import type { Dispute } from '@quay/contract/settlement';
import { currentOf } from '@quay/core/events/record';
import { closed } from '@quay/core/settlement/events';
import { numberText } from '@quay/core/number/statementNumber';
import { keptFor } from '@quay/core/settlement/correction';
import type { Knex } from 'knex';
import { sparing } from '../../platform/database/broken';
import { accountOf } from './payment';

/** Closed hires with lines that the renter does not agree with and nobody has decided since, the oldest first. */
export const disputesOf = async (db: Knex, now: string): Promise<Dispute[]> => {
  const rows = (await db('statement')
    .join('hire', 'hire.id', 'statement.hire')
    .join('person', 'person.id', 'hire.renter')
    .join('boat', 'boat.id', 'hire.boat')
    .whereNull('statement.corrects')
    .where('hire.openLines', '>', 0)
    .orderBy('statement.closedAt')
    .select(
      'hire.id as hire',
      'boat.name as boat',
      'person.name as renter',
      'statement.number as number',
      'statement.closedAt as closedAt',
    )) as (Omit<Dispute, 'number' | 'currency' | 'lines' | 'openMinor' | 'remarks'> & { number: number })[];
  const disputes: Dispute[] = [];
  for (const row of rows) {
    const account = await sparing(db, now, () => accountOf(db, row.hire));
    if (account === undefined || typeof account === 'string') continue;
    const open = account.standings.filter((one) => one.open);
    if (open.length === 0) continue;
    disputes.push({
      ...row,
      number: numberText(row.number, currentOf(account.whole.record, ['closed'], closed)?.value.prefix),
      currency: account.currency,
      lines: open.length,
      openMinor: keptFor(account.standings),
      remarks: open.flatMap(({ remark }) => remark ?? []),
    });
  }
  return disputes;
};
