import { isEntered, type HireRecord } from '../events/record';
import { isCancelled } from '../booking/events';
import { minutesBetween } from '../time/zone';

/**
 * A hire's course is read off its record, never set by hand: booked, walking out, out, walking in, comparing, closed.
 * `readyToGo` is signed and sealed but still at the quay. Who has left is out, whatever was cancelled meanwhile.
 */
export const HIRE_STATES = ['booked', 'walkingOut', 'readyToGo', 'out', 'walkingIn', 'settling', 'closed', 'cancelled'] as const;
export type HireState = (typeof HIRE_STATES)[number];

/** How far a hire has come, by its record. */
export const stateOf = (record: HireRecord): HireState => {
  const has = (...subject: string[]) => isEntered(record, subject);
  if (has('closed')) return 'closed';
  if (has('in', 'sealed')) return 'settling';
  if (has('cameIn') || has('in', 'started')) return 'walkingIn';
  if (has('castOff')) return 'out';
  if (isCancelled(record)) return 'cancelled';
  if (has('out', 'sealed')) return 'readyToGo';
  return has('out', 'started') ? 'walkingOut' : 'booked';
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
  /** So much of what has to be done before the boat goes out again is not done yet. */
  openWork?: number;
};

export type Afloat = { hire: DayHire; minutesLeft: number; over: boolean; share: number };
export type Board = {
  /** What is coming, the farthest first, so that the next thing stands just above the waterline. */
  coming: { hire: DayHire; at: string; minutes: number; overdue: boolean; notBack: boolean }[];
  /** On the water, the least time left first. */
  afloat: Afloat[];
  /** At the quay with somebody's hands on them. */
  atTheQuay: DayHire[];
  /** Walked in, and not settled; their boats may be anywhere by now. */
  toSettle: DayHire[];
  /** Back, with something to be done to the boat before she goes out again. */
  toTurnRound: DayHire[];
  /** What has been, the latest first. */
  been: { hire: DayHire; at: string; what: 'left' | 'cameIn' }[];
  /** The one thing to do, and the hour it is meant for: when she leaves, or is due. */
  next: { hire: DayHire; doing: 'walkOut' | 'goOnOut' | 'castOff' | 'walkIn' | 'goOnIn' | 'settle'; at: string | undefined } | undefined;
};

/** The day round the waterline of the present. @param now ISO instant */
export const boardOf = (hires: readonly DayHire[], now: string): Board => {
  const coming: Board['coming'] = [];
  const afloat: Afloat[] = [];
  const atTheQuay: DayHire[] = [];
  const toSettle: DayHire[] = [];
  const toTurnRound: DayHire[] = [];
  const been: Board['been'] = [];
  // A boat is in one place: whoever has not come back yet has her.
  const isOut = (boat: string, beside: string) =>
    hires.some((other) => other.boat === boat && other.state === 'out' && other.id !== beside);
  for (const hire of hires) {
    const away = isOut(hire.boat, hire.id);
    const leaving = hire.state === 'walkingOut' || hire.state === 'readyToGo';
    if (hire.state === 'booked' || (leaving && away))
      coming.push({ hire, at: hire.from, minutes: minutesBetween(now, hire.from), overdue: hire.from < now, notBack: away });
    else if (leaving || hire.state === 'walkingIn') atTheQuay.push(hire);
    else if (hire.state === 'settling') toSettle.push(hire);
    else if (hire.state === 'out') {
      const left = minutesBetween(now, hire.to);
      const start = hire.castOffAt ?? hire.from;
      const whole = Math.max(1, minutesBetween(start, hire.to));
      afloat.push({ hire, minutesLeft: left, over: hire.to < now, share: Math.min(1, Math.max(0, minutesBetween(start, now) / whole)) });
    }
    if ((hire.openWork ?? 0) > 0 && !away && (hire.state === 'settling' || hire.state === 'closed')) toTurnRound.push(hire);
    if (hire.cameInAt) been.push({ hire, at: hire.cameInAt, what: 'cameIn' });
    if (hire.castOffAt) been.push({ hire, at: hire.castOffAt, what: 'left' });
  }
  coming.sort((a, b) => (a.at < b.at ? 1 : -1));
  afloat.sort((a, b) => a.minutesLeft - b.minutesLeft);
  been.sort((a, b) => (a.at < b.at ? 1 : -1));
  const byHour = (a: DayHire, b: DayHire) => (a.from < b.from ? -1 : 1);
  for (const list of [atTheQuay, toSettle, toTurnRound]) list.sort(byHour);
  return { coming, afloat, atTheQuay, toSettle, toTurnRound, been, next: nextOf(coming, afloat, atTheQuay, toSettle) };
};

/**
 * The one thing to do: who is over time first, then who has come in and waits on the pontoon, then whichever departure or
 * return is the nearest in time, begun or not; what is only to be settled comes last.
 */
const nextOf = (
  coming: Board['coming'],
  afloat: readonly Afloat[],
  atTheQuay: readonly DayHire[],
  toSettle: readonly DayHire[],
): Board['next'] => {
  const over = afloat.find((one) => one.over);
  if (over) return { hire: over.hire, doing: 'walkIn', at: over.hire.to };
  const back = atTheQuay.find(({ state }) => state === 'walkingIn');
  if (back) return { hire: back, doing: 'goOnIn', at: undefined };
  const due = afloat[0];
  const timed: NonNullable<Board['next']>[] = [
    ...atTheQuay.map((hire) => ({ hire, doing: hire.state === 'readyToGo' ? ('castOff' as const) : ('goOnOut' as const), at: hire.from })),
    ...coming.filter(({ notBack }) => !notBack).map(({ hire, at }) => ({ hire, doing: 'walkOut' as const, at })),
    ...(due ? [{ hire: due.hire, doing: 'walkIn' as const, at: due.hire.to }] : []),
  ];
  const [nearest] = timed.sort((a, b) => (a.at! < b.at! ? -1 : a.at! > b.at! ? 1 : 0));
  if (nearest) return nearest;
  return toSettle[0] && { hire: toSettle[0], doing: 'settle', at: undefined };
};
