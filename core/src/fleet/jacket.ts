import * as z from 'zod/mini';
import { JACKET_KINDS, JACKET_MAX_KG, type Jacket as Label } from './jacketKinds';

/** What makes a line of equipment a jacket: whom it fits and what it carries. */
export const Jacket = z.object({
  kind: z.enum(JACKET_KINDS),
  fromKg: z.number().check(z.gte(0), z.lte(JACKET_MAX_KG)),
  toKg: z.number().check(z.gt(0), z.lte(JACKET_MAX_KG)),
  newtons: z.union([z.literal(50), z.literal(100), z.literal(150), z.literal(275)]),
});
export type Jacket = Label;
