import type { Fit } from '../party/ofHire';
import { currentOf, currentUnder, type HireRecord } from '../events/record';
import { boatHeld, holdOverridden } from './events';
import { partySet } from '../party/events';
import { counted, evidenceGiven } from '../condition/events';
import type { Subject } from '../events/define';
import { departureFault, type DepartureFault, type Heads } from '../condition/counts';
import type { CrewFault, Overload } from '../party/aboard';
import type { Book } from '../fleet/book';

/** Reasons, under the operator's own rules, that hold the boat; the program never says that she is safe. */
export type Hold =
  | { is: 'safetyFitting'; fault: DepartureFault }
  | { is: 'propeller'; propeller: string; sizeMm?: number | undefined }
  | { is: 'said'; why: string }
  | { is: 'tooMany'; overload: Overload }
  | { is: 'noJacket'; people: string[] }
  | { is: 'crew'; fault: CrewFault }
  | { is: 'drill'; drill: string }
  | { is: 'conflict'; subject: Subject };

/** Nobody lifts these, whatever reason they give: more persons or load than the plate, a person without a fitting jacket, a driver the law does not allow, a boat that somebody else is out with, a departure that nobody signed as it stands. */
export const NEVER_OVERRIDDEN = ['tooMany', 'noJacket', 'crew', 'away', 'signAgain'] as const;

/** What is wrong about the crew that no boat leaves with, whoever waives it; a name that is still missing is the operator's to soften. */
export const CREW_HOLDS: readonly CrewFault['is'][] = ['driverTooYoung', 'noLicence', 'lookoutTooYoung'];

const fitHolds = ({ overloads, unserved, crew }: Pick<Fit, 'overloads' | 'unserved' | 'crew'>): Hold[] => [
  ...overloads.filter((one) => one.is !== 'load' || one.sure).map((overload): Hold => ({ is: 'tooMany', overload })),
  ...(unserved.length > 0 ? [{ is: 'noJacket' as const, people: unserved }] : []),
  ...crew.filter(({ is }) => CREW_HOLDS.includes(is)).map((fault): Hold => ({ is: 'crew', fault })),
];

/**
 * Names one matter as it stood when somebody let her go with it: what is worse, or another thing, has another key, so that
 * no word of a manager's covers more than they saw.
 */
export const keyOfHold = (hold: Hold): string => {
  switch (hold.is) {
    case 'safetyFitting':
      return `safetyFitting/${hold.fault.fitting.id}/${hold.fault.is}/${hold.fault.pieces}`;
    case 'propeller':
      return `propeller/${hold.propeller}${hold.sizeMm === undefined ? '' : `/${hold.sizeMm}`}`;
    case 'said':
      return `said/${hold.why}`.slice(0, 160);
    case 'drill':
      return `drill/${hold.drill}`;
    case 'conflict':
      return `conflict/${hold.subject.join('/')}`;
    case 'tooMany':
    case 'noJacket':
    case 'crew':
      return hold.is;
  }
};

/** A manager's word that she may go with a matter, and why. */
export type Override = { why: string; by: string; at: string };

/** @param key of a matter that may be lifted @returns a manager's word on it; nobody less can give one */
export const overrideOf = (record: HireRecord, key: string): Override | undefined => {
  if (NEVER_OVERRIDDEN.some((never) => key === never || key.startsWith(`${never}/`))) return undefined;
  const given = currentOf(record, ['overridden', key], holdOverridden)?.currentEvents.find(({ actor }) => actor.role === 'manager');
  return given?.event.body.kind === 'holdOverridden' ? { why: given.event.body.why, by: given.actor.id, at: given.event.at } : undefined;
};

/** The party by heads, once somebody has entered it. */
export const headsOf = (record: HireRecord): Heads | undefined => currentOf(record, ['party'], partySet)?.value;

/** Everything in the record that holds her, whether somebody let her go with it or not. @param unproven drills that have to be passed, and are not */
export const mattersOf = (record: HireRecord, book: Book, today: string, fit?: Fit, unproven: readonly string[] = []): Hold[] => {
  const holds: Hold[] = [...(fit ? fitHolds(fit) : []), ...unproven.map((drill): Hold => ({ is: 'drill', drill }))];
  for (const fitting of book.fittings) {
    if (!fitting.safety) continue;
    const fault = departureFault(fitting, currentOf(record, ['out', 'count', fitting.id], counted)?.value, today, headsOf(record));
    if (fault) holds.push({ is: 'safetyFitting', fault });
  }
  for (const { id } of book.propellers) {
    const given = currentOf(record, ['out', 'propeller', id], evidenceGiven)?.value;
    if (given?.state === 'flawOverLimit') holds.push({ is: 'propeller', propeller: id, sizeMm: given.sizeMm });
  }
  for (const { currentEvents } of currentUnder(record, ['boatHeld'], boatHeld))
    for (const { event } of currentEvents) if (event.body.kind === 'boatHeld') holds.push({ is: 'said', why: event.body.why });
  for (const { subject } of record.conflicts) if (subject[0] === 'out') holds.push({ is: 'conflict', subject });
  return holds;
};

/** What holds her: {@link mattersOf}, less what a manager let her go with. */
export const holdsOf = (...of: Parameters<typeof mattersOf>): Hold[] =>
  mattersOf(...of).filter((hold) => overrideOf(of[0], keyOfHold(hold)) === undefined);
