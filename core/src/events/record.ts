import type { BodyOf, EventDefinition, Subject } from './define';
import type { Walk } from './parts';
import { type AnyBody, byTime, type StoredEvent } from './stored';

/** What a set of events comes to, and how it is read. How it is made of them is in `project.ts`. */

/** One thing that has one value: what was counted of a fitting going out, say. */
export type CurrentValue<B extends AnyBody = AnyBody> = {
  subject: Subject;
  /** The value that stands; the oldest of them while there is a conflict nobody has resolved. */
  value: B;
  by: StoredEvent<B>;
  /** Every current event of the subject, oldest first: more than one distinct value is a conflict. */
  currentEvents: StoredEvent<B>[];
  conflict: boolean;
  /** Who said which of several values stands; the others stay to be seen. */
  resolvedBy?: StoredEvent;
};

/** @typeParam B bodies of the kinds that are known to whoever reads it */
export type HireRecord<B extends AnyBody = AnyBody> = {
  subjects: ReadonlyMap<string, CurrentValue<B>>;
  conflicts: CurrentValue<B>[];
  /** Made before a seal or the closing that does not cover it, arrived after: kept outside, shown to a manager. */
  late: StoredEvent<B>[];
  /** Made after the closing, or about a walk after its seal: proposals, not part of the values. */
  proposed: StoredEvent<B>[];
  /**
   * What was entered of a walk after it was signed, and counts all the same. Of the return: what the quay entered until the
   * closing, since a return that the renter walked alone is looked at again like that, and what a machine found in the
   * photographs. Of the departure: what was put right before she cast off, by whoever makes that walk; it has to be signed
   * again before she goes.
   */
  addedAfterSeal: StoredEvent<B>[];
  /** Of `again`, what has to be signed again, by walk. */
  unsigned: Readonly<Record<Walk, StoredEvent<B>[]>>;
  /** What somebody outside said after the closing of what they were asked before: the quay's own word, and no proposal. */
  answered: StoredEvent<B>[];
  /** Entered of a boat that the hire no longer has: it stays behind with her. */
  ofOtherBoat: StoredEvent<B>[];
  /** Phones whose clock was off by more than two minutes when they delivered. */
  wrongClocks: { device: string; behindMs: number }[];
  bookVersion: number | undefined;
};

/** By which a subject is found among others; two lists of parts never have the same. */
export const keyOf = (subject: Subject): string => JSON.stringify(subject);

/** The walk that a body belongs to, where it names one. */
export const walkOf = (body: AnyBody & { walk?: Walk }): Walk | undefined => body.walk;

/** What is current of a subject, whichever kind said it. */
export const currentAt = <B extends AnyBody>(record: HireRecord<B>, subject: Subject): CurrentValue<B> | undefined =>
  record.subjects.get(keyOf(subject));

/** Whether anything stands for a subject. */
export const isEntered = (record: HireRecord, subject: Subject): boolean => record.subjects.has(keyOf(subject));

/** Whether an event is of a kind. */
export const isOf = <B extends AnyBody>(one: StoredEvent, kind: EventDefinition<string, B>): one is StoredEvent<B> =>
  one.event.body.kind === kind.kind;

/** Whether what is current was said by one of these kinds. */
const isFilledBy = <B extends AnyBody>(found: CurrentValue, by: readonly { kind: string }[]): found is CurrentValue<B> =>
  by.some(({ kind }) => kind === found.value.kind);

/** What is current of a subject, typed by the kinds that can say it. */
export const currentOf = <D extends EventDefinition<string, AnyBody>[]>(
  record: HireRecord,
  subject: Subject,
  ...kinds: D
): CurrentValue<BodyOf<D[number]> & AnyBody> | undefined => {
  const found = currentAt(record, subject);
  return found && isFilledBy<BodyOf<D[number]> & AnyBody>(found, kinds) ? found : undefined;
};

/** What is current of all subjects that begin with these parts, in the order they were first entered. */
export const currentUnder = <B extends AnyBody>(record: HireRecord, prefix: Subject, kind: EventDefinition<string, B>): CurrentValue<B>[] =>
  [...record.subjects.values()]
    .flatMap((found): CurrentValue<B>[] =>
      isFilledBy<B>(found, [kind]) && prefix.every((part, i) => found.subject[i] === part) ? [found] : [],
    )
    .sort((a, b) => byTime(a.by, b.by));
