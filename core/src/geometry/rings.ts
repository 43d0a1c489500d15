import type { Xy } from './plane';

/** Polygons on a plane: rings of corners, the first the outside, the others holes. A ring may repeat its first corner at its end. */
export type Polygon = readonly (readonly Xy[])[];
export type Box = { minX: number; minY: number; maxX: number; maxY: number };

export const boxOf = (points: Iterable<Xy>): Box => {
  const box = { minX: Infinity, minY: Infinity, maxX: -Infinity, maxY: -Infinity };
  for (const [x, y] of points) {
    box.minX = Math.min(box.minX, x);
    box.maxX = Math.max(box.maxX, x);
    box.minY = Math.min(box.minY, y);
    box.maxY = Math.max(box.maxY, y);
  }
  return box;
};

/** Whether a place lies in a polygon and in none of its holes (even–odd rule); on an edge it may be said to be either. */
export const isWithin = (polygon: Polygon, [x, y]: Xy): boolean => {
  let inside = false;
  for (const ring of polygon) {
    let before = ring[ring.length - 1];
    for (const corner of ring) {
      const yi = corner[1];
      const yj = before![1];
      if (yi > y !== yj > y && x < ((before![0] - corner[0]) * (y - yi)) / (yj - yi) + corner[0]) inside = !inside;
      before = corner;
    }
  }
  return inside;
};

/** Square of the distance from a place to a stretch of line, m². */
const squareTo = (at: Xy, a: Xy, b: Xy): number => {
  const dx = b[0] - a[0];
  const dy = b[1] - a[1];
  const x = at[0] - a[0];
  const y = at[1] - a[1];
  const length = dx * dx + dy * dy;
  const along = length === 0 ? 0 : Math.max(0, Math.min(1, (x * dx + y * dy) / length));
  return (x - along * dx) ** 2 + (y - along * dy) ** 2;
};

/** How far a place is from a stretch of line, m. */
export const distanceToEdge = (at: Xy, a: Xy, b: Xy): number => Math.sqrt(squareTo(at, a, b));

/** How far a place is from the nearest part of some lines, m; infinite where there are none. */
export const distanceToLines = (lines: readonly (readonly Xy[])[], at: Xy): number => {
  let best = Infinity;
  for (const line of lines) for (let i = 1; i < line.length; i += 1) best = Math.min(best, squareTo(at, line[i - 1]!, line[i]!));
  return Math.sqrt(best);
};

/** Area of a polygon less its holes, m² (shoelace). */
export const areaOf = (polygon: Polygon): number =>
  polygon.reduce((sum, ring, index) => {
    let twice = 0;
    for (let i = 0, j = ring.length - 1; i < ring.length; j = i++) twice += ring[j]![0] * ring[i]![1] - ring[i]![0] * ring[j]![1];
    return sum + (Math.abs(twice) / 2) * (index === 0 ? 1 : -1);
  }, 0);

/** Length of a line, m. */
export const lengthOf = (line: readonly Xy[]): number =>
  line.reduce((sum, [x, y], i) => (i === 0 ? 0 : sum + Math.hypot(x - line[i - 1]![0], y - line[i - 1]![1])), 0);
