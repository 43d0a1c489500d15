import { PriceList } from '@quay/core/settlement/prices';
import type { Knex } from 'knex';

export const priceList = async (db: Knex, version: number): Promise<PriceList> =>
  PriceList.parse(JSON.parse((await db('priceList').where({ version }).first('body'))!.body));

/** The currency of the newest price list; of an installation that has none yet, the commonest here. */
export const currencyOf = async (db: Knex): Promise<string> => {
  const last = (await db('priceList').max<{ n: number | null }>({ n: 'version' }).first())!;
  return last.n === null ? 'EUR' : (await priceList(db, last.n)).currency;
};
