import type { Outcome } from '@quay/contract/exchange';
import type { Incoming, Planned } from '@quay/core/booking/incoming';
import { policyOf } from '@quay/core/policy/policy';
import { LANGUAGES } from '@quay/core/words/words';
import type { Knex } from 'knex';
import { v7 as uuidv7 } from 'uuid';
import { readHandoverPolicy } from '../../platform/database/setting';
import { bookHire } from '../booking/book';
import { cancelHire, reinstateHire } from '../rebooking/cancel';
import { changeHire } from '../rebooking/change';
import type { Plan } from './plan';
import { rememberTaken } from './sources';

/** Does what was planned, in its order. The caller's transaction makes it all or nothing. */

export type Loading = { source: { id: string; name: string }; by: string; cancelGone: boolean; now: string };

const wasOf = (one: Incoming) => ({ ...one });

/** Deposits of boats, where a booking says nothing of one. */
const depositOf = async (trx: Knex, boat: string): Promise<number> =>
  (await trx('hire').where({ boat }).orderBy('from', 'desc').first('depositMinor'))?.depositMinor ?? 0;

export const loadPlan = async (trx: Knex, plan: Plan, { source, by, cancelGone, now }: Loading): Promise<Outcome> => {
  const policy = await readHandoverPolicy(trx);
  const handover = policyOf(policy.policies, 'handover');
  const languageOf = (said: string | undefined) => LANGUAGES.find((one) => one === said) ?? policy.languages[0]!;
  const who = (version: number) => ({ id: by, role: 'manager' as const, version });
  const remember = (one: Incoming, hire: string) =>
    rememberTaken(trx, source.id, { key: one.key, hire, sequence: one.sequence, was: wasOf(one) });
  const counts = { new: 0, changed: 0, cancelled: 0, conflicts: 0, gone: 0 };

  const take = async (step: Planned): Promise<void> => {
    const one = step.incoming;
    if (step.is === 'new' && one) {
      const hire = await bookHire(
        trx,
        {
          ...{ id: `h-${uuidv7()}`, boat: one.boat, from: one.from, to: one.to, renter: one.renter, contact: one.contact },
          ...{ language: languageOf(one.language), handover, party: { adults: one.adults, children: one.children } },
          ...{ depositMinor: one.depositMinor ?? (await depositOf(trx, one.boat)), notes: one.notes, insist: true },
        },
        now,
      );
      await remember(one, hire.id);
      counts.new += 1;
    } else if (step.is === 'changed' && one && step.hire !== undefined) {
      const { hire } = step;
      let { version } = step;
      if (step.again) ({ version } = await reinstateHire(trx, hire, { insist: true, note: source.name }, who(version), now));
      const has = (field: (typeof step.changes)[number]) => step.changes.includes(field);
      if (step.changes.length > 0)
        await changeHire(
          trx,
          hire,
          {
            ...(has('boat') ? { boat: one.boat } : {}),
            ...(has('from') ? { from: one.from } : {}),
            ...(has('to') ? { to: one.to } : {}),
            ...(has('renter') ? { renter: one.renter } : {}),
            ...(has('contact') ? { contact: one.contact } : {}),
            ...(has('notes') ? { notes: one.notes } : {}),
            ...(has('depositMinor') ? { depositMinor: one.depositMinor } : {}),
            ...(has('adults') || has('children') ? { party: { adults: one.adults, children: one.children } } : {}),
            ...{ why: 'other', note: source.name, insist: true },
          },
          who(version),
          now,
        );
      await remember(one, hire);
      counts.changed += 1;
    } else if (step.is === 'cancelled' && one && step.hire !== undefined) {
      await cancelHire(trx, step.hire, { why: 'renter', note: source.name }, who(step.version), now);
      await remember(one, step.hire);
      counts.cancelled += 1;
    } else if (step.is === 'gone' && step.hire !== undefined) {
      if (!cancelGone) {
        counts.gone += 1;
        return;
      }
      await cancelHire(trx, step.hire, { why: 'renter', note: source.name }, who(step.version), now);
      await trx('bookingFrom').where({ source: source.id, key: step.key }).del();
      counts.cancelled += 1;
    } else if (step.is === 'conflict') counts.conflicts += 1;
    else if (step.is === 'same' && one && step.hire !== undefined)
      await trx('bookingFrom')
        .where({ source: source.id, key: one.key })
        .where('sequence', '<', one.sequence)
        .update({ sequence: one.sequence });
  };
  for (const step of plan.planned) await take(step);
  const did = counts.new + counts.changed + counts.cancelled > 0;
  return { at: now, is: did ? 'loaded' : 'same', why: '', ...counts, faults: plan.faults.length };
};
