import { type Chance, chance } from '@quay/core/number/chance';
import sharp from 'sharp';
import { type Camera, cameraNear, photograph, type Rail, railOf, seen, SIZE, weather, type Weather, worldOf } from './camera';
import { type Box, type Flaw, flaw, paintBehind, paintSide, type Raster, shapeOf } from './paint';

/**
 * Made-up photographs of boats, from a seed: a curved hull with windows, letters, wear and old flaws, a rail in front of it,
 * water and a bank behind it, seen twice by somebody who does not stand in the same place, in another light. What is known of
 * them is what the comparison is judged against. Nothing real is in them.
 */

export type MadeUpPair = { out: Raster; in: Raster; marks: Box[] };
export type Negative = 'sister' | 'otherSide' | 'mirrored' | 'upsideDown' | 'dark' | 'elsewhere';

/** New flaws where both photographs see the side, apart from each other and from the rail. */
const newFlaws = (c: Chance, count: number, hull: number, clear: (x: number, y: number) => boolean): Flaw[] => {
  const made: Flaw[] = [];
  for (let tries = 0; made.length < count && tries < 300; tries += 1) {
    const [x, y] = [c.within(200, 2200), c.within(320, 920)];
    const one = flaw(c, x, y, hull);
    const corners = [
      [one.box.x, one.box.y],
      [one.box.x + one.box.width, one.box.y + one.box.height],
      [one.box.x, one.box.y + one.box.height],
      [one.box.x + one.box.width, one.box.y],
    ] as const;
    if (!corners.every(([a, b]) => clear(a, b))) continue;
    if (made.some(({ box }) => Math.abs(box.x - one.box.x) < 160 && Math.abs(box.y - one.box.y) < 160)) continue;
    made.push(one);
  }
  return made;
};

/**
 * A side photographed before and after a hire, with so many new flaws on it, none being as good a case as three.
 * @returns both photographs, and the boxes of the new flaws in the second, px
 */
export const madeUpPair = async (seed: number, flaws?: number): Promise<MadeUpPair> => {
  const c = chance(seed);
  const classSeed = Math.floor(c.next() * 1e6);
  const boatSeed = Math.floor(c.next() * 1e6);
  const rail = railOf(c);
  const of = { middle: c.within(-0.5, 0.5), distance: c.within(3.1, 3.9) };
  const [cameraOut, cameraIn] = [cameraNear(c, of), cameraNear(c, of)];
  const count = flaws ?? Math.floor(c.next() * 4);
  const inside = (camera: Camera, x: number, y: number) => {
    const world = worldOf(x, y);
    const [px, py] = seen(camera, world);
    if (px < 40 || py < 40 || px > SIZE.width - 40 || py > SIZE.height - 40) return false;
    // Nothing of the rail may stand before it.
    const t = (rail.z - camera.z) / (world[2] - camera.z);
    const [rx, ry] = [camera.x + t * (world[0] - camera.x), camera.y + t * (world[1] - camera.y)];
    return (
      ry > rail.top + 0.05 &&
      !rail.posts.some((post) => Math.abs(rx - post) < 0.06 && ry < rail.top + 0.7) &&
      !rail.fenders.some((at) => Math.abs(rx - at) < 0.16 && Math.abs(ry - rail.top - 0.36) < 0.32)
    );
  };
  const { hull, windows, stripes } = shapeOf(classSeed);
  const clear = (x: number, y: number) =>
    inside(cameraOut, x, y) &&
    inside(cameraIn, x, y) &&
    !windows.some((w) => x > w.x - 12 && x < w.x + w.w + 12 && y > w.y - 12 && y < w.y + w.h + 12) &&
    !stripes.some((s) => y > s.y - 10 && y < s.y + s.h + 10);
  const extra = newFlaws(c, count, hull, clear);
  const [before, after, behindOut, behindIn] = await Promise.all([
    paintSide(classSeed, boatSeed, []),
    paintSide(classSeed, boatSeed, extra),
    paintBehind(seed * 2 + 1),
    paintBehind(seed * 2 + (c.next() < 0.5 ? 1 : 2)),
  ]);
  const out = await photograph(before, behindOut, rail, cameraOut, weather(c), c, 0);
  const back = await photograph(after, behindIn, rail, cameraIn, weather(c), c, c.within(-60, 60));
  const marks = extra.map(({ box }) => {
    const corners = [
      [box.x, box.y],
      [box.x + box.width, box.y],
      [box.x, box.y + box.height],
      [box.x + box.width, box.y + box.height],
    ].map(([x, y]) => seen(cameraIn, worldOf(x!, y!)));
    const xs = corners.map(([x]) => x);
    const ys = corners.map(([, y]) => y);
    return { x: Math.min(...xs), y: Math.min(...ys), width: Math.max(...xs) - Math.min(...xs), height: Math.max(...ys) - Math.min(...ys) };
  });
  return { out, in: back, marks };
};

const turned = async ({ width, height, data }: Raster, how: 'flop' | 'rotate'): Promise<Raster> => {
  const image = sharp(data, { raw: { width, height, channels: 3 } });
  const { data: done } = await (how === 'flop' ? image.flop() : image.rotate(180)).raw().toBuffer({ resolveWithObject: true });
  return { width, height, data: done };
};

/** Two photographs that must not be compared: another boat of the class, the other side of the same, turned, or too dark. */
export const madeUpNegative = async (seed: number, kind: Negative): Promise<{ out: Raster; in: Raster }> => {
  const c = chance(seed);
  const classSeed = Math.floor(c.next() * 1e6);
  const boatSeed = Math.floor(c.next() * 1e6);
  const rail = railOf(c);
  const of = { middle: c.within(-0.5, 0.5), distance: c.within(3.1, 3.9) };
  const one = async (klass: number, boat: number, bars: Rail, light: Weather) =>
    photograph(await paintSide(klass, boat, []), await paintBehind(seed), bars, cameraNear(c, of), light, c, 0);
  const out = await one(classSeed, boatSeed, rail, weather(c));
  switch (kind) {
    case 'sister':
      return { out, in: await one(classSeed, boatSeed + 1, railOf(c), weather(c)) };
    case 'otherSide': {
      // The same windows and stripes the other way round, with that side's own letters and wear.
      const other = await paintSide(classSeed, boatSeed + 500_000, []);
      return {
        out,
        in: await photograph(await turned(other, 'flop'), await paintBehind(seed + 1), railOf(c), cameraNear(c, of), weather(c), c, 30),
      };
    }
    case 'mirrored':
      return { out, in: await turned(await one(classSeed, boatSeed, rail, weather(c)), 'flop') };
    case 'upsideDown':
      return { out, in: await turned(await one(classSeed, boatSeed, rail, weather(c)), 'rotate') };
    case 'dark': {
      const light = weather(c);
      return { out, in: await one(classSeed, boatSeed, rail, { ...light, gain: [0.09, 0.09, 0.1], noise: 7 }) };
    }
    case 'elsewhere':
      return { out, in: await one(classSeed + 1, boatSeed + 1, railOf(c), weather(c)) };
  }
};
export const NEGATIVES: readonly Negative[] = ['sister', 'otherSide', 'mirrored', 'upsideDown', 'dark', 'elsewhere'];
