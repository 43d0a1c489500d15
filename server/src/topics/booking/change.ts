import type { Hire } from '@quay/contract/hire';
import type { Knex } from 'knex';
import { refuseClashes } from './book';
import { namedHires, type NamedHire, toHire } from './hire';

type Change = {
  /** The version that whoever changes it saw. */
  version: number;
  to?: string | undefined;
  party?: { adults: number; children: number } | undefined;
  notes?: string | undefined;
  insist?: boolean | undefined;
};

/**
 * Changes what was booked, when nobody else has since `version`. A longer hire is not given time that somebody else has.
 * @returns undefined when there is no such hire @throws ProblemError `boatTaken`, `boatTight`
 */
export const changeHire = (
  db: Knex,
  id: string,
  { version, to, party, notes, insist }: Change,
  now: string,
): Promise<{ ok: true; hire: Hire } | { ok: false; reason: 'changedMeanwhile' | 'beforeStart' } | undefined> =>
  db.transaction(async (trx) => {
    const read = async () => (await namedHires(trx).where('hire.id', id).first()) as NamedHire | undefined;
    const row = await read();
    if (!row) return undefined;
    if (to !== undefined && to <= row.from) return { ok: false, reason: 'beforeStart' };
    if (row.version !== version) return { ok: false, reason: 'changedMeanwhile' };
    // A shorter hire takes nothing from anybody.
    if (to !== undefined && to > row.to) await refuseClashes(trx, { hire: id, boat: row.boat, from: row.to, to }, insist === true, now);
    await trx('hire')
      .where({ id })
      .update({
        to: to ?? row.to,
        adults: party?.adults ?? row.adults,
        children: party?.children ?? row.children,
        notes: notes ?? row.notes,
        version: version + 1,
      });
    return { ok: true, hire: toHire((await read())!) };
  });
