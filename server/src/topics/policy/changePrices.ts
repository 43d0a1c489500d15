import type { Knex } from 'knex';
import type { PriceListChange } from '@quay/contract/prices';
import { pricesNamed } from '@quay/core/settlement/pricesNamed';
import { PriceList } from '@quay/core/settlement/prices';
import type { Book } from '@quay/core/fleet/book';
import { policyOf } from '@quay/core/policy/policy';
import { digestOf } from '@quay/core/events/canonical';
import { fail, ProblemError } from '../../platform/http/problem';
import { readHandoverPolicy } from '../../platform/database/setting';

type Row = { version: number; digest: string; body: string; madeAt: string | null; madeBy: string | null };
const newestList = async (db: Knex): Promise<Row | undefined> =>
  (await db('priceList')
    .leftJoin('staff', 'staff.id', 'priceList.madeBy')
    .orderBy('priceList.version', 'desc')
    .first('priceList.version', 'priceList.digest', 'priceList.body', 'priceList.madeAt', 'staff.name as madeBy')) as Row | undefined;

/** By code: the boats whose books name it, by name. */
export const usedPrices = async (db: Knex): Promise<Record<string, string[]>> => {
  const rows = (await db('boat')
    .join('book', (on) => on.on('book.boat', 'boat.id').andOn('book.version', 'boat.bookVersion'))
    .orderBy('boat.name')
    .select('boat.name', 'book.resolved')) as { name: string; resolved: string }[];
  const used: Record<string, string[]> = {};
  for (const { name, resolved } of rows) for (const code of pricesNamed(JSON.parse(resolved) as Book)) (used[code] ??= []).push(name);
  return used;
};

/** The newest price list with what names it, or nothing where there is none yet. */
export const pricesNow = async (db: Knex) => {
  const row = await newestList(db);
  return (
    row && {
      list: PriceList.parse(JSON.parse(row.body)),
      usedBy: await usedPrices(db),
      madeAt: row.madeAt,
      madeBy: row.madeBy,
    }
  );
};

/**
 * Puts a new price list in place, for hires booked from now on; a list that says the same is none.
 * @throws ProblemError `noPricesYet`, `changedMeanwhile`, `priceUsed` where a price that a book names, or one that another mends, is gone
 */
export const changePrices = (db: Knex, change: PriceListChange, seen: number, made: { at: string; by: string }) =>
  db.transaction(async (trx) => {
    const last = (await newestList(trx)) ?? fail(409, 'noPricesYet');
    if (last.version !== seen) throw new ProblemError(412, 'changedMeanwhile');
    const codes = new Set(change.prices.map(({ code }) => code));
    for (const [code, boats] of Object.entries(await usedPrices(trx)))
      if (!codes.has(code)) throw new ProblemError(409, 'priceUsed', { code, by: boats.join(', ') });
    for (const { code, mends } of change.prices)
      if (mends !== undefined && !codes.has(mends)) throw new ProblemError(409, 'priceUsed', { code: mends, by: code });
    const { currency } = PriceList.parse(JSON.parse(last.body));
    const list = { currency, breach: policyOf((await readHandoverPolicy(trx)).policies, 'breach'), ...change };
    const digest = digestOf(JSON.parse(JSON.stringify(list)));
    // Kept as it is, it has been looked at all the same.
    if (digest === last.digest) await trx('priceList').where({ version: last.version }).update({ madeAt: made.at, madeBy: made.by });
    else {
      const version = last.version + 1;
      await trx('priceList').insert({ version, digest, body: JSON.stringify({ version, ...list }), madeAt: made.at, madeBy: made.by });
    }
    return (await pricesNow(trx))!;
  });
