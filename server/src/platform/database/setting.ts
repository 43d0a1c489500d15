import { createHash, createPrivateKey, createPublicKey, generateKeyPairSync, randomUUID } from 'node:crypto';
import type { Knex } from 'knex';
import { HandoverPolicy } from '@quay/core/fleet/handoverPolicy';

export type Operator = { name: string; currency: string; simulated: boolean };

const read = async (db: Knex, key: string): Promise<string | undefined> => (await db('setting').where({ key }).first('value'))?.value;
const write = (db: Knex, key: string, value: string) => db('setting').insert({ key, value }).onConflict('key').merge();

export const readOperator = async (db: Knex): Promise<Operator | undefined> => {
  const text = await read(db, 'operator');
  return text === undefined ? undefined : (JSON.parse(text) as Operator);
};
/** How the operator hands over; an installation that never said has the usual settings. */
export const readHandoverPolicy = async (db: Knex): Promise<HandoverPolicy> =>
  HandoverPolicy.parse(JSON.parse((await read(db, 'handing')) ?? '{}'));
export const writeHandoverPolicy = (db: Knex, policy: HandoverPolicy) => write(db, 'handing', JSON.stringify(policy));

/** Named facts about the installation itself. */
type Fact = 'setupCode' | 'backupAt' | 'operatorVersion' | 'logo';
export const readFact = (db: Knex, key: Fact): Promise<string | undefined> => read(db, key);
export const writeFact = (db: Knex, key: Fact, value: string) => write(db, key, value);
export const dropFact = (db: Knex, key: Fact) => db('setting').where({ key }).del();

export const writeOperator = (db: Knex, operator: Operator) => write(db, 'operator', JSON.stringify(operator));

/**
 * Names this run of the data. A restored backup gets a new one, so that phones notice that what they had delivered may
 * be gone and deliver it again.
 */
export const readEpoch = async (db: Knex): Promise<string> => (await read(db, 'epoch')) ?? newEpoch(db);
export const newEpoch = async (db: Knex): Promise<string> => {
  const epoch = randomUUID();
  await write(db, 'epoch', epoch);
  return epoch;
};

export type QuayKey = { sign: ReturnType<typeof createPrivateKey>; fingerprint: string; publicPem: string };

/** The Ed25519 key this quay countersigns with, made at first use and kept with the data. */
export const quayKey = async (db: Knex): Promise<QuayKey> => {
  let pem = await read(db, 'quayKey');
  if (pem === undefined) {
    pem = generateKeyPairSync('ed25519').privateKey.export({ type: 'pkcs8', format: 'pem' }) as string;
    await write(db, 'quayKey', pem);
  }
  const sign = createPrivateKey(pem);
  const open = createPublicKey(sign);
  return {
    sign,
    fingerprint: createHash('sha256')
      .update(open.export({ type: 'spki', format: 'der' }))
      .digest('hex'),
    publicPem: open.export({ type: 'spki', format: 'pem' }) as string,
  };
};
