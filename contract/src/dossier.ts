import * as z from 'zod/mini';
import { EDITIONS } from '@quay/core/dossier/dossier';
import { endpoint } from './endpoint';
import { hireParams, nothing } from './parts';

export const getDossier = endpoint({
  name: 'getDossier',
  summary: 'Everything of a hire in a ZIP that can be verified: record, readable pages, photographs. A renter gets their own edition.',
  method: 'GET',
  path: '/hires/:hireId/dossier.zip',
  roles: ['hand', 'manager', 'renter'],
  params: hireParams,
  query: z.object({ edition: z.optional(z.enum(EDITIONS)) }),
  body: nothing,
  gives: 'application/zip',
  reply: z.unknown(),
});
