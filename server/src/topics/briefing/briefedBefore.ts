import { bookOf } from '../fleet/book';
import { currentOf } from '@quay/core/events/record';
import { pointBriefed } from '@quay/core/briefing/events';
import type { Knex } from 'knex';
import type { Book } from '@quay/core/fleet/book';
import { happenedAt } from '@quay/core/events/stored';
import { sparing } from '../../platform/database/broken';
import { wholeRecord } from '../record/record';

/** How many earlier hires are looked at: who has come ten times since knows it. */
const LOOKED_AT = 10;

/**
 * When this renter was last told each point of a boat. A renter is known by how they are reached; a point told on
 * another boat counts when it says the same.
 */
export const briefedBefore = async (
  db: Knex,
  hire: { id: string; renter: string; from: string },
  book: Book,
  now: string,
): Promise<Record<string, string>> => {
  const earlier = (await db('hire')
    .join('person', 'person.id', 'hire.renter')
    .join('person as one', 'one.contact', 'person.contact')
    .where('one.id', hire.renter)
    .whereNot('person.contact', '')
    .whereNot('hire.id', hire.id)
    .where('hire.from', '<', hire.from)
    .orderBy('hire.from', 'desc')
    .limit(LOOKED_AT)
    .select('hire.id', 'hire.boat', 'hire.bookVersion')) as { id: string; boat: string; bookVersion: number | null }[];
  const last: Record<string, string> = {};
  for (const { id, boat, bookVersion } of earlier) {
    const then = await bookOf(db, boat, bookVersion ?? undefined);
    const record = (await sparing(db, now, () => wholeRecord(db, id)))?.record;
    if (!record) continue;
    const said = new Map(then?.book.points.map((point) => [point.id, point.say.en]));
    for (const point of book.points) {
      const briefed = currentOf(record, ['out', 'point', point.id], pointBriefed);
      if (!briefed || said.get(point.id) !== point.say.en) continue;
      const at = new Date(happenedAt(briefed.by)).toISOString();
      if (last[point.id] === undefined || last[point.id]! < at) last[point.id] = at;
    }
  }
  return last;
};
