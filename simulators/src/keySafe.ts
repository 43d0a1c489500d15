import { createHmac, randomBytes } from 'node:crypto';
import type { KeySafe } from '@quay/contract/keySafe';
import type { Simulated } from '@quay/contract/simulators';

/**
 * A simulated key safe: a code of six digits for each hire, the same one as long as this program runs. It can be told
 * to fail; then it is silent, as a safe without power or signal is.
 */
export const simulatedKeySafe = (): KeySafe & Simulated<'keySafe'> => {
  const secret = randomBytes(16);
  const safe: KeySafe & Simulated<'keySafe'> = {
    simulated: true,
    mode: 'works',
    codeFor: ({ id, base }) => {
      if (safe.mode === 'silent') return Promise.resolve({ ok: false, reason: 'silent' });
      const digest = createHmac('sha256', secret).update(`${base}/${id}`).digest();
      return Promise.resolve({ ok: true, code: String(digest.readUInt32BE(0) % 1_000_000).padStart(6, '0') });
    },
  };
  return safe;
};
