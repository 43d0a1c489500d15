import type { Plan, Spot, Stroke } from '@quay/core/fleet/drawing';
import type { Tone } from './shapes';

/** Surfaces made from the outline of the boat: what one sees of her from a side, from ahead, from astern, and from above. 0 to 1, right and down. */

export const SURFACE_VIEWS = ['side', 'bow', 'stern', 'inside'] as const;
export type SurfaceView = (typeof SURFACE_VIEWS)[number];

const share = (value: number): number => Math.round(Math.min(1, Math.max(0, value)) * 1000) / 1000;
const path = (points: readonly Spot[], tone: Tone = 'hull'): Stroke => ({
  draw: 'path',
  closed: true,
  tone,
  points: points.map(([x, y]): Spot => [share(x), share(y)]),
});
const line = (...points: Spot[]): Stroke => ({ draw: 'path', tone: 'line', points: points.map(([x, y]): Spot => [share(x), share(y)]) });

type Outline = Extract<Stroke, { draw: 'path' }>;

/** Her hulls from above: one, or two that lie apart. */
const hullsOf = ({ strokes }: Plan): Outline[] =>
  strokes.filter((stroke): stroke is Outline => stroke.draw === 'path' && stroke.closed === true && stroke.tone === 'hull');

/** How far aside an outline goes at a share of the length; the widest part around it where it has no point just there. */
const asideAt = (outline: Outline, lengthM: number, at: number): number => {
  const x = at * lengthM;
  let most = 0;
  outline.points.forEach(([x0, y0], i) => {
    const [x1, y1] = outline.points[(i + 1) % outline.points.length]!;
    if (Math.min(x0, x1) > x || Math.max(x0, x1) < x) return;
    const y = x0 === x1 ? Math.max(Math.abs(y0), Math.abs(y1)) : Math.abs(y0 + ((y1 - y0) * (x - x0)) / (x1 - x0));
    most = Math.max(most, y);
  });
  return most;
};

/** What of her form a view needs: shares of the length and of the greatest beam. */
const formOf = (plan: Plan) => {
  const [hull, second] = hullsOf(plan);
  if (!hull || second) return { two: second !== undefined, rake: 0.1, stern: 0.9, fine: 0.3 };
  const widest = Math.max(...hull.points.map(([, y]) => Math.abs(y)), 0.01);
  const at = (x: number) => asideAt(hull, plan.lengthM, x) / widest;
  // From where on she narrows: the later, the steeper her stem, and the fuller she is from ahead.
  const shoulder = [0.6, 0.65, 0.7, 0.75, 0.8, 0.85, 0.9, 0.95, 0.98].find((x) => at(x) < 0.8) ?? 1;
  return { two: false, rake: 0.3 * (1 - shoulder) + 0.02, stern: Math.max(0.2, at(0.005)), fine: Math.max(0.06, (shoulder - 0.55) * 0.9) };
};

/** A surface drawn from the plan; hers to put right by hand. */
export const surfaceFrom = (view: SurfaceView, plan: Plan): Stroke[] => {
  const { two, rake, stern, fine } = formOf(plan);
  switch (view) {
    case 'side':
      return [
        path([
          [0, 0.22],
          [1, 0.1],
          [1 - rake, 0.62],
          [1 - 2 * rake, 0.95],
          [0.02, 0.95],
        ]),
        line([0, 0.34], [1 - rake * 0.35, 0.24]),
      ];
    case 'bow':
      return two
        ? [
            ...[0.14, 0.86].map((x): Stroke => ({ draw: 'ring', at: [x, 0.74], radius: 0.13, tone: 'hull' })),
            { draw: 'box', at: [0.04, 0.2], size: [0.92, 0.4], tone: 'deck' },
          ]
        : [
            path([
              [0, 0.1],
              [1, 0.1],
              [0.5 + (0.5 + fine) / 2, 0.55],
              [0.5 + fine, 0.95],
              [0.5 - fine, 0.95],
              [0.5 - (0.5 + fine) / 2, 0.55],
            ]),
            line([0.5, 0.1], [0.5, 0.95]),
          ];
    case 'stern': {
      const half = 0.5 * stern;
      return [
        path([
          [0.5 - half, 0.15],
          [0.5 + half, 0.15],
          [0.5 + half * 0.86, 0.8],
          [0.5 + half * 0.6, 0.95],
          [0.5 - half * 0.6, 0.95],
          [0.5 - half * 0.86, 0.8],
        ]),
      ];
    }
    case 'inside': {
      const { lengthM, beamM } = plan;
      const to = ([x, y]: Spot): Spot => [share(x / lengthM), share((y + beamM / 2) / beamM)];
      return plan.strokes.map((stroke): Stroke => {
        if (stroke.draw === 'path') return { ...stroke, points: stroke.points.map(to) };
        if (stroke.draw === 'ring') return { ...stroke, at: to(stroke.at), radius: Math.max(0.005, stroke.radius / lengthM) };
        const [at, end] = [to(stroke.at), to([stroke.at[0] + stroke.size[0], stroke.at[1] + stroke.size[1]])];
        return { ...stroke, at, size: [share(end[0] - at[0]), share(end[1] - at[1])] };
      });
    }
  }
};
