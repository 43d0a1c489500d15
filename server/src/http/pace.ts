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

/** Counts what a phone delivers. @throws ProblemError 429 when it is more than it may; what it sends it keeps meanwhile */
export const keepPace = async (device: string, role: 'hand' | 'manager' | 'renter', events: number): Promise<void> => {
  try {
    await PACE[role === 'renter' ? 'renter' : 'staff'].consume(device, events);
  } catch (error) {
    if (!(error instanceof RateLimiterRes)) throw error;
    throw new ProblemError(
      429,
      'tooFast',
      'This phone sends more than the quay can take in at once.',
      'Everything stays on the phone and goes out by itself in a minute.',
      Math.ceil(error.msBeforeNext / 1000),
    );
  }
};
