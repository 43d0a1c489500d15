import type { Knex } from 'knex';
import type { PriceListChange, Prices } from '@quay/contract/prices';
import { pricesNamed } from '@quay/core/settlement/pricesNamed';
import { type Dated, replanned, type Terms } from '@quay/core/settlement/planned';
import type { PriceList } from '@quay/core/settlement/prices';
import type { Book } from '@quay/core/fleet/book';
import { policyOf } from '@quay/core/policy/policy';
import { fail, ProblemError } from '../../platform/http/problem';
import { readHandoverPolicy } from '../../platform/database/setting';
import { datedOf, earliestDay, pricesIn, putLists } from './prices';

type Made = { at: string; by: string };

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

/** The price lists with what names their prices, or nothing where there is none yet. */
export const pricesNow = async (db: Knex, now: string): Promise<Prices | undefined> => {
  const found = await pricesIn(db, now);
  return (
    found && {
      list: found.now.list,
      usedBy: await usedPrices(db),
      madeAt: found.now.madeAt,
      madeBy: found.now.madeBy,
      planned: found.planned.map(({ from, list, madeAt, madeBy }) => ({ from, list, madeAt, madeBy })),
      version: found.newest,
      today: await earliestDay(db, now),
    }
  );
};

/** @throws ProblemError `priceUsed` where a price that a book names, or one that another mends, is gone */
const mustHoldUp = async (db: Knex, prices: PriceList['prices']): Promise<void> => {
  const codes = new Set(prices.map(({ code }) => code));
  for (const [code, boats] of Object.entries(await usedPrices(db)))
    if (!codes.has(code)) throw new ProblemError(409, 'priceUsed', { code, by: boats.join(', ') });
  for (const { code, mends } of prices)
    if (mends !== undefined && !codes.has(mends)) throw new ProblemError(409, 'priceUsed', { code: mends, by: code });
};

/**
 * Lists as they lie in time, made otherwise by `edit`, put in place under the version that was seen.
 * @throws ProblemError `noPricesYet`, `changedMeanwhile`, `priceUsed`
 */
export const replanLists = (
  db: Knex,
  seen: number,
  made: Made,
  edit: (lists: readonly Dated[], today: string) => readonly Dated[],
): Promise<Prices> =>
  db.transaction(async (trx) => {
    const found = (await pricesIn(trx, made.at)) ?? fail(409, 'noPricesYet');
    if (found.newest !== seen) throw new ProblemError(412, 'changedMeanwhile');
    const lists = edit(datedOf(found), await earliestDay(trx, made.at));
    for (const { list } of lists) await mustHoldUp(trx, list.prices);
    await putLists(trx, lists, made);
    return (await pricesNow(trx, made.at))!;
  });

/** The list before a day, as it is after whatever is planned. */
const listBefore = (lists: readonly Dated[], day: string): Terms => lists.filter(({ from }) => from < day).at(-1)!.list;

/**
 * Puts a new price list in place, for hires booked from now on; with a day, for those that begin on it or later. A list that
 * says the same is none.
 * @throws ProblemError `noPricesYet`, `changedMeanwhile`, `priceUsed`, `dayPast` where the day has come
 */
export const changePrices = async (db: Knex, { from, ...change }: PriceListChange, seen: number, made: Made): Promise<Prices> => {
  const breach = policyOf((await readHandoverPolicy(db)).policies, 'breach');
  const next = await replanLists(db, seen, made, (lists, today) => {
    if (from === undefined) return replanned(lists, '', { ...change, currency: lists[0]!.list.currency, breach });
    if (from <= today) return fail(409, 'dayPast');
    // How things are charged is never planned: it is as it holds.
    return replanned(lists, from, { ...listBefore(lists, from), prices: change.prices });
  });
  // Kept as it is, it has been looked at all the same.
  if (from !== undefined || next.version > seen) return next;
  await db('priceList').where({ version: next.list.version }).update({ madeAt: made.at, madeBy: made.by });
  return (await pricesNow(db, made.at))!;
};

/** Takes a planned list back. @throws ProblemError `noSuchPlan`, `changedMeanwhile` */
export const dropPlanned = (db: Knex, day: string, seen: number, made: Made): Promise<Prices> =>
  replanLists(db, seen, made, (lists) =>
    lists.some(({ from }) => from === day) ? replanned(lists, day, undefined) : fail(404, 'noSuchPlan'),
  );
