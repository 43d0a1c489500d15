import equal from 'fast-deep-equal';
import { type DefinitionOf, projectWith } from './project';
import { type HireRecord, currentAt } from './record';
import type { AnyBody, StoredEvent } from './stored';

/** What was drawn when something was entered: the record, and the events it comes of. */
export type Drawn<B extends AnyBody> = { record: HireRecord<B>; events: readonly StoredEvent<B>[] };

/**
 * What a new entry replaces. Whoever enters a value has seen what stood, and means to replace it; what they have not seen
 * becomes a conflict. What the same phone entered since has been seen by the one who entered it, drawn or not.
 * @param since what this phone has entered after that, in any order
 * @returns ids of events, none for what is kept beside what is there
 */
export const replacedWith = <B extends AnyBody>(
  body: B,
  drawn: Drawn<B>,
  since: readonly StoredEvent<B>[],
  definitionOf: DefinitionOf<B>,
): string[] => {
  const { subject: subjectIn, merge } = definitionOf(body);
  const subject = subjectIn(body);
  if (subject === undefined || merge === 'collect') return [];
  const concerns = since.some(({ event }) => {
    const other = definitionOf(event.body);
    return other.effect?.does === 'undo' || equal(other.subject(event.body), subject);
  });
  const record = concerns ? projectWith([...drawn.events, ...since], definitionOf) : drawn.record;
  return currentAt(record, subject)?.currentEvents.map(({ event }) => event.id) ?? [];
};
