/** Choices that entries are made of. They stand apart from the shapes of events, which no browser needs to check. */

export const EVENT_VERSION = 1;

/** So many older events one may name: more than a stop has entries, and few enough that none weighs as much as a record. */
export const MOST_REFERENCES = 200;

/** What an event can say. */
export const EVENT_KINDS = [
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
  'closed',
  'undone',
  'partySet',
  'jacketGiven',
  'briefingSet',
  'understandingShown',
  'pointRead',
  'reported',
  'roundDone',
  'drillDone',
  'dockingTried',
  'languageChosen',
  'keyGiven',
  'letGo',
  'depositAnswered',
  'depositTaken',
  'workDone',
  'workJudged',
  'boxDismissed',
  'asFound',
  'extraNoted',
  'receiptShown',
  'lineAnswered',
  'lineContested',
  'lineQuoted',
  'waiverSet',
  'signRefused',
  'paymentAnswered',
  'paidByHand',
  'corrected',
  'contradictionSettled',
] as const;

export const SKIP_REASONS = ['knowsTheBoat', 'noTime', 'notAboard', 'weather', 'other'] as const;
export const FITTING_STATES = ['fine', 'damaged', 'unsealed', 'expired'] as const;
export const EVIDENCE_STATES = ['sound', 'flawWithinLimit', 'flawOverLimit', 'notSeen'] as const;
/** Looked on, with hints, alone; or shown on the boat to somebody of the staff. */
export const DRILL_WAYS = ['shown', 'hints', 'own', 'onBoat'] as const;
export type DrillWay = (typeof DRILL_WAYS)[number];
export const DECISIONS = ['renters', 'known', 'wear', 'askManager', 'notDamage', 'found', 'credit', 'notOurs'] as const;

/** What became of one asking of the card terminal; `unknown` until it has said. */
export const DEPOSIT_ANSWERS = ['held', 'declined', 'unknown', 'released', 'expired'] as const;
export const DEPOSIT_WAYS = ['cash', 'otherwise'] as const;

/** What is charged beside what was found on the boat. */
export const EXTRAS = ['breach', 'callOut', 'other'] as const;
/** What a renter paid on the way and holds a receipt for. */
export const RECEIPTS = ['pumpOut', 'other'] as const;
/** What the terminal is asked for once there is something to pay: from what is held, beyond it, or back. */
export const PAYMENTS = ['capture', 'release', 'charge', 'refund'] as const;
export const PAYMENT_ANSWERS = ['done', 'declined', 'unknown'] as const;
