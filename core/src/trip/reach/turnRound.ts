import type { LonLat } from '../../geometry/plane';
import type { DEADLINE_REASONS } from '../events';
import { earliestFrom, type Field, latestTo, wayFrom, type WeatherFrom } from './reach';
import { CALM, type Mover } from './underway';
import { openCellAt, type WaterGrid } from './waterGrid';

/** What a boat has to be home before. */
export type Deadline = { is: (typeof DEADLINE_REASONS)[number]; atMs: number };

/** Kept back of the time there is: so much on the way home takes longer than reckoned, and coming in takes minutes. */
const SPARE = { shareOfWayHome: 0.1, minutes: 10 } as const;

export type DayOut = {
  grid: WaterGrid;
  /** Nothing where one need not come home before the deadline, but lie somewhere by then. */
  home: LonLat | undefined;
  here: LonLat;
  nowMs: number;
  /** At least one. */
  deadlines: readonly Deadline[];
  /** In order; at least one. */
  weather: readonly WeatherFrom[];
  mover: Mover;
  /** Hours under power that may be used from now on, the reserve left out; nothing where nobody knows. */
  fuelH: number | undefined;
};

/** Where one is or wants to go, and by when one has to leave it again. */
export type Stay = {
  /** ms; now, for here. */
  arriveMs: number;
  /** The latest, by the clock and by the fuel, ms. */
  leaveMs: number;
  /** What makes it so early. */
  binds: Deadline['is'] | 'fuel';
  /** The way home, leaving so late, ms; and what it would take in calm. */
  homeMs: number;
  calmHomeMs: number;
  /** The latest for each reason alone, ms; of fuel, nothing where nobody knows. */
  byReason: { is: Deadline['is'] | 'fuel'; leaveMs: number }[];
  /** Corner by corner, from here to there and from there home. */
  out: LonLat[];
  back: LonLat[];
};

export type Turn =
  /** Here, or home, is on no water that the sheet has; or no way leads from one to the other. */
  | { is: 'cutOff' }
  | {
      is: 'known';
      /** Of every square, how long one could stay there, ms, negative where it is out of reach; −∞ where there is no way. */
      slack: Float64Array;
      grid: WaterGrid;
      here: Stay;
      /** What a wish comes to; nothing where no way leads there. */
      at: (wish: LonLat) => Stay | undefined;
    };

/** So long before the time that is left is used up one turns, ms. @param homeMs the way home */
export const spareMs = (homeMs: number): number => SPARE.minutes * 60_000 + SPARE.shareOfWayHome * homeMs;

/** What can be reached from here and left again in time, and by when. Made once; each wish is then looked up. */
export const turnRound = ({ grid, home, here, nowMs, deadlines, weather, mover, fuelH }: DayOut): Turn => {
  const { plane } = grid.sheet;
  const hereCell = openCellAt(grid, plane.toXy(here));
  const homeCell = home && openCellAt(grid, plane.toXy(home));
  if (hereCell === undefined || (home && homeCell === undefined)) return { is: 'cutOff' };
  const strictest = deadlines.reduce((a, b) => (b.atMs < a.atMs ? b : a));
  const homeIn = (by: readonly WeatherFrom[]): Field | undefined =>
    homeCell === undefined ? undefined : latestTo(grid, homeCell, strictest.atMs, by, mover);
  const earliest = earliestFrom(grid, hereCell, nowMs, weather, mover);
  const latest = homeIn(weather);
  const calm = homeIn([{ atMs: 0, ...CALM }]);
  /** Home from a square by the deadline, ms; nothing to go where one lies where one is. */
  const homeMsFrom = (field: Field | undefined, cell: number): number => (field ? strictest.atMs - field.times[cell]! : 0);
  if (homeMsFrom(latest, hereCell) === Infinity) return { is: 'cutOff' };

  /** The latest to leave by the clock and by the fuel, ms. */
  const leaving = (cell: number): { byClockMs: number; byFuelMs: number; homeMs: number } => {
    const homeMs = homeMsFrom(latest, cell);
    return {
      homeMs,
      byClockMs: strictest.atMs - homeMs - spareMs(homeMs),
      // Fuel is used as long as she runs: out, and home by the longest way there is with this wind.
      byFuelMs: fuelH === undefined ? Infinity : nowMs + fuelH * 3_600_000 - homeMs,
    };
  };
  const slack = earliest.times.map((arriveMs, cell) => {
    const { byClockMs, byFuelMs, homeMs } = leaving(cell);
    return arriveMs === Infinity || homeMs === Infinity ? -Infinity : Math.min(byClockMs, byFuelMs) - arriveMs;
  });

  const lonLats = (field: Field | undefined, cell: number): LonLat[] => (field ? wayFrom(field, cell).map(plane.toLonLat) : []);
  const stayAt = (cell: number): Stay | undefined => {
    const { byClockMs, byFuelMs, homeMs } = leaving(cell);
    if (earliest.times[cell] === Infinity || homeMs === Infinity) return undefined;
    const byReason = [
      ...deadlines.map(({ is, atMs }) => ({ is, leaveMs: byClockMs + (atMs - strictest.atMs) })),
      ...(fuelH === undefined ? [] : [{ is: 'fuel' as const, leaveMs: byFuelMs }]),
    ].sort((a, b) => a.leaveMs - b.leaveMs);
    return {
      arriveMs: earliest.times[cell]!,
      leaveMs: byReason[0]!.leaveMs,
      binds: byReason[0]!.is,
      homeMs,
      calmHomeMs: homeMsFrom(calm, cell),
      byReason,
      out: lonLats(earliest, cell).reverse(),
      back: lonLats(latest, cell),
    };
  };
  return {
    is: 'known',
    slack,
    grid,
    here: stayAt(hereCell)!,
    at: (wish) => {
      const cell = openCellAt(grid, plane.toXy(wish));
      return cell === undefined ? undefined : stayAt(cell);
    },
  };
};
