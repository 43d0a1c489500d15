import type { Ledger } from './ledger';

/** Whoever is to hold it anew has to be told so long before. */
const SOON_MS = 24 * 3_600_000;

/** A holding that its bank lets go of before it has done its work. */
export type Ending = {
  attempt: string;
  amountMinor: number;
  expiresAt: string;
  /** Its time is over, it is over within a day, or before it is known what is owed. */
  is: 'over' | 'soon' | 'beforeEnd';
};

/** Whether, and why, a holding ends too early. */
export const endsEarly = (expiresAt: string, now: string, until?: string): Ending['is'] | undefined => {
  const left = Date.parse(expiresAt) - Date.parse(now);
  if (left <= 0) return 'over';
  if (left <= SOON_MS) return 'soon';
  return until !== undefined && Date.parse(expiresAt) < Date.parse(until) ? 'beforeEnd' : undefined;
};

/**
 * What is still held and will not be for long enough, the first to end first. That a holding is over is the terminal's to say:
 * until then it is counted as held, and this is how it is known that somebody has to ask.
 * @param until when she comes back; nothing once the hire is closed, when only what ends within a day is worth a word
 */
export const endingHoldings = ({ authorisations }: Pick<Ledger, 'authorisations'>, now: string, until?: string): Ending[] =>
  authorisations
    .flatMap(({ attempt, stillHeldMinor, expiresAt }): Ending[] => {
      if (stillHeldMinor <= 0 || expiresAt === undefined) return [];
      const is = endsEarly(expiresAt, now, until);
      return is ? [{ attempt, amountMinor: stillHeldMinor, expiresAt, is }] : [];
    })
    .sort((a, b) => Date.parse(a.expiresAt) - Date.parse(b.expiresAt));
