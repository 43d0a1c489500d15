import type { EventBody } from './event';
import type { Held } from './held';
import { gathers, type HireRecord, project, slotOf } from './project';

/** What was drawn when something was entered: the record, and the events it comes of. */
export type Drawn = { record: HireRecord; events: readonly Held[] };

/**
 * What a new entry replaces. Whoever enters a value has seen what stood, and means to replace it; what they have not seen
 * becomes a contradiction. What the same phone entered since has been seen by the one who entered it, drawn or not.
 * @param since what this phone has entered after that, in any order
 * @returns ids of events, none for what is kept beside what is there
 */
export const replacedBy = (body: EventBody, drawn: Drawn, since: readonly Held[]): string[] => {
  const key = slotOf(body);
  if (key === undefined || gathers(key)) return [];
  const concerns = since.some(({ event }) => event.body.kind === 'undone' || slotOf(event.body) === key);
  const { slots } = concerns ? project([...drawn.events, ...since]) : drawn.record;
  return slots.get(key)?.standing.map(({ event }) => event.id) ?? [];
};
