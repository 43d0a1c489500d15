import { chance } from '@quay/core/number/chance';
import type { Blob } from './blobs';
import { drawnOut, joined, type Judged, likeliest, whole } from './pieces';

/** A piece of these places. */
const piece = (places: readonly (readonly [x: number, y: number])[], odds = 1, more: Partial<Judged> = {}): Judged => {
  const [xs, ys] = [0, 1].map((axis) => places.map((place) => place[axis]!)) as [number[], number[]];
  const sum = (of: (x: number, y: number) => number) => places.reduce((total, [x, y]) => total + of(x, y), 0);
  return {
    level: 0,
    label: 1,
    within: undefined,
    x0: Math.min(...xs),
    x1: Math.max(...xs),
    y0: Math.min(...ys),
    y1: Math.max(...ys),
    area: places.length,
    below: 0,
    sum: 100,
    far: 90,
    rim: 0,
    nearRim: 0,
    peak: 50,
    sx: sum((x) => x),
    sy: sum((_, y) => y),
    sxx: sum((x) => x * x),
    sxy: sum((x, y) => x * y),
    syy: sum((_, y) => y * y),
    odds,
    ...more,
  };
};
/** A line of a scratch, three px thick, from a share of its length to another. */
const line = (from: number, to: number, [x, y]: readonly [number, number] = [100, 100], [dx, dy]: readonly [number, number] = [80, 60]) =>
  Array.from({ length: 60 }, (_, i) => from + ((to - from) * i) / 59).flatMap((t) =>
    [-1, 0, 1].map((off) => [Math.round(x + t * dx), Math.round(y + t * dy) + off] as const),
  );
const patch = (x: number, y: number, w: number, h: number) =>
  Array.from({ length: w * h }, (_, i) => [x + (i % w), y + Math.floor(i / w)] as const);
const boxOf = ({ x0, y0, x1, y1 }: Blob) => [x0, y0, x1, y1];

describe('how a piece lies', () => {
  it('is as long for its width as it is, whichever way it lies', () => {
    expect(drawnOut(piece(patch(0, 0, 40, 4)))).toBeCloseTo(10, 6);
    expect(drawnOut(piece(patch(7, 3, 5, 5)))).toBeCloseTo(1, 6);
    expect(drawnOut(piece(line(0, 1)))).toBeGreaterThan(15);
    expect(drawnOut(piece([[4, 4]]))).toBe(1);
  });
});

describe('what lies within each other', () => {
  const edge = piece(patch(0, 0, 200, 100), -0.8);
  const flaw = piece(patch(50, 40, 20, 18), 2.5, { level: 1, within: edge });
  const core = piece(patch(55, 45, 8, 8), 2.6, { level: 2, within: flaw });
  it('is the likeliest of it: a flaw on the edge of a shadow rather than all of that edge', () => {
    expect(likeliest([edge, flaw, core])).toEqual([flaw]);
  });
  it('is the whole where that is likely by itself, or its parts are hardly likelier', () => {
    for (const [odds, part] of [
      [0.5, 4],
      [-0.8, 0.5],
    ] as const) {
      const all = piece(patch(0, 0, 30, 20), odds);
      expect(likeliest([all, piece(patch(3, 3, 8, 8), part, { level: 1, within: all })])).toEqual([all]);
    }
  });
  it('stands for itself where what it lies in was not judged', () => {
    expect(likeliest([{ ...core, within: flaw }])).toHaveLength(1);
    expect(likeliest([edge, { ...core, within: { ...flaw, within: edge } }])).toMatchObject([{ level: 2 }]);
  });
});

describe('pieces of one flaw', () => {
  it('are joined where they fill their common box, and keep the better odds', () => {
    const all = joined([piece(line(0, 0.45), 0.1), piece(line(0.55, 1), 1.4)]);
    expect(all).toMatchObject([{ odds: 1.4, area: 360 }]);
    expect(boxOf(all[0]!)).toEqual([100, 99, 180, 161]);
  });
  it('a scratch and a chip not far from its end stay two', () => {
    expect(joined([piece(line(0, 1)), piece(patch(205, 80, 22, 17))])).toHaveLength(2);
  });
  it('are joined the same in whatever order they come', () => {
    const c = chance(3);
    const pieces = [0, 0.25, 0.5, 0.75].map((from) => piece(line(from, from + 0.2), from));
    const once = joined(pieces).map(boxOf);
    for (let i = 0; i < 6; i += 1) expect(joined([...pieces].sort(() => c.next() - 0.5)).map(boxOf)).toEqual(once);
  });
});

describe('a flaw as a whole', () => {
  it('goes on in a line behind what hides it, and not aside', () => {
    const seen = piece(line(0.3, 0.6));
    const grown = whole(seen, [piece(line(0.65, 0.8)), piece(line(0, 0.2)), piece(patch(170, 105, 6, 6))]);
    expect(boxOf(grown)).toEqual([100, 99, 164, 149]);
  });
  it('takes in the other half of a dent, but nothing larger than itself', () => {
    const half = piece(patch(100, 100, 60, 36));
    expect(boxOf(whole(half, [piece(patch(110, 139, 40, 20))]))).toEqual([100, 100, 159, 158]);
    expect(boxOf(whole(half, [piece(patch(40, 139, 200, 60))]))).toEqual([100, 100, 159, 135]);
    // Farther off, only what lies under it.
    expect(boxOf(whole(half, [piece(patch(110, 148, 40, 10))]))).toEqual([100, 100, 159, 157]);
    expect(boxOf(whole(half, [piece(patch(172, 110, 20, 20))]))).toEqual([100, 100, 159, 135]);
  });
  it('is itself where nothing is near', () => {
    const alone = piece(patch(10, 10, 12, 12));
    expect(whole(alone, [])).toBe(alone);
    expect(whole(alone, [piece(patch(60, 10, 12, 3))])).toBe(alone);
  });
});
