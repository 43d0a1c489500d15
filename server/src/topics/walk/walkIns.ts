import type { WalkIns } from '@quay/contract/walkIn';
import { digestOf } from '@quay/core/events/canonical';
import { policyOf } from '@quay/core/policy/policy';
import type { Knex } from 'knex';
import { readHandoverPolicy, readOperator } from '../../platform/database/setting';
import { bookedOf, boatsToHire } from '../booking/choices';
import { currencyOf, earliestDay, listOn } from '../policy/prices';

/** A phone without signal books so far ahead at most, days. */
const AHEAD_DAYS = 14;

/** The boats of a base, what is booked of them, and by which mark a phone knows that it has the newest of each. */
export const walkInsOf = async (db: Knex, base: string, now: string): Promise<Omit<WalkIns, 'now' | 'base' | 'bases'>> => {
  const policy = await readHandoverPolicy(db);
  const boats = await boatsToHire(db, { base });
  const ids = boats.map(({ id }) => id);
  const rows = await db('boat').whereIn('id', ids).select('id', 'bookVersion', 'lastSeal');
  const known = new Map(rows.map((row) => [row.id, row]));
  const own = await db('base').where({ id: base }).first('version');
  const prices = await listOn(db, await earliestDay(db, now));
  // What all boats share is the same for all.
  const shared = [policy, (await readOperator(db))?.name ?? '', own?.version ?? 0, prices?.version ?? 0];
  const booked = await bookedOf(db, ids, now, new Date(Date.parse(now) + AHEAD_DAYS * 86_400_000).toISOString(), now);
  return {
    currency: await currencyOf(db),
    handover: policyOf(policy.policies, 'handover'),
    languages: policy.languages,
    turnaroundMinutes: policy.turnaroundMinutes,
    boats: boats.map(({ id, name, hullNumber, people, depositMinor, waters }) => ({
      id,
      name,
      hullNumber,
      people,
      depositMinor,
      mark: digestOf([shared, waters, known.get(id)?.bookVersion ?? 0, known.get(id)?.lastSeal ?? '']).slice(0, 16),
    })),
    booked,
  };
};
