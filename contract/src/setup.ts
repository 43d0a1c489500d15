import * as z from 'zod/mini';
import { METRIC, Units } from '@quay/core/number/units';
import { READINESS, READINESS_STATES } from '@quay/core/policy/readiness';
import { LANGUAGES } from '@quay/core/words/words';
import { endpoint } from './endpoint';
import { Instant, nothing } from './parts';
import { Me } from './session';

const text = (most: number) => z.string().check(z.trim(), z.maxLength(most));
const needed = (most: number) => z.string().check(z.trim(), z.minLength(1), z.maxLength(most));

/** What is asked before anybody can sign in: who hires out, and who is the first to run it. */
export const FirstStart = z.object({
  operator: needed(80),
  /** As it stands at the head of papers. */
  address: text(200),
  phone: text(40),
  currency: z.string().check(z.regex(/^[A-Z]{3}$/)),
  /** Usual tax in the prices, hundredths of a per cent. */
  taxBp: z.int().check(z.gte(0), z.lte(10_000)),
  units: z._default(Units, METRIC),
  /** Languages renters are spoken to in, the usual one first. */
  languages: z.array(z.enum(LANGUAGES)).check(z.minLength(1), z.maxLength(LANGUAGES.length)),
  manager: needed(80),
  password: z.string().check(z.minLength(1), z.maxLength(200)),
});
export type FirstStart = z.infer<typeof FirstStart>;

export const setUp = endpoint({
  name: 'setUp',
  summary: 'Sets the operator up with the code that the server printed, good once, and signs the first manager in.',
  method: 'POST',
  path: '/setup',
  roles: 'open',
  params: nothing,
  query: nothing,
  body: z.object({ code: needed(80), ...FirstStart.shape }),
  reply: z.extend(Me, { grant: z.string() }),
});

export const getReadiness = endpoint({
  name: 'getReadiness',
  summary: 'What is still missing before boats can be hired out, and how the installation is.',
  method: 'GET',
  path: '/readiness',
  roles: ['manager'],
  params: nothing,
  query: nothing,
  body: nothing,
  reply: z.object({
    steps: z.array(
      z.object({
        is: z.enum(READINESS),
        state: z.enum(READINESS_STATES),
        /** How many there are, or are missing. */
        count: z.int(),
      }),
    ),
    backupAt: z.nullable(Instant),
    hires: z.int(),
  }),
});
