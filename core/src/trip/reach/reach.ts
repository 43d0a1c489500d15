import type { Xy } from '../../geometry/plane';
import { alongTrack, type Mover, type WindAndCurrent } from './underway';
import { middleOf, type WaterGrid } from './waterGrid';

/** Wind and current from an instant on, until the next of the list. */
export type WeatherFrom = WindAndCurrent & { atMs: number };

/** Moves from a square to others: the eight beside it and eight knight's moves. A way so made is at most 3 % longer than the straight one. */
const MOVES: readonly (readonly [columns: number, rows: number])[] = [
  [1, 0],
  [2, 1],
  [1, 1],
  [1, 2],
  [0, 1],
  [-1, 2],
  [-1, 1],
  [-2, 1],
  [-1, 0],
  [-2, -1],
  [-1, -1],
  [-1, -2],
  [0, -1],
  [1, -2],
  [1, -1],
  [2, -1],
];
/** The squares a knight's move passes between. */
const BETWEEN = MOVES.map(([c, r]): readonly (readonly [number, number])[] => {
  if (Math.abs(c) + Math.abs(r) < 3) return [];
  const [sc, sr] = [Math.sign(c), Math.sign(r)];
  return Math.abs(c) === 2
    ? [
        [sc, 0],
        [sc, sr],
      ]
    : [
        [0, sr],
        [sc, sr],
      ];
});
const LENGTH = MOVES.map(([c, r]) => Math.hypot(c, r));
const TRACK_DEG = MOVES.map(([c, r]) => ((Math.atan2(c, r) * 180) / Math.PI + 360) % 360);

/** A binary heap of squares by a key; a square may stand in it more than once. */
class Heap {
  #cells: number[] = [];
  #keys: number[] = [];
  get size(): number {
    return this.#cells.length;
  }
  push(cell: number, key: number): void {
    let i = this.#cells.length;
    this.#cells.push(cell);
    this.#keys.push(key);
    while (i > 0) {
      const up = (i - 1) >> 1;
      if (this.#keys[up]! <= key) break;
      this.#cells[i] = this.#cells[up]!;
      this.#keys[i] = this.#keys[up]!;
      i = up;
    }
    this.#cells[i] = cell;
    this.#keys[i] = key;
  }
  /** Takes the square with the least key; only of a heap that holds one. */
  pop(): { cell: number; key: number } {
    const [cell, key] = [this.#cells[0]!, this.#keys[0]!];
    const [lastCell, lastKey] = [this.#cells.pop()!, this.#keys.pop()!];
    const count = this.#cells.length;
    if (count === 0) return { cell, key };
    let i = 0;
    for (;;) {
      let down = 2 * i + 1;
      if (down >= count) break;
      if (down + 1 < count && this.#keys[down + 1]! < this.#keys[down]!) down += 1;
      if (this.#keys[down]! >= lastKey) break;
      this.#cells[i] = this.#cells[down]!;
      this.#keys[i] = this.#keys[down]!;
      i = down;
    }
    this.#cells[i] = lastCell;
    this.#keys[i] = lastKey;
    return { cell, key };
  }
}

/** Times over the squares of the water, ms since 1970, and by which square each is come from or gone on to; −1 where none is. */
export type Field = { grid: WaterGrid; times: Float64Array; next: Int32Array };

/** Seconds a metre, by weather, pace and move; infinite where she cannot hold the track. */
const costs = (grid: WaterGrid, weather: readonly WeatherFrom[], mover: Mover, turned: boolean): Float64Array => {
  const table = new Float64Array(weather.length * grid.limits.length * MOVES.length);
  let at = 0;
  for (const wind of weather) {
    for (const limit of grid.limits) {
      for (const track of TRACK_DEG) {
        const speed = alongTrack(turned ? (track + 180) % 360 : track, wind, mover, limit);
        table[at++] = speed < 0.05 ? Infinity : 1 / speed;
      }
    }
  }
  return table;
};

/** Least times from one square: forward in time from an instant, or backward from one, going the moves the other way. */
const spread = (grid: WaterGrid, from: number, startMs: number, back: boolean, weather: readonly WeatherFrom[], mover: Mover): Field => {
  const { columns, rows, pace, limits, cellM } = grid;
  const lasting = new Float64Array(pace.length).fill(Infinity);
  const next = new Int32Array(pace.length).fill(-1);
  const table = costs(grid, weather, mover, back);
  const heap = new Heap();
  lasting[from] = 0;
  heap.push(from, 0);
  const slot = (lastedS: number): number => {
    const at = back ? startMs - lastedS * 1000 : startMs + lastedS * 1000;
    let i = weather.length - 1;
    while (i > 0 && weather[i]!.atMs > at) i -= 1;
    return i;
  };
  while (heap.size > 0) {
    const { cell, key } = heap.pop();
    if (key > lasting[cell]!) continue;
    const [column, row] = [cell % columns, Math.floor(cell / columns)];
    const byHour = slot(key) * limits.length;
    const here = (byHour + pace[cell]! - 1) * MOVES.length;
    for (let m = 0; m < MOVES.length; m += 1) {
      const [c, r] = [column + MOVES[m]![0], row + MOVES[m]![1]];
      if (c < 0 || r < 0 || c >= columns || r >= rows) continue;
      const to = r * columns + c;
      if (pace[to] === 0) continue;
      let blocked = false;
      for (const [bc, br] of BETWEEN[m]!) if (pace[(row + br) * columns + column + bc] === 0) blocked = true;
      // Nobody squeezes between two corners of land.
      if (LENGTH[m]! > 1 && LENGTH[m]! < 2 && pace[row * columns + c] === 0 && pace[r * columns + column] === 0) blocked = true;
      if (blocked) continue;
      const there = (byHour + pace[to]! - 1) * MOVES.length;
      const lasted = key + ((table[here + m]! + table[there + m]!) / 2) * LENGTH[m]! * cellM;
      if (lasted < lasting[to]!) {
        lasting[to] = lasted;
        next[to] = cell;
        heap.push(to, lasted);
      }
    }
  }
  const times = lasting.map((seconds) => (back ? startMs - seconds * 1000 : startMs + seconds * 1000));
  return { grid, times, next };
};

/** When each square is reached at the earliest, leaving one of them at an instant, ms; `Infinity`: never. */
export const earliestFrom = (grid: WaterGrid, cell: number, leaveMs: number, weather: readonly WeatherFrom[], mover: Mover): Field =>
  spread(grid, cell, leaveMs, false, weather, mover);

/** When each square has to be left at the latest to be at one of them by an instant, ms; `-Infinity`: too late already. */
export const latestTo = (grid: WaterGrid, cell: number, byMs: number, weather: readonly WeatherFrom[], mover: Mover): Field =>
  spread(grid, cell, byMs, true, weather, mover);

/** The way between a square and the one a field starts from, corner by corner, beginning at that square. */
export const wayFrom = ({ grid, next }: Field, cell: number): Xy[] => {
  const way: Xy[] = [];
  for (let at = cell; at !== -1; at = next[at]!) way.push(middleOf(grid, at));
  return way;
};
