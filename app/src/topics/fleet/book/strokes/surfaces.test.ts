import { Plan, type Stroke } from '@quay/core/fleet/drawing';
import fc from 'fast-check';
import { HULL_FORMS, hullOutline, THINGS, thingAt } from './shapes';
import { SURFACE_VIEWS, surfaceFrom } from './surfaces';

const plans = fc
  .record({
    form: fc.constantFrom(...HULL_FORMS),
    lengthM: fc.integer({ min: 20, max: 200 }).map((n) => n / 10),
    beamM: fc.integer({ min: 8, max: 50 }).map((n) => n / 10),
    things: fc.array(fc.constantFrom(...THINGS), { maxLength: 5 }),
  })
  .map(({ form, lengthM, beamM, things }): Plan => ({
    lengthM,
    beamM,
    strokes: [...hullOutline(form, lengthM, beamM), ...things.map((thing) => thingAt(thing, [lengthM / 2, 0], { lengthM, beamM }))],
  }));
const of = (form: (typeof HULL_FORMS)[number]): Plan => ({ lengthM: 6, beamM: 2.4, strokes: hullOutline(form, 6, 2.4) });
const numbersOf = (stroke: Stroke): number[] =>
  stroke.draw === 'path' ? stroke.points.flat() : stroke.draw === 'box' ? [...stroke.at, ...stroke.size] : [...stroke.at, stroke.radius];
const pointsOf = (strokes: readonly Stroke[]) =>
  strokes.flatMap((stroke) => (stroke.draw === 'path' && stroke.closed ? stroke.points : []));

describe('a surface made from the plan', () => {
  it('is a drawing of its own, within its field, whatever the boat', () =>
    fc.assert(
      fc.property(plans, fc.constantFrom(...SURFACE_VIEWS), (plan, view) => {
        const strokes = surfaceFrom(view, plan);
        expect(strokes.length).toBeGreaterThan(0);
        for (const stroke of strokes) for (const n of numbersOf(stroke)) expect(n >= 0 && n <= 1).toBe(true);
        expect(Plan.shape.strokes.safeParse(strokes).success).toBe(true);
      }),
    ));

  it('is the same on both sides from ahead and from astern', () =>
    fc.assert(
      fc.property(plans, fc.constantFrom('bow' as const, 'stern' as const), (plan, view) => {
        const points = pointsOf(surfaceFrom(view, plan));
        for (const [x, y] of points) expect(points.some(([u, v]) => Math.abs(u - (1 - x)) < 0.002 && v === y)).toBe(true);
      }),
    ));

  it('a pointed boat has a raked stem and is fine from ahead, a square one neither; two hulls are two', () => {
    const stem = (form: 'pointed' | 'square') =>
      Math.min(
        ...pointsOf(surfaceFrom('side', of(form)))
          .filter(([, y]) => y > 0.9)
          .map(([x]) => 1 - x),
      );
    expect(stem('pointed')).toBeGreaterThan(stem('square'));
    const floor = (form: 'pointed' | 'square') => {
      const along = pointsOf(surfaceFrom('bow', of(form))).flatMap(([x, y]) => (y > 0.9 ? [x] : []));
      return Math.max(...along) - Math.min(...along);
    };
    expect(floor('square')).toBeGreaterThan(floor('pointed'));
    expect(surfaceFrom('bow', of('twoHulls')).filter(({ draw }) => draw === 'ring')).toHaveLength(2);
    // A stern that narrows is narrower than the field; a transom is as wide as she is.
    const wide = (form: 'long' | 'square') => {
      const xs = pointsOf(surfaceFrom('stern', of(form))).map(([x]) => x);
      return Math.max(...xs) - Math.min(...xs);
    };
    expect(wide('square')).toBeCloseTo(1, 2);
    expect(wide('long')).toBeLessThan(0.6);
  });
});
