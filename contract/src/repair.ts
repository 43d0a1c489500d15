import * as z from 'zod/mini';
import { endpoint } from './endpoint';
import { hireParams, Id, Instant, nothing } from './parts';
import { Actor } from './record';

/** An event of a record that cannot be read: what it says it is, whether that can be believed or not. */
const Named = z.object({ id: z.string(), kind: z.string(), at: z.string(), receivedAt: Instant, actor: Actor });

export const Repair = z.object({
  /** Why the record cannot be read, and since when that is known; null while it can. */
  broken: z.nullable(z.object({ at: Instant, why: z.string(), event: z.nullable(z.string()) })),
  /** Those without which it can be read. */
  suspects: z.array(Named),
  aside: z.array(z.extend(Named, { asideAt: Instant, asideBy: z.string(), why: z.string() })),
});
export type Repair = z.infer<typeof Repair>;

export const getRepair = endpoint({
  name: 'getRepair',
  summary: 'What makes the record of a hire unreadable, and what was set aside for that.',
  method: 'GET',
  path: '/hires/:hireId/repair',
  roles: ['manager'],
  params: hireParams,
  query: nothing,
  body: nothing,
  reply: Repair,
});

export const setAside = endpoint({
  name: 'setAside',
  summary: 'Takes an event out of a record that cannot be read with it. It is kept and named, with who did it and why.',
  method: 'POST',
  path: '/hires/:hireId/aside',
  roles: ['manager'],
  params: hireParams,
  query: nothing,
  body: z.object({ event: Id, why: z.string().check(z.minLength(1), z.maxLength(500)) }),
  reply: Repair,
});

export const takeBack = endpoint({
  name: 'takeBack',
  summary: 'Takes an event that was set aside back into the record.',
  method: 'DELETE',
  path: '/hires/:hireId/aside/:event',
  roles: ['manager'],
  params: z.extend(hireParams, { event: Id }),
  query: nothing,
  body: nothing,
  reply: Repair,
});
