import { briefingOf } from '@quay/core/briefing/ofHire';
import { dayOfUse, fitOf } from '@quay/core/party/ofHire';
import { isEntered } from '@quay/core/events/record';
import type { Knex } from 'knex';
import { keyFor } from '@quay/core/castOff/alone';
import { unproven } from '@quay/core/drill/ofHire';
import { holdsOf } from '@quay/core/castOff/hold';
import { packOf } from '../walk/pack';
import { appendQuayEvent } from '../record/quayEvent';
import { wholeRecord } from '../record/record';
import type { QuayKey } from '../../platform/database/setting';

export type Asked = { base: string; boat: string; answer: ReturnType<typeof keyFor>; given: boolean; bookVersion: number };

/** Whether the renter of this hire gets the code of the key safe now, by everything the quay holds of it. */
export const askForKey = async (db: Knex, id: string, key: QuayKey, now: string): Promise<Asked | undefined> => {
  const pack = await packOf(db, id, key, now);
  if (!pack) return undefined;
  const { record } = await wholeRecord(db, id);
  const day = dayOfUse(pack, now);
  const others = await db('hire').where({ boat: pack.hire.boat }).whereNot({ id }).whereIn('state', ['out', 'walkingIn']).first('id');
  const holds = holdsOf(record, pack.book, day, fitOf(record, pack, day), unproven(record, pack));
  const answer = keyFor(record, pack, briefingOf(record, pack), { holds, away: others !== undefined, now });
  return { base: pack.hire.base, boat: pack.hire.boat, answer, given: isEntered(record, ['keyGiven']), bookVersion: pack.bookVersion };
};

/** The record says that the code was given out, once; never which. */
export const noteKeyGiven = (db: Knex, hire: string, bookVersion: number, now: string) =>
  appendQuayEvent(db, hire, { body: { kind: 'keyGiven' }, seq: 1, bookVersion, now });
