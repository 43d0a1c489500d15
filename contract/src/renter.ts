import * as z from 'zod/mini';
import { endpoint } from './endpoint';
import { hireParams, Id, Instant, nothing } from './parts';

export const renterCookie = (hireId: string): string => `quay_renter_${hireId}`;

export const Link = z.object({ id: Id, createdAt: Instant, expiresAt: Instant, madeBy: z.string() });

export const makeLink = endpoint({
  name: 'makeLink',
  summary: 'Makes a link for the renter of this hire. It is shown once; only its hash is kept.',
  method: 'POST',
  path: '/hires/:hireId/links',
  roles: ['hand', 'manager'],
  params: hireParams,
  query: nothing,
  body: nothing,
  reply: z.object({ url: z.string(), qrSvg: z.string(), expiresAt: Instant }),
});

export const listLinks = endpoint({
  name: 'listLinks',
  summary: 'Links of this hire that are still good.',
  method: 'GET',
  path: '/hires/:hireId/links',
  roles: ['hand', 'manager'],
  params: hireParams,
  query: nothing,
  body: nothing,
  reply: z.object({ links: z.array(Link) }),
});

export const withdrawLinks = endpoint({
  name: 'withdrawLinks',
  summary: 'Withdraws every link of this hire. The quay answers them no more; what a phone holds it keeps.',
  method: 'DELETE',
  path: '/hires/:hireId/links',
  roles: ['hand', 'manager'],
  params: hireParams,
  query: nothing,
  body: nothing,
  reply: z.object({ withdrawn: z.int() }),
});

export const openLink = endpoint({
  name: 'openLink',
  summary: 'Exchanges a renter’s link for a session on its hire. Whatever is wrong with it, the answer is the same.',
  method: 'POST',
  path: '/renter/session',
  roles: 'open',
  params: nothing,
  query: nothing,
  body: z.object({ token: z.string().check(z.maxLength(80)) }),
  reply: z.object({ hireId: Id, renter: z.object({ id: Id, name: z.string() }), device: z.object({ id: Id }) }),
});

export const closeLink = endpoint({
  name: 'closeLink',
  summary: 'Ends the renter’s session on this phone.',
  method: 'DELETE',
  path: '/renter/hires/:hireId/session',
  roles: ['renter'],
  params: hireParams,
  query: nothing,
  body: nothing,
  reply: z.object({ ok: z.literal(true) }),
});
