import type { Case } from '../party/ofHire';
import { factsFor } from '../briefing/ofHire';
import { isEntered, currentOf, type HireRecord } from '../events/record';
import { applies } from '../briefing/compose';
import type { Drill } from '../fleet/drills';
import type { Facts } from '../fleet/condition';
import { type DrillWay, drillDone } from './events';
import { happenedAt } from '../events/stored';

/** Drills of one hire: which there are for this boat, policy and party, and how far somebody has come with each. */

export type Tried = {
  how: DrillWay;
  by: 'driver' | 'lookout';
  variant: string | undefined;
  mistakes: readonly string[];
  at: number;
  role: string;
};
export type DrillState = {
  drill: Drill;
  /** Oldest first. */
  tried: readonly Tried[];
  /** Gone through by themselves, or shown on the boat where the operator lets that count. */
  proven: boolean;
};

export const triesOf = (record: HireRecord, drill: string): Tried[] =>
  (currentOf(record, ['drill', drill], drillDone)?.currentEvents ?? []).flatMap((stored): Tried[] => {
    const { body } = stored.event;
    if (body.kind !== 'drillDone') return [];
    const { how, by, variant, mistakes } = body;
    return [{ how, by, variant, mistakes, at: happenedAt(stored), role: stored.actor.role }];
  });

const proves = ({ how }: Tried, { demonstrationCounts }: Case['operator']): boolean =>
  how === 'hints' || how === 'own' || (how === 'onBoat' && demonstrationCounts);

/** @param facts of the hire, where they are known already */
export const drillsOf = (record: HireRecord, of: Case, facts: Facts = factsFor(record, of)): DrillState[] =>
  of.book.drills
    .filter(({ when }) => applies(when, facts, of.book.conditions))
    .map((drill) => {
      const tried = triesOf(record, drill.id);
      return { drill, tried, proven: tried.some((one) => proves(one, of.operator)) };
    });

/** Drills that have to be passed before she casts off and are not; none of them before the walk has begun. */
export const unproven = (record: HireRecord, of: Case): string[] =>
  isEntered(record, ['out', 'started']) && of.book.drills.some(({ needed }) => needed)
    ? drillsOf(record, of)
        .filter(({ drill, proven }) => drill.needed === true && !proven)
        .map(({ drill }) => drill.id)
    : [];
