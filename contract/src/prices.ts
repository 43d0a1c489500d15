import * as z from 'zod/mini';
import { Price, PriceList } from '@quay/core/settlement/prices';
import { endpoint } from './endpoint';
import { Instant, nothing } from './parts';
import { Day } from '@quay/core/time/calendar';

/** What a manager decides of a price list; the currency is the operator’s, what a breach costs a policy’s. */
export const PriceListChange = z
  .extend(z.omit(PriceList, { version: true, currency: true, breach: true }), {
    /** The local day from which it holds, one that has not come; without it, from now on. Of such a list only the prices count. */
    from: z.optional(Day),
  })
  .check(
    z.refine(({ prices }) => new Set(prices.map(({ code }) => code)).size === prices.length, 'a code is used twice'),
    z.refine(({ prices }) => prices.length <= 2000, 'so many prices are no list'),
  );
export type PriceListChange = z.infer<typeof PriceListChange>;

const made = { madeAt: z.nullable(Instant), madeBy: z.nullable(z.string()) };
const Prices = z.object({
  /** The list that holds now. */
  list: PriceList,
  /** By code: the boats whose books name it. */
  usedBy: z.record(z.string(), z.array(z.string())),
  ...made,
  /** Lists that hold from a day on, in order of their days. */
  planned: z.array(z.object({ from: Day, list: PriceList, ...made })),
  /** The highest version of any list: whoever changes one says that this is what they saw. */
  version: z.int(),
  /** The day it is where it is earliest: a planned list begins after it. */
  today: Day,
});
export type Prices = z.infer<typeof Prices>;

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

export const dropPlannedPrices = endpoint({
  name: 'dropPlannedPrices',
  summary: 'Takes a price list back that was to hold from a day on. Hires that are booked by it keep it.',
  method: 'DELETE',
  path: '/prices/planned/:from',
  roles: ['manager'],
  params: z.object({ from: Day }),
  query: nothing,
  versioned: true,
  body: nothing,
  reply: Prices,
});

export const priceTable = endpoint({
  name: 'priceTable',
  summary: 'The price list as a table (CSV), with what is planned.',
  method: 'GET',
  path: '/prices/table',
  roles: ['manager'],
  params: nothing,
  query: nothing,
  body: nothing,
  gives: 'text/csv',
  reply: z.any(),
});

/** No price list is larger, bytes. */
export const PRICE_TABLE_BYTES = 1024 * 1024;

const Change = z.object({ code: z.string(), was: z.optional(Price), is: z.optional(Price) });
const PriceTablePreview = z.object({
  version: z.int(),
  currency: z.string(),
  /** What would be otherwise from now on, and from each day on. A price that the table does not name stays as it is. */
  lists: z.array(z.object({ from: z.nullable(Day), changes: z.array(Change) })),
  /** Prices that the table names. */
  rows: z.int(),
  faults: z.array(z.object({ where: z.string(), reason: z.string() })),
});
export type PriceTablePreview = z.infer<typeof PriceTablePreview>;

export const previewPriceTable = endpoint({
  name: 'previewPriceTable',
  summary: 'What a table of prices (CSV) would change. Nothing is changed yet.',
  method: 'POST',
  path: '/prices/table',
  roles: ['manager'],
  params: nothing,
  query: nothing,
  body: nothing,
  takesBytes: true,
  reply: PriceTablePreview,
});

export const loadPriceTable = endpoint({
  name: 'loadPriceTable',
  summary: 'Takes the prices of a table (CSV) over, all of them or none.',
  method: 'POST',
  path: '/prices/table/taken',
  roles: ['manager'],
  params: nothing,
  query: nothing,
  versioned: true,
  body: nothing,
  takesBytes: true,
  reply: Prices,
});
