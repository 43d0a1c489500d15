import type { Knex } from 'knex';
import { checkSecret, hashToken, newToken } from './secret';
import { addDevice, type DeviceRow, deviceOf, fold, type Staff } from './staff';
import { countTry, forgiveTries, type Tried } from './tries';

export type Session = { staff: Staff; device: DeviceRow };
export type SignedIn = { ok: true; session: Session; token: string; grant: string; deviceToken: string | undefined };
/** `wrongHere`: wrong, or a PIN on a phone that is not enrolled, which is not told apart. */
export type NotSignedIn = { ok: false; reason: 'wrong' | 'wrongHere' | 'wait'; waitS: number };

const SESSION_MS = 14 * 3_600_000;
/** How long what was made under a session may still be delivered as its maker's. */
const GRANT_MS = 45 * 24 * 3_600_000;

/** Whether somebody signed in on a device before. */
const wasHere = async (db: Knex, staff: string | undefined, device: string): Promise<boolean> =>
  staff !== undefined && (await db('session').where({ staff, device }).first('token')) !== undefined;

/**
 * Signs in. A hand's PIN counts only on an enrolled device; a manager's desk becomes a known device by signing in.
 * Tries on a device that is enrolled, or on which this very person signed in before, are counted for themselves: whatever
 * strangers do elsewhere with the same name or from the same address, nobody is locked out of their own phone.
 * @param deviceToken of the device cookie, if any @param from the address that the request came from
 */
export const signIn = async (
  db: Knex,
  name: string,
  secret: string,
  deviceToken: string | undefined,
  from: string,
  now: Date,
): Promise<SignedIn | NotSignedIn> => {
  const folded = fold(name);
  const row = await db('staff').where({ nameFolded: folded, withdrawnAt: null }).first();
  let device = await deviceOf(db, deviceToken);
  const known = device !== undefined && (Boolean(device.enrolled) || (await wasHere(db, row?.id, device.id)));
  const counted: [Tried, string][] =
    known && device
      ? [
          ['known', `${device.id} ${folded}`],
          ['device', device.id],
        ]
      : [
          ['address', from],
          ['stranger', folded],
        ];
  for (const [what, key] of counted) {
    const waitS = await countTry(db, what, key);
    if (waitS > 0) return { ok: false, reason: 'wait', waitS };
  }
  // On a phone that is not enrolled no PIN is looked at, so that nobody finds out there which is right.
  const counts = row !== undefined && (row.role === 'manager' || Boolean(device?.enrolled));
  const right = await checkSecret(secret, counts ? row.secret : undefined);
  if (!right || !counts) return { ok: false, reason: device?.enrolled ? 'wrong' : 'wrongHere', waitS: 0 };
  for (const [what, key] of counted) if (what !== 'address') await forgiveTries(db, what, key);
  let newDeviceToken: string | undefined;
  if (!device) {
    newDeviceToken = newToken();
    device = await addDevice(db, `Desk of ${row.name}`, newDeviceToken, false, now);
  }
  const at = device.id;
  const [token, grant] = [newToken(), newToken()];
  await db.transaction(async (trx) => {
    // One person at a time has a device in hand: whoever was signed in on it before has left it.
    await trx('session').where({ device: at, endedAt: null }).update({ endedAt: now.toISOString() });
    await trx('session').insert({
      token: hashToken(token),
      staff: row.id,
      device: at,
      grant: hashToken(grant),
      expiresAt: new Date(now.getTime() + SESSION_MS).toISOString(),
      grantExpiresAt: new Date(now.getTime() + GRANT_MS).toISOString(),
    });
    await trx('device').where({ id: at }).update({ seenAt: now.toISOString() });
  });
  return {
    ok: true,
    session: { staff: { id: row.id, name: row.name, role: row.role }, device },
    token,
    grant,
    deviceToken: newDeviceToken,
  };
};

/** The session a cookie stands for, on the device it was opened on. */
export const sessionOf = async (
  db: Knex,
  token: string | undefined,
  deviceToken: string | undefined,
  now: Date,
): Promise<Session | undefined> => {
  const device = await deviceOf(db, deviceToken);
  if (token === undefined || !device) return undefined;
  const row = (await db('session')
    .join('staff', 'staff.id', 'session.staff')
    .where('session.token', hashToken(token))
    .where('session.device', device.id)
    .whereNull('session.endedAt')
    .whereNull('staff.withdrawnAt')
    .where('session.expiresAt', '>', now.toISOString())
    .first('staff.id', 'staff.name', 'staff.role')) as Staff | undefined;
  return row && { staff: { id: row.id, name: row.name, role: row.role }, device };
};

/** Whose events a delivery carries: a grant given to this very device. @returns also when its owner left it, if they did */
export const granted = async (
  db: Knex,
  grant: string,
  device: DeviceRow,
  now: Date,
): Promise<(Staff & { leftAt: string | undefined }) | undefined> => {
  const row = (await db('session')
    .join('staff', 'staff.id', 'session.staff')
    .where('session.grant', hashToken(grant))
    .where('session.device', device.id)
    .where('session.grantExpiresAt', '>', now.toISOString())
    .first('staff.id', 'staff.name', 'staff.role', 'session.endedAt as endedAt', 'session.expiresAt as expiresAt')) as
    (Staff & { endedAt: string | null; expiresAt: string }) | undefined;
  if (!row) return undefined;
  const { endedAt, expiresAt, ...staff } = row;
  return { ...staff, leftAt: endedAt ?? (expiresAt <= now.toISOString() ? expiresAt : undefined) };
};

export const endSession = (db: Knex, token: string, now: Date) =>
  db('session')
    .where({ token: hashToken(token), endedAt: null })
    .update({ endedAt: now.toISOString() });
