import type { Position } from '../waters/position';
import type { Waters } from '../waters/zone';
import type { WeatherFrom } from './reach/reach';

/** Somewhere to lie for a night. */
export type Lying = {
  id: string;
  name: string;
  at: Position;
  kind: 'cove' | 'mooring' | 'berth';
  depthM: number | undefined;
  /** Nothing where the sheet does not say what it is sheltered from, or nobody knows the wind. */
  sheltered: boolean | undefined;
};

/** A wind weaker than this needs no shelter, m/s. */
const LIGHT_MS = 4;
const turned = (deg: number): number => ((deg % 360) + 360) % 360;

/** Whether a direction lies between two others, clockwise from the first to the second, both included. */
export const isBetween = (deg: number, [from, to]: readonly [number, number]): boolean => turned(deg - from) <= turned(to - from);

/** Whether a cove is sheltered from every wind that is expected in a time and is worth the name. */
const shelteredIn = (
  shelter: readonly [number, number] | undefined,
  weather: readonly WeatherFrom[],
  fromMs: number,
  toMs: number,
): boolean | undefined => {
  const then = weather.filter(({ atMs }, i) => atMs < toMs && (weather[i + 1]?.atMs ?? Infinity) > fromMs);
  if (then.length === 0 || then.some(({ windFromDeg }) => windFromDeg === 'ahead')) return undefined;
  const winds = then.filter(({ windMs }) => windMs >= LIGHT_MS);
  if (winds.length === 0) return true;
  return shelter && winds.every(({ windFromDeg }) => windFromDeg !== 'ahead' && isBetween(windFromDeg, shelter));
};

/** Places to lie in, those that are sheltered through the night first. @param fromMs, toMs the night, ms since 1970 */
export const placesToLie = (
  { features }: Pick<Waters, 'features'>,
  weather: readonly WeatherFrom[],
  fromMs: number,
  toMs: number,
): Lying[] => {
  const rank = ({ sheltered }: Lying) => (sheltered === true ? 0 : sheltered === undefined ? 1 : 2);
  return features
    .flatMap(({ id, properties: { kind, name, depthM, shelter }, geometry }): Lying[] =>
      geometry.type === 'Point' && (kind === 'cove' || kind === 'mooring' || kind === 'berth')
        ? [{ id, name, kind, at: geometry.coordinates, depthM, sheltered: shelteredIn(shelter, weather, fromMs, toMs) }]
        : [],
    )
    .sort((a, b) => rank(a) - rank(b));
};
