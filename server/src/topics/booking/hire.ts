import { Base, tideOf } from '@quay/core/fleet/base';
import type { Hire } from '@quay/contract/hire';
import type { Handover } from '@quay/core/policy/policy';
import type { Knex } from 'knex';
import type { HireRow } from '../../platform/database/tables';

export type NamedHire = HireRow & { renterName: string; renterContact: string; renterSalt: string; boatName: string };

/** Hires with the names of their renter and boat. */
export const namedHires = (db: Knex) =>
  db('hire')
    .join('person', 'person.id', 'hire.renter')
    .join('boat', 'boat.id', 'hire.boat')
    .select('hire.*', 'person.name as renterName', 'person.contact as renterContact', 'person.salt as renterSalt', 'boat.name as boatName');

export const toHire = (row: NamedHire): Hire => ({
  id: row.id,
  boat: row.boat,
  base: row.base,
  renter: row.renterName,
  contact: row.renterContact,
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

/** One hire with the names of its renter and boat. */
export const namedHire = async (db: Knex, id: string): Promise<NamedHire | undefined> =>
  (await namedHires(db).where('hire.id', id).first()) as NamedHire | undefined;

/**
 * What a delivery is judged by: how the boat is handed over, and the newest version of each book it may be about.
 * @param boats that its entries name: a phone without signal may not know yet that the hire has another one
 */
export const termsOf = async (
  db: Knex,
  id: string,
  boats: readonly string[],
): Promise<{ handover: Handover; newestBook: (boat: string | undefined) => number } | undefined> => {
  const hire = await db('hire').where({ id }).first('handover', 'boat');
  if (!hire) return undefined;
  const rows = await db('boat')
    .whereIn('id', [...new Set([hire.boat, ...boats])])
    .select('id', 'bookVersion');
  const newest = new Map(rows.map(({ id: boat, bookVersion }) => [boat, bookVersion]));
  return { handover: hire.handover, newestBook: (boat = hire.boat) => newest.get(boat) ?? 0 };
};

/** A base by its id; to a renter only the base of their hire. */
export const baseOf = async (db: Knex, id: string, hire?: string): Promise<{ id: string; tideM: number } | undefined> => {
  if (hire !== undefined && (await db('hire').where({ id: hire }).first('base'))?.base !== id) return undefined;
  const row = await db('base').where({ id }).first('body');
  if (!row) return undefined;
  return { id, tideM: tideOf(Base.parse(JSON.parse(row.body))) };
};
