import type { Knex } from 'knex';
import type { KeySafe } from '@quay/contract/keySafe';

/** A safe that is connected to nothing: staff set its code by hand and tell the quay, hire by hire. */
export const safeSetByHand = (db: () => Knex): KeySafe => ({
  simulated: false,
  codeFor: async ({ id }) => {
    const row = await db()('keyCode').where({ hire: id }).first('code');
    return row ? { ok: true, code: row.code } : { ok: false, reason: 'none' };
  },
});

export const setCodeByHand = (db: Knex, hire: string, code: string, by: string, now: string) =>
  db('keyCode').insert({ hire, code, setBy: by, setAt: now }).onConflict('hire').merge();
