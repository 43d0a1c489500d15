import { createHash } from 'node:crypto';
import type { Knex } from 'knex';
import { v7 as uuidv7 } from 'uuid';
import { canonical } from '@quay/core/events/canonical';
import { type EventBody, type HireEvent, type StoredHireEvent } from '@quay/core/record/event';
import { EVENT_VERSION } from '@quay/core/events/version';

/** The number of the quay's next word on a hire. */
export const nextSeq = (stored: readonly StoredHireEvent[]): number => stored.filter(({ event }) => event.device === 'quay').length + 1;

/** The quay's own word on a hire: closing it, giving out a key, what a terminal said, what became of its booking. It comes from no phone. */
export const appendQuayEvent = async (
  db: Knex,
  hire: string,
  {
    body,
    seq,
    bookVersion,
    now,
    replaces = [],
  }: {
    body: Extract<
      EventBody,
      {
        kind:
          | 'closed'
          | 'keyGiven'
          | 'depositAnswered'
          | 'paymentAnswered'
          | 'corrected'
          | 'bookingChanged'
          | 'boatSwapped'
          | 'hireCancelled'
          | 'hireReinstated';
      }
    >;
    seq: number;
    bookVersion: number;
    now: string;
    replaces?: string[];
  },
): Promise<void> => {
  const event: HireEvent = {
    id: uuidv7(),
    v: EVENT_VERSION,
    stream: hire,
    device: 'quay',
    deviceSeq: seq,
    at: now,
    bookVersion,
    replaces,
    body,
  };
  const content = canonical(event);
  await db('event').insert({
    id: event.id,
    hire,
    digest: createHash('sha256').update(content).digest('hex'),
    content,
    actor: 'quay',
    role: 'quay',
    device: 'quay',
    receivedAt: now,
    behindMs: 0,
  });
};
