import { JUDGED_AT_PX, qualityOf } from '@quay/core/photo/quality';
import type { Judged, ToJudge } from './photoProtocol';

/** Where a photograph is looked at before it is accepted: decoding and measuring keep no finger waiting. */
onmessage = async ({ data: { id, blob } }: MessageEvent<ToJudge>) => {
  const answer = (judged: Judged) => postMessage(judged);
  try {
    const whole = await createImageBitmap(blob);
    const scale = Math.min(1, JUDGED_AT_PX / whole.width);
    const [width, height] = [Math.max(1, Math.round(whole.width * scale)), Math.max(1, Math.round(whole.height * scale))];
    const context = new OffscreenCanvas(width, height).getContext('2d', { willReadFrequently: true });
    if (!context) throw new Error('no canvas');
    // Averaged on the way down: picking single pixels would make blur look sharp.
    context.imageSmoothingQuality = 'high';
    context.drawImage(whole, 0, 0, width, height);
    whole.close();
    const { data } = context.getImageData(0, 0, width, height);
    answer({ id, ok: true, quality: qualityOf({ width, height, data }) });
  } catch (error) {
    answer({ id, ok: false, why: (error as Error).message });
  }
};
