import { createHash, createPublicKey, randomInt, randomUUID } from 'node:crypto';
import type { Knex } from 'knex';
import { secretFits, type StaffRole } from '@quay/core/staff/secret';
import type { Language } from '@quay/core/words/words';
import { checkSecret, hashSecret, hashToken, isHashed, newToken, NO_SECRET } from './secret';
import { countTry } from './tries';

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

export const fold = (name: string): string => name.trim().toLocaleLowerCase('en').normalize('NFKC');

/** What is wrong with a secret, for whoever sets it. */
export const secretFault = (role: StaffRole, secret: string): string | undefined => {
  if (secretFits(role, secret)) return undefined;
  return role === 'hand' ? 'A hand’s PIN is six to twelve digits.' : 'A manager’s password has ten characters or more.';
};

/** What a role and secret say of whoever has them; sessions and grants given on an older word end with it. */
/** `secret`: as it is typed; what is kept of one, from another installation; or empty, where the one that is there stays. */
type Account = { id?: string; name: string; role: StaffRole; secret: string; languages?: readonly string[]; bases?: readonly string[] };

/** An account ready to be written, and whether it says something else than the one that is there. */
export type ReadyAccount = {
  row: Staff & { nameFolded: string; secret: string; languages?: string; bases?: string };
  changed: boolean;
};

/** What is to be kept of a secret that was typed: what is kept already, where it is the same. */
const unlessSame = async (secret: string, before: string | undefined): Promise<string> =>
  before !== undefined && (await checkSecret(secret, before)) ? before : hashSecret(secret);

/** Derives what is kept of a secret, which takes its time; one that is the same as before is left as it is. */
export const accountOf = async (db: Knex, staff: Account): Promise<ReadyAccount> => {
  const { id = randomUUID(), role } = staff;
  const before = await db('staff').where({ id }).first('role', 'secret');
  const kept =
    staff.secret === ''
      ? (before?.secret ?? NO_SECRET)
      : isHashed(staff.secret)
        ? staff.secret
        : await unlessSame(staff.secret, before?.secret);
  return {
    row: {
      ...{ id, name: staff.name.trim(), role, nameFolded: fold(staff.name) },
      secret: kept,
      ...(staff.languages ? { languages: JSON.stringify(staff.languages) } : {}),
      ...(staff.bases ? { bases: JSON.stringify(staff.bases) } : {}),
    },
    changed: before !== undefined && (before.secret !== kept || before.role !== role),
  };
};

/** Whose role or secret is another than before has to sign in anew everywhere. */
export const putAccount = async (trx: Knex, { row, changed }: ReadyAccount, now: Date): Promise<void> => {
  await trx('staff').insert(row).onConflict('id').merge();
  if (changed) await endAllOf(trx, row.id, now);
};

/** Adds somebody, or changes them. */
export const putStaff = async (db: Knex, staff: Account, now: Date): Promise<void> => {
  const ready = await accountOf(db, staff);
  await db.transaction((trx) => putAccount(trx, ready, now));
};

/** Adds somebody under a name that nobody else works under, withdrawn or not. @returns their id, or nothing where the name is taken */
export const addStaff = async (db: Knex, staff: Omit<Account, 'id'>, now: Date): Promise<string | undefined> => {
  const ready = await accountOf(db, staff);
  return db.transaction(async (trx) => {
    if (await trx('staff').where({ nameFolded: ready.row.nameFolded }).first('id')) return undefined;
    await putAccount(trx, ready, now);
    return ready.row.id;
  });
};

/** What a row keeps as a JSON list. */
const listIn = <T extends string>(text: string): T[] => JSON.parse(text) as T[];

export type StaffRow = Staff & {
  withdrawnAt: string | null;
  version: number;
  languages: Language[];
  bases: string[];
  /** Whether they can sign in: somebody brought from elsewhere may have no secret yet. */
  hasSecret: boolean;
};
export const allStaff = async (db: Knex): Promise<StaffRow[]> =>
  (await db('staff').orderBy('nameFolded').select('id', 'name', 'role', 'withdrawnAt', 'version', 'languages', 'bases', 'secret')).map(
    ({ languages, bases, secret, ...row }) => ({
      ...row,
      languages: listIn(languages),
      bases: listIn(bases),
      hasSecret: secret !== NO_SECRET,
    }),
  );

/** Where somebody works; nothing where that is everywhere. */
export const basesOfStaff = async (db: Knex, id: string): Promise<string[]> =>
  listIn((await db('staff').where({ id }).first('bases'))?.bases ?? '[]');

/** Who of a base speaks a language with renters, by name. */
export const whoSpeaks = async (db: Knex, base: string, language: Language): Promise<string[]> =>
  (await allStaff(db)).flatMap(({ name, withdrawnAt, languages, bases }) =>
    withdrawnAt === null && languages.includes(language) && (bases.length === 0 || bases.includes(base)) ? [name] : [],
  );

type Change = { name: string; role: StaffRole; languages: readonly Language[]; bases: readonly string[]; secret?: string | undefined };

/**
 * Changes who somebody is, under the version that was seen. Another role signs in with a secret of its own kind.
 * @returns what stands in the way, if anything does
 */
export const changeStaff = async (
  db: Knex,
  id: string,
  { name, role, languages, bases, secret }: Change,
  seen: number,
  now: Date,
): Promise<'noSuchStaff' | 'changedMeanwhile' | 'nameTaken' | 'lastManager' | 'secretWanted' | undefined> => {
  const hashed = secret === undefined ? undefined : await hashSecret(secret);
  return db.transaction(async (trx) => {
    const row = await trx('staff').where({ id }).first('role', 'version');
    if (!row) return 'noSuchStaff';
    if (row.version !== seen) return 'changedMeanwhile';
    const nameFolded = fold(name);
    if (await trx('staff').where({ nameFolded }).whereNot({ id }).first('id')) return 'nameTaken';
    const otherRole = row.role !== role;
    if (otherRole && hashed === undefined) return 'secretWanted';
    if (row.role === 'manager' && otherRole) {
      const others = await trx('staff').where({ role: 'manager', withdrawnAt: null }).whereNot({ id }).first('id');
      if (!others) return 'lastManager';
    }
    await trx('staff')
      .where({ id })
      .update({
        ...{ name: name.trim(), nameFolded, role, version: seen + 1 },
        ...{ languages: JSON.stringify(languages), bases: JSON.stringify(bases) },
        ...(hashed === undefined ? {} : { secret: hashed }),
      });
    if (hashed !== undefined) await endAllOf(trx, id, now);
    return undefined;
  });
};

/** Who works here now, by name. */
export const namesOfStaff = async (db: Knex): Promise<string[]> =>
  (await db('staff').whereNull('withdrawnAt').orderBy('name').select('name')).map(({ name }) => name);

/** Ends every session and grant of somebody, but one session. @param but hash of the token of the one that stays */
export const endAllOf = async (db: Knex, staff: string, now: Date, but = ''): Promise<void> => {
  const theirs = () => db('session').where({ staff }).whereNot({ token: but });
  await theirs().whereNull('endedAt').update({ endedAt: now.toISOString() });
  await theirs().where('grantExpiresAt', '>', now.toISOString()).update({ grantExpiresAt: now.toISOString() });
};

/**
 * Withdraws somebody: they sign in no more, and what they are signed in on ends. The last manager stays, also when two
 * withdraw each other at the same moment.
 * @returns whether there was such a one
 */
export const withdrawStaff = (db: Knex, id: string, now: Date): Promise<boolean | 'lastManager'> =>
  db.transaction(async (trx) => {
    const others = await trx('staff').where({ role: 'manager', withdrawnAt: null }).whereNot({ id }).first('id');
    if (!others) return 'lastManager' as const;
    const changed = await trx('staff').where({ id, withdrawnAt: null }).update({ withdrawnAt: now.toISOString() });
    if (changed > 0) await endAllOf(trx, id, now);
    return changed > 0;
  });

/** Lets somebody in again who was withdrawn; they sign in anew. */
export const takeBackStaff = async (db: Knex, id: string): Promise<boolean> =>
  (await db('staff').where({ id }).whereNotNull('withdrawnAt').update({ withdrawnAt: null })) > 0;

/** @param keep token of the session that stays, where somebody changes their own */
export const changeSecret = async (db: Knex, id: string, secret: string, now: Date, keep: string | undefined): Promise<void> => {
  const hashed = await hashSecret(secret);
  await db.transaction(async (trx) => {
    await trx('staff')
      .where({ id })
      .update({ secret: hashed, version: trx.raw('version + 1') });
    await endAllOf(trx, id, now, keep === undefined ? '' : hashToken(keep));
  });
};

export const addDevice = async (db: Knex, name: string, token: string, enrolled: boolean, now: Date): Promise<DeviceRow> => {
  const id = randomUUID();
  await db('device').insert({ id, name, token: hashToken(token), enrolled, createdAt: now.toISOString() });
  return (await db('device').where({ id }).first())!;
};

export const deviceOf = async (db: Knex, token: string | undefined): Promise<DeviceRow | undefined> =>
  token === undefined
    ? undefined
    : await db('device')
        .where({ token: hashToken(token), withdrawnAt: null })
        .first();

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
): Promise<{ ok: true; device: DeviceRow; token: string } | { ok: false; reason: 'wrong' | 'wait'; waitS: number }> => {
  const token = newToken();
  const device = await db.transaction(async (trx) => {
    const taken = await trx('enrolment')
      .where({ code: hashToken(code.replace(/\s/g, '').toUpperCase()) })
      .where('expiresAt', '>', now.toISOString())
      .del();
    return taken === 0 ? undefined : addDevice(trx, name, token, true, now);
  });
  if (device) return { ok: true, device, token };
  // Sixty bits are not guessed; misses are counted so that nobody tries all day, and a good code is never held up by others'.
  const waitS = await countTry(db, 'code', from);
  return { ok: false, reason: waitS > 0 ? 'wait' : 'wrong', waitS };
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
  const device = await db('device').where({ keyFingerprint: fingerprint }).first('key');
  return (
    device?.key ??
    (
      await db('setting')
        .where({ key: `deviceKey:${fingerprint}` })
        .first('value')
    )?.value
  );
};

/** Phones of the quay, the newest first. Renters' come and go with their links, and are not among them. */
export const devicesOf = async (db: Knex) => {
  const rows = await db('device').whereNotIn('id', db('renterSession').select('device')).orderBy('createdAt', 'desc');
  return rows.map(({ id, name, enrolled, createdAt, seenAt, withdrawnAt, keyFingerprint }) => ({
    id,
    name,
    enrolled: Boolean(enrolled),
    createdAt,
    seenAt,
    withdrawnAt,
    key: keyFingerprint,
  }));
};

/** @returns whether there was such a phone that had not been withdrawn before */
export const withdrawDevice = async (db: Knex, id: string, now: string): Promise<boolean> =>
  (await db('device').where({ id, withdrawnAt: null }).update({ withdrawnAt: now })) > 0;
