import { LATEST_ENTRY_HOURS, LONGEST_HIRE_DAYS } from './limits';
import { Timeline } from './timeline';

/**
 * Bookings that come from elsewhere, a table or a calendar: what they would change of what is booked here. What cannot be
 * taken is told with its reason and left out; the rest can be taken as a whole.
 */

/** A booking as the table or calendar has it now. */
export type Incoming = {
  /** By which it is known again: its UID, with its day where it recurs. */
  key: string;
  /** Higher where it was changed there. */
  sequence: number;
  cancelled: boolean;
  boat: string;
  /** Instants. */
  from: string;
  to: string;
  renter: string;
  contact: string;
  adults: number;
  children: number;
  notes: string;
  depositMinor?: number | undefined;
  language?: string | undefined;
};

/** What of a booking follows where it comes from. */
export const FOLLOWED = ['boat', 'from', 'to', 'renter', 'contact', 'adults', 'children', 'notes', 'depositMinor'] as const;
export type Followed = (typeof FOLLOWED)[number];
type Values = Partial<Record<Followed, string | number | undefined>>;

/** One that was taken before. */
export type Taken = {
  key: string;
  hire: string;
  sequence: number;
  /** As it was there when it was taken last. */
  was: Values & { cancelled: boolean };
  /** As the hire is here now. */
  now: Values & { version: number; state: 'before' | 'begun' | 'cancelled' };
};

export type Why =
  | 'taken'
  | 'overPlate'
  | 'tooLong'
  | 'backwards'
  | 'longPast'
  /** It was changed here as well. */
  | 'changedHere'
  /** Its walk has begun, or it is over. */
  | 'begun';

export type Planned = { key: string; incoming?: Incoming; hire?: string } & (
  | { is: 'new' }
  | { is: 'changed'; changes: Followed[]; version: number; /** It was cancelled. */ again: boolean }
  | { is: 'cancelled'; version: number }
  | { is: 'same' | 'past' }
  /** It is not there any more. */
  | { is: 'gone'; version: number }
  | { is: 'conflict'; why: Why; /** Hires in its way, or other ones of the same table. */ with: string[] }
);

const DAY_MS = 86_400_000;
const HOUR_MS = 3_600_000;

const valueOf = (one: Incoming, field: Followed): string | number | undefined => one[field];
/** What was changed there since it was taken last; a figure that is not given there is nobody's change. */
const changesOf = (one: Incoming, { was }: Taken): Followed[] =>
  FOLLOWED.filter((field) => valueOf(one, field) !== undefined && valueOf(one, field) !== was[field]);

/**
 * What would be done about each, in the order in which it can be done: each step finds the boat's time as the steps before it
 * leave it. Two that swap their times stand in each other's way and are told so.
 * @param incoming those of one key: the newest alone @param taken what came from there before
 * @param booked all time that is given away, by hire @param people so many each boat's plate allows @param now ms
 */
export const planOf = (
  incoming: readonly Incoming[],
  taken: readonly Taken[],
  booked: readonly { id: string; boat: string; from: number; to: number }[],
  people: ReadonlyMap<string, number>,
  now: number,
): Planned[] => {
  const before = new Map(taken.map((one) => [one.key, one]));
  const timeline = new Timeline(booked);
  const done: Planned[] = [];
  const still: Planned[] = [];
  const toPlace: { one: Incoming; known?: Taken; changes: Followed[] }[] = [];
  const no = (one: Incoming, why: Why, others: string[] = []) =>
    still.push({ key: one.key, incoming: one, is: 'conflict', why, with: others, ...hireOf(before.get(one.key)) });
  const hireOf = (known: Taken | undefined) => (known ? { hire: known.hire } : {});

  const isLongPast = (at: string) => Date.parse(at) < now - LATEST_ENTRY_HOURS * HOUR_MS;
  for (const one of incoming) {
    const known = before.get(one.key);
    const same = (is: 'same' | 'past') => still.push({ key: one.key, incoming: one, is, ...hireOf(known) });
    if (known && one.sequence < known.sequence) same('same');
    else if (one.cancelled) {
      if (!known || known.was.cancelled || known.now.state === 'cancelled') same(known ? 'same' : 'past');
      else if (known.now.state === 'begun') no(one, 'begun');
      else {
        done.push({ key: one.key, incoming: one, is: 'cancelled', hire: known.hire, version: known.now.version });
        if (typeof known.now.boat === 'string') timeline.free(known.now.boat, known.hire);
      }
    } else {
      const again = known !== undefined && known.was.cancelled && known.now.state === 'cancelled';
      const changes = known ? changesOf(one, known) : [];
      if (known && !again && (changes.length === 0 || known.now.state === 'cancelled')) same('same');
      else if (known && known.now.state === 'begun') no(one, 'begun');
      // What was changed here as well is a matter for whoever changed it.
      else if (known && changes.some((field) => known.now[field] !== known.was[field] && known.now[field] !== valueOf(one, field)))
        no(one, 'changedHere');
      else if (one.to <= one.from) no(one, 'backwards');
      else if (Date.parse(one.to) - Date.parse(one.from) > LONGEST_HIRE_DAYS * DAY_MS) no(one, 'tooLong');
      else if (isLongPast(one.from) && !known) same('past');
      else if (isLongPast(one.from) && changes.includes('from')) no(one, 'longPast');
      else if (one.adults + one.children > (people.get(one.boat) ?? 0)) no(one, 'overPlate');
      else toPlace.push({ one, ...(known ? { known } : {}), changes });
    }
  }

  // Whoever makes room goes first: it is gone through again as long as somebody found a place.
  let waiting = toPlace.sort((a, b) => (a.one.from < b.one.from ? -1 : a.one.from > b.one.from ? 1 : 0));
  for (let placed = true; placed;) {
    placed = false;
    const next: typeof waiting = [];
    for (const step of waiting) {
      const { one, known, changes } = step;
      const [from, to] = [Date.parse(one.from), Date.parse(one.to)];
      const id = known?.hire ?? one.key;
      if (timeline.overlapping(one.boat, from, to, id).length > 0) {
        next.push(step);
        continue;
      }
      placed = true;
      if (known && typeof known.now.boat === 'string') timeline.free(known.now.boat, known.hire);
      timeline.give(one.boat, { id, from, to });
      done.push(
        known
          ? {
              ...{ key: one.key, incoming: one, hire: known.hire, is: 'changed', changes },
              ...{ version: known.now.version, again: known.now.state === 'cancelled' },
            }
          : { key: one.key, incoming: one, is: 'new' },
      );
    }
    waiting = next;
  }
  for (const { one, known } of waiting) {
    const others = timeline.overlapping(one.boat, Date.parse(one.from), Date.parse(one.to), known?.hire ?? one.key);
    no(one, 'taken', others.map(({ id }) => id).sort());
  }

  const there = new Set(incoming.map(({ key }) => key));
  for (const known of taken) {
    if (there.has(known.key) || known.was.cancelled || known.now.state !== 'before') continue;
    if (Date.parse(String(known.now.to)) < now) continue;
    still.push({ key: known.key, hire: known.hire, is: 'gone', version: known.now.version });
  }
  return [...done, ...still];
};

/** Of several that are about one booking, the newest: by its sequence, then by when it was written. */
export const newestOf = <T extends { key: string; sequence: number; stamp: string }>(all: readonly T[]): T[] => {
  const newest = new Map<string, T>();
  for (const one of all) {
    const other = newest.get(one.key);
    if (!other || one.sequence > other.sequence || (one.sequence === other.sequence && one.stamp >= other.stamp)) newest.set(one.key, one);
  }
  return [...newest.values()];
};
