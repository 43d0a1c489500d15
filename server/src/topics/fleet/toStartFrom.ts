import type { Knex } from 'knex';
import type { Starter } from '@quay/contract/newBoat';
import { lineageOf } from '@quay/core/fleet/merge';
import { questionsOf } from '@quay/core/fleet/starter/questions';
import type { RuleSet } from '@quay/core/party/rules';
import { classesToStartFrom } from './add';
import { starterClasses, starterRules } from './starters';

/** What a new boat or base can begin from: whole classes first as they come with the program, then the operator's own. */
export const toStartFrom = async (db: Knex) => {
  const classes = await classesToStartFrom(db);
  const starters = [...classes.values()].flatMap((book): Starter[] => {
    const found = lineageOf(book.id, classes);
    const questions = found.ok ? questionsOf(found.lineage) : undefined;
    const kind = found.ok ? [...found.lineage].reverse().find((one) => one.kind !== undefined)?.kind : undefined;
    return questions && kind ? [{ id: book.id, name: book.name, kind, ...questions, tank: questions.tank ?? null }] : [];
  });
  const shipped = [...starterClasses().keys()];
  const rank = ({ id }: Starter) => (shipped.includes(id) ? shipped.indexOf(id) : shipped.length);
  const kept = (await db('rules').select('id', 'body')).map(({ id, body }): [string, RuleSet] => [id, JSON.parse(body) as RuleSet]);
  return {
    starters: starters.sort((a, b) => rank(a) - rank(b)),
    bases: await db('base').orderBy('name').select('id', 'name'),
    rules: [...new Map([...starterRules(), ...kept]).values()].map(({ id, name, about }) => ({ id, name, about })),
    waters: await db('waters').orderBy('name').select('id', 'name'),
  };
};
