import { contours } from 'd3-contour';
import type { LonLat } from '../../geometry/plane';
import type { Turn } from './turnRound';

/** Slack beyond this changes nothing in where the outline runs, ms: out of reach it is as good as unbounded. */
const ENOUGH_MS = 300_000;

/** The outline of what can be reached and left again in time, as polygons with their holes, for drawing. */
export const reachOutline = ({ slack, grid }: Extract<Turn, { is: 'known' }>): LonLat[][][] => {
  const { columns, rows, x0, y0, cellM, sheet } = grid;
  const values = Array.from(slack, (ms) => Math.max(-ENOUGH_MS, Math.min(ENOUGH_MS, ms)));
  const [outline] = contours().size([columns, rows]).thresholds([0])(values);
  return (outline?.coordinates ?? []).map((polygon) =>
    polygon.map((ring) => ring.map(([c = 0, r = 0]) => sheet.plane.toLonLat([x0 + c * cellM, y0 + r * cellM]))),
  );
};
