import type { Base } from '@quay/core/fleet/base';
import type { Handover } from '@quay/core/policy/policy';
import { policyOf } from '@quay/core/policy/policy';
import { type HoursCase, hoursFaults } from '@quay/core/trip/hours';
import { policiesFor } from '@quay/core/waters/policies';
import type { Waters } from '@quay/core/waters/zone';
import { clockOf } from '@quay/core/time/zone';
import type { Knex } from 'knex';
import { readHandoverPolicy } from '../../platform/database/setting';
import { ProblemError } from '../../platform/http/problem';

/** What the hours of a hire are held against: the base's, daylight, and the curfew of the water. @param waters of the boat, where she has her own */
export const hoursCaseOf = async (db: Knex, base: string, handover: Handover, waters?: string): Promise<HoursCase> => {
  const body = JSON.parse((await db('base').where({ id: base }).first('body'))!.body) as Base;
  const row = await db('waters')
    .where({ id: waters ?? body.waters })
    .first('body');
  const on = row && (JSON.parse(row.body) as Waters);
  const { policies } = await readHandoverPolicy(db);
  return { base: body, night: policyOf(policiesFor({ policies, base: body, waters: on }), 'night'), curfew: on?.curfew, handover };
};

const CODES = { closed: 'baseClosed', dark: 'afterDark', curfew: 'afterCurfew' } as const;

/**
 * Refuses hours that nobody hands over at, that are dark, or that are after the curfew; where the operator only wants to be
 * asked, whoever books may insist. @param wanted only the ends that are new
 * @throws ProblemError `baseClosed`, `afterDark`, `afterCurfew`
 */
export const refuseHours = async (
  db: Knex,
  wanted: { from: string; to: string; ends?: readonly ('from' | 'to')[] },
  of: HoursCase,
  insist: boolean,
): Promise<void> => {
  const { outsideHours } = await readHandoverPolicy(db);
  if (outsideHours === 'note' || (insist && outsideHours === 'ask')) return;
  const [fault] = hoursFaults(wanted, of).filter(({ end }) => (wanted.ends ?? ['from', 'to']).includes(end));
  if (fault)
    throw new ProblemError(409, CODES[fault.is], {
      clock: fault.by ?? clockOf(fault.at, of.base.zone),
      may: outsideHours === 'ask' ? 1 : 0,
    });
};
