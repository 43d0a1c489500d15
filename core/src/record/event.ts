import * as z from 'zod/mini';
import * as booking from '../booking/events';
import * as briefing from '../briefing/events';
import * as condition from '../condition/events';
import * as docking from '../docking/events';
import * as drill from '../drill/events';
import type { EventDefinition, Subject } from '../events/define';
import type { StoredEvent } from '../events/stored';
import { EventId, id } from '../events/parts';
import * as party from '../party/events';
import * as fuel from '../fuel/events';
import * as photo from '../photo/events';
import { ExactInstant } from '../time/calendar';
import * as findings from '../findings/events';
import * as trip from '../trip/events';
import * as walk from '../walk/events';
import * as mechanism from './events';
import * as castOff from '../castOff/events';
import { EVENT_VERSION, MOST_REFERENCES } from '../events/version';
import * as settlement from '../settlement/events';
import * as turnaround from '../turnaround/events';

/**
 * The record is a set of events. An event says what one person saw or did at one moment; nothing is ever changed,
 * only replaced by a newer event that names the older one.
 */

const TOPICS = {
  ...booking,
  ...briefing,
  ...drill,
  ...docking,
  ...condition,
  ...photo,
  ...fuel,
  ...party,
  ...walk,
  ...trip,
  ...castOff,
  ...findings,
  ...settlement,
  ...turnaround,
  ...mechanism,
};
type Exported = (typeof TOPICS)[keyof typeof TOPICS];
/** Everything that the topics define; what else they export are words that definitions are made of. */
type Defined = Extract<Exported, { schema: unknown }>;
export type EventKind = Defined['kind'];
export type EventBody = { [D in Defined as D['kind']]: z.infer<D['schema']> }[EventKind];

const isDefinition = (value: Exported): value is Defined => typeof value === 'object' && 'schema' in value;
const DEFINED = Object.values(TOPICS).filter(isDefinition);
export const EVENT_KINDS: readonly EventKind[] = DEFINED.map(({ kind }) => kind);
const BY_KIND = new Map<string, EventDefinition<string, EventBody>>(DEFINED.map((one) => [one.kind, one]));

/** What is known of a body's kind. @throws TypeError for a kind that nobody defines, which no event that was read has */
export const definitionOf = ({ kind }: EventBody): EventDefinition<string, EventBody> => {
  const found = BY_KIND.get(kind);
  if (!found) throw new TypeError(`no kind of event: ${kind}`);
  return found;
};

/** The thing an event is about; events without one (undo) act only through what they replace. */
export const subjectOf = (body: EventBody): Subject | undefined => definitionOf(body).subject(body);

/** Photographs and drawings an event speaks of, by name. */
export const attachmentsOf = (body: EventBody): readonly string[] => definitionOf(body).photos(body);

const [first, ...others] = DEFINED.map(({ schema }) => schema);
export const EventBody: z.ZodMiniType<EventBody> = z.discriminatedUnion('kind', [first!, ...others]);

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
  /** The boat it was entered of: a hire may be given another one while a phone without signal walks the first. */
  boat: z.optional(id),
  replaces: z.array(EventId).check(z.maxLength(MOST_REFERENCES)),
  body: EventBody,
});
export type HireEvent = z.infer<typeof HireEvent>;

/** An event of a kind that is defined, as it is stored. */
export type StoredHireEvent = StoredEvent<EventBody>;
