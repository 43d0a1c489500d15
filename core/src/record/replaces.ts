import equal from 'fast-deep-equal';
import { type EventBody, mergeOf, subjectOf } from './event';
import type { Held } from './held';
import { type HireRecord, project, slotAt } from './project';

/** What was drawn when something was entered: the record, and the events it comes of. */
export type Drawn = { record: HireRecord; events: readonly Held[] };

/**
 * What a new entry replaces. Whoever enters a value has seen what stood, and means to replace it; what they have not seen
 * becomes a contradiction. What the same phone entered since has been seen by the one who entered it, drawn or not.
 * @param since what this phone has entered after that, in any order
 * @returns ids of events, none for what is kept beside what is there
 */
export const replacedBy = (body: EventBody, drawn: Drawn, since: readonly Held[]): string[] => {
  const subject = subjectOf(body);
  if (subject === undefined || mergeOf(body) === 'collect') return [];
  const concerns = since.some(({ event }) => event.body.kind === 'undone' || equal(subjectOf(event.body), subject));
  const record = concerns ? project([...drawn.events, ...since]) : drawn.record;
  return slotAt(record, subject)?.standing.map(({ event }) => event.id) ?? [];
};
