import * as z from 'zod/mini';
import { canonical, nameOfBytes } from '../events/canonical';

/**
 * The dossier: everything of one hire in a ZIP that needs no program of ours. `record.json` has the events as they were
 * signed, `manifest.json` names every file with its hash and is signed by the quay.
 */

const sha = z.string().check(z.regex(/^[0-9a-f]{64}$/));
const instant = z.string().check(z.minLength(20), z.maxLength(30));

/** `record.json`. */
export const DossierRecord = z.object({
  format: z.literal('quay-record/1'),
  operator: z.string(),
  boat: z.object({ id: z.string(), name: z.string(), hullNumber: z.string() }),
  hire: z.object({ id: z.string(), renter: z.string(), language: z.string(), from: instant, to: instant }),
  /** The book she was walked with, in the version pinned when the walk began. */
  bookVersion: z.int(),
  book: z.unknown(),
  /** Each event in the form in which its digest was taken (RFC 8785 makes its bytes). */
  events: z.array(
    z.object({
      event: z.unknown(),
      actor: z.object({ id: z.string(), role: z.string() }),
      receivedAt: instant,
      behindMs: z.number(),
      /** A manager took it out of the record, which could not be read with it. Seals cover it all the same. */
      aside: z.optional(z.object({ at: instant, by: z.string(), why: z.string() })),
    }),
  ),
  /** The quay's word that a seal fitted when it came in. */
  countersigned: z.array(
    z.object({ event: z.string(), walk: z.enum(['out', 'in']), root: sha, receivedAt: instant, signature: z.string(), key: sha }),
  ),
  /** Keys of the phones that sealed: fingerprint → SPKI, base64. */
  deviceKeys: z.record(sha, z.string()),
});
export type DossierRecord = z.infer<typeof DossierRecord>;

export const EDITIONS = ['operator', 'renter'] as const;
export type Edition = (typeof EDITIONS)[number];

/** `manifest.json`. */
export const Manifest = z.object({
  format: z.literal('quay-dossier/1'),
  edition: z.enum(EDITIONS),
  hire: z.string(),
  madeAt: instant,
  /** Every other file of the dossier. */
  files: z.array(z.object({ name: z.string(), sha256: sha, bytes: z.int() })),
  /** Photographs: the hash they were taken with, and that of the copy without position and other notes of the camera. */
  photos: z.array(z.object({ original: sha, plain: z.nullable(sha), file: z.nullable(z.string()) })),
  key: z.object({ fingerprint: sha, pem: z.string() }),
  /** Ed25519 by that key over {@link manifestMessage}, base64. */
  signature: z.string(),
});
export type Manifest = z.infer<typeof Manifest>;

export const manifestMessage = ({ signature: _, ...manifest }: Manifest): string => canonical({ purpose: 'quay dossier/1', manifest });

export const MANIFEST = 'manifest.json';
export const RECORD = 'record.json';

/** Names, hashes and sizes of files, in the order of their names. */
export const listed = (files: Iterable<readonly [string, Uint8Array]>): Manifest['files'] =>
  [...files]
    .map(([name, data]) => ({ name, sha256: nameOfBytes(data), bytes: data.length }))
    .sort((a, b) => (a.name < b.name ? -1 : a.name > b.name ? 1 : 0));
