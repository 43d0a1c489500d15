import { minutesBetween, type Instant } from '../time/zone';

/** A boat's time that is given away already: to a hire, or to nobody while she is out of service. */
export type Booked = {
  hire: string | null;
  boat: string;
  from: Instant;
  /** Nothing while nobody knows when she is back in service. */
  to: Instant | null;
};

/** Time that somebody wants a boat for. */
export type Wanted = {
  boat: string;
  from: Instant;
  to: Instant;
  /** The hire it is for, where there is one: it is never in its own way. */ hire?: string | undefined;
};

/** What stands in the way: the same hours, or too little time between for turning the boat round. */
export type Clash = {
  booked: Booked;
  is: 'overlaps' | 'tooTight';
  /** Minutes between the two; none where they overlap. */ minutes: number;
};

const MINUTE_MS = 60_000;
const later = (at: Instant, minutes: number): Instant => new Date(Date.parse(at) + minutes * MINUTE_MS).toISOString();
const ms = (at: Instant) => Date.parse(at);
/** Departures are on the minutes that a clock's face has, min. */
const STEP_MIN = 5;
/** The first of these minutes that is not before an instant. */
export const onStep = (at: Instant): Instant => new Date(Math.ceil(ms(at) / (STEP_MIN * MINUTE_MS)) * STEP_MIN * MINUTE_MS).toISOString();

/** Whether it is of the boat that is wanted, and not what is asked for itself. */
const isOther = ({ boat, hire }: Booked, wanted: Wanted): boolean => boat === wanted.boat && (hire === null || hire !== wanted.hire);

const endOf = ({ to }: Booked): number => (to === null ? Infinity : ms(to));
/** Nobody has to turn round a boat that was out of service, nor one that is to be. */
const pauseOf = ({ hire }: Booked, turnaroundMin: number): number => (hire === null ? 0 : turnaroundMin);

/**
 * What stands in the way of a hire, the earliest first. Who comes back at the very minute the next leaves does not overlap.
 * @param booked in any order, of any boats @param turnaroundMin minutes a boat needs between two hires
 */
export const clashesOf = (wanted: Wanted, booked: readonly Booked[], turnaroundMin: number): Clash[] =>
  booked
    .filter((one) => isOther(one, wanted))
    .flatMap((one): Clash[] => {
      if (ms(one.from) < ms(wanted.to) && ms(wanted.from) < endOf(one)) return [{ booked: one, is: 'overlaps', minutes: 0 }];
      const minutes = ms(one.from) >= ms(wanted.to) ? minutesBetween(wanted.to, one.from) : minutesBetween(one.to!, wanted.from);
      return minutes < pauseOf(one, turnaroundMin) ? [{ booked: one, is: 'tooTight', minutes }] : [];
    })
    .sort((a, b) => ms(a.booked.from) - ms(b.booked.from));

/**
 * When a boat is first free for as long as is wanted, with time to turn her round before and after.
 * @returns `wanted.from`, or a later instant on the five minutes; nothing while nobody knows when she is back in service
 */
export const freeFrom = (wanted: Wanted, booked: readonly Booked[], turnaroundMin: number): Instant | undefined => {
  const minutes = (ms(wanted.to) - ms(wanted.from)) / MINUTE_MS;
  const others = booked.filter((one) => isOther(one, wanted)).sort((a, b) => ms(a.from) - ms(b.from));
  let from = wanted.from;
  for (const other of others) {
    // One that lies wholly behind what was found so far is in nobody's way.
    const pause = pauseOf(other, turnaroundMin);
    if (endOf(other) + pause * MINUTE_MS <= ms(from)) continue;
    if (ms(later(from, minutes)) + pause * MINUTE_MS <= ms(other.from)) continue;
    if (other.to === null) return undefined;
    from = onStep(later(other.to, pause));
  }
  return from;
};

/** A boat as whoever books asks for one. */
export type BoatToHire = { id: string; name: string; /** So many her plate allows. */ people: number };

export type Choice<B extends BoatToHire> = {
  boat: B;
  /** `tight`: free, with less time to turn her round than there should be. */
  is: 'free' | 'tight' | 'taken' | 'tooSmall';
  clashes: Clash[];
  /** Of one that is tight or taken: when she is first free for as long, as far as anybody knows. */
  freeFrom?: Instant | undefined;
};

const ORDER: readonly Choice<BoatToHire>['is'][] = ['free', 'tight', 'taken', 'tooSmall'];

/** Every boat with whether it can be had: free ones first, and of these the smallest that takes the party. */
export const choicesOf = <B extends BoatToHire>(
  boats: readonly B[],
  booked: readonly Booked[],
  wanted: Omit<Wanted, 'boat'> & { people: number },
  turnaroundMin: number,
): Choice<B>[] =>
  boats
    .map((boat): Choice<B> => {
      if (wanted.people > boat.people) return { boat, is: 'tooSmall', clashes: [] };
      const time = { boat: boat.id, from: wanted.from, to: wanted.to, hire: wanted.hire };
      const clashes = clashesOf(time, booked, turnaroundMin);
      if (clashes.length === 0) return { boat, is: 'free', clashes };
      const is = clashes.some((clash) => clash.is === 'overlaps') ? 'taken' : 'tight';
      return { boat, is, clashes, freeFrom: freeFrom(time, booked, turnaroundMin) };
    })
    .sort((a, b) => ORDER.indexOf(a.is) - ORDER.indexOf(b.is) || a.boat.people - b.boat.people || (a.boat.name < b.boat.name ? -1 : 1));
