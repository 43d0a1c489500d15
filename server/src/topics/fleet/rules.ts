import type { RulesShelf } from '@quay/contract/fleet';
import { RuleSet } from '@quay/core/party/rules';
import type { Waters } from '@quay/core/waters/zone';
import type { Knex } from 'knex';
import { fail } from '../../platform/http/problem';

/** By set of rules: the waters on which it holds, by name. */
const watersByRules = async (db: Knex): Promise<Map<string, string[]>> => {
  const by = new Map<string, string[]>();
  for (const { name, body } of await db('waters').orderBy('name').select('name', 'body')) {
    const { rules } = JSON.parse(body) as Waters;
    if (rules !== undefined) by.set(rules, [...(by.get(rules) ?? []), name]);
  }
  return by;
};

export const rulesThere = async (db: Knex) => {
  const waters = await watersByRules(db);
  return (await db('rules').orderBy('id').select('id', 'body')).map(({ id, body }) => ({
    id,
    name: (JSON.parse(body) as RuleSet).name,
    waters: waters.get(id) ?? [],
  }));
};

export const rulesShelf = async (db: Knex, id: string): Promise<RulesShelf | undefined> => {
  const row = await db('rules').where({ id }).first('body', 'version');
  return row && { rules: RuleSet.parse(JSON.parse(row.body)), version: row.version, waters: (await watersByRules(db)).get(id) ?? [] };
};

/** @throws ProblemError `noSuchBook`, `otherBook`, `changedMeanwhile` */
export const changeRules = (db: Knex, id: string, rules: RuleSet, seen: number): Promise<RulesShelf> =>
  db.transaction(async (trx) => {
    const row = (await trx('rules').where({ id }).first('version')) ?? fail(404, 'noSuchBook');
    if (row.version !== seen) fail(412, 'changedMeanwhile');
    if (rules.id !== id) fail(400, 'otherBook');
    await trx('rules')
      .where({ id })
      .update({ body: JSON.stringify(rules), version: seen + 1 });
    return (await rulesShelf(trx, id))!;
  });
