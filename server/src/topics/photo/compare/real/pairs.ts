import { chance } from '@quay/core/number/chance';
import sharp from 'sharp';
import type { Box, Raster } from '../madeUp/paint';
import { type FlawKind, type Ground, layFlaws } from './flaws';
import { lightOf, photographSurface, settingOf, shownShare, viewOf } from './seen';
import { type Bases, isEven, surfaceOf } from './surface';

/** Pairs made from real photographs: seen twice by somebody who does not stand in the same place, in another light, with flaws between. */

export type RealMark = Box & { kind: FlawKind; ground: Ground };
/** `partly` are flaws of which a photograph shows too little to ask for them; a box about one is about something all the same. */
export type RealPair = { out: Raster; in: Raster; marks: RealMark[]; partly: Box[] };

/** Of a flaw's place, so much has to be seen in both photographs. */
const SHOWN = 0.6;

/** @param flaws how many, none to three without */
export const realPair = async (bases: Bases, seed: number, flaws?: number): Promise<RealPair> => {
  const c = chance(seed * 48271 + 11);
  const at = Math.floor(c.next() * 1e6);
  const printed = c.next();
  const plain = await surfaceOf(bases, seed, c, {
    ...(printed < 0.25 ? { shapes: chance(seed * 17 + 5) } : {}),
    ...(printed < 0.55 ? { letters: chance(seed * 31 + 7) } : {}),
  });
  const setting = await settingOf(c, () => surfaceOf(bases, at, c));
  const laid = layFlaws(c, plain, flaws ?? Math.floor(c.next() * 4));
  const out = await photographSurface(plain, laid.ids, setting, viewOf(c), lightOf(c), c);
  const back = await photographSurface(laid.surface, laid.ids, setting, viewOf(c), lightOf(c), c);
  const [before, after] = [out, back].map(({ boxes }) => shownShare(boxes, laid.ids)) as [Map<number, number>, Map<number, number>];
  const seen = laid.flaws
    .filter(({ id }) => back.boxes.has(id))
    .map(({ id, kind, ground }) => ({ ...back.boxes.get(id)!, id, kind, ground }));
  const whole = ({ id }: { id: number }) => Math.min(before.get(id) ?? 0, after.get(id) ?? 0) >= SHOWN;
  return { out: out.photo, in: back.photo, marks: seen.filter(whole), partly: seen.filter((one) => !whole(one)) };
};

export const STRANGERS = ['sister', 'otherSide', 'mirrored', 'elsewhere', 'otherEvening'] as const;
export type Stranger = (typeof STRANGERS)[number];

/** Two photographs that must not be compared. */
export const realStranger = async (all: Bases, seed: number, kind: Stranger): Promise<{ out: Raster; in: Raster }> => {
  const bases = all.filter((base) => !isEven(base));
  const c = chance(seed * 69621 + 3);
  const shapes = () => chance(seed * 17 + 5);
  const behind = () => surfaceOf(bases, seed + 31, c);
  const shot = async (surface: Raster) => {
    const { photo } = await photographSurface(surface, undefined, await settingOf(c, behind), viewOf(c), lightOf(c), c);
    return photo;
  };
  const own = await surfaceOf(bases, seed, chance(seed), { shapes: shapes(), letters: chance(seed * 3 + 1) });
  const out = await shot(own);
  const flop = async ({ width, height, data }: Raster): Promise<Raster> => ({
    ...{ width, height },
    data: await sharp(data, { raw: { width, height, channels: 3 } })
      .flop()
      .raw()
      .toBuffer(),
  });
  switch (kind) {
    case 'sister':
      return { out, in: await shot(await surfaceOf(bases, seed + 1, c, { shapes: shapes(), letters: chance(seed * 3 + 2) })) };
    case 'otherSide':
      return { out, in: await shot(await flop(await surfaceOf(bases, seed + 2, c, { shapes: shapes(), letters: chance(seed * 3 + 4) }))) };
    case 'mirrored':
      return { out, in: await shot(await flop(own)) };
    case 'elsewhere':
      return { out, in: await shot(await surfaceOf(bases, seed + 5, c, { letters: chance(seed * 3 + 5) })) };
    case 'otherEvening': {
      // The quay itself on another day: neighbours in the list are often of one place, none is printed on.
      const [one, two] = [await surfaceOf(bases, seed, chance(seed)), await surfaceOf(bases, seed + 1, chance(seed))];
      return { out: await shot(one), in: await shot(two) };
    }
  }
};
