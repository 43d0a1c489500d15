import { randomBytes } from 'node:crypto';
import type { Knex } from 'knex';
import { hashToken, newToken } from './secret';
import { addDevice, type DeviceRow } from './staff';
import { countTry } from './tries';

/** What a renter's link is good for: one hire, until some days after its end. */
const AFTER_MS = 14 * 86_400_000;

export type RenterSession = { hire: string; renter: { id: string; name: string }; device: DeviceRow };

/** Makes a link of 128 random bits. @returns the token, which is stored nowhere */
export const makeLink = async (db: Knex, hire: string, madeBy: string, now: Date): Promise<{ token: string; expiresAt: string }> => {
  const { to } = (await db('hire').where({ id: hire }).first('to'))!;
  const token = randomBytes(16).toString('base64url');
  const expiresAt = new Date(Math.max(Date.parse(to), now.getTime()) + AFTER_MS).toISOString();
  await db('renterLink').insert({ token: hashToken(token), hire, madeBy, createdAt: now.toISOString(), expiresAt });
  return { token, expiresAt };
};

export const linksOf = async (
  db: Knex,
  hire: string,
  now: Date,
): Promise<{ id: string; createdAt: string; expiresAt: string; madeBy: string }[]> =>
  (await db('renterLink')
    .join('staff', 'staff.id', 'renterLink.madeBy')
    .where({ hire })
    .whereNull('renterLink.withdrawnAt')
    .where('expiresAt', '>', now.toISOString())
    .orderBy('createdAt')
    .select('renterLink.token as id', 'createdAt', 'expiresAt', 'staff.name as madeBy')) as {
    id: string;
    createdAt: string;
    expiresAt: string;
    madeBy: string;
  }[];

export const withdrawLinks = (db: Knex, hire: string, now: Date): Promise<number> =>
  db('renterLink').where({ hire, withdrawnAt: null }).update({ withdrawnAt: now.toISOString() });

/** The renter's session a cookie stands for, while its link is good. */
export const renterSessionOf = async (db: Knex, token: string | undefined, hire: string, now: Date): Promise<RenterSession | undefined> => {
  if (token === undefined) return undefined;
  const row = (await db('renterSession')
    .join('renterLink', 'renterLink.token', 'renterSession.link')
    .join('hire', 'hire.id', 'renterSession.hire')
    .join('person', 'person.id', 'hire.renter')
    .where('renterSession.token', hashToken(token))
    .where('renterSession.hire', hire)
    .whereNull('renterLink.withdrawnAt')
    .where('renterSession.expiresAt', '>', now.toISOString())
    .first('renterSession.device', 'person.id', 'person.name')) as { device: string; id: string; name: string } | undefined;
  if (!row) return undefined;
  const device = (await db('device').where({ id: row.device }).first())!;
  return { hire, renter: { id: row.id, name: row.name }, device };
};

/**
 * Exchanges a link for a session. Misses are counted by address.
 * @param had the session cookie this phone has for a hire: the same phone stays the same device
 */
export const openLink = async (
  db: Knex,
  token: string,
  had: (hire: string) => string | undefined,
  from: string,
  now: Date,
): Promise<{ ok: true; session: RenterSession; token: string; expiresAt: string } | { ok: false; waitS: number }> => {
  const link = await db('renterLink')
    .where({ token: hashToken(token), withdrawnAt: null })
    .where('expiresAt', '>', now.toISOString())
    .first();
  // 128 bits are not guessed; misses are counted so that nobody tries all day, and a good link is never held up by others'.
  if (!link) return { ok: false, waitS: await countTry(db, 'code', from) };
  const before = await renterSessionOf(db, had(link.hire), link.hire, now);
  const device = before?.device ?? (await addDevice(db, 'Renter’s phone', newToken(), false, now));
  const session = newToken();
  await db('renterSession').insert({
    token: hashToken(session),
    link: link.token,
    hire: link.hire,
    device: device.id,
    expiresAt: link.expiresAt,
  });
  const opened = await renterSessionOf(db, session, link.hire, now);
  if (!opened) throw new Error('a session that was just made is not there');
  return { ok: true, session: opened, token: session, expiresAt: link.expiresAt };
};

export const closeRenterSession = (db: Knex, token: string): Promise<number> =>
  db('renterSession')
    .where({ token: hashToken(token) })
    .del();
