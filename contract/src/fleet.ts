import * as z from 'zod/mini';
import { BoatBook, Book } from '@quay/core/fleet/book';
import { endpoint } from './endpoint';
import { Id, Instant, nothing } from './parts';

export const boatParams = z.object({ boatId: Id });
const Origin = z.object({ book: z.string(), is: z.enum(['brought', 'changed']) });

export const listBoats = endpoint({
  name: 'listBoats',
  summary: 'The fleet: every boat with the version of her book.',
  method: 'GET',
  path: '/boats',
  roles: ['manager'],
  params: nothing,
  query: nothing,
  body: nothing,
  reply: z.object({
    boats: z.array(
      z.object({ id: Id, name: z.string(), hullNumber: z.string(), base: z.string(), className: z.string(), bookVersion: z.int() }),
    ),
  }),
});

/** A boat's own book beside what it comes to, laid over her classes, with where each row of it comes from. */
export const BoatShelf = z.object({
  boatBook: BoatBook,
  laid: Book,
  /** Points by id: which book brought or last changed them; those of base, waters and operator have none. */
  origins: z.record(z.string(), Origin),
  classNames: z.record(z.string(), z.string()),
  version: z.int(),
  versions: z.array(z.object({ version: z.int(), madeAt: z.nullable(Instant), madeBy: z.nullable(z.string()), hires: z.int() })),
});
export type BoatShelf = z.infer<typeof BoatShelf>;

export const getBoatBook = endpoint({
  name: 'getBoatBook',
  summary: 'A boat’s book: her own, and laid over her classes.',
  method: 'GET',
  path: '/boats/:boatId/book',
  roles: ['manager'],
  params: boatParams,
  query: nothing,
  body: nothing,
  reply: BoatShelf,
});

export const getBookVersion = endpoint({
  name: 'getBookVersion',
  summary: 'A boat’s book laid flat, as it was in an earlier version.',
  method: 'GET',
  path: '/boats/:boatId/book/:version',
  roles: ['manager'],
  params: z.object({ boatId: Id, version: z.string().check(z.regex(/^\d{1,6}$/)) }),
  query: nothing,
  body: nothing,
  reply: z.object({ laid: Book }),
});

export const changeBoatBook = endpoint({
  name: 'changeBoatBook',
  summary: 'Puts a boat’s own book in place as a new version. Hires that have begun keep theirs.',
  method: 'PATCH',
  path: '/boats/:boatId/book',
  roles: ['manager'],
  params: boatParams,
  query: nothing,
  versioned: true,
  body: z.object({ boatBook: BoatBook }),
  reply: BoatShelf,
});
