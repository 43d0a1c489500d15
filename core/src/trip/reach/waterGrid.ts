import type { Xy } from '../../geometry/plane';
import { distanceToEdge, type Polygon } from '../../geometry/rings';
import { CLOSED_KINDS, type Sheet, USUAL_RING_M } from '../../waters/sheet';
import { zoneLimitMs } from '../../waters/zone';

/** The water cut into squares: what may be gone through, and how fast. */
export type WaterGrid = {
  sheet: Sheet;
  /** South-west corner on the sheet's plane, and the side of a square, m. */
  x0: number;
  y0: number;
  cellM: number;
  columns: number;
  rows: number;
  /** Per square, row by row from the south: 0 closed, else 1 + the place in `limits`. */
  pace: Uint8Array;
  /** Limits over ground that occur, m/s; `Infinity` where there is none. */
  limits: readonly number[];
};

/** Water that a boat needs under her keel, m. */
const UNDER_KEEL_M = 0.3;
const MOST_LIMITS = 254;

/** Sets the squares whose middle lies in a polygon (even–odd, row by row). */
const fill = (
  { x0, y0, cellM, columns, rows }: Pick<WaterGrid, 'x0' | 'y0' | 'cellM' | 'columns' | 'rows'>,
  polygon: Polygon,
  set: (cell: number) => void,
) => {
  const crossings: number[][] = Array.from({ length: rows }, () => []);
  for (const ring of polygon) {
    for (let i = 0, j = ring.length - 1; i < ring.length; j = i++) {
      const [low, high] = ring[i]![1] < ring[j]![1] ? [ring[i]!, ring[j]!] : [ring[j]!, ring[i]!];
      const from = Math.max(0, Math.ceil((low[1] - y0) / cellM - 0.5));
      for (let row = from; row < rows; row += 1) {
        const y = y0 + (row + 0.5) * cellM;
        if (y >= high[1]) break;
        crossings[row]!.push(low[0] + ((high[0] - low[0]) * (y - low[1])) / (high[1] - low[1]));
      }
    }
  }
  crossings.forEach((xs, row) => {
    xs.sort((a, b) => a - b);
    for (let i = 0; i + 1 < xs.length; i += 2) {
      const from = Math.max(0, Math.ceil((xs[i]! - x0) / cellM - 0.5));
      const to = Math.min(columns - 1, Math.ceil((xs[i + 1]! - x0) / cellM - 0.5) - 1);
      for (let column = from; column <= to; column += 1) set(row * columns + column);
    }
  });
};

/** Every square whose middle is nearer to some lines than so. */
const near = (
  grid: Pick<WaterGrid, 'x0' | 'y0' | 'cellM' | 'columns' | 'rows'>,
  lines: Polygon,
  metres: number,
  set: (cell: number) => void,
) => {
  const { x0, y0, cellM, columns, rows } = grid;
  for (const line of lines) {
    for (let i = 1; i < line.length; i += 1) {
      const [a, b] = [line[i - 1]!, line[i]!];
      const column = (x: number) => Math.floor((x - x0) / cellM);
      const row = (y: number) => Math.floor((y - y0) / cellM);
      const [fromC, toC] = [
        Math.max(0, column(Math.min(a[0], b[0]) - metres)),
        Math.min(columns - 1, column(Math.max(a[0], b[0]) + metres)),
      ];
      const [fromR, toR] = [Math.max(0, row(Math.min(a[1], b[1]) - metres)), Math.min(rows - 1, row(Math.max(a[1], b[1]) + metres))];
      for (let r = fromR; r <= toR; r += 1)
        for (let c = fromC; c <= toC; c += 1)
          if (distanceToEdge([x0 + (c + 0.5) * cellM, y0 + (r + 0.5) * cellM], a, b) <= metres) set(r * columns + c);
    }
  }
};

/**
 * Cuts a sheet of water into squares. A square is judged by its middle; where zones overlap the strictest limit holds.
 * @param most so many squares at most @param draftM of the boat @param waterM above lowest water, the least that is expected
 * @returns nothing where no shore was drawn: nobody knows where there is water
 */
export const waterGrid = (sheet: Sheet, { most = 20_000, draftM = 0, waterM = 0 }): WaterGrid | undefined => {
  if (sheet.water.length === 0) return undefined;
  const { minX, minY, maxX, maxY } = sheet.water
    .map(({ box }) => box)
    .reduce((a, b) => ({
      minX: Math.min(a.minX, b.minX),
      minY: Math.min(a.minY, b.minY),
      maxX: Math.max(a.maxX, b.maxX),
      maxY: Math.max(a.maxY, b.maxY),
    }));
  const cellM = Math.max(2, Math.sqrt(((maxX - minX) * (maxY - minY)) / most), (maxX - minX) / 1_000, (maxY - minY) / 1_000);
  const frame = {
    x0: minX,
    y0: minY,
    cellM,
    columns: Math.max(1, Math.ceil((maxX - minX) / cellM)),
    rows: Math.max(1, Math.ceil((maxY - minY) / cellM)),
  };
  const limits = [...new Set([Infinity, ...sheet.zones.flatMap(({ feature }) => zoneLimitMs(feature) ?? [])])].sort((a, b) => b - a);
  // More limits than that nobody has; the strictest stand for the rest.
  if (limits.length > MOST_LIMITS) limits.splice(1, limits.length - MOST_LIMITS);
  const pace = new Uint8Array(frame.columns * frame.rows);
  for (const { polygon } of sheet.water) fill(frame, polygon, (cell) => (pace[cell] = 1));
  // Limits are sorted from none to the strictest: the larger number is the stricter one.
  const slow = (limitMs: number) => {
    const to = 1 + limits.findIndex((limit) => limit <= limitMs);
    return (cell: number) => {
      if (pace[cell]! !== 0 && pace[cell]! < to) pace[cell] = to;
    };
  };
  const close = (cell: number) => {
    pace[cell] = 0;
  };
  const shores = sheet.water.flatMap(({ polygon }) => polygon);
  for (const { feature, polygon } of sheet.zones) {
    const { fromShoreM, depthM, kind } = feature.properties;
    const limitMs = zoneLimitMs(feature);
    const closed = CLOSED_KINDS.includes(kind) || (kind === 'depth' && depthM !== undefined && depthM + waterM < draftM + UNDER_KEEL_M);
    const set = closed ? close : limitMs === undefined ? undefined : slow(limitMs);
    if (!set) continue;
    // What is closed may be smaller than a square: every square it touches is.
    if (closed) near(frame, polygon, frame.cellM / 2, close);
    if (fromShoreM === undefined) fill(frame, polygon, set);
    else {
      const within = new Set<number>();
      fill(frame, polygon, (cell) => within.add(cell));
      near(frame, shores, fromShoreM, (cell) => {
        if (within.has(cell)) set(cell);
      });
    }
  }
  for (const { feature, at } of sheet.spots)
    // Not even the corner of a square that one goes through lies in the ring.
    if (feature.properties.kind === 'hazard')
      near(frame, [[at, at]], (feature.properties.radiusM ?? USUAL_RING_M) + frame.cellM / 2, close);
  return { sheet, ...frame, pace, limits };
};

/** The middle of a square. */
export const middleOf = ({ x0, y0, cellM, columns }: WaterGrid, cell: number): Xy => [
  x0 + ((cell % columns) + 0.5) * cellM,
  y0 + (Math.floor(cell / columns) + 0.5) * cellM,
];

/** The open square nearest to a place, no farther than so many squares away. */
export const openCellAt = (grid: WaterGrid, [x, y]: Xy, within = 12): number | undefined => {
  const [c, r] = [Math.floor((x - grid.x0) / grid.cellM), Math.floor((y - grid.y0) / grid.cellM)];
  let best: number | undefined;
  let bestM = Infinity;
  for (let row = Math.max(0, r - within); row <= Math.min(grid.rows - 1, r + within); row += 1) {
    for (let column = Math.max(0, c - within); column <= Math.min(grid.columns - 1, c + within); column += 1) {
      const cell = row * grid.columns + column;
      if (grid.pace[cell] === 0) continue;
      const [mx, my] = middleOf(grid, cell);
      const metres = Math.hypot(mx - x, my - y);
      if (metres < bestM) [best, bestM] = [cell, metres];
    }
  }
  return best;
};
