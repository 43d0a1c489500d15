import type { Knex } from 'knex';

/** What nothing more comes to. */
const OVER = ['closed', 'cancelled'] as const;

/**
 * Erases who people were, for hires closed or cancelled whose end lies before a day: names, contacts, notes and the sheets of who was
 * aboard. What was recorded stays, and every seal over it stays good, since events carry commitments only; with the salts
 * gone nobody can try names against them. A statement keeps the name it was made out to, as books of account must.
 * @param before ISO instant @returns how many hires were concerned
 */
export const erasePeople = (db: Knex, before: string): Promise<number> =>
  db.transaction(async (trx) => {
    const hires = await trx('hire').whereIn('state', OVER).where('to', '<', before).select('id', 'renter');
    for (let i = 0; i < hires.length; i += 400) {
      const some = hires.slice(i, i + 400);
      const ids = some.map(({ id }) => id);
      await trx('sheet').whereIn('hire', ids).del();
      // Where people were is theirs as much as their names are.
      await trx('track').whereIn('hire', ids).del();
      await trx('renterSession').whereIn('hire', ids).del();
      await trx('renterLink').whereIn('hire', ids).del();
      await trx('keyCode').whereIn('hire', ids).del();
      await trx('hire').whereIn('id', ids).update({ notes: '' });
      // Somebody who has another hire that is not yet over keeps their name until that one is.
      const staying = await trx('hire')
        .whereIn(
          'renter',
          some.map(({ renter }) => renter),
        )
        .whereNot((q) => void q.whereIn('state', OVER).where('to', '<', before))
        .select('renter');
      const keep = new Set(staying.map(({ renter }) => renter));
      await trx('person')
        .whereIn(
          'id',
          some.map(({ renter }) => renter).filter((renter) => !keep.has(renter)),
        )
        .update({ name: '–', contact: '', salt: '' });
    }
    return hires.length;
  });
