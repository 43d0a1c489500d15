import { digestOf } from '@quay/core/events/canonical';
import { type Dated, type Terms } from '@quay/core/settlement/planned';
import { PriceList } from '@quay/core/settlement/prices';
import { dateOf } from '@quay/core/time/zone';
import type { Knex } from 'knex';

/** Price lists by version, and which of them holds on a day. */

export const priceList = async (db: Knex, version: number): Promise<PriceList> =>
  PriceList.parse(JSON.parse((await db('priceList').where({ version }).first('body'))!.body));

type Row = { version: number; digest: string; body: string; madeAt: string | null; madeBy: string | null; validFrom: string | null };

/** Lists that hold, or will, with whoever made them: the latest day first, of one day the newest. */
const standing = (db: Knex): Promise<Row[]> =>
  db('priceList')
    .leftJoin('staff', 'staff.id', 'priceList.madeBy')
    .whereNull('priceList.withdrawnAt')
    .orderByRaw(`coalesce("priceList"."validFrom", '') desc, "priceList"."version" desc`)
    .select('priceList.version', 'priceList.digest', 'priceList.body', 'priceList.madeAt', 'priceList.validFrom', 'staff.name as madeBy');

/** The list by which a hire goes that begins on a local day, or nothing while there is none. */
export const listOn = (db: Knex, day: string): Promise<{ version: number; body: string } | undefined> =>
  db('priceList')
    .whereNull('withdrawnAt')
    .where((either) => {
      void either.whereNull('validFrom').orWhere('validFrom', '<=', day);
    })
    .orderByRaw(`coalesce("validFrom", '') desc, "version" desc`)
    .first('version', 'body');

/** The day it is at the base where it is earliest. A list that is put in place holds from it on, wherever a hire begins. */
export const earliestDay = async (db: Knex, now: string): Promise<string> => {
  const days = (await db('base').distinct('zone')).map(({ zone }) => dateOf(now, zone));
  return days.sort()[0] ?? dateOf(now, 'UTC');
};

export type ListedPrices = { list: PriceList; digest: string; madeAt: string | null; madeBy: string | null };

/**
 * The list that holds now, and those that are planned, in order of their days.
 * @property newest the highest version of any list, by which whoever changes one says what they saw
 */
export const pricesIn = async (
  db: Knex,
  now: string,
): Promise<{ now: ListedPrices; planned: (ListedPrices & { from: string })[]; newest: number } | undefined> => {
  const rows = await standing(db);
  const today = await earliestDay(db, now);
  const read = ({ body, digest, madeAt, madeBy }: Row): ListedPrices => ({
    list: PriceList.parse(JSON.parse(body)),
    digest,
    madeAt,
    madeBy,
  });
  const held = rows.find(({ validFrom }) => (validFrom ?? '') <= today);
  if (!held) return undefined;
  const planned = new Map<string, Row>();
  for (const row of rows) if ((row.validFrom ?? '') > today && !planned.has(row.validFrom!)) planned.set(row.validFrom!, row);
  const newest = (await db('priceList').max<{ n: number }>({ n: 'version' }).first())!.n;
  return {
    now: read(held),
    planned: [...planned].sort(([a], [b]) => (a < b ? -1 : 1)).map(([from, row]) => ({ ...read(row), from })),
    newest,
  };
};

/** The lists as they lie in time. */
export const datedOf = ({ now, planned }: { now: ListedPrices; planned: readonly (ListedPrices & { from: string })[] }): Dated[] =>
  [{ from: '', list: now.list }, ...planned.map(({ from, list }) => ({ from, list }))].map(({ from, list: { version: _, ...list } }) => ({
    from,
    list,
  }));

/** The list that holds today, or nothing while there is none. */
export const newestList = async (db: Knex, now: string): Promise<PriceList | undefined> => {
  const row = await listOn(db, await earliestDay(db, now));
  return row && PriceList.parse(JSON.parse(row.body));
};

const lastList = async (db: Knex): Promise<PriceList | undefined> => {
  const last = (await db('priceList').max<{ n: number | null }>({ n: 'version' }).first())!;
  return last.n === null ? undefined : priceList(db, last.n);
};

/** The currency of the price lists; of an installation that has none yet, the commonest here. */
export const currencyOf = async (db: Knex): Promise<string> => {
  return (await lastList(db))?.currency ?? 'EUR';
};

/** What is asked for as a deposit where nothing was asked for yet; like every term it is the same in all lists that hold. */
export const usualDeposit = async (db: Knex): Promise<number> => (await lastList(db))?.depositMinor ?? 0;

const digestOfList = (list: Terms): string => digestOf(JSON.parse(JSON.stringify(list)));

/**
 * Puts the lists in place as they are wanted in time: each that says something new becomes a version, and what was planned
 * otherwise is withdrawn. Hires that are booked keep the version they have.
 * @param wanted the one that holds now first, under an empty day
 */
export const putLists = async (trx: Knex, wanted: readonly Dated[], made: { at: string; by: string | null }): Promise<void> => {
  const had = await pricesIn(trx, made.at);
  const today = await earliestDay(trx, made.at);
  let version = had?.newest ?? 0;
  for (const { from, list } of wanted) {
    const old = from === '' ? had?.now : had?.planned.find((one) => one.from === from);
    const digest = digestOfList(list);
    if (old?.digest === digest) continue;
    version += 1;
    await trx('priceList').insert({
      version,
      digest,
      body: JSON.stringify({ version, ...list }),
      madeAt: made.by === null ? null : made.at,
      madeBy: made.by,
      // The first of all holds as far back as anybody enters a hire.
      validFrom: from !== '' ? from : had === undefined ? null : today,
    });
    if (from !== '' && old) await trx('priceList').where({ version: old.list.version }).update({ withdrawnAt: made.at });
  }
  const stay = new Set(wanted.map(({ from }) => from));
  for (const { from, list } of had?.planned ?? [])
    if (!stay.has(from)) await trx('priceList').where({ version: list.version }).update({ withdrawnAt: made.at });
};
