import { Waters } from '@quay/core/waters/zone';
import * as z from 'zod/mini';
import { endpoint } from './endpoint';
import { Id, nothing } from './parts';

/** Waters: their sheet, its features, and what holds there. */

const WatersShelf = z.object({
  waters: Waters,
  version: z.int(),
  /** Boats that are hired out on it, by name. */
  boats: z.array(z.string()),
});
export type WatersShelf = z.infer<typeof WatersShelf>;

const params = z.object({ watersId: Id });

export const getWaters = endpoint({
  name: 'getWaters',
  summary: 'A stretch of water as GeoJSON, with the boats that are hired out on it.',
  method: 'GET',
  path: '/waters/:watersId',
  roles: ['manager'],
  params,
  query: nothing,
  body: nothing,
  reply: WatersShelf,
});

export const changeWaters = endpoint({
  name: 'changeWaters',
  summary: 'Puts a stretch of water in place, from the next look at a hire on. Local law comes first.',
  method: 'PATCH',
  path: '/waters/:watersId',
  roles: ['manager'],
  params,
  query: nothing,
  versioned: true,
  body: z.object({ waters: Waters }),
  reply: WatersShelf,
});
