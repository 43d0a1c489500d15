import * as z from 'zod/mini';
import { TASKS, TOUCHES, WEATHERS } from '../../docking/names';
import { Jacket } from '../../fleet/jacket';
import { LANGUAGES } from '../../fleet/words';
import { DRILL_WAYS } from '../kinds';
import { EventId, Sha256, id, note, photos } from './parts';

/** What a hire brings besides: its party, what is read, practised and reported, what is to be done after it. */
export const hiring = {
  /** Who is aboard. Names and masses are in a sheet of their own; what stands here is its digest, and heads. */
  partySet: z.object({
    kind: z.literal('partySet'),
    sheet: Sha256,
    people: z.int().check(z.gte(1), z.lte(60)),
    children: z.int().check(z.gte(0), z.lte(60)),
  }),
  /** `jacket` is what the label of one says that they brought, read and tried on: nobody else's figures are known of it. */
  jacketGiven: z
    .object({
      kind: z.literal('jacketGiven'),
      person: id,
      fitting: id,
      where: z.enum(['aboard', 'store', 'brought']),
      jacket: z.optional(Jacket),
    })
    .check(
      z.refine(
        ({ where, jacket }) => (where === 'brought') === (jacket !== undefined),
        'a jacket that was brought, and no other, says what its label says',
      ),
    ),
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
};
