import fc from 'fast-check';
import { BANDS, bandsOf, stretchOf } from './bands';
import type { TrackPoint } from './report';

const point = (i: number, speedMs: number, anew = false): TrackPoint => ({ atMs: i * 1000, at: [i, 0], speedMs, anew });

describe('bands of speed', () => {
  it('one line a run of like speed, that joins the one before; none across a gap', () => {
    const { lines, upToMs } = bandsOf([point(0, 1, true), point(1, 1), point(2, 8), point(3, 8), point(4, 8, true), point(5, 8)]);
    expect(upToMs).toEqual([2, 4, 6, 8]);
    expect(lines).toEqual([
      [[[0, 0], [1, 0]]],
      [],
      [[[1, 0], [2, 0]]],
      [[[2, 0], [3, 0]], [[4, 0], [5, 0]]],
    ]); // prettier-ignore
    expect(stretchOf([point(0, 1), point(1, 1), point(2, 1)], 1000, 2000)).toEqual([[1, 0], [2, 0]]); // prettier-ignore
  });

  it('draws every step between two points once, and nothing of none (property)', () => {
    const points = fc.array(fc.tuple(fc.double({ min: 0, max: 20, noNaN: true }), fc.boolean()), { maxLength: 60 });
    fc.assert(
      fc.property(points, (rows) => {
        const line = rows.map(([speedMs, anew], i) => point(i, speedMs, anew));
        const steps = bandsOf(line).lines.flatMap((band) => band.flatMap((one) => one.slice(1).map(([x]) => x)));
        const wanted = line.flatMap(({ anew }, i) => (i > 0 && !anew ? [i] : []));
        expect([...steps].sort((a, b) => a - b)).toEqual(wanted);
        expect(bandsOf(line).lines).toHaveLength(BANDS);
      }),
    );
  });
});
