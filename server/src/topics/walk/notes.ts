import type { BoatNote } from '@quay/contract/hire';
import { currentOf } from '@quay/core/events/record';
import { happenedAt } from '@quay/core/events/stored';
import { noteLeft } from '@quay/core/turnaround/events';
import type { Knex } from 'knex';
import { sparing } from '../../platform/database/broken';
import { wholeRecord } from '../record/record';

/** So many hires of a boat are looked at: what was noted before that, somebody has seen to or forgotten. */
const LOOKED_AT = 6;

/** Notes of a hire's boat, on it and on the few before it, the newest first. @returns undefined where there is no such hire */
export const notesOf = async (db: Knex, hire: string, now: string): Promise<BoatNote[] | undefined> => {
  const own = await db('hire').where({ id: hire }).first('boat', 'from');
  if (!own) return undefined;
  const hires = await db('hire')
    .where({ boat: own.boat })
    .where('from', '<=', own.from)
    .orderBy('from', 'desc')
    .limit(LOOKED_AT)
    .select('id');
  const notes: BoatNote[] = [];
  for (const { id } of hires) {
    const record = (await sparing(db, now, () => wholeRecord(db, id)))?.record;
    for (const one of (record && currentOf(record, ['note'], noteLeft)?.currentEvents) ?? [])
      notes.push({ id: one.event.id, hire: id, by: one.actor.id, at: new Date(happenedAt(one)).toISOString(), text: one.event.body.text });
  }
  return notes.sort((a, b) => (a.at < b.at ? 1 : -1));
};
