import { ahead, RAD, type Point } from '@quay/core/docking/place';

/** Where metres north and east come to lie on a drawing, with one direction up. */
export type Chart = {
  scale: number;
  upDeg: number;
  /** Pixels from the left and from the top. */
  at: (point: Point) => readonly [number, number];
  /** The turn of something that points so, degrees clockwise from up. */
  turn: (deg: number) => number;
};

/** Ahead and to starboard of a course, of a point given north and east. */
const along = ([north, east]: Point, deg: number): Point => {
  const [cos, sin] = [Math.cos(deg * RAD), Math.sin(deg * RAD)];
  return [north * cos + east * sin, -north * sin + east * cos];
};

/**
 * The chart that shows all points, as large as fits.
 * @param margin pixels left free on each side
 */
export const chartOf = (points: readonly Point[], upDeg: number, width: number, height: number, margin: number): Chart => {
  const laid = points.map((point) => along(point, upDeg));
  const [ups, asides] = [laid.map(([up]) => up), laid.map(([, aside]) => aside)];
  const [low, high] = [Math.min(...ups), Math.max(...ups)];
  const [left, right] = [Math.min(...asides), Math.max(...asides)];
  const scale = Math.min((width - 2 * margin) / Math.max(1, right - left), (height - 2 * margin) / Math.max(1, high - low));
  const [midUp, midAside] = [(low + high) / 2, (left + right) / 2];
  return {
    scale,
    upDeg,
    at: (point) => {
      const [up, aside] = along(point, upDeg);
      return [width / 2 + (aside - midAside) * scale, height / 2 - (up - midUp) * scale];
    },
    turn: (deg) => deg - upDeg,
  };
};

export const lineTo = (points: readonly (readonly [number, number])[], closed = false): string =>
  `M${points.map(([x, y]) => `${x.toFixed(1)} ${y.toFixed(1)}`).join('L')}${closed ? 'Z' : ''}`;

/** The land behind a waterline, as far as a drawing can see. */
export const landOf = (at: Point, outDeg: number, farM: number): readonly Point[] =>
  (
    [
      [0, -farM],
      [0, farM],
      [-farM, farM],
      [-farM, -farM],
    ] as const
  ).map(([out, aside]) => ahead(at, outDeg, out, aside));
