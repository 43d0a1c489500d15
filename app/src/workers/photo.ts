import { type Corners, movedCorners } from '@quay/core/photo/card';
import { cornersByEdges } from '@quay/core/photo/cardEdges';
import { greyOf, JUDGED_AT_PX, qualityOf } from '@quay/core/photo/quality';
import type { Asked, Said } from './photoProtocol';

/** As wide as a card is measured in: finer than a thumb points. */
const MEASURED_AT_PX = 1600;

/** Pictures among others are shown no larger than this, on screens with several dots to a pixel. */
const SMALL_PX = 360;

const drawn = async (blob: Blob, widest: number): Promise<OffscreenCanvas> => {
  const whole = await createImageBitmap(blob);
  const scale = Math.min(1, widest / whole.width);
  const [width, height] = [Math.max(1, Math.round(whole.width * scale)), Math.max(1, Math.round(whole.height * scale))];
  const canvas = new OffscreenCanvas(width, height);
  const context = canvas.getContext('2d', { willReadFrequently: true });
  if (!context) throw new Error('no canvas');
  // Averaged on the way down: picking single pixels would make blur look sharp.
  context.imageSmoothingQuality = 'high';
  context.drawImage(whole, 0, 0, width, height);
  whole.close();
  return canvas;
};

const pixelsOf = async (blob: Blob, widest: number): Promise<ImageData> => {
  const canvas = await drawn(blob, widest);
  return canvas.getContext('2d')!.getImageData(0, 0, canvas.width, canvas.height);
};

const cornersIn = async ({ blob, corners, box, reach }: Extract<Asked, { ask: 'corners' }>): Promise<Corners | undefined> => {
  const { width, height, data } = await pixelsOf(blob, MEASURED_AT_PX);
  const scale = Math.min(box[0] / width, box[1] / height);
  const [left, top] = [(box[0] - width * scale) / 2, (box[1] - height * scale) / 2];
  const inside = movedCorners(corners, ([x, y]) => [(x - left) / scale, (y - top) / scale]);
  const found = cornersByEdges({ width, height, grey: greyOf({ width, height, data }) }, inside, Math.ceil(reach / scale));
  return found && movedCorners(found, ([x, y]) => [left + x * scale, top + y * scale]);
};

/** Where a photograph is looked at before it is accepted or measured by: decoding and measuring keep no finger waiting. */
onmessage = async ({ data: asked }: MessageEvent<Asked>) => {
  const { id } = asked;
  const say = (said: Said) => postMessage(said);
  try {
    if (asked.ask === 'corners') say({ id, ok: true, corners: await cornersIn(asked) });
    else if (asked.ask === 'small')
      say({ id, ok: true, small: await (await drawn(asked.blob, SMALL_PX)).convertToBlob({ type: 'image/jpeg', quality: 0.72 }) });
    else {
      const { width, height, data } = await pixelsOf(asked.blob, JUDGED_AT_PX);
      say({ id, ok: true, quality: qualityOf({ width, height, data }) });
    }
  } catch (error) {
    say({ id, ok: false, why: (error as Error).message });
  }
};
