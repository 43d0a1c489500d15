import { createHash, randomBytes, scrypt, timingSafeEqual } from 'node:crypto';
import { promisify } from 'node:util';

const derive = promisify(scrypt) as (
  secret: string,
  salt: Buffer,
  length: number,
  options: { N: number; r: number; p: number },
) => Promise<Buffer>;
/** 16 MiB and some tens of milliseconds a try: dear enough for a PIN behind an enrolled phone, bearable for a sign-in. */
const COST = { N: 16_384, r: 8, p: 1 };

export const hashSecret = async (secret: string): Promise<string> => {
  const salt = randomBytes(16);
  return `scrypt$${salt.toString('base64')}$${(await derive(secret, salt, 32, COST)).toString('base64')}`;
};

/** Kept of somebody who came without a secret: nothing fits it, until a manager gives them one. */
export const NO_SECRET = 'none';

/** Whether a text is what is kept of a secret, as another installation of the operator's wrote it. */
export const isHashed = (text: string): boolean => /^scrypt\$[A-Za-z0-9+/]{22}==\$[A-Za-z0-9+/]{43}=$/.test(text);

/** Compares in constant time; takes the same time for a name that does not exist (`stored` undefined). */
export const checkSecret = async (secret: string, stored: string | undefined): Promise<boolean> => {
  const [, salt = randomBytes(16).toString('base64'), hash = randomBytes(32).toString('base64')] = stored?.split('$') ?? [];
  const got = await derive(secret, Buffer.from(salt, 'base64'), 32, COST);
  return timingSafeEqual(got, Buffer.from(hash, 'base64')) && stored !== undefined;
};

/** 256 random bits for a cookie or grant; only its hash is stored. */
export const newToken = (): string => randomBytes(32).toString('base64url');
export const hashToken = (token: string): string => createHash('sha256').update(token).digest('hex');
