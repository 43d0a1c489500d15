import * as z from 'zod/mini';
import { Mark } from '../condition/marks';
import { TASKS, TOUCHES, WEATHERS } from '../docking/names';
import { LANGUAGES } from '../fleet/words';
import {
  DECISIONS,
  DEPOSIT_ANSWERS,
  DEPOSIT_WAYS,
  DRILL_WAYS,
  type EVENT_KINDS,
  EVENT_VERSION,
  EVIDENCE_STATES,
  EXTRAS,
  FITTING_STATES,
  PAYMENT_ANSWERS,
  PAYMENTS,
  RECEIPTS,
  SKIP_REASONS,
} from './kinds';

/**
 * The record is a set of events. An event says what one person saw or did at one moment; nothing is ever changed,
 * only replaced by a newer event that names the older one.
 */

export const EventId = z.string().check(z.regex(/^[0-9a-f]{8}-[0-9a-f]{4}-7[0-9a-f]{3}-[89ab][0-9a-f]{3}-[0-9a-f]{12}$/));
export const Sha256 = z.string().check(z.regex(/^[0-9a-f]{64}$/));
export const Walk = z.enum(['out', 'in']);
export type Walk = z.infer<typeof Walk>;

const id = z.string().check(z.minLength(1), z.maxLength(64));
const note = z.optional(z.string().check(z.maxLength(1000)));
const photos = z.array(Sha256).check(z.maxLength(12));
/** Confirmed in one press as it had been at departure. */
const asBefore = z.optional(z.literal(true));

const kinds = {
  walkStarted: z.object({ kind: z.literal('walkStarted'), walk: Walk }),
  pointTold: z.object({
    kind: z.literal('pointTold'),
    walk: Walk,
    point: id,
    how: z.enum(['said', 'shown', 'read']),
    language: z.string().check(z.maxLength(8)),
  }),
  pointSkipped: z.object({ kind: z.literal('pointSkipped'), walk: Walk, point: id, why: z.enum(SKIP_REASONS), note }),
  counted: z.object({
    kind: z.literal('counted'),
    walk: Walk,
    fitting: id,
    count: z.int().check(z.gte(0), z.lte(999)),
    state: z.enum(FITTING_STATES),
    /** Number on the seal of a sealed kit. */
    seal: z.optional(z.string().check(z.minLength(1), z.maxLength(40))),
    /** The station at which it was found, where that is not its own. */
    at: z.optional(id),
    note,
    asBefore,
  }),
  gaugeRead: z.object({
    kind: z.literal('gaugeRead'),
    walk: Walk,
    gauge: id,
    shown: z.number().check(z.gte(-1e6), z.lte(1e6)),
    askew: z.optional(z.boolean()),
    /** Of a totaliser: it counts from a fill to the brim at which it was zeroed. */
    zeroed: z.optional(z.literal(true)),
    /** Who read it: a person unless said otherwise. */
    by: z.optional(z.literal('gateway')),
    /** Of what was read, where the book asks to be shown it. */
    photos: z.optional(photos),
    asBefore,
  }),
  /** Filled to the brim before this walk's other readings, with the litres on the pump's meter where there was one. */
  brimmed: z.object({
    kind: z.literal('brimmed'),
    walk: Walk,
    tank: id,
    meteredL: z.optional(z.number().check(z.gt(0), z.lte(20_000))),
  }),
  markPlaced: z.object({ kind: z.literal('markPlaced'), walk: Walk, mark: Mark, asBefore }),
  surfaceLooked: z.object({ kind: z.literal('surfaceLooked'), walk: Walk, surface: id, photos, asBefore }),
  evidenceGiven: z.object({
    kind: z.literal('evidenceGiven'),
    walk: Walk,
    propeller: id,
    state: z.enum(EVIDENCE_STATES),
    sizeMm: z.optional(z.number().check(z.gt(0), z.lte(500))),
    /** Revolutions a minute at full throttle, where she is judged by them. */
    fullRpm: z.optional(z.int().check(z.gt(0), z.lte(12_000))),
    note,
    photos,
    asBefore,
  }),
  /** What somebody who signs wants to stand beside it. */
  remarked: z.object({
    kind: z.literal('remarked'),
    walk: Walk,
    as: z.enum(['renter', 'staff']),
    text: z.string().check(z.minLength(1), z.maxLength(2000)),
  }),
  stationTied: z.object({ kind: z.literal('stationTied'), walk: Walk, station: id }),
  held: z.object({ kind: z.literal('held'), why: z.string().check(z.minLength(1), z.maxLength(500)) }),
  fuelFilled: z.object({
    kind: z.literal('fuelFilled'),
    tank: id,
    litres: z.number().check(z.gt(0), z.lte(20_000)),
    brim: z.boolean(),
    by: z.enum(['operator', 'renter']),
    paidMinor: z.optional(z.int().check(z.gte(0))),
  }),
  signed: z.object({
    kind: z.literal('signed'),
    walk: Walk,
    as: z.enum(['renter', 'staff']),
    page: Sha256,
    language: z.string().check(z.maxLength(8)),
    signer: Sha256,
    drawing: Sha256,
  }),
  sealed: z.object({
    kind: z.literal('sealed'),
    walk: Walk,
    covers: z.array(EventId).check(z.minLength(1), z.maxLength(5000)),
    photos: z.array(Sha256).check(z.maxLength(5000)),
    previous: z.union([Sha256, z.null()]),
    root: Sha256,
    signature: z.string().check(z.maxLength(512)),
    key: Sha256,
  }),
  /** How one thing to be looked at was found: `way` is one of those the book names. */
  asFound: z.object({ kind: z.literal('asFound'), walk: Walk, check: id, way: id, note, photos }),
  /** Somebody will not sign, or is gone: the walk is sealed without their name, and says so. */
  signRefused: z.object({ kind: z.literal('signRefused'), walk: Walk, why: z.string().check(z.minLength(1), z.maxLength(500)) }),
  castOff: z.object({ kind: z.literal('castOff') }),
  cameIn: z.object({ kind: z.literal('cameIn') }),
  findingDecided: z.object({
    kind: z.literal('findingDecided'),
    finding: z.string().check(z.minLength(1), z.maxLength(160)),
    decision: z.enum(DECISIONS),
    note,
  }),
  lineDecided: z.object({
    kind: z.literal('lineDecided'),
    line: z.string().check(z.minLength(1), z.maxLength(160)),
    state: z.enum(['proposed', 'accepted', 'disputed', 'waived']),
    note,
  }),
  /** What the renter says of a line, on their own phone: nobody says it for them, nor takes it back. */
  lineAnswered: z.object({
    kind: z.literal('lineAnswered'),
    line: z.string().check(z.minLength(1), z.maxLength(160)),
    answer: z.enum(['accepted', 'disputed']),
    remark: note,
  }),
  /** A line of the closed statement that the renter does not agree with after all. */
  lineContested: z.object({
    kind: z.literal('lineContested'),
    line: z.string().check(z.minLength(1), z.maxLength(160)),
    remark: z.string().check(z.minLength(1), z.maxLength(1000)),
  }),
  /** A manager names what a line comes to; what the list says is kept beside it. */
  lineQuoted: z.object({
    kind: z.literal('lineQuoted'),
    line: z.string().check(z.minLength(1), z.maxLength(160)),
    amountMinor: z.int().check(z.gte(0), z.lte(100_000_000)),
    why: z.string().check(z.minLength(1), z.maxLength(500)),
  }),
  /** Charged beside what was found on the boat: by a row of the price list, or what was really paid. */
  extraNoted: z.object({
    kind: z.literal('extraNoted'),
    extra: id,
    what: z.enum(EXTRAS),
    price: z.optional(id),
    quantity: z.optional(z.number().check(z.gt(0), z.lte(1000))),
    amountMinor: z.optional(z.int().check(z.gt(0), z.lte(100_000_000))),
    text: z.string().check(z.minLength(1), z.maxLength(1000)),
    photos,
  }),
  /** A receipt of the renter's for something they paid that is the operator's to pay. */
  receiptShown: z.object({
    kind: z.literal('receiptShown'),
    receipt: id,
    what: z.enum(RECEIPTS),
    amountMinor: z.int().check(z.gt(0), z.lte(10_000_000)),
    text: z.string().check(z.minLength(1), z.maxLength(1000)),
    photos,
  }),
  /** Whether the renter bought the waiver, by which damage costs them no more than its limit. */
  waiverSet: z.object({ kind: z.literal('waiverSet'), taken: z.boolean() }),
  /** What the terminal said of one payment, as the quay learnt it. */
  paymentAnswered: z.object({
    kind: z.literal('paymentAnswered'),
    payment: id,
    what: z.enum(PAYMENTS),
    /** The asking by which the deposit is held, of what is taken from it or let go. */
    of: z.optional(id),
    amountMinor: z.int().check(z.gt(0)),
    answer: z.enum(PAYMENT_ANSWERS),
    reference: z.optional(z.string().check(z.maxLength(64))),
    why: z.optional(z.string().check(z.maxLength(200))),
  }),
  /** Paid or given back without the terminal. */
  paidByHand: z.object({
    kind: z.literal('paidByHand'),
    payment: id,
    what: z.enum(['paid', 'givenBack']),
    amountMinor: z.int().check(z.gt(0), z.lte(100_000_000)),
    how: z.enum(DEPOSIT_WAYS),
    note,
  }),
  /** A statement that puts another right: by line, what is charged beyond it or credited. */
  corrected: z.object({
    kind: z.literal('corrected'),
    number: z.int().check(z.gte(1)),
    corrects: z.int().check(z.gte(1)),
    lines: z
      .array(z.object({ line: z.string().check(z.minLength(1), z.maxLength(160)), amountMinor: z.int() }))
      .check(z.minLength(1), z.maxLength(500)),
    why: z.string().check(z.minLength(1), z.maxLength(1000)),
    statement: Sha256,
  }),
  closed: z.object({
    kind: z.literal('closed'),
    number: z.int().check(z.gte(1)),
    statement: Sha256,
    covers: z.array(EventId).check(z.maxLength(10_000)),
    root: Sha256,
  }),
  undone: z.object({ kind: z.literal('undone') }),
  /** Who is aboard. Names and masses are in a sheet of their own; what stands here is its digest, and heads. */
  partySet: z.object({
    kind: z.literal('partySet'),
    sheet: Sha256,
    people: z.int().check(z.gte(1), z.lte(60)),
    children: z.int().check(z.gte(0), z.lte(60)),
  }),
  jacketGiven: z.object({ kind: z.literal('jacketGiven'), person: id, fitting: id, where: z.enum(['aboard', 'store']) }),
  /** The minutes there are for telling, when they are not the usual ones. */
  briefingSet: z.object({ kind: z.literal('briefingSet'), minutes: z.int().check(z.gte(1), z.lte(180)) }),
  understandingShown: z.object({
    kind: z.literal('understandingShown'),
    point: id,
    by: z.enum(['driver', 'lookout']),
    how: z.enum(['answered', 'demonstrated']),
    question: z.optional(id),
    answer: z.optional(id),
    right: z.boolean(),
    language: z.string().check(z.maxLength(8)),
  }),
  /** Read or heard by the renter at home: it is no telling, and does not take its place. */
  pointRead: z.object({
    kind: z.literal('pointRead'),
    point: id,
    how: z.enum(['read', 'heard']),
    language: z.string().check(z.maxLength(8)),
  }),
  /** A fault or a knock, reported from afloat. */
  reported: z.object({
    kind: z.literal('reported'),
    what: z.enum(['fault', 'knock']),
    note: z.string().check(z.minLength(1), z.maxLength(1000)),
    station: z.optional(id),
    photos,
  }),
  /** A round of the day gone through: what was found in order, and what was left. */
  roundDone: z.object({
    kind: z.literal('roundDone'),
    round: id,
    done: z.array(id).check(z.maxLength(60)),
    left: z.array(id).check(z.maxLength(60)),
    note,
  }),
  /** A drill gone through to its goals, on the panel or on the boat herself, with the mistakes made on the way. */
  drillDone: z.object({
    kind: z.literal('drillDone'),
    drill: id,
    how: z.enum(DRILL_WAYS),
    variant: z.optional(id),
    by: z.enum(['driver', 'lookout']),
    /** Lessons that were mistakes, in the order they were made. */
    mistakes: z.array(id).check(z.maxLength(60)),
    seconds: z.int().check(z.gte(0), z.lte(86_400)),
  }),
  /** A task of docking practised to its end, well or not: it shows what somebody tried, and holds nothing. */
  dockingTried: z.object({
    kind: z.literal('dockingTried'),
    task: z.enum(TASKS),
    weather: z.enum(WEATHERS),
    by: z.enum(['driver', 'lookout']),
    passed: z.boolean(),
    touch: z.enum(TOUCHES),
    /** How often somebody went back and tried on from there. */
    wentBack: z.int().check(z.gte(0), z.lte(999)),
    seconds: z.int().check(z.gte(0), z.lte(600)),
  }),
  /** The language the renter wants to be spoken to in, chosen on their phone. */
  languageChosen: z.object({ kind: z.literal('languageChosen'), language: z.enum(LANGUAGES) }),
  /** The quay gave the renter the code of the key safe; the code itself is in no record. */
  keyGiven: z.object({ kind: z.literal('keyGiven') }),
  /** A manager lets her go with what stood on the cast-off check, named as it stood, and says why. */
  letGo: z.object({
    kind: z.literal('letGo'),
    matter: z.string().check(z.minLength(1), z.maxLength(200)),
    why: z.string().check(z.minLength(1), z.maxLength(500)),
  }),
  /** What the card terminal said, as the quay learnt it; the card itself is in no record. */
  depositAnswered: z.object({
    kind: z.literal('depositAnswered'),
    attempt: id,
    amountMinor: z.int().check(z.gt(0)),
    answer: z.enum(DEPOSIT_ANSWERS),
    reference: z.optional(z.string().check(z.maxLength(64))),
    why: z.optional(z.string().check(z.maxLength(200))),
    /** When what is held is given back by itself. */
    expiresAt: z.optional(z.string().check(z.maxLength(40))),
  }),
  /** A deposit taken without the terminal. */
  depositTaken: z.object({
    kind: z.literal('depositTaken'),
    amountMinor: z.int().check(z.gt(0), z.lte(100_000_000)),
    how: z.enum(DEPOSIT_WAYS),
    note,
  }),
  /** Something to be done before the next hire is done: somebody says so, and shows it. */
  workDone: z.object({ kind: z.literal('workDone'), work: z.string().check(z.minLength(1), z.maxLength(160)), note, photos }),
  /** Whether something to be done holds the boat until it is. */
  workJudged: z.object({ kind: z.literal('workJudged'), work: z.string().check(z.minLength(1), z.maxLength(160)), unsafe: z.boolean() }),
  /** What the machine boxed on a photograph is nothing, says somebody; its corner as shares of the photograph. */
  boxDismissed: z.object({
    kind: z.literal('boxDismissed'),
    photo: Sha256,
    x: z.number().check(z.gte(0), z.lte(1)),
    y: z.number().check(z.gte(0), z.lte(1)),
  }),
  /** Says which of the values that two phones left standing is right; the only way once a seal covers both. */
  contradictionSettled: z.object({
    kind: z.literal('contradictionSettled'),
    slot: z.string().check(z.minLength(1), z.maxLength(160)),
    stands: EventId,
    note,
  }),
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
  at: z.string().check(z.regex(/^\d{4}-\d\d-\d\dT\d\d:\d\d:\d\d\.\d{3}Z$/)),
  bookVersion: z.int().check(z.gte(1)),
  replaces: z.array(EventId).check(z.maxLength(500)),
  body: EventBody,
});
export type HireEvent = z.infer<typeof HireEvent>;
