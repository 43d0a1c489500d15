import type { Role } from '../events/define';
import type { HireEvent } from './event';

export type Actor = { id: string; role: Role };

/** An event as it is held: with who made it, and what the server learnt when it came in. */
export type Held = {
  event: HireEvent;
  actor: Actor;
  /** When the server took it; absent while it is still kept on the phone. */
  receivedAt?: string | undefined;
  /** How far the phone's clock was behind the server's when it was delivered, ms. */
  behindMs?: number | undefined;
};

/** When it truly happened, as far as is known: the phone's own time, put right by what delivery showed. */
export const happenedAt = ({ event, behindMs = 0 }: Held): number => Date.parse(event.at) + behindMs;
