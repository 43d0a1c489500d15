import { RateLimiterMemory, RateLimiterRes } from 'rate-limiter-flexible';
import { ProblemError } from './problem';

/**
 * How many events one phone may deliver in a minute. A quay's phone may have been without signal all day; a renter alone
 * with a boat makes some hundred in an hour.
 */
const PACE = {
  staff: new RateLimiterMemory({ keyPrefix: 'staff', points: 30_000, duration: 60 }),
  renter: new RateLimiterMemory({ keyPrefix: 'renter', points: 1500, duration: 60 }),
};

/** How many MB of photographs one phone may send in a minute. */
const BYTE_PACE = {
  staff: new RateLimiterMemory({ keyPrefix: 'staff', points: 1500, duration: 60 }),
  renter: new RateLimiterMemory({ keyPrefix: 'renter', points: 200, duration: 60 }),
};

const consume = async (limiter: RateLimiterMemory, device: string, points: number): Promise<void> => {
  try {
    await limiter.consume(device, points);
  } catch (error) {
    if (!(error instanceof RateLimiterRes)) throw error;
    throw new ProblemError(429, 'tooFast', {}, Math.ceil(error.msBeforeNext / 1000));
  }
};

/** Counts what a phone delivers. @throws ProblemError 429 when it is more than it may; what it sends it keeps meanwhile */
export const keepPace = (device: string, role: 'hand' | 'manager' | 'renter', events: number): Promise<void> =>
  consume(PACE[role === 'renter' ? 'renter' : 'staff'], device, events);

/** The same of photographs. @param bytes of a piece */
export const keepBytePace = (device: string, role: 'hand' | 'manager' | 'renter', bytes: number): Promise<void> =>
  consume(BYTE_PACE[role === 'renter' ? 'renter' : 'staff'], device, Math.max(1, Math.round(bytes / 1_000_000)));
