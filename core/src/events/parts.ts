import * as z from 'zod/mini';

/** What bodies of events are made of. */

export const EventId = z.string().check(z.regex(/^[0-9a-f]{8}-[0-9a-f]{4}-7[0-9a-f]{3}-[89ab][0-9a-f]{3}-[0-9a-f]{12}$/));
export const Sha256 = z.string().check(z.regex(/^[0-9a-f]{64}$/));
export const Walk = z.enum(['out', 'in']);
export type Walk = z.infer<typeof Walk>;

export const id = z.string().check(z.minLength(1), z.maxLength(64));
export const note = z.optional(z.string().check(z.maxLength(1000)));
export const photos = z.array(Sha256).check(z.maxLength(12));
/** Confirmed in one press as it had been at departure. */
export const asBefore = z.optional(z.literal(true));
/** Key of a finding, and of the line of a statement that it comes to. */
export const findingKey = z.string().check(z.minLength(1), z.maxLength(160));

/** What somebody added, read or pumped, in a unit that its item says. */
export const MOST_FIGURE = 100_000;
export const Figure = z.number().check(z.gte(0), z.lte(MOST_FIGURE));
