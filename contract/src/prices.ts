import * as z from 'zod/mini';
import { PriceList } from '@quay/core/settlement/prices';
import { endpoint } from './endpoint';
import { Instant, nothing } from './parts';

/** What a manager decides of a price list; the currency is the operator’s, what a breach costs a policy’s. */
export const PriceListChange = z.omit(PriceList, { version: true, currency: true, breach: true }).check(
  z.refine(({ prices }) => new Set(prices.map(({ code }) => code)).size === prices.length, 'a code is used twice'),
  z.refine(({ prices }) => prices.length <= 2000, 'so many prices are no list'),
);
export type PriceListChange = z.infer<typeof PriceListChange>;

const Prices = z.object({
  list: PriceList,
  /** By code: the boats whose books name it. */
  usedBy: z.record(z.string(), z.array(z.string())),
  madeAt: z.nullable(Instant),
  madeBy: z.nullable(z.string()),
});

export const getPrices = endpoint({
  name: 'getPrices',
  summary: 'The price list, with the boats that name each price.',
  method: 'GET',
  path: '/prices',
  roles: ['manager'],
  params: nothing,
  query: nothing,
  body: nothing,
  reply: Prices,
});

export const changePrices = endpoint({
  name: 'changePrices',
  summary: 'A new price list, for hires booked from now on; those that are booked keep theirs.',
  method: 'PATCH',
  path: '/prices',
  roles: ['manager'],
  params: nothing,
  query: nothing,
  versioned: true,
  body: PriceListChange,
  reply: Prices,
});
