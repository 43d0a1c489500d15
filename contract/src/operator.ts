import * as z from 'zod/mini';
import { HandoverPolicy } from '@quay/core/fleet/handoverPolicy';
import { POLICY_TOPICS } from '@quay/core/policy/policy';
import { Wording } from '@quay/core/words/words';
import { endpoint } from './endpoint';
import { nothing, Sha256 } from './parts';

/** How an operator works: everything that holds at every base and on every boat unless one of them says otherwise. */

const OperatorSettings = z.object({
  name: z.string(),
  currency: z.string(),
  settings: HandoverPolicy,
  version: z.int(),
  /** Names the logo that papers begin with; none where there is none. */
  logo: z.nullable(Sha256),
  /** By matter and option: what the books say then, and on which boats. */
  texts: z.partialRecord(z.enum(POLICY_TOPICS), z.record(z.string(), z.array(z.object({ say: Wording, boats: z.array(z.string()) })))),
});

export const getOperator = endpoint({
  name: 'getOperator',
  summary: 'How the operator works, and what the books say under each policy.',
  method: 'GET',
  path: '/operator',
  roles: ['manager'],
  params: nothing,
  query: nothing,
  body: nothing,
  reply: OperatorSettings,
});

/** What a manager changes of it; what operators say everywhere has its own editor. */
export const OperatorChange = z.extend(z.omit(HandoverPolicy, { points: true, clauses: true }), {
  name: z.string().check(z.trim(), z.minLength(1), z.maxLength(80)),
});
export type OperatorChange = z.infer<typeof OperatorChange>;

export const changeOperator = endpoint({
  name: 'changeOperator',
  summary: 'Changes how the operator works, from the next look at a hire on; what was signed stays as it was signed.',
  method: 'PATCH',
  path: '/operator',
  roles: ['manager'],
  params: nothing,
  query: nothing,
  versioned: true,
  body: OperatorChange,
  reply: OperatorSettings,
});

/** No logo is larger as it is brought, bytes. */
export const LOGO_LIMIT_BYTES = 8 * 1024 * 1024;

export const getLogo = endpoint({
  name: 'getLogo',
  summary: 'The logo that papers begin with.',
  method: 'GET',
  path: '/operator/logo',
  roles: ['hand', 'manager'],
  params: nothing,
  query: nothing,
  body: nothing,
  gives: 'image/jpeg',
  reply: z.unknown(),
});

export const keepLogo = endpoint({
  name: 'keepLogo',
  summary: 'Takes a picture as the logo that papers begin with; of what it is made of, only its looks are kept.',
  method: 'POST',
  path: '/operator/logo',
  roles: ['manager'],
  params: nothing,
  query: nothing,
  body: nothing,
  takesBytes: true,
  reply: z.object({ logo: Sha256 }),
});

export const dropLogo = endpoint({
  name: 'dropLogo',
  summary: 'Papers begin with the name alone.',
  method: 'DELETE',
  path: '/operator/logo',
  roles: ['manager'],
  params: nothing,
  query: nothing,
  body: nothing,
  reply: z.object({ ok: z.literal(true) }),
});
