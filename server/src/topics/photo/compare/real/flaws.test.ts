import { chance } from '@quay/core/number/chance';
import type { Raster } from '../madeUp/paint';
import { FLAWS, layFlaws } from './flaws';
import { partOf, PARTS, PHOTOGRAPHS, SECOND_VIEWS } from './photographs';
import { lightOf, photographSurface, SEEN, settingOf, shownShare, viewOf } from './seen';
import { SURFACE } from './surface';

/** A surface with a texture on its left half and next to none on its right. */
const surface = () => {
  const c = chance(3);
  const { width, height } = SURFACE;
  const data = Buffer.alloc(width * height * 3);
  for (let i = 0; i < width * height; i += 1) {
    const rough = i % width < width / 2;
    const v = 130 + (rough ? 40 : 2) * Math.sin((i % width) / 5) * Math.cos(Math.floor(i / width) / 7) + c.normal() * 2;
    for (let k = 0; k < 3; k += 1) data[i * 3 + k] = Math.max(0, Math.min(255, Math.round(v - 8 * k)));
  }
  return { width, height, data };
};

it('lays flaws of every kind into a surface, each with a box about all that it changed, and changes nothing else', () => {
  const before = surface();
  const { surface: after, ids, flaws } = layFlaws(chance(21), before, 30);
  expect(new Set(flaws.map(({ kind }) => kind))).toEqual(new Set(FLAWS));
  expect(new Set(flaws.map(({ ground }) => ground)).size).toBeGreaterThan(1);
  const luma = ({ data }: Raster, i: number) => 0.299 * data[i * 3]! + 0.587 * data[i * 3 + 1]! + 0.114 * data[i * 3 + 2]!;
  const inside = (i: number, id: number) => {
    const { box } = flaws.find((one) => one.id === id)!;
    const [x, y] = [i % SURFACE.width, Math.floor(i / SURFACE.width)];
    return x >= box.x && x < box.x + box.width && y >= box.y && y < box.y + box.height;
  };
  let [wrong, changed] = [0, 0];
  for (let i = 0; i < ids.length; i += 1) {
    const by = Math.abs(luma(after, i) - luma(before, i));
    if (ids[i] === 0 ? by >= 8 : by < 8 || !inside(i, ids[i]!)) wrong += 1;
    if (ids[i] !== 0) changed += 1;
  }
  expect([wrong, changed > 1000]).toEqual([0, true]);
});

it('says where a photograph shows a flaw, from whichever place and in whichever light', async () => {
  const c = chance(5);
  const plain = surface();
  const { surface: flawed, ids, flaws } = layFlaws(c, plain, 3);
  const setting = { ...(await settingOf(c, () => Promise.resolve(plain))), posts: [], rail: undefined, behind: undefined };
  const light = { ...lightOf(c), shade: undefined, edge: undefined, wet: undefined, sheen: undefined, glints: [], noise: 1, blur: 0.3 };
  const view = viewOf(c);
  const [before, after] = await Promise.all([plain, flawed].map((one) => photographSurface(one, ids, setting, view, light, c)));
  for (const { id } of flaws) {
    const box = after!.boxes.get(id)!;
    expect(shownShare(after!.boxes, ids).get(id)).toBeGreaterThan(0.5);
    // From the same place in the same light, what differs most lies in the boxes.
    const mean = (x0: number, y0: number, w: number, h: number) => {
      let [sum, n] = [0, 0];
      for (let y = Math.max(0, y0); y < Math.min(SEEN.height, y0 + h); y += 1)
        for (let x = Math.max(0, x0); x < Math.min(SEEN.width, x0 + w); x += 1, n += 1) {
          const p = (y * SEEN.width + x) * 3;
          sum += Math.abs(after!.photo.data[p]! - before!.photo.data[p]!);
        }
      return sum / n;
    };
    const about = mean(box.x - 40, box.y - 40, box.width + 80, 30);
    expect(mean(box.x, box.y, box.width, box.height)).toBeGreaterThan(2 * about);
  }
});

it('parts the photographs for good, so that nothing is judged by what it was grown with', () => {
  const files = PHOTOGRAPHS.flatMap((one) => one.files);
  expect(new Set(files).size).toBe(files.length);
  expect(files.map((file) => partOf(`/a/${file}`))).toEqual(files.map((file) => partOf(`/b/c/d/${file}`)));
  for (const part of PARTS) expect(files.filter((file) => partOf(file) === part).length).toBeGreaterThan(8);
  for (const { package: of, out, back } of SECOND_VIEWS) {
    const one = PHOTOGRAPHS.find(({ name }) => name === of)!;
    for (const name of [out, back]) expect(one.files.some((file) => file.endsWith(`/${name}`))).toBe(true);
  }
});
