import { chance } from '@quay/core/number/chance';
import { BELOW, type Blob, blobsOf, ELSEWHERE, HERS, type Look } from './blobs';
import { differences } from './differences';
import { coarseOf, bytesOf, COARSE_AT_PX } from '../picture';
import { type Features, featuresOf } from './features';
import { Bin, type Cv, vision } from '../vision';

const [W, H] = [480, 320];
type Shade = (x: number, y: number) => number;
type Zone = (x: number, y: number) => number;

/** Paint with a little grain, the same in both pictures. */
const grain = (() => {
  const c = chance(11);
  return Float32Array.from({ length: W * H }, () => c.normal() * 1.2);
})();
const inside = (x: number, y: number, left: number, top: number, w: number, h: number) =>
  x >= left && x < left + w && y >= top && y < top + h;

let cv: Cv;
const bin = new Bin();
beforeAll(async () => {
  ({ cv } = await vision());
}, 60_000);
afterEach(() => bin.empty());

/** Two pictures that lie exactly over each other, as they are looked at. */
const lookOf = (before: Shade, after: Shade, zone: Zone = () => HERS): Look => {
  const pictureOf = (shade: Shade) => {
    const mat = bin.keep(new cv.Mat(H, W, cv.CV_8UC1));
    mat.data.set(Uint8Array.from(grain, (g, i) => Math.max(0, Math.min(255, Math.round(shade(i % W, Math.floor(i / W)) + g)))));
    return mat;
  };
  const [aligned, b] = [pictureOf(before), pictureOf(after)];
  const { heat, far } = differences(cv, bin, aligned, b);
  const coarse = (mat: typeof b) => bytesOf(coarseOf(cv, bin, mat));
  const over = coarse(aligned);
  return {
    heat,
    far,
    allowed: Uint8Array.from({ length: W * H }, (_, i) => zone(i % W, Math.floor(i / W))),
    aligned,
    b,
    lit: bytesOf(aligned),
    coarse: { width: COARSE_AT_PX, back: coarse(b), surface: over, free: over, aligned: over },
    strayed: new Float32Array(over.length),
  };
};

/** What is measured of the largest difference, and all there are. */
const measured = (look: Look): { largest: Features; blobs: Blob[] } => {
  const { blobs, labels, core } = blobsOf(cv, look);
  const largest = [...blobs].filter(({ level }) => level === 0).sort((p, q) => q.area - p.area)[0]!;
  return { largest: featuresOf(cv, look, labels[0]!, core, largest), blobs };
};

const PAINT: Shade = () => 150;
const chip =
  (x: number, y: number, shade = 70): Shade =>
  (px, py) =>
    inside(px, py, x, y, 24, 18) ? shade : 150;

describe('what is measured of a difference', () => {
  it('a chip in quiet paint stands out now and did not before, in surroundings that stayed as they were', () => {
    const { largest } = measured(lookOf(PAINT, chip(200, 120)));
    expect(largest.standsOut).toBeGreaterThan(60);
    expect(Math.abs(largest.stoodOut)).toBeLessThan(0.1);
    expect([largest.restless, largest.alike]).toEqual([0, 0]);
    expect(largest.became).toBeCloseTo(Math.log(160 / 80), 1);
    expect(largest.stands).toBeGreaterThan(0.9);
    expect(largest.moved).toBe(0);
    expect([largest.below, largest.off, largest.rim, largest.cut]).toEqual([0, 0, 0, 0]);
    expect(largest.fill).toBeGreaterThan(0.8);
  });

  it('what was there before is no difference, and what only grew a shade lighter with all the rest is none either', () => {
    expect(blobsOf(cv, lookOf(chip(200, 120), chip(200, 120))).blobs).toEqual([]);
  });

  it('what stands a hand’s breadth away is found there', () => {
    const post =
      (left: number): Shade =>
      (x, y) =>
        inside(x, y, left, 0, 12, H) ? 225 - (x - left) * 3 : 150 + 12 * Math.sin(y / 9);
    const { largest } = measured(lookOf(post(200), post(222)));
    expect(largest.moved).toBeGreaterThan(0.8);
    expect(measured(lookOf(PAINT, post(222))).largest.moved).toBe(0);
  });

  it('the edge of a shadow has beside it what became the same, a little less', () => {
    const soft =
      (to: number): Shade =>
      (x) =>
        150 - 70 / (1 + Math.exp((x - to) / 9));
    const shadow = measured(lookOf(soft(200), soft(225))).largest;
    const flaw = measured(lookOf(PAINT, chip(200, 120))).largest;

    expect([flaw.alike, flaw.restless, flaw.stoodOut].map((one) => one > 0.2)).not.toContain(true);
    // What is about it changed as well, only less, and both pictures vary there alike.
    expect([shadow.beside > 0.2, shadow.around > 0.05, shadow.explained > 0.7]).toEqual([true, true, true]);
    expect([flaw.beside < 0.01, flaw.around < 0.01, flaw.explained < 0.3]).toEqual([true, true, true]);
    expect(shadow.flat).toBeLessThan(-1);
  });

  it('a chip on the edge of a light is looked at by itself as well, within that edge', () => {
    // A light that grew: it hangs together with the chip, but is fainter.
    const light: Shade = (x, y) => 150 + (inside(x, y, 180, 60, 90, 160) ? 26 : 0);
    const both: Shade = (x, y) => (inside(x, y, 215, 120, 22, 18) ? 60 : light(x, y));
    const { blobs } = measured(lookOf(PAINT, both));
    const part = blobs.find(({ level }) => level > 0)!;
    expect(part.within!.level).toBeLessThan(part.level);
    expect(part.area).toBeLessThan(0.7 * part.within!.area);
    expect([part.x0, part.y0].every((at, axis) => Math.abs(at - [215, 120][axis]!) <= 4)).toBe(true);
  });

  it('what comes in from where she ends is cut off there', () => {
    const above: Zone = (_, y) => (y < 60 ? ELSEWHERE : HERS);
    const post: Shade = (x, y) => (inside(x, y, 200, 0, 20, 130) ? 40 : 150);
    const { largest } = measured(lookOf(PAINT, post, above));
    expect(largest.cut).toBeGreaterThan(0.9);
    expect(largest.rim).toBeGreaterThan(0);
  });

  it('beyond what is known of her, it is known how far off that is and what step lies between', () => {
    const known: Zone = (_, y) => (y < 160 ? HERS : BELOW);
    const water: Shade = (x, y) => (y > 200 ? 90 : 150) - (inside(x, y, 200, 240, 26, 18) ? 50 : 0);
    const before: Shade = (_, y) => (y > 200 ? 90 : 150);
    const beyond = measured(lookOf(before, water, known)).largest;
    expect(beyond.below).toBe(1);
    expect(Math.exp(beyond.off) - 1).toBeGreaterThan(60);
    expect(beyond.fence).toBeGreaterThan(0.25);
    // In plain paint below what is known of her there is no such step.
    const paint = measured(lookOf(PAINT, chip(200, 220), known)).largest;
    expect([paint.below, paint.fence < 0.1]).toEqual([1, true]);
  });

  it('the sun in a drop is blown out, and paint is not', () => {
    const drop: Shade = (x, y) => ((x - 210) ** 2 + (y - 130) ** 2 < 60 ? 254 : 150);
    expect(measured(lookOf(PAINT, drop)).largest.blown).toBeGreaterThan(0.4);
    expect(measured(lookOf(PAINT, chip(200, 120, 220))).largest.blown).toBe(0);
  });

  it('explained by her surface where that shows the very same, whatever else was laid over it', () => {
    const window: Shade = (x, y) => (inside(x, y, 180, 100, 90, 60) ? 40 : 150);
    const bent: Shade = (x, y) => window(x, y - 7);
    const look = lookOf(bent, window);
    const surface = bytesOf(coarseOf(cv, bin, look.b));
    const { largest } = measured({ ...look, coarse: { ...look.coarse, surface } });
    expect(largest.explained).toBeCloseTo(1, 5);
    expect(largest.surface).toBeGreaterThan(0.1);
    expect(measured(look).largest.surface).toBe(0);
  });
});
