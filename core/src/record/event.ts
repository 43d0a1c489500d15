import * as z from 'zod/mini';
import { ExactInstant } from '../time/calendar';
import { hiring } from './bodies/hiring';
import { money } from './bodies/money';
import { EventId, id } from './bodies/parts';
import { walking } from './bodies/walking';
import { type EVENT_KINDS, EVENT_VERSION, MOST_REFERENCES } from './kinds';

export { EventId, Sha256, Walk } from './bodies/parts';

/**
 * The record is a set of events. An event says what one person saw or did at one moment; nothing is ever changed,
 * only replaced by a newer event that names the older one.
 */

const kinds = {
  ...walking,
  ...money,
  ...hiring,
  undone: z.object({ kind: z.literal('undone') }),
} satisfies Record<EventKind, z.ZodMiniType>;

export const EventBody = z.discriminatedUnion('kind', [
  kinds.walkStarted,
  kinds.pointTold,
  kinds.pointSkipped,
  kinds.counted,
  kinds.gaugeRead,
  kinds.brimmed,
  kinds.markPlaced,
  kinds.surfaceLooked,
  kinds.evidenceGiven,
  kinds.remarked,
  kinds.stationTied,
  kinds.held,
  kinds.fuelFilled,
  kinds.signed,
  kinds.sealed,
  kinds.castOff,
  kinds.cameIn,
  kinds.findingDecided,
  kinds.lineDecided,
  kinds.closed,
  kinds.undone,
  kinds.contradictionSettled,
  kinds.partySet,
  kinds.jacketGiven,
  kinds.briefingSet,
  kinds.understandingShown,
  kinds.pointRead,
  kinds.reported,
  kinds.roundDone,
  kinds.keyGiven,
  kinds.languageChosen,
  kinds.drillDone,
  kinds.dockingTried,
  kinds.letGo,
  kinds.depositAnswered,
  kinds.depositTaken,
  kinds.workDone,
  kinds.workJudged,
  kinds.boxDismissed,
  kinds.asFound,
  kinds.extraNoted,
  kinds.receiptShown,
  kinds.lineAnswered,
  kinds.lineContested,
  kinds.lineQuoted,
  kinds.waiverSet,
  kinds.signRefused,
  kinds.paymentAnswered,
  kinds.paidByHand,
  kinds.corrected,
]);
export type EventBody = z.infer<typeof EventBody>;
export type EventKind = (typeof EVENT_KINDS)[number];

/** The actor is not in here: it comes from the session the event was made under. */
export const HireEvent = z.object({
  id: EventId,
  v: z.literal(EVENT_VERSION),
  /** The hire (later also a boat) this belongs to. */
  stream: id,
  device: id,
  deviceSeq: z.int().check(z.gte(1)),
  at: ExactInstant,
  bookVersion: z.int().check(z.gte(1)),
  replaces: z.array(EventId).check(z.maxLength(MOST_REFERENCES)),
  body: EventBody,
});
export type HireEvent = z.infer<typeof HireEvent>;
