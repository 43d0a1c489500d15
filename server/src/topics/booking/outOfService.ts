import type { OutOfService } from '@quay/contract/calendar';
import type { Knex } from 'knex';
import { fail } from '../../platform/http/problem';
import { boatExists } from '../fleet/book';

const shown = ({ id, boat, from, to, why }: OutOfService): OutOfService => ({ id, boat, from, to, why });

/**
 * Takes a boat out of service for a time. Hires that lie in it stay booked: somebody has to speak to their renters.
 * @returns with those hires @throws ProblemError `noSuchBoat`
 */
export const takeOut = (db: Knex, boat: string, { id, from, to, why }: Omit<OutOfService, 'boat'>, by: string, now: string) =>
  db.transaction(async (trx) => {
    if (!(await boatExists(trx, boat))) return fail(404, 'noSuchBoat');
    await trx('outOfService').insert({ id, boat, from, to, why, madeBy: by, madeAt: now }).onConflict('id').ignore();
    const touched = trx('hire')
      .join('person', 'person.id', 'hire.renter')
      .where('hire.boat', boat)
      .whereIn('hire.state', ['booked', 'walkingOut', 'readyToGo'])
      .where('hire.to', '>', from)
      .orderBy('hire.from');
    if (to !== null) void touched.where('hire.from', '<', to);
    const hires = (await touched.select('hire.id', 'person.name as renter', 'hire.from', 'hire.to')) as {
      id: string;
      renter: string;
      from: string;
      to: string;
    }[];
    return { outOfService: shown((await trx('outOfService').where({ id }).first())!), hires };
  });

/** What of some boats is out of service at some time between two instants. */
export const outOfServiceBetween = async (db: Knex, boats: readonly string[], from: string, to: string): Promise<OutOfService[]> =>
  (
    await db('outOfService')
      .whereIn('boat', boats)
      .where('from', '<', to)
      .where((either) => {
        void either.whereNull('to').orWhere('to', '>', from);
      })
  ).map(shown);

/** Back from now on: what has been stays known, what has not begun is gone. */
export const bringBackInService = async (db: Knex, id: string, now: string): Promise<void> => {
  await db('outOfService').where({ id }).where('from', '>=', now).del();
  await db('outOfService')
    .where({ id })
    .where((either) => {
      void either.whereNull('to').orWhere('to', '>', now);
    })
    .update({ to: now });
};
