import * as z from 'zod/mini';
import { endpoint } from './endpoint';
import { hireParams, Instant, nothing } from './parts';

/** What the quay asks of the key safe of a base; a simulator and a real one answer alike. */
export type KeySafe = {
  /** Said on screen wherever its answer is shown. */
  simulated: boolean;
  /** @returns the code for this hire, or why there is none: the safe is silent, or nobody has set one */
  codeFor(hire: { id: string; base: string; boat: string }): Promise<{ ok: true; code: string } | { ok: false; reason: 'silent' | 'none' }>;
};

export const KeyReply = z.discriminatedUnion('is', [
  z.object({ is: z.literal('open'), code: z.string(), simulated: z.boolean() }),
  z.object({ is: z.literal('tooEarly'), opensAt: Instant }),
  z.object({ is: z.literal('briefFirst'), left: z.int() }),
  z.object({ is: z.enum(['partyFirst', 'boatHeld', 'attended', 'over', 'none', 'notBack']) }),
]);
export type KeyReply = z.infer<typeof KeyReply>;

export const keyCode = endpoint({
  name: 'keyCode',
  summary: 'The code of the key safe: to the renter at its hour and once they are briefed, to staff at any time. Kept nowhere on the way.',
  method: 'POST',
  path: '/hires/:hireId/key',
  roles: ['hand', 'manager', 'renter'],
  params: hireParams,
  query: nothing,
  body: nothing,
  reply: KeyReply,
});

export const setKeyCode = endpoint({
  name: 'setKeyCode',
  summary: 'Sets the code for a hire where no safe is connected that makes its own.',
  method: 'PATCH',
  path: '/hires/:hireId/key',
  roles: ['hand', 'manager'],
  params: hireParams,
  query: nothing,
  body: z.object({ code: z.string().check(z.regex(/^[0-9A-Za-z]{3,12}$/)) }),
  reply: z.object({ ok: z.literal(true) }),
});
