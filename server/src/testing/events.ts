import { v7 as uuidv7 } from 'uuid';
import type { EventBody, HireEvent } from '@quay/core/record/event';

let seq = 0;
/** An entry as a phone makes it. */
export const eventWith = (stream: string, device: string, body: EventBody, at: string, more: Partial<HireEvent> = {}): HireEvent => ({
  id: uuidv7(),
  v: 1,
  stream,
  device,
  deviceSeq: (seq += 1),
  at,
  bookVersion: 1,
  replaces: [],
  body,
  ...more,
});
