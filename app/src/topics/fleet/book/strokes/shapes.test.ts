import fc from 'fast-check';
import { Plan, type Spot, Stroke } from '@quay/core/fleet/drawing';
import {
  changed,
  HULL_FORMS,
  hullOutline,
  isEven,
  mirrored,
  moved,
  snapped,
  THINGS,
  thingAt,
  twinOf,
  withMorePoints,
  withPoint,
} from './shapes';

const LENGTH = { min: 2, max: 30, noNaN: true } as const;
const place: fc.Arbitrary<Spot> = fc.tuple(fc.double({ min: 0, max: 8, noNaN: true }), fc.double({ min: -1.5, max: 1.5, noNaN: true }));

describe('a plan that is drawn', () => {
  it('begins with an outline that is even, as long and as wide as it was said, whatever its form', () => {
    fc.assert(
      fc.property(fc.constantFrom(...HULL_FORMS), fc.double(LENGTH), fc.double({ min: 1, max: 8, noNaN: true }), (form, lengthM, beamM) => {
        const strokes = hullOutline(form, lengthM, beamM);
        expect(Plan.safeParse({ lengthM, beamM, strokes }).success).toBe(true);
        const points = strokes.flatMap((stroke) => (stroke.draw === 'path' ? stroke.points : []));
        expect(Math.max(...points.map(([x]) => x))).toBeCloseTo(lengthM, 1);
        expect(Math.max(...points.map(([, y]) => y)) * 2).toBeCloseTo(beamM, 1);
        for (const [i, stroke] of strokes.entries()) expect(isEven(stroke) || twinOf(strokes, i) !== undefined).toBe(true);
      }),
    );
  });

  it('things lie in the middle of their place and are found again on the other side; twice across is where it was', () => {
    fc.assert(
      fc.property(fc.constantFrom(...THINGS), place, (thing, at) => {
        const stroke = thingAt(thing, snapped(at, 0.05), { lengthM: 8, beamM: 3 });
        expect(Stroke.safeParse(stroke).success).toBe(true);
        expect(mirrored(mirrored(stroke))).toEqual(stroke);
        const strokes = [stroke, mirrored(stroke)];
        expect(twinOf(strokes, 0)).toBe(isEven(stroke) ? undefined : 1);
        // What is moved on one side is moved on the other.
        const next = changed(strokes, 0, moved(stroke, [0.5, 0.25]), true);
        if (!isEven(stroke)) expect(next[1]).toEqual(mirrored(next[0]!));
        expect(changed(strokes, 0, moved(stroke, [0.5, 0.25]), false)[1]).toEqual(strokes[1]);
      }),
    );
  });

  it('an even outline stays even while its points are pulled, and gets one more point where it is longest', () => {
    fc.assert(
      fc.property(fc.constantFrom('pointed', 'full', 'square', 'long' as const), fc.nat(20), place, (form, n, to) => {
        const [stroke] = hullOutline(form as 'full', 6, 2.4);
        if (stroke?.draw !== 'path') throw new Error('an outline is a path');
        const pulled = withPoint(stroke, n % stroke.points.length, snapped(to, 0.05), true);
        expect(isEven(pulled)).toBe(true);
        const more = withMorePoints(stroke);
        expect(more.draw === 'path' && more.points.length).toBe(stroke.points.length + 1);
      }),
    );
  });
});
