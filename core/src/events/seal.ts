import { canonical, digestOf } from './canonical';
import type { Walk } from './parts';
import type { AnyBody, StoredEvent } from './stored';
import type { DefinitionOf } from './project';

export type SealContent = { covers: string[]; photos: string[]; previous: string | null; root: string };

/**
 * What a seal says: SHA-256 over the sorted digests of the events and photographs it covers and the boat's previous
 * seal. Photographs count by name, which is their own SHA-256.
 */
export const rootOf = (digests: readonly string[], photos: readonly string[], previous: string | null): string =>
  digestOf({ events: [...digests].sort(), photos: [...photos].sort(), previous });

/** Content of a new seal over these events, in the bytes they were made in. */
export const sealContentWith = <B extends AnyBody>(
  events: readonly StoredEvent<B>[],
  previous: string | null,
  definitionOf: DefinitionOf<B>,
): SealContent => {
  const covers = events.map(({ event }) => event.id).sort();
  const photos = [...new Set(events.flatMap(({ event }) => definitionOf(event.body).photos(event.body)))].sort();
  return {
    covers,
    photos,
    previous,
    root: rootOf(
      events.map(({ event }) => digestOf(event)),
      photos,
      previous,
    ),
  };
};

/** What a device or the quay signs: never the bare root, so that a signature cannot be passed off for another purpose. */
export const sealMessage = (stream: string, walk: Walk, root: string): string => canonical({ purpose: 'quay seal/1', stream, walk, root });
export const countersignMessage = (stream: string, walk: Walk, root: string, receivedAt: string): string =>
  canonical({ purpose: 'quay countersign/1', stream, walk, root, receivedAt });

/**
 * Whether a seal still fits the events it names.
 * @param digests of stored events by id, taken over their bytes before any upcasting
 */
export const checkSeal = (
  seal: { covers: readonly string[]; photos: readonly string[]; previous: string | null; root: string },
  digests: ReadonlyMap<string, string>,
): { ok: true } | { ok: false; reason: 'eventsMissing' | 'rootDiffers'; missing: string[] } => {
  const missing = seal.covers.filter((id) => !digests.has(id));
  if (missing.length > 0) return { ok: false, reason: 'eventsMissing', missing };
  const root = rootOf(
    seal.covers.map((id) => digests.get(id)!),
    seal.photos,
    seal.previous,
  );
  return root === seal.root ? { ok: true } : { ok: false, reason: 'rootDiffers', missing: [] };
};

/** `4F2A 91C0 …`: the first bytes of a digest as people read them to each other. */
export const spoken = (digest: string): string => (digest.slice(0, 16).toUpperCase().match(/.{4}/g) ?? []).join(' ');
