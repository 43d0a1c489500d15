import type { Berth } from '../fleet/base';
import type { HullFigures } from './hull';

/** A berth as docking sees it, the wind and the water now, and the directions between them. */

export type Side = 'port' | 'starboard';
export type BerthKind = Berth['kind'];
/** What docking asks of a berth of the base book. */
export type Place = Pick<Berth, 'kind' | 'headingDeg' | 'side' | 'widthM' | 'depthM' | 'tidal' | 'rangeM'>;
/** Degrees true: wind where it comes from, current where it runs to. m/s; water above the lowest, m. */
export type Conditions = { windFromDeg: number; windMs: number; currentToDeg: number; currentMs: number; waterM: number };
export type Given = { readonly [F in keyof Conditions]?: number | undefined };

export const RAD = Math.PI / 180;
export const turnOf = (deg: number): number => ((deg % 360) + 360) % 360;
export const otherSide = (side: Side): Side => (side === 'port' ? 'starboard' : 'port');
/** To starboard is positive. */
export const signOf = (side: Side): 1 | -1 => (side === 'starboard' ? 1 : -1);
export const sideOf = (across: number): Side => (across >= 0 ? 'starboard' : 'port');

/** Berths that lie along her, and those she goes into with the bow. */
const ALONG: readonly BerthKind[] = ['alongside', 'bank', 'lockWall'];
export const liesAlong = ({ kind }: Pick<Place, 'kind'>): boolean => ALONG.includes(kind);

/** What wind and water can be at all. */
export const CONDITION_RANGES: Readonly<Record<keyof Conditions, readonly [number, number]>> = {
  windFromDeg: [0, 360],
  windMs: [0, 40],
  currentToDeg: [0, 360],
  currentMs: [0, 5],
  waterM: [0, 15],
};
/** A breeze that has to be reckoned with, m/s: what is planned for where nobody knows the wind. */
const SUPPOSED_WIND_MS = 4;

/**
 * Wind and water to plan with. What is missing or cannot be is replaced by an estimate on the careful side: a breeze off
 * the dock, or across the way in; no current; lowest water.
 * @returns the conditions, and the names of those that are estimated
 */
export const conditionsOf = (given: Given, berth: Place): { now: Conditions; estimated: (keyof Conditions)[] } => {
  const estimated: (keyof Conditions)[] = [];
  const or = (field: keyof Conditions, estimate: number, named = true): number => {
    const value = given[field];
    const [from, to] = CONDITION_RANGES[field];
    if (value !== undefined && Number.isFinite(value) && value >= from && value <= to) return value;
    // A wrong figure is named even where a missing one would not matter.
    if (named || value !== undefined) estimated.push(field);
    return estimate;
  };
  const windMs = or('windMs', SUPPOSED_WIND_MS);
  const currentMs = or('currentMs', 0);
  const heading = berth.headingDeg ?? 0;
  return {
    now: {
      windMs,
      windFromDeg: or('windFromDeg', turnOf(heading + 90 * signOf(berth.side ?? 'starboard')), windMs > 0),
      currentMs,
      currentToDeg: or('currentToDeg', heading, currentMs > 0),
      waterM: or('waterM', 0, berth.tidal === true),
    },
    estimated,
  };
};

/** Wind and current along a course and across it to starboard, over ground, m/s; wind by where it blows to. */
export const components = (courseDeg: number, { windFromDeg, windMs, currentToDeg, currentMs }: Conditions) => {
  const wind = (windFromDeg + 180 - courseDeg) * RAD;
  const current = (currentToDeg - courseDeg) * RAD;
  return {
    windAlong: windMs * Math.cos(wind),
    windAcross: windMs * Math.sin(wind),
    currentAlong: currentMs * Math.cos(current),
    currentAcross: currentMs * Math.sin(current),
  };
};

export type Limits = {
  /** She stays in above. */
  windMs: number;
  /** The most she is pointed up against a drift. */
  crabDeg: number;
  approachMs: number;
  /** Water wanted under her. */
  underKeelM: number;
};
export const USUAL_LIMITS: Limits = { windMs: 10, crabDeg: 25, approachMs: 1, underKeelM: 0.3 };

/** Room left and right of her together, where the base does not say how wide it is, m. */
const USUAL_ROOM_M: Partial<Record<BerthKind, number>> = { slip: 1.2, lift: 0.7, lockWall: 2.2, crowdedDock: 2 };
/** How wide the place is, m; and whether that is an estimate. */
export const widthOf = (berth: Place, { beamM }: Pick<HullFigures, 'beamM'>): { widthM: number; estimated: boolean } =>
  berth.widthM === undefined
    ? { widthM: beamM + (USUAL_ROOM_M[berth.kind] ?? 2), estimated: USUAL_ROOM_M[berth.kind] !== undefined && berth.kind !== 'crowdedDock' }
    : { widthM: berth.widthM, estimated: false };

/** Metres north and east of the place’s middle. */
export type Point = readonly [north: number, east: number];
/** A point ahead of another and to starboard of it, on a course. */
export const ahead = ([north, east]: Point, courseDeg: number, aheadM: number, starboardM = 0): Point => {
  const [cos, sin] = [Math.cos(courseDeg * RAD), Math.sin(courseDeg * RAD)];
  return [north + aheadM * cos - starboardM * sin, east + aheadM * sin + starboardM * cos];
};
