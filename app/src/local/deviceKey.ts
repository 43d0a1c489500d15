import { nameKey } from '@quay/contract/session';
import { nameOfBytes } from '@quay/core/events/canonical';
import { canWorkOffline } from '../platform/browser';
import { call } from './api';
import { readNamed, writeNamed } from './localDb';

type DeviceKey = { pair: CryptoKeyPair; spki: string; fingerprint: string; named: boolean };

const base64 = (bytes: ArrayBuffer) => btoa(String.fromCharCode(...new Uint8Array(bytes)));

/**
 * The key this phone signs seals with: ECDSA P-256, made here, never leaves the browser (not extractable).
 * Named to the quay at the first chance; a seal made before that is judged once it is.
 */
const deviceKey = async (): Promise<DeviceKey> => {
  const known = await readNamed<DeviceKey>('deviceKey');
  if (known) return known;
  const pair = await crypto.subtle.generateKey({ name: 'ECDSA', namedCurve: 'P-256' }, false, ['sign', 'verify']);
  const spki = await crypto.subtle.exportKey('spki', pair.publicKey);
  const made: DeviceKey = { pair, spki: base64(spki), fingerprint: nameOfBytes(new Uint8Array(spki)), named: false };
  await writeNamed('deviceKey', made);
  return made;
};

/** Names the key to the quay, once per device. @throws Refused, NoAnswer */
export const nameDeviceKey = async (): Promise<void> => {
  // Without a secure context there are no keys; no walk is begun there either, so nothing is signed.
  if (!canWorkOffline()) return;
  const key = await deviceKey();
  if (key.named) return;
  await call(nameKey, { body: { spki: key.spki } });
  await writeNamed('deviceKey', { ...key, named: true });
};

/** Signs text with this phone's key. */
export const signHere = async (message: string): Promise<{ signature: string; key: string }> => {
  const { pair, fingerprint } = await deviceKey();
  const signature = await crypto.subtle.sign({ name: 'ECDSA', hash: 'SHA-256' }, pair.privateKey, new TextEncoder().encode(message));
  return { signature: base64(signature), key: fingerprint };
};
