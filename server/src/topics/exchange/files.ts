import { createHash } from 'node:crypto';
import type { Knex } from 'knex';
import { fail } from '../../platform/http/problem';

/** Files that somebody is about to load. */

/** So many are kept, whoever brings more. */
const MOST_KEPT = 20;
const KEPT_MS = 24 * 3_600_000;

export const keepFile = async (db: Knex, bytes: Buffer, name: string, now: string): Promise<string> => {
  const sha = createHash('sha256').update(bytes).digest('hex');
  await db('incomingFile')
    .insert({ sha, name: name.slice(0, 200), bytes, at: now })
    .onConflict('sha')
    .merge(['at', 'name']);
  const newest = await db('incomingFile').orderBy('at', 'desc').limit(MOST_KEPT).pluck('sha');
  await db('incomingFile').whereNotIn('sha', newest).del();
  return sha;
};

/** @throws ProblemError `noSuchFile` where it was loaded or is older than a day */
export const fileOf = async (db: Knex, sha: string): Promise<Buffer> =>
  (await db('incomingFile').where({ sha }).first('bytes'))?.bytes ?? fail(404, 'noSuchFile');

export const dropFile = (db: Knex, sha: string) => db('incomingFile').where({ sha }).del();

/** Nobody loads them any more. */
export const clearFiles = (db: Knex, now: Date) =>
  db('incomingFile')
    .where('at', '<', new Date(now.getTime() - KEPT_MS).toISOString())
    .del();
