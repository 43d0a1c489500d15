import { projectWith } from '../events/project';
import type { HireRecord } from '../events/record';
import { type Drawn, replacedWith } from '../events/replaces';
import { type SealContent, sealContentWith } from '../events/seal';
import { definitionOf, type EventBody, type StoredHireEvent } from './event';

/** The mechanism of the record, with every kind that the topics define. */

/** @param stored every event known, in any order, any number of times */
export const project = (stored: Iterable<StoredHireEvent>): HireRecord<EventBody> => projectWith(stored, definitionOf);

/** What a new entry replaces: see {@link replacedWith}. */
export const replacedBy = (body: EventBody, drawn: Drawn<EventBody>, since: readonly StoredHireEvent[]): string[] =>
  replacedWith(body, drawn, since, definitionOf);

/** Content of a new seal over these events, in the bytes they were made in. */
export const sealContent = (events: readonly StoredHireEvent[], previous: string | null): SealContent =>
  sealContentWith(events, previous, definitionOf);
