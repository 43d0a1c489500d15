import { createPublicKey, sign as signBytes, verify } from 'node:crypto';
import type { Knex } from 'knex';
import { checkSeal, countersignMessage, sealMessage } from '@quay/core/events/seal';
import type { Whole } from './record';
import type { QuayKey } from '../../platform/database/setting';
import { deviceKeyOf } from '../../platform/signIn/staff';

const signatureFits = (spki: string, message: string, signature: string): boolean =>
  verify(
    'sha256',
    Buffer.from(message),
    { key: createPublicKey({ key: Buffer.from(spki, 'base64'), format: 'der', type: 'spki' }), dsaEncoding: 'ieee-p1363' },
    Buffer.from(signature, 'base64'),
  );

/** Judges the seals of a hire that are not countersigned yet, and countersigns those that fit. */
export const judgeSeals = async (
  db: Knex,
  hire: { id: string; boat: string },
  whole: Whole,
  key: QuayKey,
  now: string,
): Promise<number> => {
  const rows = await db('seal').where({ hire: hire.id });
  const done = new Map(rows.map(({ event, state }) => [event, state]));
  for (const stored of whole.stored) {
    const { body, id } = stored.event;
    if (body.kind !== 'sealed' || done.get(id) === 'countersigned') continue;
    const check = checkSeal(body, whole.digests);
    const spki = await deviceKeyOf(db, body.key);
    const state = check.ok
      ? spki !== undefined && signatureFits(spki, sealMessage(hire.id, body.walk, body.root), body.signature)
        ? 'countersigned'
        : 'badSignature'
      : check.reason === 'eventsMissing'
        ? 'waiting'
        : 'rootDiffers';
    const signed =
      state === 'countersigned'
        ? signBytes(null, Buffer.from(countersignMessage(hire.id, body.walk, body.root, now)), key.sign).toString('base64')
        : null;
    await db('seal')
      .insert({
        event: id,
        hire: hire.id,
        walk: body.walk,
        root: body.root,
        state,
        receivedAt: now,
        signature: signed,
        key: signed && key.fingerprint,
      })
      .onConflict('event')
      .merge();
    done.set(id, state);
    if (state === 'countersigned')
      await db('boat')
        .where({ id: stored.event.boat ?? hire.boat })
        .update({ lastSeal: body.root });
  }
  return [...done.values()].filter((state) => state !== 'countersigned').length;
};
