import { strFromU8 } from 'fflate';
import { digestOf, nameOfBytes } from '../events/canonical';
import { type Walk } from '../events/parts';
import { type StoredHireEvent } from '../record/event';
import { project } from '../record/project';
import { attachmentsOf } from '../record/event';
import { checkSeal, countersignMessage, sealMessage } from '../events/seal';
import { readEvent } from '../record/readEvent';
import { DossierRecord, MANIFEST, Manifest, manifestMessage, RECORD } from './dossier';
import { unpack } from './pack';

/** Whether signatures fit, and what keys are called; the only arithmetic that is not done here. */
export type Crypto = {
  ed25519(pem: string, message: string, signature: string): boolean;
  p256(spki: string, message: string, signature: string): boolean;
  fingerprintOfPem(pem: string): string;
  fingerprintOfSpki(spki: string): string;
};

export type DossierFault =
  | { is: 'noZip' | 'notPackedSo' | 'noManifest' | 'noRecord' | 'keyIsNotItsName' | 'manifestNotSigned' }
  | { is: 'otherKey'; found: string }
  | { is: 'fileMissing' | 'fileExtra' | 'fileDiffers'; name: string }
  | { is: 'photoMissing' | 'photoDiffers'; name: string }
  | { is: 'eventUnreadable'; id: string }
  | { is: 'eventMissing' | 'sealDiffers' | 'sealNotSigned' | 'notCountersigned'; walk: Walk };

export type Signing = {
  walk: Walk;
  by: ('renter' | 'staff')[];
  /** The language the renter read and signed it in. */
  language: string | undefined;
  at: string;
  root: string;
  /** When the quay took it in and signed that it fits. */
  countersignedAt: string | undefined;
};

/** An entry that a manager took out of the record, which could not be read with it. */
export type SetAside = { id: string; at: string; by: string; why: string };

export type Verified = {
  faults: DossierFault[];
  about: { boat: string; renter: string; hire: string; edition: string; madeAt: string; events: number; photos: number } | undefined;
  /** Whose key signed the manifest: to be compared with what stands on the renter's paper. */
  key: string | undefined;
  signed: Signing[];
  /** What was entered about a walk after it had been sealed, or came in late: outside the seal, in order of time. */
  since: { kind: string; at: string; role: string; late: boolean }[];
  aside: SetAside[];
};

const parse = <T>(schema: { safeParse(value: unknown): { success: boolean; data?: T } }, bytes: Uint8Array | undefined): T | undefined => {
  if (!bytes) return undefined;
  try {
    const read = schema.safeParse(JSON.parse(strFromU8(bytes)));
    return read.success ? read.data : undefined;
  } catch {
    // Not even JSON: as good as missing, and named so.
    return undefined;
  }
};

/** What an entry calls itself, where it can be made out at all. */
const idOf = (event: unknown): string => {
  const id = typeof event === 'object' && event !== null ? (event as { id?: unknown }).id : undefined;
  return typeof id === 'string' ? id : '?';
};

/**
 * Whether a dossier is whole and says what was signed.
 * @param key fingerprint of the quay's key as somebody else knows it, on paper or on the renter's phone
 */
export const verifyDossier = (bytes: Uint8Array, crypto: Crypto, key?: string): Verified => {
  const faults: DossierFault[] = [];
  const nothing = (fault: DossierFault): Verified => ({
    faults: [fault],
    about: undefined,
    key: undefined,
    signed: [],
    since: [],
    aside: [],
  });
  const opened = unpack(bytes);
  if (!opened.ok) return nothing({ is: opened.reason });
  const { files } = opened;
  const manifest = parse<Manifest>(Manifest, files.get(MANIFEST));
  if (!manifest) return nothing({ is: 'noManifest' });
  const record = parse<DossierRecord>(DossierRecord, files.get(RECORD));
  if (!record) return nothing({ is: 'noRecord' });

  const { fingerprint, pem } = manifest.key;
  if (crypto.fingerprintOfPem(pem) !== fingerprint) faults.push({ is: 'keyIsNotItsName' });
  else if (!crypto.ed25519(pem, manifestMessage(manifest), manifest.signature)) faults.push({ is: 'manifestNotSigned' });
  if (key !== undefined && key.replace(/\s/g, '').toLowerCase() !== fingerprint) faults.push({ is: 'otherKey', found: fingerprint });

  const named = new Set(manifest.files.map(({ name }) => name));
  for (const { name, sha256 } of manifest.files) {
    const data = files.get(name);
    if (!data) faults.push({ is: 'fileMissing', name });
    else if (nameOfBytes(data) !== sha256) faults.push({ is: 'fileDiffers', name });
  }
  for (const name of files.keys()) if (name !== MANIFEST && !named.has(name)) faults.push({ is: 'fileExtra', name });

  const stored: StoredHireEvent[] = [];
  const digests = new Map<string, string>();
  const aside: SetAside[] = [];
  for (const { event, actor, receivedAt, behindMs, aside: out } of record.events) {
    if (out) {
      digests.set(idOf(event), digestOf(event));
      aside.push({ id: idOf(event), ...out });
      continue;
    }
    const read = readEvent(event);
    if (!read.ok) {
      faults.push({ is: 'eventUnreadable', id: idOf(event) });
      continue;
    }
    stored.push({ event: read.event, actor: actor as StoredHireEvent['actor'], receivedAt, behindMs });
    digests.set(read.event.id, digestOf(event));
  }
  // Photographs that the events speak of, each under the hash it was taken with.
  const known = new Map(manifest.photos.map((one) => [one.original, one]));
  for (const name of new Set(stored.flatMap(({ event }) => attachmentsOf(event.body)))) {
    const photo = known.get(name);
    const data = photo?.file ? files.get(photo.file) : undefined;
    if (!photo || !data) faults.push({ is: 'photoMissing', name });
    else if (![photo.original, photo.plain].includes(nameOfBytes(data))) faults.push({ is: 'photoDiffers', name });
  }

  const projected = project(stored);
  const signed: Signing[] = [];
  for (const { event } of stored) {
    const { body } = event;
    if (body.kind !== 'sealed') continue;
    const { walk, root } = body;
    const check = checkSeal(body, digests);
    if (!check.ok) faults.push({ is: check.reason === 'eventsMissing' ? 'eventMissing' : 'sealDiffers', walk });
    const spki = record.deviceKeys[body.key];
    if (
      spki === undefined ||
      crypto.fingerprintOfSpki(spki) !== body.key ||
      !crypto.p256(spki, sealMessage(record.hire.id, walk, root), body.signature)
    )
      faults.push({ is: 'sealNotSigned', walk });
    const counter = record.countersigned.find((one) => one.event === event.id);
    const fits =
      counter !== undefined &&
      counter.root === root &&
      counter.key === fingerprint &&
      crypto.ed25519(pem, countersignMessage(record.hire.id, walk, root, counter.receivedAt), counter.signature);
    if (!fits) faults.push({ is: 'notCountersigned', walk });
    const names = stored.flatMap((one) => (one.event.body.kind === 'signed' && one.event.body.walk === walk ? [one.event.body] : []));
    signed.push({
      walk,
      by: [...new Set(names.map(({ as }) => as))],
      language: names.find(({ as }) => as === 'renter')?.language,
      at: event.at,
      root,
      countersignedAt: fits ? counter.receivedAt : undefined,
    });
  }
  const after = (one: StoredHireEvent, late: boolean) => ({ kind: one.event.body.kind, at: one.event.at, role: one.actor.role, late });
  return {
    faults,
    about: {
      boat: record.boat.name,
      renter: record.hire.renter,
      hire: record.hire.id,
      edition: manifest.edition,
      madeAt: manifest.madeAt,
      events: stored.length,
      photos: manifest.photos.length,
    },
    key: fingerprint,
    signed,
    since: [
      ...projected.late.map((one) => after(one, true)),
      ...[...projected.proposed, ...projected.answered].map((one) => after(one, false)),
    ].sort((a, b) => (a.at < b.at ? -1 : 1)),
    aside,
  };
};
