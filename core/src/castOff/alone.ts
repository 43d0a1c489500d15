import { type Case, type Fit, peopleOf, withoutTheirJacket } from '../party/ofHire';
import { isEntered, type HireRecord } from '../events/record';
import type { Briefing } from '../briefing/compose';
import { USUAL_MINUTES_BEFORE } from '../fleet/base';
import { type Handover, unattended } from '../policy/policy';
import type { Walk } from '../events/parts';
import type { Hold } from './hold';
import { walkState, wantsPicture } from '../walk/walk';

/**
 * A handover without staff: what the renter does by themselves, in which order, and what keeps the key back. The same
 * record as with staff; the program names what was done and never says that the boat is safe.
 */

const safeOpensAt = (of: { hire: Pick<Case['hire'], 'from'>; base: Pick<Case['base'], 'keySafe'> }): string =>
  new Date(Date.parse(of.hire.from) - (of.base.keySafe?.minutesBefore ?? USUAL_MINUTES_BEFORE) * 60_000).toISOString();

/** Musts of the briefing that the renter has neither read at home nor been told. */
export const unreadMusts = (record: HireRecord, briefing: Briefing): string[] =>
  briefing.toBrief.flatMap(({ point }) =>
    point.weight === 'must' && !isEntered(record, ['home', point.id]) && !isEntered(record, ['out', 'point', point.id]) ? [point.id] : [],
  );

export type KeyAnswer =
  | { is: 'open' }
  | { is: 'attended' }
  | { is: 'over' }
  | { is: 'boatHeld' }
  | { is: 'notBack' }
  | { is: 'partyFirst' }
  | { is: 'briefFirst'; left: number }
  | { is: 'tooEarly'; opensAt: string };

/**
 * Whether the code of the key safe is given out now. What is to be done beforehand comes before the hour, since it can
 * be done now; a boat that is held gives no key at all.
 * @param away she is still out with somebody else @param now ISO instant
 */
export const keyFor = (
  record: HireRecord,
  of: { hire: Pick<Case['hire'], 'from'> & { handover: Handover }; base: Pick<Case['base'], 'keySafe'>; sheets: Case['sheets'] },
  briefing: Briefing,
  { holds, away, now }: { holds: readonly Hold[]; away: boolean; now: string },
): KeyAnswer => {
  // Whoever takes her over alone brings her back alone as well.
  if (!unattended(of.hire.handover, 'in')) return { is: 'attended' };
  if (isEntered(record, ['closed'])) return { is: 'over' };
  // Afloat or coming home, the key has to go back where it was; nothing is asked any more.
  if (isEntered(record, ['castOff'])) return { is: 'open' };
  if (!unattended(of.hire.handover, 'out')) return { is: 'attended' };
  if (holds.length > 0) return { is: 'boatHeld' };
  if (!peopleOf(record, of.sheets)) return { is: 'partyFirst' };
  const left = unreadMusts(record, briefing).length;
  if (left > 0) return { is: 'briefFirst', left };
  const opensAt = safeOpensAt(of);
  if (now < opensAt) return { is: 'tooEarly', opensAt };
  return { is: away ? 'notBack' : 'open' };
};

/** Surfaces of which a picture is still wanted before a walk made alone can be signed. */
export const picturesWanted = (record: HireRecord, book: Case['book'], walk: Walk): string[] =>
  book.surfaces.filter((surface) => wantsPicture(record, walk, surface, true)).map(({ id }) => id);

export const ALONE_STEPS = {
  out: ['party', 'briefing', 'key', 'jackets', 'walk', 'sign', 'castOff'],
  in: ['cameIn', 'walk', 'sign', 'leave'],
} as const;
export type AloneStep = (typeof ALONE_STEPS)[Walk][number];

/**
 * The steps of taking her over, or of bringing her back, without staff: each done or not, in order. The first that is
 * not done is what comes next; none of them keeps anybody from doing a later one, but where a key or a signature says so.
 */
export const stepsAlone = (
  record: HireRecord,
  of: Pick<Case, 'book' | 'sheets'>,
  briefing: Briefing,
  fit: Pick<Fit, 'given'> | undefined,
  walk: Walk,
): { step: AloneStep; done: boolean }[] => {
  const stops = walkState(record, of.book, walk, briefing, true);
  const done: Record<AloneStep, boolean> = {
    party: peopleOf(record, of.sheets) !== undefined,
    briefing: unreadMusts(record, briefing).length === 0,
    key: isEntered(record, ['keyGiven']),
    jackets: peopleOf(record, of.sheets) !== undefined && (fit === undefined || withoutTheirJacket(record, fit).length === 0),
    walk: stops.length > 0 && stops.every(({ completed }) => completed) && picturesWanted(record, of.book, walk).length === 0,
    sign: isEntered(record, [walk, 'sealed']) && (walk === 'in' || record.unsigned.out.length === 0),
    castOff: isEntered(record, ['castOff']),
    cameIn: isEntered(record, ['cameIn']),
    leave: isEntered(record, ['round', 'leaving']) || !of.book.rounds.some(({ id }) => id === 'leaving'),
  };
  return ALONE_STEPS[walk].map((step) => ({ step, done: done[step] }));
};
