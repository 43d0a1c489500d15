import { judgeBlur, madeUpPhoto } from './madeUp';
import { qualityOf } from './quality';

/** Blur is counted in pixels, so a smaller picture with the same blur is as good a test; four hundred large ones are on the bench. */
const SMALL = [480, 360] as const;

describe('a photograph before it is accepted', () => {
  it('is told blurred when it is, and not when it is not', () => {
    const seed = 4711;
    const agreed = judgeBlur(8, seed, (pixels) => qualityOf(pixels).doubts.includes('blurred'), SMALL);
    console.log(`blur, seed ${seed}: agreed on ${agreed}`);
    // A tenth of the pixels has a tenth of the edges: one in eight may be wrong here.
    expect(agreed).toBeGreaterThanOrEqual(7 / 8);
  });

  it('has edges as wide as it was blurred', () => {
    const edge = (blurSigmaPx: number) => qualityOf(madeUpPhoto(7, { blurSigmaPx }, SMALL).pixels).edgePx!;
    expect(edge(0)).toBeLessThan(3.2);
    // 2.5 σ for a step; what is near another edge comes out narrower.
    const edges = [1, 3, 6].map(edge);
    edges.forEach((one, i) => expect(one).toBeGreaterThan(i === 0 ? 2 : edges[i - 1]!));
    for (const sigma of [3]) expect(Math.abs(edge(sigma) / (2.507 * sigma) - 1)).toBeLessThan(0.3);
  });

  it('is told dark, or blown out, when it is', () => {
    expect(qualityOf(madeUpPhoto(3, {}, SMALL).pixels).doubts).toEqual([]);
    expect(qualityOf(madeUpPhoto(3, { exposure: 0.15 }, SMALL).pixels).doubts).toEqual(['dark']);
    expect(qualityOf(madeUpPhoto(3, { glare: 0.2 }, SMALL).pixels).doubts).toEqual(['glare']);
    expect(qualityOf(madeUpPhoto(3, { glare: 0.03 }, SMALL).pixels).doubts).toEqual([]);
  });

  it('without anything to judge by is not called blurred', () => {
    const data = new Uint8ClampedArray(320 * 240 * 4).fill(128);
    expect(qualityOf({ width: 320, height: 240, data })).toMatchObject({ edgePx: undefined, doubts: [] });
  });
});
