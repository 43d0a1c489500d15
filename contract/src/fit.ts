import * as z from 'zod/mini';
import { Party } from '@quay/core/party/people';
import { endpoint } from './endpoint';
import { hireParams, nothing, Sha256 } from './parts';

/**
 * Who is aboard, with the salt that makes its digest a commitment: nobody guesses names or masses from the record, and
 * the sheet can go while the seal over the digest stays good.
 */
export const Sheet = z.object({ salt: z.string().check(z.regex(/^[0-9a-f]{32}$/)), party: Party });
export type Sheet = z.infer<typeof Sheet>;

export const sendSheet = endpoint({
  name: 'sendSheet',
  summary: 'Keeps a sheet of people under its digest. Doing it twice changes nothing.',
  method: 'POST',
  path: '/hires/:hireId/sheets',
  roles: ['hand', 'manager', 'renter'],
  params: hireParams,
  query: nothing,
  body: z.object({ sheet: Sheet }),
  reply: z.object({ sha: Sha256 }),
});

export const readSheets = endpoint({
  name: 'readSheets',
  summary: 'The sheets of people that this hire’s record names.',
  method: 'GET',
  path: '/hires/:hireId/sheets',
  roles: ['hand', 'manager', 'renter'],
  params: hireParams,
  query: nothing,
  body: nothing,
  reply: z.object({ sheets: z.array(Sheet) }),
});
