import { instantOf } from '../../time/zone';
import type { Stop } from './canalLine';

/** How long things take on a canal, min. */
export const CANAL_MINUTES = { lock: 15, queue: 5, movableBridge: 8, turn: 5 } as const;

/** Along the line from one place to another, at a pace, through what stands between. */
export type Leg = {
  fromM: number;
  toM: number;
  /** ms since 1970 */
  leaveMs: number;
  /** Over ground, m/s. */
  speedMs: number;
  /** What takes time, in the order of the line: see {@link obstaclesOf}. */
  obstacles: readonly Stop[];
  /** Of the day one travels on. */
  openings: ReadonlyMap<string, Opening>;
};

export type Passed = { stop: Stop; atMs: number; waitedMs: number };
export type Travelled = { arriveMs: number; underWayMs: number; passed: Passed[] };

const MINUTE = 60_000;

/** When a place lets somebody through on a day, ms since 1970; nothing where it always does. */
export type Opening = { fromMs: number; toMs: number };
/** Of a day on which nobody is let through. */
const NEVER: Opening = { fromMs: Infinity, toMs: -Infinity };

/** Whether a place is shut altogether on a day, `YYYY-MM-DD`. */
export const isShutOn = ({ shut }: Pick<Stop, 'shut'>, day: string): boolean => shut !== undefined && shut.from <= day && day <= shut.to;

/** The hours of all places of a line on a day of the base's calendar; those that are not in it are always open. */
export const openingsOn = (stops: readonly Stop[], day: string, zone: string): ReadonlyMap<string, Opening> => {
  const clock = (hour: string) => Date.parse(instantOf(`${day}T${hour}`, zone));
  return new Map(
    stops.flatMap((stop): [string, Opening][] => {
      if (isShutOn(stop, day)) return [[stop.id, NEVER]];
      return stop.hours ? [[stop.id, { fromMs: clock(stop.hours.from), toMs: clock(stop.hours.to) }]] : [];
    }),
  );
};

/** How long a lock or a bridge that moves takes, with its queue, ms; a bridge that never does takes nothing. */
export const passingMs = ({ kind, hours }: Stop): number =>
  kind !== 'lock' && !hours ? 0 : ((kind === 'lock' ? CANAL_MINUTES.lock : CANAL_MINUTES.movableBridge) + CANAL_MINUTES.queue) * MINUTE;

/** What one has to be let through: locks, bridges that move (those that never do have no hours), and what is shut on some days. */
export const obstaclesOf = (stops: readonly Stop[]): Stop[] =>
  stops.filter(({ kind, hours, shut }) => kind === 'lock' || (kind === 'bridge' && (hours ?? shut))).sort((a, b) => a.alongM - b.alongM);

/** @returns nothing where something on the way has closed for the day by then */
export const travel = ({ fromM, toM, leaveMs, speedMs, obstacles, openings }: Leg): Travelled | undefined => {
  const back = toM < fromM;
  const passed: Passed[] = [];
  let [atMs, atM, underWayMs] = [leaveMs, fromM, 0];
  const go = (m: number) => {
    const ms = (Math.abs(m - atM) / speedMs) * 1000;
    atMs += ms;
    underWayMs += ms;
    atM = m;
  };
  for (let k = 0; k < obstacles.length; k += 1) {
    const stop = obstacles[back ? obstacles.length - 1 - k : k]!;
    const { alongM } = stop;
    if (back ? alongM >= fromM || alongM <= toM : alongM <= fromM || alongM >= toM) continue;
    go(stop.alongM);
    const opening = openings.get(stop.id);
    if (opening && atMs > opening.toMs) return undefined;
    const open = Math.max(atMs, opening?.fromMs ?? atMs);
    const takesMs = passingMs(stop);
    passed.push({ stop, atMs: open, waitedMs: open - atMs });
    atMs = open + takesMs;
    underWayMs += takesMs;
  }
  go(toM);
  return { arriveMs: atMs, underWayMs, passed };
};
