import type { Hire } from '@quay/contract/hire';
import type { Handover } from '@quay/core/policy/policy';
import type { Knex } from 'knex';
import type { HireRow } from '../../platform/database/tables';

export type NamedHire = HireRow & { renterName: string; renterSalt: string; boatName: string };

/** Hires with the names of their renter and boat. */
export const namedHires = (db: Knex) =>
  db('hire')
    .join('person', 'person.id', 'hire.renter')
    .join('boat', 'boat.id', 'hire.boat')
    .select('hire.*', 'person.name as renterName', 'person.salt as renterSalt', 'boat.name as boatName');

export const toHire = (row: NamedHire): Hire => ({
  id: row.id,
  boat: row.boat,
  base: row.base,
  renter: row.renterName,
  language: row.language,
  handover: row.handover,
  party: { adults: row.adults, children: row.children },
  from: row.from,
  to: row.to,
  depositMinor: row.depositMinor,
  notes: row.notes,
  version: row.version,
});

/** Whether there is such a hire. */
export const hireExists = async (db: Knex, id: string): Promise<boolean> => (await db('hire').where({ id }).first('id')) !== undefined;

/** What a delivery is judged by: how the boat is handed over, and the newest version of her book. */
export const termsOf = async (db: Knex, id: string): Promise<{ handover: Handover; newestBook: number } | undefined> =>
  (await db('hire').join('boat', 'boat.id', 'hire.boat').where('hire.id', id).first('hire.handover', 'boat.bookVersion as newestBook')) as
    { handover: Handover; newestBook: number } | undefined;

/** A base by its id; to a renter only the base of their hire. */
export const baseOf = async (db: Knex, id: string, hire?: string): Promise<{ id: string } | undefined> => {
  if (hire !== undefined && (await db('hire').where({ id: hire }).first('base'))?.base !== id) return undefined;
  return db('base').where({ id }).first('id');
};
