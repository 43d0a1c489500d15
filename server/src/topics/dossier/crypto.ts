import { createHash, createPublicKey, type KeyObject, verify } from 'node:crypto';
import type { Crypto } from '@quay/core/dossier/verify';

const fits = (make: () => KeyObject, work: (key: KeyObject) => boolean): boolean => {
  try {
    return work(make());
  } catch {
    // What is no key at all has signed nothing.
    return false;
  }
};
const digest = (bytes: Buffer): string => createHash('sha256').update(bytes).digest('hex');
const spkiKey = (spki: string) => createPublicKey({ key: Buffer.from(spki, 'base64'), format: 'der', type: 'spki' });

/** Signatures as Node checks them, for {@link verifyDossier}. */
export const nodeCrypto: Crypto = {
  ed25519: (pem, message, signature) =>
    fits(
      () => createPublicKey(pem),
      (key) => key.asymmetricKeyType === 'ed25519' && verify(null, Buffer.from(message), key, Buffer.from(signature, 'base64')),
    ),
  p256: (spki, message, signature) =>
    fits(
      () => spkiKey(spki),
      (key) => verify('sha256', Buffer.from(message), { key, dsaEncoding: 'ieee-p1363' }, Buffer.from(signature, 'base64')),
    ),
  fingerprintOfPem: (pem) => {
    let found = '';
    fits(
      () => createPublicKey(pem),
      (key) => {
        found = digest(key.export({ type: 'spki', format: 'der' }));
        return true;
      },
    );
    return found;
  },
  fingerprintOfSpki: (spki) => digest(Buffer.from(spki, 'base64')),
};
