import * as z from 'zod/mini';
import { BookId, Wording } from '../words/words';

/** What a boat can be doing; it decides who may be where and who wears a jacket. */
export const BOAT_STATES = ['moving', 'idling', 'anchored', 'swimmers', 'slide', 'generator'] as const;
export type BoatState = (typeof BOAT_STATES)[number];

/** A part of the boat where people may be, with its own limit and the states in which nobody may be there. */
export const Place = z.object({
  id: BookId,
  name: Wording,
  /** A deck with a plate of its own carries no more than this. */
  people: z.optional(z.int().check(z.gte(1), z.lte(60))),
  never: z.optional(z.array(z.enum(BOAT_STATES))),
  why: z.optional(Wording),
});
export type Place = z.infer<typeof Place>;
