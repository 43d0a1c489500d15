import type { Role } from './define';

/** What an event says: its kind, and the fields that its kind defines. */
export type AnyBody = { kind: string };

/** What one person saw or did at one moment. The actor is not in here: it comes from the session it was made under. */
export type RecordedEvent<B extends AnyBody = AnyBody> = {
  id: string;
  v: number;
  /** The hire this belongs to. */
  stream: string;
  device: string;
  /** Counts up on its device, from 1. */
  deviceSeq: number;
  /** ISO instant by the clock of the device. */
  at: string;
  bookVersion: number;
  /** The boat it was entered of; absent where the quay itself adds it, or where it is from before boats were named. */
  boat?: string | undefined;
  /** Ids of the older events that it replaces, or takes away. */
  replaces: readonly string[];
  body: B;
};

export type Actor = { id: string; role: Role };

/** An event as it is stored: with who made it, and what the server learnt when it came in. */
export type StoredEvent<B extends AnyBody = AnyBody> = {
  event: RecordedEvent<B>;
  actor: Actor;
  /** When the server took it; absent while it is pending on the phone. */
  receivedAt?: string | undefined;
  /** How far the phone's clock was behind the server's when it was delivered, ms. */
  behindMs?: number | undefined;
};

/** When it truly happened, as far as is known: the phone's own time, put right by what delivery showed. */
export const happenedAt = ({ event, behindMs = 0 }: StoredEvent): number => Date.parse(event.at) + behindMs;

/** Oldest first; what happened at the same moment in the same order everywhere. */
export const byTime = (a: StoredEvent, b: StoredEvent): number =>
  happenedAt(a) - happenedAt(b) ||
  (a.event.device < b.event.device ? -1 : a.event.device > b.event.device ? 1 : a.event.deviceSeq - b.event.deviceSeq) ||
  (a.event.id < b.event.id ? -1 : a.event.id > b.event.id ? 1 : 0);
