import { minutesBetween } from '../time/zone';

/**
 * A hire's course is read off its record, never set by hand: booked, walking out, out, walking in, comparing, closed.
 * `readyToGo` is signed and sealed but still at the quay.
 */
export const HIRE_STATES = ['booked', 'walkingOut', 'readyToGo', 'out', 'walkingIn', 'settling', 'closed'] as const;
export type HireState = (typeof HIRE_STATES)[number];

/** @param has whether the record holds a standing event in this slot */
export const stateOf = (has: (key: string) => boolean): HireState => {
  if (has('closed')) return 'closed';
  if (has('in/sealed')) return 'settling';
  if (has('cameIn') || has('in/started')) return 'walkingIn';
  if (has('castOff')) return 'out';
  if (has('out/sealed')) return 'readyToGo';
  return has('out/started') ? 'walkingOut' : 'booked';
};

export type DayHire = {
  id: string;
  boat: string;
  renter: string;
  party: number;
  from: string;
  to: string;
  state: HireState;
  castOffAt: string | null;
  cameInAt: string | null;
  hold: string | null;
  /** Its record cannot be read: how it stands is how it stood before. */
  broken?: boolean;
};

export type Afloat = { hire: DayHire; minutesLeft: number; over: boolean; share: number };
export type Board = {
  /** What is coming, the farthest first, so that the next thing stands just above the waterline. */
  coming: { hire: DayHire; at: string; minutes: number; overdue: boolean; notBack: boolean }[];
  /** On the water, the least time left first. */
  afloat: Afloat[];
  /** At the quay with somebody's hands on them. */
  atTheQuay: DayHire[];
  /** What has been, the latest first. */
  been: { hire: DayHire; at: string; what: 'left' | 'cameIn' }[];
  next: { hire: DayHire; doing: 'walkOut' | 'goOnOut' | 'castOff' | 'walkIn' | 'goOnIn' | 'settle' } | undefined;
};

/** The day round the waterline of the present. @param now ISO instant */
export const boardOf = (hires: readonly DayHire[], now: string): Board => {
  const coming: Board['coming'] = [];
  const afloat: Afloat[] = [];
  const atTheQuay: DayHire[] = [];
  const been: Board['been'] = [];
  for (const hire of hires) {
    if (hire.state === 'booked')
      coming.push({
        hire,
        at: hire.from,
        minutes: minutesBetween(now, hire.from),
        overdue: hire.from < now,
        // The boat is still on the water with whoever has her before.
        notBack: hires.some((other) => other.boat === hire.boat && other.state === 'out'),
      });
    else if (hire.state === 'walkingOut' || hire.state === 'readyToGo' || hire.state === 'walkingIn' || hire.state === 'settling')
      atTheQuay.push(hire);
    else if (hire.state === 'out') {
      const left = minutesBetween(now, hire.to);
      const start = hire.castOffAt ?? hire.from;
      const whole = Math.max(1, minutesBetween(start, hire.to));
      afloat.push({ hire, minutesLeft: left, over: hire.to < now, share: Math.min(1, Math.max(0, minutesBetween(start, now) / whole)) });
    }
    if (hire.cameInAt) been.push({ hire, at: hire.cameInAt, what: 'cameIn' });
    if (hire.castOffAt) been.push({ hire, at: hire.castOffAt, what: 'left' });
  }
  coming.sort((a, b) => (a.at < b.at ? 1 : -1));
  afloat.sort((a, b) => a.minutesLeft - b.minutesLeft);
  been.sort((a, b) => (a.at < b.at ? 1 : -1));
  return { coming, afloat, atTheQuay, been, next: nextOf(coming, afloat, atTheQuay) };
};

/** The one thing to do: who is over time first, then what has been begun, then who leaves next or is due next. */
const nextOf = (coming: Board['coming'], afloat: readonly Afloat[], atTheQuay: readonly DayHire[]): Board['next'] => {
  const over = afloat.find((one) => one.over);
  if (over) return { hire: over.hire, doing: 'walkIn' };
  const begun = atTheQuay[0];
  if (begun)
    return {
      hire: begun,
      doing:
        begun.state === 'walkingOut'
          ? 'goOnOut'
          : begun.state === 'readyToGo'
            ? 'castOff'
            : begun.state === 'walkingIn'
              ? 'goOnIn'
              : 'settle',
    };
  const leaving = coming[coming.length - 1];
  const due = afloat[0];
  if (leaving && (!due || leaving.minutes <= due.minutesLeft)) return { hire: leaving.hire, doing: 'walkOut' };
  return due && { hire: due.hire, doing: 'walkIn' };
};
