import { timingSafeEqual } from 'node:crypto';
import type { Knex } from 'knex';
import type { FirstStart } from '@quay/contract/setup';
import { HandoverPolicy } from '@quay/core/fleet/handoverPolicy';
import { PriceList } from '@quay/core/settlement/prices';
import { secretFits } from '@quay/core/staff/secret';
import { dropFact, readFact, readOperator, writeFact, writeHandoverPolicy, writeOperator } from '../../platform/database/setting';
import { fail, ProblemError } from '../../platform/http/problem';
import { hashToken, newToken } from '../../platform/signIn/secret';
import { accountOf, putAccount } from '../../platform/signIn/staff';
import { countTry } from '../../platform/signIn/tries';
import { starterPrices } from '../fleet/starters';
import { putLists } from '../policy/prices';

/**
 * The code under which an operator is set up, good once and until the server is started anew.
 * @returns nothing where somebody is set up already
 */
export const makeSetupCode = async (db: Knex): Promise<string | undefined> => {
  if ((await readOperator(db)) !== undefined) return undefined;
  const code = newToken();
  await writeFact(db, 'setupCode', hashToken(code));
  return code;
};

const isCode = (code: string, kept: string | undefined): boolean =>
  kept !== undefined && timingSafeEqual(Buffer.from(hashToken(code)), Buffer.from(kept));

/** What a quay begins with: fuel is filled up again or paid for, lateness costs after a quarter of an hour, damage as listed. */
const firstPrices = ({ currency, taxBp, units }: FirstStart): PriceList => {
  const list = PriceList.parse({
    version: 1,
    currency,
    fuelScheme: 'topUp',
    fuelIncludedL: 0,
    lateGraceMin: 15,
    prices: starterPrices(taxBp, units.volume),
  });
  return list;
};

/** Writes down who hires out and who runs it first. */
export const putOperator = async (db: Knex, first: FirstStart, now: Date): Promise<void> => {
  // Deriving a key takes time that must not be spent inside the transaction.
  const manager = await accountOf(db, { name: first.manager, role: 'manager', secret: first.password });
  await db.transaction(async (trx) => {
    // Two at the same moment: one of them is the first.
    if ((await readOperator(trx)) !== undefined) throw new ProblemError(409, 'setUpDone');
    await putAccount(trx, manager, now);
    await writeOperator(trx, { name: first.operator, currency: first.currency, simulated: false });
    await writeHandoverPolicy(
      trx,
      HandoverPolicy.parse({
        languages: first.languages,
        units: first.units,
        ...(first.phone === '' ? {} : { phone: first.phone }),
        ...(first.address === '' ? {} : { address: first.address }),
      }),
    );
    const { version: _, ...list } = firstPrices(first);
    await putLists(trx, [{ from: '', list }], { at: now.toISOString(), by: null });
    await dropFact(trx, 'setupCode');
  });
};

/**
 * Sets up under the code that was printed. Misses are counted by address, and a good code is never held up by others'.
 * @throws ProblemError `setUpDone`, `setupCodeWrong`, `wait`, `weakPassword`
 */
export const setUpByCode = async (db: Knex, code: string, first: FirstStart, from: string, now: Date): Promise<void> => {
  if ((await readOperator(db)) !== undefined) throw new ProblemError(409, 'setUpDone');
  if (!isCode(code, await readFact(db, 'setupCode'))) {
    const seconds = await countTry(db, 'code', from);
    return seconds > 0 ? fail(429, 'wait', { seconds }) : fail(401, 'setupCodeWrong');
  }
  if (!secretFits('manager', first.password)) return fail(400, 'weakPassword');
  return putOperator(db, first, now);
};
