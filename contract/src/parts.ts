import * as z from 'zod/mini';

export { Instant } from '@quay/core/time/calendar';

/** For endpoints without params, query or body. */
export const nothing = z.object({});
export const Id = z.string().check(z.regex(/^[A-Za-z0-9][A-Za-z0-9-]{0,63}$/));
export const Sha256 = z.string().check(z.regex(/^[0-9a-f]{64}$/));
export const hireParams = z.object({ hireId: Id });

/** Named by every answer: which run of the data it comes from. Another one means that a backup was put in place. */
export const EPOCH_HEADER = 'x-quay-epoch';

/** Of a demonstration: how far its clock is ahead of the real one, in whole ms. Whoever asks goes by the same clock. */
export const CLOCK_HEADER = 'x-quay-clock-ahead-ms';

/** Names the hire that a renter's request is about: their cookies are one a hire, and none opens another. */
export const RENTER_HEADER = 'x-quay-renter';
