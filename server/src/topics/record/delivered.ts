import type { Actor } from '@quay/core/events/stored';
import type { HireEvent } from '@quay/core/record/event';

/** What a phone delivers of one hire. */
export type Delivery = {
  hire: string;
  /** The newest book of a boat, of the hire's own where none is named: none made later is known to any honest phone. */
  newestBook: (boat: string | undefined) => number;
  device: string;
  actor: Actor;
  /** When whoever made this left the phone that delivers it now in their name; undefined while they have it. */
  leftAt?: string | undefined;
  /** The walks that the renter of this hire makes without staff; none unless said. */
  alone?: { out: boolean; in: boolean };
  events: readonly unknown[];
  behindMs: number;
  now: string;
};

/** One of the events that is what it says it is, in the bytes it is stored in. */
export type Fit = { event: HireEvent; content: string; digest: string; weight: number };
