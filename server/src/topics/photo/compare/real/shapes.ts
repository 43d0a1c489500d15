import type { Chance } from '@quay/core/number/chance';
import type { Box } from '../madeUp/paint';

/** Shapes of flaws: how much of each place is one. */

export type Point = readonly [x: number, y: number];
/** How much of each place is the flaw, 0 to 1, within its box. */
export type Shape = Box & { mask: Float32Array };

const soft = (edge: number): number => Math.max(0, Math.min(1, 0.5 - edge));

export const shapeOf = (box: Box, at: (x: number, y: number) => number): Shape => {
  const [x0, y0, width, height] = [Math.floor(box.x), Math.floor(box.y), Math.ceil(box.width), Math.ceil(box.height)];
  const mask = new Float32Array(width * height);
  for (let y = 0, i = 0; y < height; y += 1) for (let x = 0; x < width; x += 1, i += 1) mask[i] = at(x0 + x, y0 + y);
  return { x: x0, y: y0, width, height, mask };
};

/** About some points, with room for soft edges. */
const about = (points: readonly Point[], by: number): Box => {
  const [xs, ys] = [points.map(([x]) => x), points.map(([, y]) => y)];
  const [x, y] = [Math.min(...xs) - by, Math.min(...ys) - by];
  return { x, y, width: Math.max(...xs) + by - x, height: Math.max(...ys) + by - y };
};

/** A line that wanders. @param widths along it, px */
export const line = (points: readonly Point[], width: (along: number) => number): Shape => {
  const widest = Math.max(...Array.from({ length: 11 }, (_, i) => width(i / 10)));
  return shapeOf(about(points, widest + 4), (x, y) => {
    let most = 0;
    for (let i = 0; i + 1 < points.length; i += 1) {
      const [[ax, ay], [bx, by]] = [points[i]!, points[i + 1]!];
      const [dx, dy] = [bx - ax, by - ay];
      const t = Math.max(0, Math.min(1, ((x - ax) * dx + (y - ay) * dy) / (dx * dx + dy * dy || 1)));
      const far = Math.hypot(x - ax - t * dx, y - ay - t * dy);
      most = Math.max(most, soft(far - width((i + t) / (points.length - 1)) / 2));
    }
    return most;
  });
};

export const wander = (c: Chance, [x, y]: Point, length: number, turn: number, steps: number, stray: number): Point[] => {
  let [px, py, way] = [x - (Math.cos(turn) * length) / 2, y - (Math.sin(turn) * length) / 2, turn];
  return Array.from({ length: steps }, () => {
    const at: Point = [px, py];
    way += c.normal() * stray;
    px += (Math.cos(way) * length) / (steps - 1);
    py += (Math.sin(way) * length) / (steps - 1);
    return at;
  });
};

/** A ragged patch. @param edge over how many px it ends */
export const patch = (c: Chance, [x, y]: Point, rx: number, ry: number, ragged: number, edge: number): Shape => {
  const waves = [2, 3, 5, 8, 13].map((k) => ({ k, by: (ragged * c.normal()) / Math.sqrt(k), from: c.next() * 2 * Math.PI }));
  const turn = c.next() * Math.PI;
  const [cos, sin] = [Math.cos(turn), Math.sin(turn)];
  const most = Math.max(rx, ry) * (1 + 2.2 * ragged) + edge + 3;
  return shapeOf({ x: x - most, y: y - most, width: 2 * most, height: 2 * most }, (px, py) => {
    const [u, v] = [((px - x) * cos + (py - y) * sin) / rx, ((py - y) * cos - (px - x) * sin) / ry];
    const [far, way] = [Math.hypot(u, v), Math.atan2(v, u)];
    const rim = 1 + waves.reduce((sum, { k, by, from }) => sum + by * Math.cos(k * way + from), 0);
    return soft(((far - Math.max(0.3, rim)) * Math.min(rx, ry)) / edge);
  });
};
