import {
  judgeBoxes,
  judgeNegative,
  judgePair,
  judgeReal,
  judgeSecondView,
  judgeStranger,
  type Judged,
} from '@quay/server/topics/photo/compare/oracle';
import type { Box, Raster } from '@quay/server/topics/photo/compare/madeUp/paint';
import { madeUpPair } from '@quay/server/topics/photo/compare/madeUp/pairs';
import { realPair } from '@quay/server/topics/photo/compare/real/pairs';
import type { Part } from '@quay/server/topics/photo/compare/real/photographs';
import { type Bases, basesOf } from '@quay/server/topics/photo/compare/real/surface';
import { Bin, vision } from '@quay/server/topics/photo/compare/vision';
import pixelmatch from 'pixelmatch';
import { ssim } from 'ssim.js';

export type Task =
  | { seed: number; what: 'pair' | 'negative' | 'plain' }
  /** Of real photographs, which lie in a folder. */
  | { seed: number; what: 'real' | 'stranger' | 'realPlain' | 'secondView'; folder: string; part: Part };
export type Plain = Record<'pixels' | 'structure', Pick<Judged, 'marks' | 'hits' | 'falseBoxes'>>;

const rgba = ({ width, height, data }: Raster): Uint8ClampedArray => {
  const out = new Uint8ClampedArray(width * height * 4);
  for (let i = 0, p = 0; i < out.length; i += 4, p += 3) {
    out[i] = data[p]!;
    out[i + 1] = data[p + 1]!;
    out[i + 2] = data[p + 2]!;
    out[i + 3] = 255;
  }
  return out;
};

/** Boxes about what hangs together in a mask, small specks left out: as kind to the plain ways as to ours. */
const boxesOf = async (mask: Uint8Array, width: number, height: number): Promise<Box[]> => {
  const { cv } = await vision();
  const bin = new Bin();
  try {
    const mat = bin.keep(new cv.Mat(height, width, cv.CV_8U));
    mat.data.set(mask);
    cv.dilate(mat, mat, bin.keep(cv.getStructuringElement(cv.MORPH_ELLIPSE, new cv.Size(13, 13))));
    const [labels, stats, centres] = [0, 0, 0].map(() => bin.keep(new cv.Mat()));
    const count = cv.connectedComponentsWithStats(mat, labels!, stats!, centres!, 8);
    const of = stats!.data32S;
    return Array.from({ length: count - 1 }, (_, i) => {
      const at = (i + 1) * 5;
      return { x: of[at]!, y: of[at + 1]!, width: of[at + 2]!, height: of[at + 3]! };
    }).filter((box) => Math.max(box.width, box.height) >= 20);
  } finally {
    bin.empty();
  }
};

/** The same pair by plain pixel difference and by plain structural similarity, neither laid over the other. */
const plain = async ({ out, in: back, marks }: { out: Raster; in: Raster; marks: Box[] }): Promise<Plain> => {
  const { width, height } = back;
  const [a, b] = [rgba(out), rgba(back)];
  const diff = new Uint8ClampedArray(a.length);
  pixelmatch(a, b, diff, width, height, { threshold: 0.1, diffMask: true });
  const pixels = Uint8Array.from({ length: width * height }, (_, i) => (diff[i * 4 + 3]! > 0 ? 255 : 0));
  const { ssim_map: map } = ssim({ data: a, width, height }, { data: b, width, height }, { downsample: false, ssim: 'weber' });
  const structure = new Uint8Array(width * height);
  const [sx, sy] = [map.width / width, map.height / height];
  for (let y = 0; y < height; y += 1)
    for (let x = 0; x < width; x += 1) {
      const at = Math.min(map.height - 1, Math.floor(y * sy)) * map.width + Math.min(map.width - 1, Math.floor(x * sx));
      structure[y * width + x] = map.data[at]! < 0.4 ? 255 : 0;
    }
  return {
    pixels: judgeBoxes(marks, await boxesOf(pixels, width, height)),
    structure: judgeBoxes(marks, await boxesOf(structure, width, height)),
  };
};

/** Listed once a thread. */
const listed = new Map<string, Promise<Bases>>();
const basesIn = (folder: string, part: Part): Promise<Bases> => {
  const known = listed.get(part) ?? basesOf(folder, part);
  listed.set(part, known);
  return known;
};

export default async (task: Task): Promise<unknown> => {
  switch (task.what) {
    case 'pair':
      return judgePair(task.seed);
    case 'negative':
      return judgeNegative(task.seed);
    case 'plain':
      return plain(await madeUpPair(task.seed));
    case 'real':
      return judgeReal(await basesIn(task.folder, task.part), task.seed);
    case 'stranger':
      return judgeStranger(await basesIn(task.folder, task.part), task.seed);
    case 'realPlain':
      return plain(await realPair(await basesIn(task.folder, task.part), task.seed));
    case 'secondView':
      return judgeSecondView(task.folder, task.seed);
  }
};
