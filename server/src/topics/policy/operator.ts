import type { OperatorChange } from '@quay/contract/operator';
import { Book } from '@quay/core/fleet/book';
import { HandoverPolicy } from '@quay/core/fleet/handoverPolicy';
import { policyTexts } from '@quay/core/fleet/policyTexts';
import { policyOf } from '@quay/core/policy/policy';
import type { Knex } from 'knex';
import { nameOfLogo } from './logo';
import { datedOf, pricesIn, putLists } from './prices';
import { fail } from '../../platform/http/problem';
import { readFact, readHandoverPolicy, readOperator, writeFact, writeHandoverPolicy, writeOperator } from '../../platform/database/setting';

/** The version of how the operator works. */
export const versionOf = async (db: Knex): Promise<number> => Number((await readFact(db, 'operatorVersion')) ?? 1);

/** How the operator works, with what the newest books say under each policy. @throws ProblemError `noOperator` */
export const operatorNow = async (db: Knex) => {
  const operator = (await readOperator(db)) ?? fail(409, 'noOperator');
  const rows = (await db('boat')
    .join('book', (on) => on.on('book.boat', 'boat.id').andOn('book.version', 'boat.bookVersion'))
    .orderBy('boat.name')
    .select('boat.name', 'book.resolved')) as { name: string; resolved: string }[];
  return {
    name: operator.name,
    currency: operator.currency,
    settings: await readHandoverPolicy(db),
    version: await versionOf(db),
    logo: await nameOfLogo(db),
    texts: policyTexts(rows.map(({ name, resolved }) => ({ name, book: Book.parse(JSON.parse(resolved)) }))),
  };
};

/** A list says what a breach of the terms costs: hires booked from now on go by the new policy, also those of a planned list. */
const carryBreach = async (trx: Knex, settings: HandoverPolicy, made: { at: string; by: string }): Promise<void> => {
  const found = await pricesIn(trx, made.at);
  if (!found) return;
  const breach = policyOf(settings.policies, 'breach');
  await putLists(
    trx,
    datedOf(found).map(({ from, list }) => ({ from, list: { ...list, breach } })),
    made,
  );
};

/** @throws ProblemError `noOperator`, `changedMeanwhile` */
export const changeOperator = (db: Knex, { name, ...change }: OperatorChange, seen: number, made: { at: string; by: string }) =>
  db.transaction(async (trx) => {
    const operator = (await readOperator(trx)) ?? fail(409, 'noOperator');
    if ((await versionOf(trx)) !== seen) fail(412, 'changedMeanwhile');
    // What is said everywhere stays: it has its own editor.
    const { points, clauses } = await readHandoverPolicy(trx);
    const settings = HandoverPolicy.parse({ ...change, points, ...(clauses ? { clauses } : {}) });
    await writeOperator(trx, { ...operator, name });
    await writeHandoverPolicy(trx, settings);
    await carryBreach(trx, settings, made);
    await writeFact(trx, 'operatorVersion', String(seen + 1));
    return operatorNow(trx);
  });
