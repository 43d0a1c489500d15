import type { EventBody, EventKind } from './event';
import type { Actor } from './held';

/** Which kinds each role may add. */
const STAFF: readonly EventKind[] = [
  'walkStarted',
  'pointTold',
  'pointSkipped',
  'counted',
  'gaugeRead',
  'brimmed',
  'markPlaced',
  'surfaceLooked',
  'evidenceGiven',
  'remarked',
  'stationTied',
  'held',
  'fuelFilled',
  'signed',
  'sealed',
  'castOff',
  'cameIn',
  'findingDecided',
  'lineDecided',
  'undone',
  'contradictionSettled',
  'partySet',
  'jacketGiven',
  'briefingSet',
  'understandingShown',
  'reported',
  'roundDone',
  'languageChosen',
  'drillDone',
  'dockingTried',
  'depositTaken',
  'workDone',
  'workJudged',
  'boxDismissed',
  'asFound',
  'signRefused',
  'extraNoted',
  'receiptShown',
  'lineContested',
  'waiverSet',
  'paidByHand',
];
const MANAGER: readonly EventKind[] = ['letGo', 'lineQuoted'];
const RENTER: readonly EventKind[] = [
  'partySet',
  'pointRead',
  'reported',
  'roundDone',
  'languageChosen',
  'drillDone',
  'dockingTried',
  'receiptShown',
  'lineAnswered',
  'lineContested',
  'undone',
];
/** What belongs to a walk, and is the renter's to add where they make that walk by themselves. */
const WALKING: readonly EventKind[] = [
  'walkStarted',
  'pointTold',
  'pointSkipped',
  'counted',
  'gaugeRead',
  'brimmed',
  'markPlaced',
  'surfaceLooked',
  'evidenceGiven',
  'remarked',
  'stationTied',
  'asFound',
  'signed',
  'sealed',
];
/** What only the quay itself says. */
const QUAY: readonly EventKind[] = ['closed', 'keyGiven', 'depositAnswered', 'paymentAnswered', 'corrected'];
const OUT: readonly EventKind[] = ['jacketGiven', 'understandingShown', 'castOff'];

/** Whether a hand names a sum beyond what the operator lets them name: such a line is a manager's to add. */
export const namesTooMuch = (role: Actor['role'], body: EventBody, handMinor: number): boolean =>
  role === 'hand' && body.kind === 'extraNoted' && body.amountMinor !== undefined && body.amountMinor > handMinor;

/** Whether it is a manager's alone to say. @param handMinor up to which sum a hand may name one freely */
export const isManagers = (body: EventBody, handMinor: number): boolean => !mayAdd('hand', body) || namesTooMuch('hand', body, handMinor);

/** @param alone the walks that the renter makes without staff: what they may add beside what is theirs anyway */
export const mayAdd = (role: Actor['role'], body: EventBody, alone: { out: boolean; in: boolean } = { out: false, in: false }): boolean => {
  const { kind } = body;
  if (role === 'quay') return QUAY.includes(kind);
  // What is waived is the operator's money.
  if (body.kind === 'lineDecided' && body.state === 'waived') return role === 'manager';
  if (role !== 'renter') return STAFF.includes(kind) || (role === 'manager' && MANAGER.includes(kind));
  // What was shown on the boat is somebody's word who stood beside.
  if (body.kind === 'drillDone') return body.how !== 'onBoat';
  if (RENTER.includes(kind)) return true;
  if (WALKING.includes(kind) && 'walk' in body) return alone[body.walk];
  return (alone.out && OUT.includes(kind)) || (alone.in && kind === 'cameIn');
};
