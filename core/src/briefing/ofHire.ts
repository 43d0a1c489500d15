import { type Case, peopleOf } from '../party/ofHire';
import type { RuleSet } from '../party/rules';
import { languageChosen } from '../party/events';
import { type HireRecord, currentOf, currentUnder } from '../events/record';
import { happenedAt } from '../events/stored';
import type { Facts } from '../fleet/condition';
import type { HandoverPolicy } from '../fleet/handoverPolicy';
import type { Point } from '../fleet/points';
import { type Briefing, compose } from './compose';
import { briefingSet, pointRead, pointBriefed, understandingShown } from './events';
import { factsOf } from './facts';
import { dueQuestions, type Shown, type Briefed, type Understanding, understandingOf } from './understanding';

/** The briefing of one hire, read off its record. */

/** Where nobody named rules for these waters, children are judged by the commonest age. */
const NO_RULES = { childUnder: 12 } as RuleSet;

export const factsFor = (record: HireRecord, of: Case): Facts =>
  factsOf({
    boat: { id: of.hire.boat, book: of.book },
    base: of.base,
    waters: of.waters ?? undefined,
    policies: of.operator.policies,
    handover: of.hire.handover,
    rules: of.rules ?? NO_RULES,
    people: peopleOf(record, of.sheets),
    booked: of.hire.party,
    from: of.hire.from,
    to: of.hire.to,
  });

/** The language the renter is spoken to in: the one that was chosen last, by them or for them, or that of the booking. */
export const languageOf = (record: HireRecord, hire: { language: string }): string => {
  const body = currentOf(record, ['language'], languageChosen)?.currentEvents.at(-1)?.event.body;
  return body?.kind === 'languageChosen' ? body.language : hire.language;
};

const DAY_MS = 86_400_000;

/** The minutes there are: as set for this hire, or the operator's usual ones. */
export const minutesThere = (record: HireRecord, of: Pick<Case, 'operator'>): number =>
  currentOf(record, ['briefing', 'minutes'], briefingSet)?.value.minutes ?? of.operator.briefingMinutes;

export const briefingOf = (record: HireRecord, of: Case): Briefing =>
  compose({
    points: of.book.points,
    facts: factsFor(record, of),
    named: of.book.conditions,
    secondsThere: minutesThere(record, of) * 60,
    briefedDaysAgo: (point) => {
      const at = of.briefedBefore[point];
      return at === undefined ? undefined : Math.max(0, Math.floor((Date.parse(of.hire.from) - Date.parse(at)) / DAY_MS));
    },
  });

/** What one person answered or showed about a point. */
const shownOf = (record: HireRecord, point: string, by: 'driver' | 'lookout'): Shown[] =>
  (currentOf(record, ['understood', point, by], understandingShown)?.currentEvents ?? []).flatMap((stored): Shown[] => {
    const { body } = stored.event;
    if (body.kind !== 'understandingShown') return [];
    const at = happenedAt(stored);
    return body.how === 'demonstrated'
      ? [{ how: 'demonstrated' as const, at }]
      : [{ how: 'answered', question: body.question ?? '', right: body.right, at }];
  });

/** When it was told; to a renter who walks alone, when they read it, at home or on the quay. */
const briefedAt = (record: HireRecord, point: string, alone: boolean): number | undefined => {
  const briefed =
    currentOf(record, ['out', 'point', point], pointBriefed) ?? (alone ? currentOf(record, ['home', point], pointRead) : undefined);
  return briefed && happenedAt(briefed.by);
};

export const understoodBy = (record: HireRecord, point: Point, by: 'driver' | 'lookout', alone = false): Understanding =>
  understandingOf(point, briefedAt(record, point.id, alone), shownOf(record, point.id, by));

/** Musts of the briefing whose understanding is wanted now at this stop; at the end (`here` undefined) all that are open. */
export const questionsDue = (
  record: HireRecord,
  briefing: Briefing,
  operator: Pick<HandoverPolicy, 'understandingBy'>,
  here: string | undefined,
  alone = false,
): { point: Point; by: 'driver' | 'lookout'; state: Understanding }[] =>
  operator.understandingBy.flatMap((by) => {
    const briefed = briefing.toBrief
      .filter(({ point }) => point.weight === 'must')
      .map(({ point }): Briefed => ({
        point,
        station: point.station,
        briefedAt: briefedAt(record, point.id, alone),
        shown: shownOf(record, point.id, by),
      }));
    return dueQuestions(briefed, here).map((due) => ({ ...due, by }));
  });

/** Minutes the telling took, from the first point to the last, by the events; nothing before two were told. */
export const minutesTaken = (record: HireRecord): number | undefined => {
  const times = currentUnder(record, ['out', 'point'], pointBriefed).map(({ by }) => happenedAt(by));
  return times.length < 2 ? undefined : (Math.max(...times) - Math.min(...times)) / 60_000;
};
