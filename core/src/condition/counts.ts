import type { Fitting } from '../fleet/rows';

export type Counted = {
  count: number;
  state: 'fine' | 'damaged' | 'unsealed' | 'expired';
  /** Number on the seal of a sealed kit. */
  seal?: string | undefined;
  /** The station at which it was found, where that is not its own. */
  at?: string | undefined;
};

export type CountFinding = {
  is: 'missing' | 'used' | 'damaged' | 'unsealed' | 'swapped' | 'extra' | 'moved' | 'notCounted' | 'same';
  /** How many pieces the finding is about. */
  pieces: number;
};

/** Numbers on seals are read off by people: capitals and gaps say nothing. */
const sameSeal = (a: string, b: string): boolean => a.replace(/[\s-]/g, '').toUpperCase() === b.replace(/[\s-]/g, '').toUpperCase();

/**
 * What became of one line of equipment.
 * @param out as counted at departure; undefined when nobody counted: then nothing can be missing, the doubt is the renter's
 */
export const compareCount = (fitting: Fitting, out: Counted | undefined, returned: Counted | undefined): CountFinding => {
  if (!out) return { is: 'same', pieces: 0 };
  if (!returned) return { is: 'notCounted', pieces: 0 };
  if (returned.count < out.count) return { is: fitting.kind === 'consumable' ? 'used' : 'missing', pieces: out.count - returned.count };
  if (returned.state === 'damaged' && out.state !== 'damaged') return { is: 'damaged', pieces: 1 };
  if (returned.state === 'unsealed' && out.state !== 'unsealed')
    return { is: fitting.kind === 'sealedKit' ? 'unsealed' : 'same', pieces: 1 };
  // Sealed, but by another seal: it was opened, or it is another kit.
  if (fitting.kind === 'sealedKit' && out.seal !== undefined && returned.seal !== undefined && !sameSeal(out.seal, returned.seal))
    return { is: 'swapped', pieces: 1 };
  if (returned.count > out.count) return { is: 'extra', pieces: returned.count - out.count };
  const place = ({ at }: Counted) => at ?? fitting.station;
  if (returned.count > 0 && place(returned) !== place(out)) return { is: 'moved', pieces: returned.count };
  return { is: 'same', pieces: 0 };
};

/** Who is aboard, as far as equipment depends on it. */
export type Heads = { people: number; children: number };

/** How many of a line there must be: what the book says, or one for each of the party where that is more. */
export const neededOf = ({ count, per }: Pick<Fitting, 'count' | 'per'>, heads: Heads | undefined): number => {
  if (!per || !heads) return count;
  const each = { person: heads.people, adult: heads.people - heads.children, child: heads.children }[per];
  return Math.max(count, each);
};

/** The month up to which a line of equipment counts: the earlier of its own end and of when it has to be looked at. */
export const expiryOf = ({ expiry, service }: Pick<Fitting, 'expiry' | 'service'>): string | undefined =>
  [expiry, service].filter((month) => month !== undefined).sort()[0];

export type DepartureFault = { fitting: Fitting; is: 'short' | 'broken' | 'outOfDate'; pieces: number };

/**
 * What is wrong with a line of equipment before departure.
 * @param today local date of the base, `YYYY-MM-DD`; an expiry counts up to the end of its month
 * @param heads of the party, once it is known
 */
export const departureFault = (
  fitting: Fitting,
  counted: Counted | undefined,
  today: string,
  heads?: Heads,
): DepartureFault | undefined => {
  const needed = neededOf(fitting, heads);
  if (counted && fitting.kind !== 'extra' && counted.count < needed) return { fitting, is: 'short', pieces: needed - counted.count };
  if (counted && (counted.state === 'damaged' || (counted.state === 'unsealed' && fitting.kind === 'sealedKit')))
    return { fitting, is: 'broken', pieces: 1 };
  const until = expiryOf(fitting);
  if (counted?.state === 'expired' || (until !== undefined && until < today.slice(0, 7))) return { fitting, is: 'outOfDate', pieces: 1 };
  return undefined;
};
