import { createHash, createPublicKey, randomInt, randomUUID } from 'node:crypto';
import type { Knex } from 'knex';
import { checkSecret, hashSecret, hashToken, newToken } from './secret';

export type StaffRole = 'hand' | 'manager';
export type Staff = { id: string; name: string; role: StaffRole };
export type DeviceRow = {
  id: string;
  name: string;
  token: string;
  enrolled: 0 | 1;
  createdAt: string;
  seenAt: string | null;
  withdrawnAt: string | null;
  key: string | null;
  keyFingerprint: string | null;
};
export type Session = { staff: Staff; device: DeviceRow };

export const fold = (name: string): string => name.trim().toLocaleLowerCase('en').normalize('NFKC');

/** What a secret must be: six digits or more for a hand, ten characters or more for a manager. */
export const secretFault = (role: StaffRole, secret: string): string | undefined => {
  if (role === 'hand') return /^\d{6,12}$/.test(secret) ? undefined : 'A hand’s PIN is six to twelve digits.';
  return secret.length >= 10 ? undefined : 'A manager’s password has ten characters or more.';
};

export const addStaff = async (db: Knex, staff: { id?: string; name: string; role: StaffRole; secret: string }): Promise<Staff> => {
  const row = { id: staff.id ?? randomUUID(), name: staff.name.trim(), role: staff.role };
  const secret = await hashSecret(staff.secret);
  await db('staff')
    .insert({ ...row, nameFolded: fold(staff.name), secret })
    .onConflict('id')
    .merge();
  return row;
};

/** The first three misses are free; then each doubles the wait, up to a quarter of an hour. Kept in the database, so a restart forgives nothing. */
const waitAfter = (count: number): number => (count < 3 ? 0 : Math.min(900_000, 1000 * 2 ** (count - 2)));
const FORGIVEN_AFTER_MS = 24 * 3_600_000;

export const waiting = async (db: Knex, keys: readonly string[], nowMs: number): Promise<number> => {
  const rows = (await db('signInFailure').whereIn('key', keys as string[])) as { count: number; lastMs: number }[];
  return Math.max(0, ...rows.map(({ count, lastMs }) => (nowMs - lastMs > FORGIVEN_AFTER_MS ? 0 : lastMs + waitAfter(count) - nowMs)));
};
export const missed = (db: Knex, keys: readonly string[], nowMs: number) =>
  Promise.all(
    keys.map((key) =>
      db('signInFailure')
        .insert({ key, count: 1, lastMs: nowMs })
        .onConflict('key')
        .merge({ count: db.raw('signInFailure.count + 1'), lastMs: nowMs }),
    ),
  );

export type SignedIn = { ok: true; session: Session; token: string; grant: string; deviceToken: string | undefined };
export type Refused = { ok: false; reason: 'wrong' | 'wait' | 'notEnrolled'; waitS: number };

const SESSION_MS = 14 * 3_600_000;
/** How long what was made under a session may still be delivered as its maker's. */
const GRANT_MS = 45 * 24 * 3_600_000;

/**
 * Signs in. A hand's PIN counts only on an enrolled device; a manager's desk becomes a known device by signing in.
 * @param deviceToken of the device cookie, if any @param from where the request came from, for slowing down
 */
export const signIn = async (
  db: Knex,
  name: string,
  secret: string,
  deviceToken: string | undefined,
  from: string,
  now: Date,
): Promise<SignedIn | Refused> => {
  const keys = [`name:${fold(name)}`, `from:${from}`];
  const waitMs = await waiting(db, keys, now.getTime());
  if (waitMs > 0) return { ok: false, reason: 'wait', waitS: Math.ceil(waitMs / 1000) };
  const row = (await db('staff')
    .where({ nameFolded: fold(name), withdrawnAt: null })
    .first()) as (Staff & { secret: string }) | undefined;
  let device = await deviceOf(db, deviceToken);
  const right = await checkSecret(secret, row?.secret);
  if (!right || !row) {
    await missed(db, keys, now.getTime());
    return { ok: false, reason: 'wrong', waitS: 0 };
  }
  // Said only after the right PIN: who has none learns nothing about the phone.
  if (row.role === 'hand' && !device?.enrolled) return { ok: false, reason: 'notEnrolled', waitS: 0 };
  await db('signInFailure').whereIn('key', keys).del();
  let newDeviceToken: string | undefined;
  if (!device) {
    newDeviceToken = newToken();
    device = await addDevice(db, `Desk of ${row.name}`, newDeviceToken, false, now);
  }
  const [token, grant] = [newToken(), newToken()];
  await db('session').insert({
    token: hashToken(token),
    staff: row.id,
    device: device.id,
    grant: hashToken(grant),
    expiresAt: new Date(now.getTime() + SESSION_MS).toISOString(),
    grantExpiresAt: new Date(now.getTime() + GRANT_MS).toISOString(),
  });
  await db('device').where({ id: device.id }).update({ seenAt: now.toISOString() });
  return {
    ok: true,
    session: { staff: { id: row.id, name: row.name, role: row.role }, device },
    token,
    grant,
    deviceToken: newDeviceToken,
  };
};

export const addDevice = async (db: Knex, name: string, token: string, enrolled: boolean, now: Date): Promise<DeviceRow> => {
  const id = randomUUID();
  await db('device').insert({ id, name, token: hashToken(token), enrolled, createdAt: now.toISOString() });
  return (await db('device').where({ id }).first()) as DeviceRow;
};

export const deviceOf = async (db: Knex, token: string | undefined): Promise<DeviceRow | undefined> =>
  token === undefined
    ? undefined
    : ((await db('device')
        .where({ token: hashToken(token), withdrawnAt: null })
        .first()) as DeviceRow | undefined);

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
    .where({ 'session.token': hashToken(token), 'session.device': device.id, 'session.endedAt': null, 'staff.withdrawnAt': null })
    .where('session.expiresAt', '>', now.toISOString())
    .first('staff.id', 'staff.name', 'staff.role')) as Staff | undefined;
  return row && { staff: { id: row.id, name: row.name, role: row.role }, device };
};

/** Whose events a delivery carries: a grant given to this very device, still good after its session has ended. */
export const granted = async (db: Knex, grant: string, device: DeviceRow, now: Date): Promise<Staff | undefined> =>
  (await db('session')
    .join('staff', 'staff.id', 'session.staff')
    .where({ 'session.grant': hashToken(grant), 'session.device': device.id })
    .where('session.grantExpiresAt', '>', now.toISOString())
    .first('staff.id', 'staff.name', 'staff.role')) as Staff | undefined;

export const endSession = (db: Knex, token: string, now: Date) =>
  db('session')
    .where({ token: hashToken(token) })
    .update({ endedAt: now.toISOString() });

const ENROLMENT_MS = 10 * 60_000;
const ALPHABET = 'ABCDEFGHJKLMNPQRSTUVWXYZ23456789';

/** A code of twelve letters and digits (60 bits), good once. */
export const makeEnrolment = async (db: Knex, madeBy: string, now: Date): Promise<{ code: string; expiresAt: string }> => {
  const code = Array.from({ length: 12 }, () => ALPHABET[randomInt(ALPHABET.length)]).join('');
  const expiresAt = new Date(now.getTime() + ENROLMENT_MS).toISOString();
  await db('enrolment').where('expiresAt', '<', now.toISOString()).del();
  await db('enrolment').insert({ code: hashToken(code), expiresAt, madeBy });
  return { code, expiresAt };
};

export const enrol = async (
  db: Knex,
  code: string,
  name: string,
  from: string,
  now: Date,
): Promise<{ ok: true; device: DeviceRow; token: string } | Refused> => {
  const keys = [`enrol:${from}`];
  const waitMs = await waiting(db, keys, now.getTime());
  if (waitMs > 0) return { ok: false, reason: 'wait', waitS: Math.ceil(waitMs / 1000) };
  const token = newToken();
  return db.transaction(async (trx) => {
    const taken = await trx('enrolment')
      .where({ code: hashToken(code.replace(/\s/g, '').toUpperCase()) })
      .where('expiresAt', '>', now.toISOString())
      .del();
    if (taken === 0) {
      await missed(trx, keys, now.getTime());
      return { ok: false, reason: 'wrong', waitS: 0 } as const;
    }
    return { ok: true, device: await addDevice(trx, name, token, true, now), token } as const;
  });
};

/** Keeps the public key a device signs seals with. A device has one key: a second one would let it disown the first. */
export const nameKey = async (
  db: Knex,
  device: DeviceRow,
  spkiBase64: string,
): Promise<{ ok: true; fingerprint: string } | { ok: false }> => {
  const der = Buffer.from(spkiBase64, 'base64');
  try {
    if (createPublicKey({ key: der, format: 'der', type: 'spki' }).asymmetricKeyDetails?.namedCurve !== 'prime256v1') return { ok: false };
  } catch {
    return { ok: false };
  }
  const fingerprint = createHash('sha256').update(der).digest('hex');
  if (device.key !== null && device.keyFingerprint !== fingerprint) {
    // The browser's storage was cleared: the old key stays on record under the old seals, by their events' fingerprints.
    await db('setting')
      .insert({ key: `deviceKey:${device.keyFingerprint}`, value: device.key })
      .onConflict('key')
      .ignore();
  }
  await db('device').where({ id: device.id }).update({ key: spkiBase64, keyFingerprint: fingerprint });
  return { ok: true, fingerprint };
};

/** The key a seal names, from whichever device has or had it. */
export const deviceKeyOf = async (db: Knex, fingerprint: string): Promise<string | undefined> => {
  const device = (await db('device').where({ keyFingerprint: fingerprint }).first('key')) as { key: string } | undefined;
  return (
    device?.key ??
    (
      (await db('setting')
        .where({ key: `deviceKey:${fingerprint}` })
        .first('value')) as { value: string } | undefined
    )?.value
  );
};
