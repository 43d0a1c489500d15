import type { Knex } from 'knex';
import { readinessOf } from '@quay/core/policy/readiness';
import type { Waters } from '@quay/core/waters/zone';
import { readFact } from '../../platform/database/setting';
import { boatsLacking } from '../fleet/lacking';
import { usedPrices } from '../policy/changePrices';
import { pricesIn } from '../policy/prices';

const DAY_MS = 86_400_000;

/** How far this installation is. @param https whether phones reach it so that they can work without signal */
export const readiness = async (db: Knex, https: boolean, now: string) => {
  const count = async (query: Knex.QueryBuilder) => Number(((await query.count({ n: '*' }).first()) as { n: number }).n);
  const waters = (await db('waters').select('body')).map(({ body }) => JSON.parse(body) as Waters);
  const bases = (await db('base').select('body')).map(({ body }) => JSON.parse(body) as { waters: string });
  const boats = await db('boat').select('waters');
  const rules = new Set((await db('rules').select('id')).map(({ id }) => id));
  const ruled = (id: string) => rules.has(waters.find((one) => one.id === id)?.rules ?? '');
  const used = Object.keys(await usedPrices(db));
  const held = (await pricesIn(db, now))?.now;
  const prices = held?.list.prices ?? [];
  const priced = new Set(prices.flatMap(({ code, amountMinor }) => (amountMinor > 0 ? [code] : [])));
  const backupAt = (await readFact(db, 'backupAt')) ?? null;
  const staff = (role: 'hand' | 'manager') => count(db('staff').where({ role }).whereNull('withdrawnAt'));
  const phones = db('device').where({ enrolled: 1 }).whereNull('withdrawnAt');
  return {
    steps: readinessOf({
      bases: bases.length,
      waters: waters.length,
      watersEmpty: waters.filter(({ features }) => features.length === 0).length,
      boats: boats.length,
      boatsLacking: await boatsLacking(db, now),
      withoutRules: [...bases, ...boats].filter((one) => !ruled(one.waters)).length,
      pricesNamed: used.length,
      pricesOpen: used.filter((code) => !priced.has(code)).length,
      termsDecided: held !== undefined && held.madeBy !== null,
      hands: await staff('hand'),
      managers: await staff('manager'),
      phones: await count(phones),
      https,
      backupDays: backupAt === null ? undefined : (Date.parse(now) - Date.parse(backupAt)) / DAY_MS,
    }),
    backupAt,
    hires: await count(db('hire')),
  };
};
