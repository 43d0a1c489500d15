import type { Calendar } from '@quay/contract/calendar';
import { instantOf } from '@quay/core/time/zone';
import type { Knex } from 'knex';
import { readHandoverPolicy } from '../../platform/database/setting';
import { type BaseRow } from '../booking/bases';
import { boatsToHire } from '../booking/choices';
import { outOfServiceBetween } from '../booking/outOfService';

/** The boats of a base and what is booked of them on some of its days. @param from first day @param to the day after the last */
export const calendarOf = async (
  db: Knex,
  base: BaseRow,
  { from, to }: { from: string; to: string },
): Promise<Pick<Calendar, 'turnaroundMinutes' | 'boats' | 'hires' | 'outOfService'>> => {
  const [start, end] = [instantOf(`${from}T00:00`, base.zone), instantOf(`${to}T00:00`, base.zone)];
  const boats = await boatsToHire(db, { base: base.id });
  const ids = boats.map(({ id }) => id);
  const hires = (await db('hire')
    .join('person', 'person.id', 'hire.renter')
    .whereIn('hire.boat', ids)
    // A hire lasts so long at most: what began before is over, and the database need not look at it.
    .where('hire.from', '<', end)
    .where('hire.from', '>', new Date(Date.parse(start) - LONGEST_MS).toISOString())
    .where('hire.to', '>', start)
    .whereNot('hire.state', 'cancelled')
    .orderBy(['hire.from', 'hire.id'])
    .select(
      'hire.id',
      'hire.boat',
      'person.name as renter',
      db.raw('hire.adults + hire.children as party'),
      'hire.from',
      'hire.to',
      'hire.state',
      'hire.version',
    )) as Calendar['hires'];
  return {
    turnaroundMinutes: (await readHandoverPolicy(db)).turnaroundMinutes,
    boats: boats.map(({ id, name, hullNumber, people }) => ({ id, name, hullNumber, people })).sort((a, b) => (a.name < b.name ? -1 : 1)),
    hires,
    outOfService: await outOfServiceBetween(db, ids, start, end),
  };
};

/** Longer than any hire that is booked, with a night on which the clock is changed. */
const LONGEST_MS = 62 * 86_400_000;
